import { type Bench, benchKey, createBench } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { benchAfter, fork, type Gathered, nothingGathered, problemNow, take } from '@/src/core/job/content-reducer'
import type { ContentEntry, Entry } from '@/src/core/job/entry'
import type { JobState, Refusal } from '@/src/core/job/job-state'
import { ancestorsOf, isContent, type Standing, type StandingSlot, standingOf, standingWith } from '@/src/core/job/standing'
import { Memo } from '@/src/core/units/cache'
import { isDeepEqual } from '@/src/core/units/is-deep-equal'
import type { System } from '@/src/core/wiring/system'

/**
 * Folds a timeline into the state of the job. Pure: the same entries give the same state. Every way in goes through here: the
 * desk, undo and correction, requests, job files, the entries of another device. An entry that makes no sense where it stands,
 * from the first or since an undo, a correction or another device's entry, is refused in words and counts for nothing.
 *
 * It goes on from the last folds of the system, as far as those agree: an entry more is one step.
 */
export function foldJob(system: System, timeline: readonly Entry[]): JobState {
  const folds = foldsOf.of(system)
  const known = folds.find(({ timeline: other }) => isSameList(other, timeline))
  if (known) return known.state
  const before = folds.find(({ timeline: other }) => other.length === timeline.length - 1 && isSameList(other, timeline.slice(0, -1)))
  const longer = before ? standingWith(before.standing, timeline[timeline.length - 1]) : null
  const standing = longer ?? standingOf(timeline)
  const start = before && longer ? lastCheckpoint(before) : furthestCheckpoint(folds, standing.slots)
  const gathered = start ? fork(start.gathered) : nothingGathered(system)
  const checkpoints = start ? start.checkpoints : []
  const every = Math.max(CHECKPOINT_EVERY, Math.ceil(standing.slots.length / MOST_CHECKPOINTS))
  for (let index = start?.slots ?? 0; index < standing.slots.length; index++) {
    const isNear = index > standing.slots.length - CHECKPOINT_EVERY && index % 16 === 0
    if (index > 0 && (index % every === 0 || isNear)) keepCheckpoint(checkpoints, index, fork(gathered))
    advance(system, standing, gathered, standing.slots[index])
  }
  const state = stateOf(system, standing, gathered)
  keepCheckpoint(checkpoints, standing.slots.length, gathered)
  folds.unshift({ timeline: [...timeline], standing, checkpoints, state })
  folds.splice(KEPT_FOLDS)
  return state
}

/**
 * The next state after an entry, or the state as it was with a refusal in words. Folding a timeline is applying its entries one
 * after the other.
 */
export function applyEntry(system: System, state: JobState, entry: Entry): { readonly state: JobState; readonly refusal: string | null } {
  const known = state.entries.find(({ id }) => id === entry.id)
  if (known)
    return {
      state,
      refusal: isDeepEqual(known, entry)
        ? null
        : `There is another entry with the id "${entry.id}". The first is kept; give this one an id of its own.`,
    }
  const isClosed = state.closedAt !== null && entry.kind !== 'undo' && entry.kind !== 'note'
  if (isClosed) return { state, refusal: 'The job is closed. Undo the closing first.' }
  const next = foldJob(system, [...state.entries, entry])
  const refusal = next.refused.find(({ id }) => id === entry.id)?.problem ?? null
  return refusal === null ? { state: next, refusal } : { state, refusal }
}

/** Null when a new entry makes sense after those before it, else a sentence why not. */
export const problemWithEntry = (system: System, before: readonly Entry[], entry: Entry): string | null =>
  applyEntry(system, foldJob(system, before), entry).refusal

/** What would stop making sense with this entry: an undo or a correction may take later entries with it. */
export function fallsWith(system: System, before: readonly Entry[], entry: Entry): Refusal[] {
  const fallen = new Set(foldJob(system, before).refused.map(({ id }) => id))
  return foldJob(system, [...before, entry]).refused.filter(({ id }) => id !== entry.id && !fallen.has(id))
}

/** The undo or correction since which an entry makes no sense; null for one that never did, or has come in from another device so. */
export function refusedSince(system: System, timeline: readonly Entry[], id: string): Entry | null {
  const isRefused = (length: number) => foldJob(system, timeline.slice(0, length)).refused.some((refusal) => refusal.id === id)
  const own = timeline.findIndex((entry) => entry.id === id)
  for (let index = timeline.length - 1; index > own; index--)
    if (!isContent(timeline[index]) && !isRefused(index) && isRefused(index + 1)) return timeline[index]
  return null
}

/** The entry that "undo" would undo now: the last one that stands. */
export const lastStanding = (state: Pick<JobState, 'standing'>): ContentEntry | null => state.standing.at(-1) ?? null

interface Fold {
  readonly timeline: readonly Entry[]
  readonly standing: Standing
  readonly checkpoints: Checkpoint[]
  readonly state: JobState
}

/** What was gathered from the first so many slots. */
interface Checkpoint {
  readonly slots: number
  readonly gathered: Gathered
}

/** Folds kept for one system: the job's own, what is being typed, and what is thought ahead. */
const KEPT_FOLDS = 8
/** What was gathered is kept about this often, more often near the end, where most undos reach; and this many times at the most. */
const CHECKPOINT_EVERY = 64
const MOST_CHECKPOINTS = 16
const foldsOf = new Memo((_: System): Fold[] => [])

function keepCheckpoint(checkpoints: Checkpoint[], slots: number, gathered: Gathered): void {
  if (checkpoints.at(-1)?.slots === slots) return
  checkpoints.push({ slots, gathered })
  if (checkpoints.length <= MOST_CHECKPOINTS) return
  const half = MOST_CHECKPOINTS / 2
  checkpoints.splice(0, half, ...checkpoints.slice(0, half).filter((_, index) => index % 2 === 1))
}

type Start = Checkpoint & { readonly checkpoints: Checkpoint[] }

/** The end of a fold that another one goes on from. */
function lastCheckpoint({ checkpoints }: Fold): Start | null {
  const last = checkpoints.at(-1)
  return last ? { ...last, checkpoints: [...checkpoints] } : null
}

/** Where the last folds agree with this one for longest, with the checkpoints up to there. */
function furthestCheckpoint(folds: readonly Fold[], slots: readonly StandingSlot[]): Start | null {
  let furthest: Start | null = null
  for (const { standing, checkpoints } of folds) {
    let same = 0
    const most = Math.min(standing.slots.length, slots.length)
    while (same < most && isSameSlot(standing.slots[same], slots[same])) same++
    const usable = checkpoints.filter(({ slots: count }) => count <= same)
    const last = usable.at(-1)
    if (last && last.slots > (furthest?.slots ?? 0)) furthest = { ...last, checkpoints: usable }
  }
  return furthest
}

const isSameList = <T>(a: readonly T[], b: readonly T[]): boolean => a.length === b.length && a.every((item, index) => item === b[index])

/** Told by identity: an entry never changes. */
const isSameSlot = (a: StandingSlot, b: StandingSlot): boolean =>
  a.settled === b.settled &&
  a.versions.length === b.versions.length &&
  a.versions.every(({ content }, index) => content === b.versions[index].content) &&
  (a.seen === null) === (b.seen === null) &&
  isSameList(a.rivals, b.rivals)

function advance(system: System, standing: Standing, gathered: Gathered, slot: StandingSlot): void {
  const made = slot.seen === null ? gathered.bench : madeBench(system, standing, gathered, slot.seen)
  const merged = slot.rivals.length === 0 ? made : withRivals(system, standing, made, slot.rivals)
  const on = slot.settled === 'merged' ? merged : made
  let taken: ContentEntry | null = null
  for (const { by, content } of slot.versions) {
    const entry: ContentEntry = content.id === slot.id ? content : { ...content, id: slot.id }
    const problem = problemNow(system, gathered, entry, on)
    if (problem === null) {
      taken = entry
      break
    }
    gathered.refused.push({ id: by, problem })
  }
  if (taken) take(system, gathered, taken, on)
  gathered.made.push(slot.seen === null ? gathered.bench : benchAfter(system, made, taken ?? slot.versions[0].content))
  if (taken && slot.settled === null && benchKey(made) !== benchKey(merged)) gathered.clashes.push({ id: slot.id, made, merged })
}

/** The bench of a reading if what another device did side by side with it was done before. */
function withRivals(system: System, { slots }: Standing, made: Bench, rivals: readonly string[]): Bench {
  return rivals.reduce((bench, id) => {
    const rival = slots.find((slot) => slot.id === id)
    return rival ? benchAfter(system, bench, rival.versions[0].content) : bench
  }, made)
}

/** The bench that a maker had who had seen just these entries and what came before each of them. */
function madeBench(system: System, standing: Standing, gathered: Gathered, seen: readonly string[]): Bench {
  const places = placesOf(standing)
  if (seen.length === 1) {
    // The way back from one entry to the next that counts on the bench.
    let id: string | undefined = seen[0]
    while (id !== undefined) {
      const slot = places.slots.get(id)
      if (slot !== undefined && slot < gathered.made.length) return gathered.made[slot]
      const entry = standing.byId.get(id)
      if (!entry) break
      const after: readonly string[] =
        entry.after ??
        standing.entries
          .slice(0, places.entries.get(id))
          .slice(-1)
          .map((one) => one.id)
      if (after.length > 1) return madeBench(system, standing, gathered, after)
      id = after[0]
    }
    return createBench(system)
  }
  const had = ancestorsOf(standing.entries, standing.byId, seen)
  let bench = createBench(system)
  for (const slot of standing.slots.slice(0, gathered.made.length)) {
    const entry = gathered.refused.some(({ id }) => id === slot.id) ? null : slot.versions[0].content
    if (entry && had.has(slot.id)) bench = benchAfter(system, bench, entry)
  }
  return bench
}

/** Where each entry and each slot stands; asked for only where devices worked side by side. */
const placesOf = (standing: Standing) => placesKept.of(standing)
const placesKept = new Memo(({ entries, slots }: Standing) => ({
  entries: new Map(entries.map(({ id }, index) => [id, index])),
  slots: new Map(slots.map(({ id }, index) => [id, index])),
}))

function stateOf(system: System, { entries, undone, refused }: Standing, gathered: Gathered): JobState {
  const { observations, sinceRepair, beforeRepair } = gathered
  return {
    entries,
    undone,
    standing: gathered.standing,
    complaint: gathered.complaint,
    bench: gathered.bench,
    owed: owedBy(system, gathered.bench),
    observations,
    observationsSinceRepair: observations.slice(sinceRepair),
    observationsBeforeRepair: observations.slice(beforeRepair, sinceRepair),
    skipped: gathered.skipped,
    way: gathered.way,
    trips: gathered.trips,
    fusesSpent: gathered.fusesSpent,
    repairs: gathered.repairs,
    runs: gathered.runs,
    plates: gathered.plates,
    cycles: gathered.cycles,
    proofs: gathered.proofs,
    closedAt: gathered.closedAt,
    left: gathered.left,
    offer: gathered.offer,
    refused: [...refused, ...gathered.refused],
    clashes: gathered.clashes,
  }
}
