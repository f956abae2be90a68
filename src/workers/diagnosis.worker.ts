import { expose } from 'comlink'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import type { Proposal } from '@/src/core/diagnosis/propose'
import { type Alternatives, formOpinion, type Opinion, proposeCheck, weighAlternatives } from '@/src/core/job/advise'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import {
  type CallLoad,
  expectReadings,
  type Forecast,
  forecastReading,
  hotPoints,
  leadingOverloadA,
  loadPerCall,
  suspicionByPoint,
} from '@/src/core/job/forecast'
import type { Probe } from '@/src/core/readings/check'
import type { Expected } from '@/src/core/readings/expected'
import type { System } from '@/src/core/wiring/system'

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
    const engine = engineFor(system)
    const state = foldJob(system, entries)
    return { ...formOpinion(engine, state), hot: hotPoints(engine, state), suspicion: suspicionByPoint(engine, state) }
  },
  propose: ({ system, entries }: Timeline): Proposal => proposeCheck(engineFor(system), foldJob(system, entries)),
  alternatives: ({ system, entries }: Timeline): Alternatives => weighAlternatives(engineFor(system), foldJob(system, entries)),
  forecast: ({ system, entries }: Timeline, probe: Probe): Forecast[] =>
    forecastReading(engineFor(system), foldJob(system, entries), probe),
  expect: ({ system, entries }: Timeline, probes: readonly Probe[]): Expected[] =>
    expectReadings(engineFor(system), foldJob(system, entries), probes),
  overload: ({ system, entries }: Timeline): number | null => leadingOverloadA(engineFor(system), foldJob(system, entries)),
  loads: ({ system, entries }: Timeline): CallLoad[] => loadPerCall(engineFor(system), foldJob(system, entries)),
}
export type DiagnosisApi = typeof api

expose(api)
