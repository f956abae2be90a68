import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { type CostModel, defaultCost } from '@/src/core/bench/cost'
import { readCostModel } from '@/src/core/bench/cost-schema'
import { readSystem } from '@/src/core/wiring/read-system'
import type { System } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'

/** A mistake of the caller: printed as a sentence, exit code 2. */
export class UsageError extends Error {}

/** Words and --options of a command line. */
export interface Options {
  readonly words: readonly string[]
  has(name: string): boolean
  get(name: string): string | null
  all(name: string): string[]
}

/** What a command takes: options with a value, options without, and at most so many words. */
export interface Accepted {
  readonly values?: readonly string[]
  readonly flags?: readonly string[]
  readonly words?: number
}

/** Reads a command line. What the command does not take is refused: a slip of the finger must not pass for a silent default. */
export function readOptions(command: string, args: readonly string[], accepted: Accepted): Options {
  const { values = [], flags = [], words: most = 0 } = accepted
  const options = Object.fromEntries([
    ...values.map((name) => [name, { type: 'string' as const, multiple: true }]),
    ...flags.map((name) => [name, { type: 'boolean' as const }]),
  ])
  const takes = [...values.map((name) => `--${name} ...`), ...flags.map((name) => `--${name}`)]
  let parsed: ReturnType<typeof parseArgs>
  try {
    parsed = parseArgs({ args: [...args], options, allowPositionals: true, strict: true })
  } catch (error) {
    const [problem] = (error instanceof Error ? error.message : String(error)).split(/(?<=\.)\s/)
    throw new UsageError(`${problem.replace(/\.?$/, '.')} "${command}" takes ${takes.length > 0 ? takes.join(', ') : 'no options'}.`)
  }
  const { positionals } = parsed
  if (positionals.length > most)
    throw new UsageError(
      `"${positionals[most]}" is one word too many: "${command}" takes ${most === 0 ? 'none' : most}${takes.length > 0 ? `, and ${takes.join(', ')}` : ''}.`,
    )
  const given = new Map(Object.entries(parsed.values))
  const list = (name: string): string[] => {
    const value = given.get(name)
    return Array.isArray(value) ? value.map(String) : []
  }
  return { words: positionals, has: (name) => given.has(name), get: (name) => list(name)[0] ?? null, all: list }
}

/** A system by its id in the catalogue, or from a file in the open format. */
export function loadSystem(name: string | null): System {
  if (name === null) throw new UsageError(`Say which system: --system ${catalogue.map(({ id }) => id).join(' | ')}, or a file.`)
  const known = systemById(name)
  if (known) return known
  const read = readSystem(parseJson(readFile(name), name))
  if (read.ok) return read.system
  throw new UsageError(`${name} is no valid system:\n${read.problems.map((problem) => `  ${problem}`).join('\n')}`)
}

/** A technician's own minutes from a file; the defaults without one. */
export function loadMinutes(name: string | null): CostModel {
  if (name === null) return defaultCost
  const read = readCostModel(parseJson(readFile(name), name))
  if (read.ok) return read.cost
  throw new UsageError(`${name} gives no valid minutes: ${read.problem}`)
}

/** Why a file could not be read or written, without the machine's own wording. */
export function sayFileTrouble(path: string, error: unknown): string {
  const code = error instanceof Error && 'code' in error ? String(error.code) : ''
  const why = FILE_TROUBLE.get(code) ?? (error instanceof Error ? error.message : String(error))
  return `Cannot use ${path}: ${why}.`
}

const FILE_TROUBLE = new Map([
  ['ENOENT', 'there is no such file or folder'],
  ['ENOTDIR', 'there is a file where a folder should be'],
  ['EISDIR', 'it is a folder, not a file'],
  ['EACCES', 'it may not be read or written by you'],
  ['EPERM', 'it may not be read or written by you'],
  ['EROFS', 'the disk takes no writing'],
  ['ENOSPC', 'the disk is full'],
  ['EEXIST', 'it is there already'],
])

export function readFile(path: string): string {
  try {
    // Some editors put a mark of the byte order before the text.
    return readFileSync(path, 'utf8').replace(/^\uFEFF/, '')
  } catch (error) {
    throw new UsageError(sayFileTrouble(path, error))
  }
}

export function parseJson(text: string, name: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new UsageError(`${name} is not JSON: ${error instanceof Error ? error.message : String(error)}`)
  }
}
