import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { type ConductorRow, conductorTable } from '@/src/core/diagnosis/explanation/conductors'
import { movesOf, type ZoneMove } from '@/src/core/diagnosis/explanation/moves'
import { findContradictions } from '@/src/core/diagnosis/inference/contradiction'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { computePosterior, type Evidence, zoneProbabilities } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import type { Check, Choice } from '@/src/core/diagnosis/planner/next-check'
import { type Proposal, priceWays, propose, runnersUp, type WayPrice } from '@/src/core/diagnosis/planner/propose'
import type { JobState } from '@/src/core/job/job-state'
import { type Answer, type Probe, wordOf } from '@/src/core/readings/check'
import { sayAnswer, sayBenchShort, sayProbe } from '@/src/core/readings/say'
import { zonesOf } from '@/src/core/wiring/system'

/** What the engine thinks of a job as it stands; the quick half of the advice. */
export interface Opinion {
  readonly suspects: readonly (Suspect & { readonly why: string })[]
  readonly zones: readonly { readonly id: string; readonly name: string; readonly kind: 'place' | 'cable'; readonly probability: number }[]
  readonly moves: readonly ZoneMove[]
  readonly conductors: readonly ConductorRow[]
  readonly contradictions: readonly { readonly entry: string; readonly say: string }[]
  readonly readings: number
}

export function evidenceOf(state: JobState): Evidence {
  return {
    complaint: state.complaint,
    observations: state.observationsSinceRepair,
    before: state.observationsBeforeRepair,
    repaired: state.repairs.flatMap(({ fault }) => (fault === null ? [] : [fault])),
  }
}

export function formOpinion(base: Engine, state: JobState): Opinion {
  const evidence = evidenceOf(state)
  const { engine, posterior } = weigh(base, evidence)
  const suspects = listSuspects(engine, evidence, posterior)
  const zones = zoneProbabilities(engine, posterior.hypotheses)
  const prior = computePosterior(engine, { ...evidence, observations: [] })
  const observation = (id: string) => evidence.observations.find((candidate) => candidate.id === id)
  return {
    suspects: suspects.map((suspect) => ({ ...suspect, why: whyLine(engine, state, suspect) })),
    zones: zonesOf(engine.system).map((zone) => ({ ...zone, probability: zones.get(zone.id) ?? 0 })),
    moves: movesOf(engine, state.complaint),
    conductors: conductorTable(engine, prior, posterior),
    contradictions: findContradictions(engine, evidence, suspects).flatMap(({ observation: id }) => {
      const found = observation(id)
      if (!found) return []
      return [
        {
          entry: id,
          say: `${sayProbe(engine.system, found.probe)} (${sayAnswer(found.answer, found.probe)}) contradicts the other readings. Take it again.`,
        },
      ]
    }),
    readings: evidence.observations.length,
  }
}

/** The slower half of the advice. */
export const proposeCheck = (engine: Engine, state: JobState): Proposal => propose(engine, evidenceOf(state), state.bench, choiceOf(state))

const choiceOf = ({ skipped, way }: JobState): Choice => ({ skipped, way })

/** What the proposed check was weighed against, and what the other ways of working would ask now. */
export interface Alternatives {
  readonly checks: readonly Check[]
  readonly ways: readonly WayPrice[]
}

export function weighAlternatives(engine: Engine, state: JobState): Alternatives {
  const evidence = evidenceOf(state)
  return {
    checks: runnersUp(engine, evidence, state.bench, choiceOf(state)),
    ways: priceWays(engine, evidence, state.bench, state.skipped),
  }
}

/** One line: the readings that speak loudest for a suspect, then the one that speaks against it. */
function whyLine(engine: Engine, state: JobState, suspect: Suspect): string {
  const say = (id: string) => {
    const found = state.observations.find((observation) => observation.id === id)
    return found ? sayReading(engine, found.bench, found.probe, found.answer) : ''
  }
  const loudest = [...suspect.evidence].sort((a, b) => b.weight - a.weight)
  const forIt = loudest.filter(({ weight }) => weight > 0.4).slice(0, 2)
  const against = loudest.reverse().find(({ weight }) => weight < -1)
  const parts = []
  if (forIt.length > 0) parts.push(`for: ${forIt.map(({ observation }) => say(observation)).join('; ')}`)
  if (against) parts.push(`against: ${say(against.observation)}`)
  return parts.join(' · ')
}

/** A reading with the bench it was taken on, short enough for a line. */
export function sayReading(engine: Pick<Engine, 'system'>, bench: Bench, probe: Probe, answer: Answer): string {
  if (probe.meter === 'trip') {
    const word = wordOf(answer) ?? ''
    const on = sayBenchShort(engine.system, bench)
    return bench.call === 'off' ? `${word} with ${on}` : `${word} ${on}`
  }
  return `${sayProbe(engine.system, probe)} ${sayAnswer(answer, probe)} (${sayBenchShort(engine.system, bench)})`
}
