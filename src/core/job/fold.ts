import { applyChange, isResettable } from '@/src/core/bench/apply'
import { type Bench, createBench } from '@/src/core/bench/bench'
import { type Owed, owedBy } from '@/src/core/bench/owed'
import { type Complaint, emptyComplaint } from '@/src/core/diagnosis/complaint'
import type { Observation } from '@/src/core/diagnosis/observations'
import type { WayOfWorking } from '@/src/core/diagnosis/ways'
import type { ContentEntry, Entry } from '@/src/core/job/entry'
import type { Probe } from '@/src/core/readings/check'
import { type CallName, sayCall } from '@/src/core/wiring/call'
import { callsOf, type System } from '@/src/core/wiring/system'

type EntryOf<K extends Entry['kind']> = Extract<Entry, { kind: K }>

/** What a job's timeline amounts to. */
export interface JobState {
  /** Entries that stand, corrections in place, in order. */
  readonly standing: readonly ContentEntry[]
  readonly complaint: Complaint
  readonly bench: Bench
  readonly owed: readonly Owed[]
  readonly observations: readonly Observation[]
  /** Readings taken since the last repair: what the suspects are computed from. */
  readonly observationsSinceRepair: readonly Observation[]
  /** Readings between the repair before the last one and the last one. */
  readonly observationsBeforeRepair: readonly Observation[]
  /** Probes that cannot be taken here. */
  readonly skipped: readonly Probe[]
  readonly way: WayOfWorking
  readonly trips: number
  readonly fusesSpent: number
  readonly repairs: readonly EntryOf<'repair'>[]
  /** The last proof of each call since the last repair. */
  readonly proofs: Readonly<Partial<Record<CallName, EntryOf<'proof'>>>>
  readonly closedAt: string | null
  /** Entries that could not be done, kept with the reason. */
  readonly refused: readonly { readonly id: string; readonly problem: string }[]
}

/** Folds a timeline into the state of the job. Pure: the same entries give the same state. A repeated id counts once. */
export function foldJob(system: System, entries: readonly Entry[]): JobState {
  const standing = standingEntries(entries)
  let bench = createBench(system)
  let complaint = emptyComplaint
  let closedAt: string | null = null
  let trips = 0
  let fusesSpent = 0
  let sinceRepair = 0
  let beforeRepair = 0
  // A clamp that keeps the highest is read after the trip, and tells of the bench before it.
  let beforeTrip: Bench | null = null
  const observations: Observation[] = []
  const skipped: Probe[] = []
  let way: WayOfWorking = 'free'
  const repairs: EntryOf<'repair'>[] = []
  const refused: { id: string; problem: string }[] = []
  let proofs: Partial<Record<CallName, EntryOf<'proof'>>> = {}

  for (const entry of standing) {
    switch (entry.kind) {
      case 'complaint':
        complaint = entry.complaint
        break
      case 'bench': {
        const applied = applyChange(system, bench, entry.change)
        beforeTrip = null
        if (applied.ok) bench = applied.bench
        else refused.push({ id: entry.id, problem: applied.problem })
        break
      }
      case 'reading':
        observations.push({
          id: entry.id,
          bench: (keepsHighest(entry.probe) ? beforeTrip : null) ?? bench,
          probe: entry.probe,
          answer: entry.answer,
        })
        if (
          entry.probe.meter === 'look' &&
          entry.probe.at === 'fuse' &&
          bench.slot.holds === 'as-found' &&
          typeof entry.answer === 'object' &&
          'word' in entry.answer &&
          entry.answer.word === 'blown'
        )
          bench = { ...bench, slot: { ...bench.slot, open: true } }
        break
      case 'trip':
        observations.push({ id: entry.id, bench, probe: { meter: 'trip' }, answer: { word: entry.result } })
        if (entry.result === 'trips') {
          trips++
          beforeTrip = bench
          if (!isResettable(system, bench)) fusesSpent++
          bench = { ...bench, slot: { ...bench.slot, open: true } }
          proofs = {}
        }
        break
      case 'skip':
        skipped.push(entry.probe)
        break
      case 'way':
        way = entry.way
        break
      case 'repair':
        repairs.push(entry)
        // A spare that serves when its cable's repair is recorded is the repair.
        bench = { ...bench, swaps: bench.swaps.map((swap) => (swap.cable === entry.zone ? { ...swap, kept: true } : swap)) }
        beforeRepair = sinceRepair
        sinceRepair = observations.length
        proofs = {}
        break
      case 'proof':
        proofs = { ...proofs, [entry.call]: entry }
        break
      case 'close': {
        const reasons = reasonsNotToClose(system, { owed: owedBy(system, bench), proofs, repairs })
        if (reasons.length === 0) closedAt = entry.at
        else refused.push({ id: entry.id, problem: reasons.join(' ') })
        break
      }
      case 'note':
        break
    }
  }
  return {
    standing,
    complaint,
    bench,
    owed: owedBy(system, bench),
    observations,
    observationsSinceRepair: observations.slice(sinceRepair),
    observationsBeforeRepair: observations.slice(beforeRepair, sinceRepair),
    skipped,
    way,
    trips,
    fusesSpent,
    repairs,
    proofs,
    closedAt,
    refused,
  }
}

const keepsHighest = (probe: Probe): boolean => probe.meter === 'amps' && probe.hold === 'max'

/** Entries left after undos and corrections. An undo can itself be undone; a later correction wins over an earlier one. */
export function standingEntries(entries: readonly Entry[]): ContentEntry[] {
  const undone = new Set<string>()
  const seen = new Set<string>()
  const unique = entries.filter(({ id }) => !seen.has(id) && seen.add(id))
  for (const entry of [...unique].reverse()) if (entry.kind === 'undo' && !undone.has(entry.id)) undone.add(entry.target)
  const corrected = new Map<string, ContentEntry>()
  for (const entry of unique) if (entry.kind === 'correct' && !undone.has(entry.id)) corrected.set(entry.target, entry.entry)
  return unique.flatMap((entry) => {
    if (entry.kind === 'undo' || entry.kind === 'correct' || undone.has(entry.id)) return []
    const correction = corrected.get(entry.id)
    return [correction ? { ...correction, id: entry.id } : entry]
  })
}

/** The entry that "undo" would take back now: the last one that stands. */
export const lastStanding = (entries: readonly Entry[]): ContentEntry | null => standingEntries(entries).at(-1) ?? null

/** Why the job cannot be closed yet, a sentence a thing; empty when it can. */
export function reasonsNotToClose(system: System, state: Pick<JobState, 'owed' | 'proofs' | 'repairs'>): string[] {
  const reasons = state.owed.map((owed) => `Owed: ${owed.say}.`)
  for (const call of callsOf(system)) {
    const proof = state.proofs[call]
    if (!proof) reasons.push(`Not proved${state.repairs.length > 0 ? ' since the repair' : ''}: ${sayCall[call]}.`)
    else if (!proof.held) reasons.push(`Did not hold: ${sayCall[call]}.`)
  }
  return reasons
}
