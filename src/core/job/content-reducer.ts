import { applyChange, isResettable } from '@/src/core/bench/apply'
import { type Bench, createBench, guardedBy, slotOf, withClosed, withSlot } from '@/src/core/bench/bench'
import { defaultCost, minutesOf } from '@/src/core/bench/cost'
import { owedBy } from '@/src/core/bench/owed'
import { anyTime, atTime, type BenchClock, clockAfter, clockLater, isWarm, UNTOUCHED, USUAL_SINCE } from '@/src/core/bench/since'
import { problemWithContent, provesDead } from '@/src/core/job/check-entry'
import { reasonsNotToClose } from '@/src/core/job/close'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import type { ContentEntry, Entry } from '@/src/core/job/entry'
import type { Clash, JobState, Refusal } from '@/src/core/job/job-state'
import { standingWhereRead } from '@/src/core/job/standing-place'
import type { WayOfWorking } from '@/src/core/job/ways'
import { type Probe, tripWord, wordOf } from '@/src/core/readings/check'
import { clockAfterReading } from '@/src/core/readings/clock-after'
import { isCode } from '@/src/core/readings/code-looks'
import { type Observation, questionKey } from '@/src/core/readings/observations'
import type { PartId } from '@/src/core/wiring/ids'
import { firstPart, type System } from '@/src/core/wiring/system'

type EntryOf<K extends Entry['kind']> = Extract<Entry, { kind: K }>

/** What has been gathered from the entries so far; the fold's own, never shown before it is done. */
export interface Gathered {
  bench: Bench
  /** Minutes of the job, by what its acts take and by its clock, whichever says more. */
  clock: BenchClock
  /** When the last entry was made; null before the first. */
  at: string | null
  /** The bench before the last trip: a clamp that keeps the highest is read after it, and tells of that. */
  beforeTrip: Bench | null
  /** The bench as it stood live until the last change, which made a call or gave one up; null after any other change. */
  beforeCall: Bench | null
  complaint: Complaint
  way: WayOfWorking
  closedAt: string | null
  left: EntryOf<'leave'> | null
  offer: EntryOf<'offer'> | null
  trips: number
  fusesSpent: number
  sinceRepair: number
  beforeRepair: number
  proofs: Partial<Record<JobStateProofs, EntryOf<'proof'>>>
  readonly standing: ContentEntry[]
  readonly observations: Observation[]
  readonly skipped: Probe[]
  readonly repairs: EntryOf<'repair'>[]
  readonly runs: EntryOf<'run'>[]
  readonly plates: EntryOf<'plate'>[]
  /** Clean ones, since the last repair or trip. */
  cycles: readonly EntryOf<'cycle'>[]
  readonly refused: Refusal[]
  readonly clashes: Clash[]
  /** The bench that the maker of each standing slot had after it. */
  readonly made: Bench[]
}
type JobStateProofs = keyof JobState['proofs'] & string

export const nothingGathered = (system: System): Gathered => ({
  bench: createBench(system),
  clock: UNTOUCHED,
  at: null,
  beforeTrip: null,
  beforeCall: null,
  complaint: emptyComplaint,
  way: 'free',
  closedAt: null,
  left: null,
  offer: null,
  trips: 0,
  fusesSpent: 0,
  sinceRepair: 0,
  beforeRepair: 0,
  proofs: {},
  standing: [],
  observations: [],
  skipped: [],
  repairs: [],
  runs: [],
  plates: [],
  cycles: [],
  refused: [],
  clashes: [],
  made: [],
})

/** A copy that can go on by itself. */
export const fork = (gathered: Gathered): Gathered => ({
  ...gathered,
  standing: [...gathered.standing],
  observations: [...gathered.observations],
  skipped: [...gathered.skipped],
  repairs: [...gathered.repairs],
  runs: [...gathered.runs],
  plates: [...gathered.plates],
  refused: [...gathered.refused],
  clashes: [...gathered.clashes],
  made: [...gathered.made],
})

/** Null when the entry makes sense now, else a sentence why not. `on` is the bench that a reading or a trip was taken on. */
export function problemNow(system: System, gathered: Gathered, entry: ContentEntry, on: Bench): string | null {
  if (gathered.closedAt !== null && !isRemark(entry)) return 'The job is closed. Undo the closing first.'
  if (entry.kind === 'close') {
    const reasons = reasonsNotToClose(system, { owed: owedBy(system, gathered.bench), proofs: gathered.proofs, repairs: gathered.repairs })
    return reasons.length === 0 ? null : `Not yet: ${reasons.join(' ')}`
  }
  const isReading = entry.kind === 'reading' || entry.kind === 'trip'
  return problemWithContent(system, isReading ? on : gathered.bench, entry)
}

/** Takes an entry that makes sense into what has been gathered. `on` is the bench that a reading or a trip was taken on. */
export function take(system: System, gathered: Gathered, entry: ContentEntry, on: Bench): void {
  gathered.standing.push(entry)
  passTime(system, gathered, entry)
  // Whoever does something is back at it; a note or a photo may come from the van.
  if (!isRemark(entry)) gathered.left = null
  switch (entry.kind) {
    case 'complaint':
      gathered.complaint = entry.complaint
      return
    case 'bench':
      gathered.beforeTrip = null
      if (entry.change.do !== 'walk') gathered.beforeCall = entry.change.do === 'call' && gathered.bench.power ? gathered.bench : null
      gathered.bench = benchAfter(system, gathered.bench, entry)
      return
    case 'reading': {
      if (provesDead(on, entry.probe)) return
      const isKept = entry.probe.meter === 'amps' && entry.probe.hold === 'max'
      gathered.observations.push({
        id: entry.id,
        bench:
          (isKept ? gathered.beforeTrip : null) ??
          whenRead(gathered, standingWhereRead(system, guarding(on, entry), entry.probe), entry.probe),
        probe: entry.probe,
        answer: entry.answer,
      })
      gathered.bench = standingWhereRead(system, benchAfter(system, gathered.bench, entry), entry.probe)
      return
    }
    case 'trip': {
      const part = entry.on ?? firstPart(system, 'fuse').id
      const tried = withClosed(system, on, part)
      if (!entry.slip) gathered.observations.push(...tripsOf(gathered, entry, tried))
      gathered.bench = withClosed(system, gathered.bench, part)
      if (entry.result !== 'trips') return
      gathered.trips++
      gathered.beforeTrip = tried
      if (!isResettable(system, on, entry.on)) gathered.fusesSpent++
      gathered.bench = benchAfter(system, gathered.bench, entry)
      gathered.proofs = {}
      gathered.cycles = []
      return
    }
    case 'skip':
      gathered.skipped.push(entry.probe)
      return
    case 'way':
      gathered.way = entry.way
      return
    case 'repair':
      gathered.repairs.push(entry)
      gathered.bench = benchAfter(system, gathered.bench, entry)
      gathered.beforeRepair = gathered.sinceRepair
      gathered.sinceRepair = gathered.observations.length
      gathered.proofs = {}
      gathered.cycles = []
      return
    case 'proof':
      gathered.proofs = { ...gathered.proofs, [entry.call]: entry }
      return
    case 'run':
      gathered.runs.push(entry)
      return
    case 'plate':
      gathered.plates.push(entry)
      return
    case 'cycle':
      gathered.cycles = [...gathered.cycles, entry]
      return
    case 'leave':
      gathered.left = entry
      return
    case 'offer':
      gathered.offer = entry
      return
    case 'close':
      gathered.closedAt = entry.at
      return
    case 'note':
    case 'photo':
      return
  }
}

/** It tells of the job and does nothing to it. */
const isRemark = ({ kind }: ContentEntry): boolean => kind === 'note' || kind === 'photo'

/** What a trip or a hold tells; of a trip that a call made, also that it held until then. */
function tripsOf({ clock, beforeCall }: Gathered, { id, result, on: part, heldBefore }: EntryOf<'trip'>, on: Bench): Observation[] {
  const probe: Probe = { meter: 'trip' }
  const told: Observation = {
    id,
    bench: atTime(on, clock),
    probe,
    answer: { word: part !== undefined && result === 'trips' ? tripWord(part) : result },
  }
  if (!heldBefore || result !== 'trips' || !beforeCall || beforeCall.slot.open) return [told]
  return [{ id: `${id} before`, bench: atTime(beforeCall, clock), probe, answer: { word: 'holds' } }, told]
}

/** What an entry leaves of the bench it was made on: a change that cannot be made there leaves it alone. */
export function benchAfter(system: System, bench: Bench, entry: ContentEntry): Bench {
  switch (entry.kind) {
    case 'bench': {
      const applied = applyChange(system, bench, entry.change)
      return applied.ok ? applied.bench : bench
    }
    case 'reading':
      return seenBlown(system, bench, entry).reduce((one, part) => opened(system, one, part), guarding(bench, entry))
    case 'trip':
      return entry.result === 'trips' ? opened(system, bench, entry.on ?? firstPart(system, 'fuse').id) : bench
    case 'repair': {
      if (!bench.swaps.some(({ cable }) => cable === entry.zone)) return bench
      // A spare that serves when its cable's repair is recorded is the repair.
      return { ...bench, swaps: bench.swaps.map((swap) => (swap.cable === entry.zone && !swap.exchange ? { ...swap, kept: true } : swap)) }
    }
    case 'complaint':
    case 'skip':
    case 'way':
    case 'proof':
    case 'run':
    case 'plate':
    case 'cycle':
    case 'leave':
    case 'offer':
    case 'note':
    case 'photo':
    case 'close':
      return bench
  }
}

const opened = (system: System, bench: Bench, part: PartId): Bench =>
  withSlot(system, bench, part, { ...slotOf(system, bench, part), open: true })

/** An over-current code on a thermostat tells of its kind, whatever else is on the bench. */
const guarding = (bench: Bench, { probe, answer }: EntryOf<'reading'>): Bench =>
  probe.meter === 'look' && isCode(wordOf(answer)) ? guardedBy(bench, probe.at) : bench

/** The fuse that is as found and was seen blown, by its part. */
function seenBlown(system: System, bench: Bench, { probe, answer }: EntryOf<'reading'>): string[] {
  if (probe.meter !== 'look' || wordOf(answer) !== 'blown') return []
  const part = probe.at === 'fuse' ? firstPart(system, 'fuse').id : probe.at
  return slotOf(system, bench, part).holds === 'as-found' ? [part] : []
}

/** What was left alone for longer than this tells nothing of the minutes of an act. */
const LONGEST_GAP_MIN = 60

/** An act takes its minutes; a clock that says more is believed. */
function passTime(system: System, gathered: Gathered, entry: ContentEntry): void {
  const acted =
    entry.kind === 'bench'
      ? minutesOf(system, gathered.bench, entry.change)
      : entry.kind === 'reading'
        ? defaultCost.reading[entry.probe.meter]
        : entry.kind === 'trip'
          ? defaultCost.reading.trip
          : 0
  const gap = gathered.at === null ? 0 : (Date.parse(entry.at) - Date.parse(gathered.at)) / 60_000
  const passed = Math.max(acted, Math.min(LONGEST_GAP_MIN, gap))
  gathered.at = entry.at
  const { clock, bench } = gathered
  gathered.clock =
    entry.kind === 'bench'
      ? clockAfter(clock, entry.change, passed)
      : entry.kind === 'reading'
        ? clockAfterReading(clock, bench, entry.probe, passed)
        : clockLater(clock, passed)
}

/**
 * A question that is answered again on a bench that was left alone was waited for; a meter's, at the third time, longer than any delay
 * runs, whatever the clock of someone who types it all afterwards says. A look is taken again at once.
 */
function whenRead({ observations, clock }: Gathered, on: Bench, probe: Probe): Bench {
  const read = atTime(on, clock)
  if (!on.power || on.call === 'off') return read
  const key = questionKey(anyTime(on), probe)
  const before = observations.filter((known) => questionKey(anyTime(known.bench), known.probe) === key).length
  const since = read.since ?? USUAL_SINCE
  if (before > 1 && probe.meter !== 'look') return { ...read, since: { power: 'long', call: 'long' } }
  return before > 0 && !isWarm(since) ? { ...read, since: { ...since, call: 'minutes' } } : read
}
