import { z } from 'zod'
import type { Entry } from '@/src/core/job/entry'
import { entrySchema } from '@/src/core/job/entry-schema'
import { isDeepEqual } from '@/src/core/units/is-deep-equal'
import { sayIssue } from '@/src/core/units/say-issue'
import { momentSchema, textSchema } from '@/src/core/units/text-schema'
import { problemsOfSystem } from '@/src/core/wiring/read-system'
import { systemSchema } from '@/src/core/wiring/system-schema'

/** A job's id is part of its address. */
export const jobIdSchema = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/, 'An id of a job has letters, digits and dashes only, 64 at most.')

export const titleSchema = textSchema(200, 1, 'A job needs a street or a name to find it by.')

/** A job as a file: its system as it was known, and its whole timeline. One entry a line, so that a torn file loses little. */
export const jobFileSchema = z.strictObject({
  format: z.literal('nest-trace/job'),
  version: z.literal(1),
  job: z.strictObject({ id: jobIdSchema, title: titleSchema, createdAt: momentSchema }),
  system: systemSchema,
  entries: z.array(entrySchema),
})
export type JobFile = z.infer<typeof jobFileSchema>

export type JobFileRead =
  | { readonly ok: true; readonly file: JobFile }
  /** `whole` is what can still be opened of a damaged file. */
  | { readonly ok: false; readonly problem: string; readonly whole: JobFile | null }

/** A job as this version writes it. */
export const jobFileOf = ({
  job,
  system,
  entries,
}: Readonly<Pick<JobFile, 'job' | 'system'>> & { readonly entries: readonly Entry[] }): JobFile => ({
  format: 'nest-trace/job',
  version: 1,
  job,
  system,
  entries: [...entries],
})

export function writeJobFile(file: JobFile): string {
  const { entries, ...head } = file
  const opening = JSON.stringify(head, null, 1).replace(/\n}$/, ',')
  const lines = entries.map((entry) => `  ${JSON.stringify(entry)}`)
  return `${opening}\n "entries": [\n${lines.join(',\n')}\n ]\n}\n`
}

/** Reads a job file. What is wrong is said in a sentence, with what is whole and what to do. */
export function readJobFile(text: string): JobFileRead {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return salvage(text)
  }
  const parsed = jobFileSchema.safeParse(value)
  return parsed.success ? checkWhole(parsed.data) : salvageEntries(value, sayIssue(parsed.error))
}

/** What the form does not tell: whether the system can be wired, and whether no two entries bear one id. */
function checkWhole(file: JobFile): JobFileRead {
  const unsound = problemsOfSystem(file.system)
  if (unsound.length > 0)
    return { ok: false, problem: `The system in this file cannot be wired so: ${unsound.join(' ')} Nothing was opened.`, whole: null }
  const clash = firstClash(file.entries)
  if (clash) {
    const seen = new Set<string>()
    const entries = file.entries.filter(({ id }) => !seen.has(id) && seen.add(id))
    return {
      ok: false,
      problem: `Two different entries have the id "${clash}". Nothing was opened. Open it with the first of them kept, or ask for the file again.`,
      whole: { ...file, entries },
    }
  }
  return { ok: true, file }
}

/** Entries that are read between two pauses. */
const PIECE = 500

/** The same for a long file, with pauses in which others are served: what it comes to is that of `readJobFile`. */
export async function readJobFileInPieces(text: string, pause: () => Promise<void>): Promise<JobFileRead> {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return salvage(text)
  }
  const given = value !== null && typeof value === 'object' && 'entries' in value && Array.isArray(value.entries) ? value.entries : []
  if (given.length <= PIECE) return readJobFile(text)
  const head = jobFileSchema.safeParse({ ...(value as object), entries: [] })
  if (!head.success) return readJobFile(text)
  const entries: Entry[] = []
  for (let at = 0; at < given.length; at += PIECE) {
    for (const entry of given.slice(at, at + PIECE)) {
      const parsed = entrySchema.safeParse(entry)
      if (!parsed.success) return readJobFile(text)
      entries.push(parsed.data)
    }
    await pause()
  }
  return checkWhole({ ...head.data, entries })
}

/** The id that two different entries of a list bear; null when there is none. */
export function firstClash(entries: readonly Entry[]): string | null {
  const byId = new Map<string, Entry>()
  for (const entry of entries) {
    const known = byId.get(entry.id)
    if (known !== undefined && !isDeepEqual(known, entry)) return entry.id
    byId.set(entry.id, entry)
  }
  return null
}

/** A file that breaks off: its head, and each entry whose line is whole. */
function salvage(text: string): JobFileRead {
  const start = text.indexOf('"entries"')
  const lost = 'This job file is incomplete: it was cut off or changed. '
  if (start < 0) return { ok: false, problem: `${lost}Nothing of it can be read. Ask for the file again.`, whole: null }
  let head: unknown
  try {
    head = JSON.parse(`${text.slice(0, start).trimEnd().replace(/,$/, '')}}`)
  } catch {
    return { ok: false, problem: `${lost}Nothing of it can be read. Ask for the file again.`, whole: null }
  }
  const entries: unknown[] = []
  for (const line of text.slice(start).split('\n').slice(1)) {
    try {
      entries.push(JSON.parse(line.trim().replace(/,$/, '')))
    } catch {
      break
    }
  }
  return salvageEntries({ ...(head as object), entries }, lost)
}

/** Keeps the longest run of entries that are whole, if the rest of the file is sound. */
function salvageEntries(value: unknown, problem: string): JobFileRead {
  const entries = value !== null && typeof value === 'object' && 'entries' in value && Array.isArray(value.entries) ? value.entries : null
  if (!entries) return { ok: false, problem: `This is not a job file: ${problem} Nothing was opened.`, whole: null }
  const whole: Entry[] = []
  for (const entry of entries) {
    const parsed = entrySchema.safeParse(entry)
    if (!parsed.success) break
    whole.push(parsed.data)
  }
  const parsed = jobFileSchema.safeParse({ ...(value as object), entries: whole })
  if (!parsed.success || problemsOfSystem(parsed.data.system).length > 0) {
    const why = parsed.success ? problemsOfSystem(parsed.data.system).join(' ') : sayIssue(parsed.error)
    return { ok: false, problem: `This is not a job file: ${why} Nothing was opened.`, whole: null }
  }
  return {
    ok: false,
    problem: `${problem.trim()} ${whole.length === 1 ? '1 entry is' : `${whole.length} entries are`} whole and can be opened; nothing was opened yet.`,
    whole: parsed.data,
  }
}
