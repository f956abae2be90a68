import type { ContentEntry, Entry } from '@/src/core/job/entry'
import type { Refusal } from '@/src/core/job/job-state'
import { isDeepEqual } from '@/src/core/units/is-deep-equal'

/** One place of the timeline where something was entered that has not been undone. */
export interface StandingSlot {
  readonly id: string
  /** How it reads: the latest correction first, what was entered first last. The first that makes sense counts. */
  readonly versions: readonly Version[]
  /** Entries that its maker had seen last; null when that was everything before it. */
  readonly seen: readonly string[] | null
  /** Changes of the bench that another device made side by side with this reading: neither had seen the other. */
  readonly rivals: readonly string[]
  /** Whether a reading was taken before those changes or after; null while nobody has said. */
  readonly settled: 'made' | 'merged' | null
}

export interface Version {
  /** The entry that says so: the slot's own, or the correction. */
  readonly by: string
  readonly content: ContentEntry
}

/** Entries by their id. */
export type EntriesById = Pick<ReadonlyMap<string, Entry>, 'get'>

/** What stands of a timeline, before any of it is tried on the bench. */
export interface Standing {
  /** Each entry once, in order. */
  readonly entries: readonly Entry[]
  readonly byId: EntriesById
  /** The last entries of each device. */
  readonly heads: ReadonlySet<string>
  readonly slots: readonly StandingSlot[]
  /** Entries that are undone, or were refused at once. */
  readonly undone: ReadonlySet<string>
  /** Undos and corrections of nothing, or of what is undone already. */
  readonly refused: readonly Refusal[]
}

/**
 * Works out which entries stand: undos, undos of undos, corrections, the latest first, and word on clashes. The same id counts
 * once. Linear in the number of entries.
 */
export function standingOf(timeline: readonly Entry[]): Standing {
  const byId = new Map<string, Entry>()
  const undone = new Set<string>()
  const corrections = new Map<string, Version[]>()
  const settled = new Map<string, { readonly by: string; readonly bench: 'made' | 'merged' }[]>()
  const refused: Refusal[] = []
  const entries: Entry[] = []
  const seen = new Map<string, readonly string[] | null>()
  let heads = new Set<string>()
  for (const entry of timeline) {
    if (byId.has(entry.id)) continue
    const problem = problemWithTarget(entry, byId, undone, corrections)
    byId.set(entry.id, entry)
    entries.push(entry)
    const isAlone = entry.after === undefined || [...heads].every((head) => entry.after?.includes(head))
    seen.set(entry.id, isAlone ? null : (entry.after ?? null))
    if (entry.after === undefined) heads = new Set()
    else for (const id of entry.after) heads.delete(id)
    heads.add(entry.id)
    if (problem !== null) {
      refused.push({ id: entry.id, problem })
      undone.add(entry.id)
      continue
    }
    if (entry.kind === 'undo') undo(entry.target)
    else if (entry.kind === 'correct') append(corrections, entry.target, { by: entry.id, content: entry.entry })
    else if (entry.kind === 'vouch') append(settled, entry.target, { by: entry.id, bench: entry.bench })
  }
  const rivals = rivalsOf(entries, byId, seen)
  const slots = entries.flatMap((entry): StandingSlot[] => {
    if (!isContent(entry) || undone.has(entry.id)) return []
    const own = { by: entry.id, content: entry }
    const standingCorrections =
      corrections
        .get(entry.id)
        ?.filter(({ by }) => !undone.has(by))
        .reverse() ?? []
    return [
      {
        id: entry.id,
        versions: [...standingCorrections, own],
        seen: seen.get(entry.id) ?? null,
        rivals: rivals.get(entry.id)?.filter((id) => !undone.has(id)) ?? NONE,
        settled: settled.get(entry.id)?.findLast(({ by }) => !undone.has(by))?.bench ?? null,
      },
    ]
  })
  return { entries, byId, heads, slots, undone, refused }

  /** What is undone counts no more; when it was an undo itself, what that took back stands again. */
  function undo(target: string): void {
    undone.add(target)
    const known = byId.get(target)
    if (known?.kind === 'undo') undone.delete(known.target)
  }
}

/**
 * The same with one entry more behind it, where that is content and its maker had seen everything before: the way of nearly every
 * entry, without going through all of them again. Null for any other.
 */
export function standingWith({ entries, byId, heads, slots, undone, refused }: Standing, entry: Entry): Standing | null {
  const hasSeenAll = entry.after === undefined || [...heads].every((head) => entry.after?.includes(head))
  if (!isContent(entry) || !hasSeenAll || byId.get(entry.id) !== undefined) return null
  return {
    entries: [...entries, entry],
    byId: byId instanceof LongerIndex ? byId.with(entry) : new LongerIndex(byId, [entry]),
    heads: new Set([entry.id, ...(entry.after === undefined ? [] : [...heads].filter((head) => !entry.after?.includes(head)))]),
    slots: [...slots, { id: entry.id, versions: [{ by: entry.id, content: entry }], seen: null, rivals: NONE, settled: null }],
    undone,
    refused,
  }
}

/** An index with a few entries more. */
class LongerIndex implements EntriesById {
  constructor(
    private readonly base: EntriesById,
    private readonly more: readonly Entry[],
  ) {}

  get(id: string): Entry | undefined {
    return this.more.find((entry) => entry.id === id) ?? this.base.get(id)
  }

  /** Two deep at the most: a long tail is looked up by a map of its own. */
  with(entry: Entry): EntriesById {
    const more = [...this.more, entry]
    if (more.length <= MOST_IN_TAIL) return new LongerIndex(this.base, more)
    const [base, tail] = this.base instanceof TailIndex ? [this.base.base, [...this.base.entries, ...more]] : [this.base, more]
    return new LongerIndex(new TailIndex(base, tail), [])
  }
}

/** What has come in since the whole timeline was gone through, by its ids. */
class TailIndex implements EntriesById {
  private readonly byId: ReadonlyMap<string, Entry>

  constructor(
    readonly base: EntriesById,
    readonly entries: readonly Entry[],
  ) {
    this.byId = new Map(entries.map((entry) => [entry.id, entry]))
  }

  get = (id: string): Entry | undefined => this.byId.get(id) ?? this.base.get(id)
}
const MOST_IN_TAIL = 32

const NONE: readonly string[] = []

/** For each reading the changes of the bench that were made side by side with it, in order; empty where every entry saw all before it. */
function rivalsOf(
  entries: readonly Entry[],
  byId: EntriesById,
  seen: ReadonlyMap<string, readonly string[] | null>,
): Map<string, string[]> {
  const rivals = new Map<string, string[]>()
  entries.forEach((entry, index) => {
    const last = seen.get(entry.id)
    if (!last) return
    const had = ancestorsOf(entries, byId, last)
    for (const other of entries.slice(0, index)) {
      if (had.has(other.id)) continue
      if (isTaken(entry) && changesBench(other)) append(rivals, entry.id, other.id)
      if (isTaken(other) && changesBench(entry)) append(rivals, other.id, entry.id)
    }
  })
  return rivals
}

const isTaken = ({ kind }: Entry): boolean => kind === 'reading' || kind === 'trip'
const changesBench = (entry: Entry): boolean =>
  (entry.kind === 'bench' && entry.change.do !== 'walk') || (entry.kind === 'trip' && entry.result === 'trips')

/** Entries and everything that their makers had seen. */
export function ancestorsOf(entries: readonly Entry[], byId: EntriesById, ids: readonly string[]): Set<string> {
  const found = new Set(ids)
  for (const id of found) {
    const entry = byId.get(id)
    if (!entry) continue
    const earlier = entry.after ?? entries.slice(0, entries.indexOf(entry)).map((one) => one.id)
    for (const one of earlier) found.add(one)
  }
  return found
}

const append = <T>(lists: Map<string, T[]>, key: string, item: T): void => {
  lists.set(key, [...(lists.get(key) ?? []), item])
}

export const isContent = (entry: Entry): entry is ContentEntry =>
  entry.kind !== 'undo' && entry.kind !== 'correct' && entry.kind !== 'vouch'

function problemWithTarget(
  entry: Entry,
  before: ReadonlyMap<string, Entry>,
  undone: ReadonlySet<string>,
  corrections: ReadonlyMap<string, readonly Version[]>,
): string | null {
  if (isContent(entry)) return null
  const verb = entry.kind === 'undo' ? 'undo' : entry.kind === 'correct' ? 'correct' : 'confirm'
  const target = before.get(entry.target)
  if (!target) return `There is no entry "${entry.target}" to ${verb}.`
  if (undone.has(target.id)) return entry.kind === 'undo' ? 'That is undone already.' : `That is undone: there is nothing to ${verb}.`
  if (entry.kind === 'undo') return null
  if (!isContent(target)) return `An undo or a correction is not ${entry.kind === 'correct' ? 'corrected' : 'confirmed'}: undo it.`
  if (entry.kind === 'correct') {
    const now = corrections.get(target.id)?.findLast(({ by }) => !undone.has(by))?.content ?? target
    return saysTheSame(now, entry.entry) ? 'It reads so already.' : null
  }
  if (entry.kind === 'vouch')
    return target.kind === 'reading' || target.kind === 'trip' ? null : 'Only a reading or a trip can be confirmed.'
  return null
}

/** Alike but for id, time, signature and what its maker had seen. */
function saysTheSame(a: ContentEntry, b: ContentEntry): boolean {
  const bare = ({ id: _, at: __, by: ___, after: ____, ...content }: ContentEntry) => content
  return isDeepEqual(bare(a), bare(b))
}
