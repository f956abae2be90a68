import type { Bench } from '@/src/core/bench/bench'
import type { Owed } from '@/src/core/bench/owed'
import type { Complaint } from '@/src/core/job/complaint'
import type { ContentEntry, Entry } from '@/src/core/job/entry'
import type { WayOfWorking } from '@/src/core/job/ways'
import type { Probe } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import type { CallName } from '@/src/core/wiring/call'

type EntryOf<K extends Entry['kind']> = Extract<Entry, { kind: K }>

/** What a job's timeline amounts to. */
export interface JobState {
  /** The timeline, each entry once, in order. */
  readonly entries: readonly Entry[]
  /** Ids of entries that have been undone. */
  readonly undone: ReadonlySet<string>
  /** Entries that stand and made sense, corrections in place, in order. */
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
  /** What was told and measured of the runs of cables, in order. */
  readonly runs: readonly EntryOf<'run'>[]
  /** Clean cycles since the last repair or trip. */
  readonly cycles: readonly EntryOf<'cycle'>[]
  /** Amps that were read off plates, in order. */
  readonly plates: readonly EntryOf<'plate'>[]
  /** The last proof of each call since the last repair. */
  readonly proofs: Readonly<Partial<Record<CallName, EntryOf<'proof'>>>>
  readonly closedAt: string | null
  /** That it was left unfinished, until something is done again. */
  readonly left: EntryOf<'leave'> | null
  /** The options that the customer was given last, and what was said to them. */
  readonly offer: EntryOf<'offer'> | null
  /** Entries that make no sense where they stand, each with a sentence why; they are on record and count for nothing. */
  readonly refused: readonly Refusal[]
  /** Readings of one device on a bench that another one was changing at the same time, until somebody says which bench it was. */
  readonly clashes: readonly Clash[]
}

export interface Refusal {
  readonly id: string
  readonly problem: string
}

/** A reading is weighed on the bench that its maker knew; the entries of all devices together give another one. */
export interface Clash {
  readonly id: string
  readonly made: Bench
  readonly merged: Bench
}
