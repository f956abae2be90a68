import Papa from 'papaparse'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import type { System } from '@/src/core/wiring/system'

/** What a column of somebody else's table holds: a whole line as it is typed, or what was read, its value, its unit and where. */
export const columnRoles = ['ignored', 'line', 'points', 'value', 'unit', 'place'] as const
export type ColumnRole = (typeof columnRoles)[number]

export const sayColumnRole: Record<ColumnRole, string> = {
  ignored: 'leave out',
  line: 'a whole line, as typed',
  points: 'points or part read',
  value: 'the value',
  unit: 'its unit',
  place: 'where',
}

export interface CsvTable {
  readonly header: readonly string[]
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[]
}

/** A table is no longer than this: what a meter logs by the second is none of a job's readings. Assumption. */
const MOST_ROWS = 2000
const MOST_COLUMNS = 40

/** Reads comma-, semicolon- or tab-separated values with a heading (RFC 4180). What is wrong is said in a sentence. */
export function readCsvTable(
  text: string,
): { readonly ok: true; readonly table: CsvTable } | { readonly ok: false; readonly problem: string } {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false })
  const lines = data.map((cells, index) => ({ line: index + 1, cells: cells.map((cell) => cell.trim()) }))
  const [head, ...rest] = lines.filter(({ cells }) => cells.some((cell) => cell !== ''))
  const nothing = 'Nothing was taken.'
  if (!head || rest.length === 0) return { ok: false, problem: `There is no table in this file: a heading, and rows under it. ${nothing}` }
  if (head.cells.length > MOST_COLUMNS || text.includes('\0')) return { ok: false, problem: `This is no table of readings. ${nothing}` }
  if (rest.length > MOST_ROWS)
    return { ok: false, problem: `This table has ${rest.length} rows; ${MOST_ROWS} is the most. ${nothing} Cut it into parts.` }
  return { ok: true, table: { header: head.cells, rows: rest } }
}

const guesses: readonly (readonly [RegExp, ColumnRole])[] = [
  [/^(entry|line|note|text|remark)s?$/i, 'line'],
  [/^(points?|probes?|between|terminals?|what|part|test|measurement|check|name|channel)$/i, 'points'],
  [/^(value|reading|read|result|display|measured)$/i, 'value'],
  [/^(units?)$/i, 'unit'],
  [/^(place|where|location|at|site|unit name)$/i, 'place'],
]

/** What each column holds, by its heading. A whole line leaves nothing for the others to say. */
export function guessColumns(header: readonly string[]): ColumnRole[] {
  const roles = header.map((name): ColumnRole => guesses.find(([says]) => says.test(name))?.[1] ?? 'ignored')
  const once = roles.map((role, at): ColumnRole => (roles.indexOf(role) === at ? role : 'ignored'))
  const isByColumns = once.includes('points') && once.includes('value')
  return once.map((role) => ((role === 'line' ? isByColumns : !isByColumns && once.includes('line')) ? 'ignored' : role))
}

/** Why these columns make no readings; null when they do. */
export function problemWithColumns(roles: readonly ColumnRole[]): string | null {
  const twice = columnRoles.find((role) => role !== 'ignored' && roles.filter((one) => one === role).length > 1)
  if (twice) return `Two columns are “${sayColumnRole[twice]}”: keep one.`
  if (roles.includes('line')) return null
  return roles.includes('points') && roles.includes('value') ? null : 'Say which column holds what was read, and which its value.'
}

export interface TakenRow {
  readonly line: number
  readonly drafts: readonly EntryDraft[]
  readonly say: string
}

export interface RowAside {
  readonly line: number
  readonly cells: readonly string[]
  readonly problem: string
}

/**
 * Every row as the line that would be typed, read where the rows before it have led; those that make none are kept aside, with why.
 *
 * @param entered the entry that a draft becomes, for the rows behind it
 */
export function readRows(
  { rows }: CsvTable,
  roles: readonly ColumnRole[],
  { system, entries }: { readonly system: System; readonly entries: readonly Entry[] },
  entered: (draft: EntryDraft, index: number) => Entry,
): { readonly taken: readonly TakenRow[]; readonly aside: readonly RowAside[] } {
  const taken: TakenRow[] = []
  const aside: RowAside[] = []
  const known = [...entries]
  for (const { line, cells } of rows) {
    const said = lineOf(cells, roles)
    const read = said === null ? null : readQuickLine(said, { system, entries: known, suspects: [], proposed: null })
    if (!read?.ok) {
      aside.push({ line, cells, problem: read?.problem ?? 'The value, or what was read, is missing.' })
      continue
    }
    taken.push({ line, drafts: read.drafts, say: read.say })
    for (const draft of read.drafts) known.push(entered(draft, known.length))
  }
  return { taken, aside }
}

/** The line that says what a row says; null where it says nothing. */
function lineOf(cells: readonly string[], roles: readonly ColumnRole[]): string | null {
  const of = (role: ColumnRole) => {
    const at = roles.indexOf(role)
    return at < 0 ? '' : (cells[at] ?? '')
  }
  if (of('line') !== '') return of('line')
  const [points, value, unit, place] = [of('points'), of('value'), of('unit'), of('place')]
  if (points === '' || value === '') return null
  return `${points} ${value}${unit ? ` ${unit}` : ''}${place ? ` at ${place}` : ''}`
}

/** The rows that were kept aside as a table of their own, each with its line and why. */
export const asideCsv = ({ header }: CsvTable, aside: readonly RowAside[]): string =>
  Papa.unparse(
    { fields: ['line', 'why', ...header], data: aside.map(({ line, problem, cells }) => [String(line), problem, ...cells]) },
    {
      escapeFormulae: true,
      newline: '\r\n',
    },
  )
