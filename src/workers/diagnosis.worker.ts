import { expose } from 'comlink'
import { type Alternatives, formOpinion, type Opinion, proposeCheck, weighAlternatives } from '@/src/core/advice/advise'
import { conductorOdds } from '@/src/core/advice/conductor-odds'
import {
  type CallLoad,
  expectReadings,
  type Forecast,
  forecastReading,
  hotPoints,
  leadingOverloadA,
  loadPerCall,
  suspicionByPoint,
  type WindingLoad,
  windingLoads,
} from '@/src/core/advice/forecast'
import { type Moving, movingNow } from '@/src/core/advice/moving'
import { type Step, sequenceOf } from '@/src/core/advice/sequence'
import { thinkAhead } from '@/src/core/advice/think-ahead'
import { type ConductorsReport, conductorsOfJob } from '@/src/core/cable/conductors-of-job'
import { type IdentityReport, identityOfJob } from '@/src/core/cable/identity-of-job'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import type { Proposal } from '@/src/core/diagnosis/planner/propose'
import { type PageFacts, pageFacts } from '@/src/core/formats/page/page-facts'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import type { Probe } from '@/src/core/readings/check'
import type { Expected } from '@/src/core/readings/expected'
import { readsThrough, type SeenThrough } from '@/src/core/readings/reads-through'
import { type PartMatch, partMatches } from '@/src/core/repair/part-match'
import type { CallName } from '@/src/core/wiring/call'
import type { CableId } from '@/src/core/wiring/ids'
import type { System } from '@/src/core/wiring/system'
import { Ahead } from '@/src/workers/ahead'

/** The job as the worker sees it: everything else is computed from these two. */
export interface Timeline {
  readonly system: System
  readonly entries: readonly Entry[]
}

/** What the desk shows after an entry, apart from the next check. */
export interface Advice extends Opinion {
  readonly hot: readonly string[]
  readonly suspicion: readonly { readonly point: string; readonly probability: number }[]
}

/** Suspects that the desk is sent: those that count, and enough behind them to name one by hand. */
const SENT_FROM = 0.0005
const SENT_AT_LEAST = 25

/** The share of thinking ahead from one report of it to the next. */
const TOLD_EVERY = 0.02
const ahead = new Ahead()
let tell: (share: number) => void = () => {}

const engines = new Map<string, Engine>()

function engineFor(system: System): Engine {
  const key = JSON.stringify(system)
  const known = engines.get(key)
  if (known) return known
  const made = createEngine(system)
  if (engines.size >= 2) engines.delete(engines.keys().next().value as string)
  engines.set(key, made)
  return made
}

const api = {
  ready: (): true => true,
  advise({ system, entries }: Timeline): Advice {
    ahead.stop()
    const engine = engineFor(system)
    const state = foldJob(system, entries)
    const opinion = formOpinion(engine, state)
    const suspects = opinion.suspects.filter(({ probability }, rank) => rank < SENT_AT_LEAST || probability >= SENT_FROM)
    return { ...opinion, suspects, hot: hotPoints(engine, state), suspicion: suspicionByPoint(engine, state) }
  },
  /** The next check; while it is taken, what comes after it is thought through. */
  propose(timeline: Timeline): Proposal {
    const engine = engineFor(timeline.system)
    const proposal = proposeCheck(engine, foldJob(timeline.system, timeline.entries))
    let told = 0
    tell(0)
    ahead.begin(
      () => thinkAhead(engine, timeline.entries, proposal),
      (share) => {
        if (share < 1 && share < told + TOLD_EVERY) return
        told = share
        tell(share)
      },
    )
    return proposal
  },
  /** Tells from now on what share of the thinking ahead is done. */
  watchAhead(watcher: (share: number) => void): void {
    tell = watcher
  },
  stopAhead: (): void => ahead.stop(),
  alternatives: ({ system, entries }: Timeline): Alternatives => weighAlternatives(engineFor(system), foldJob(system, entries)),
  forecast: ({ system, entries }: Timeline, probe: Probe): Forecast[] =>
    forecastReading(engineFor(system), foldJob(system, entries), probe),
  readsThrough: ({ system, entries }: Timeline, probe: Probe): SeenThrough[] =>
    readsThrough(engineFor(system).laboratory, foldJob(system, entries).bench, probe),
  expect: ({ system, entries }: Timeline, probes: readonly Probe[]): Expected[] =>
    expectReadings(engineFor(system), foldJob(system, entries), probes),
  overload: ({ system, entries }: Timeline): number | null => leadingOverloadA(engineFor(system), foldJob(system, entries)),
  windings: ({ system, entries }: Timeline): WindingLoad[] => windingLoads(engineFor(system), foldJob(system, entries)),
  sequence: ({ system, entries }: Timeline, call: CallName, nowMs: number): Step[] =>
    sequenceOf(engineFor(system), foldJob(system, entries), call, nowMs),
  moving: ({ system, entries }: Timeline, nowMs: number): Moving[] => movingNow(engineFor(system), foldJob(system, entries), nowMs),
  conductors: ({ system, entries }: Timeline, cable: CableId): ConductorsReport => {
    const state = foldJob(system, entries)
    return conductorsOfJob(system, state, cable, conductorOdds(engineFor(system), state, cable))
  },
  page: (job: Pick<JobFile, 'job' | 'system' | 'entries'>): PageFacts => pageFacts(job),
  identity: ({ system, entries }: Timeline, cable: CableId): IdentityReport | null =>
    identityOfJob(system, foldJob(system, entries), cable),
  loads: ({ system, entries }: Timeline): CallLoad[] => loadPerCall(engineFor(system), foldJob(system, entries)),
  /** What a new part has to match, where a suspect's repair is one. */
  matches: ({ system, entries }: Timeline, fault: string): PartMatch[] => {
    const state = foldJob(system, entries)
    return partMatches(system, state, fault, loadPerCall(engineFor(system), state))
  },
}
export type DiagnosisApi = typeof api

expose(api)
