import { type Bench, createBench } from '@/src/core/bench/bench'
import { readySlot } from '@/src/core/diagnosis/candidates'
import type { Engine, Observation } from '@/src/core/diagnosis/engine'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/next-check'
import type { Evidence, Posterior } from '@/src/core/diagnosis/posterior'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { predictAll } from '@/src/core/readings/predict'
import { KeptPer } from '@/src/core/units/kept'
import type { CallName } from '@/src/core/wiring/call'
import { callsOf, partsOf } from '@/src/core/wiring/system'

/** One thing that a call must bring on in a sound house, or let rest, and where it is seen. */
interface Proof {
  readonly call: 'off' | CallName
  readonly probe: Probe
  readonly place: string
}

/** What each call brings on, loads that run and valves and dampers that no load shows; and that no load runs on when nothing is called. */
const proofsOf = new KeptPer((laboratory: Laboratory): Proof[] => {
  const { system } = laboratory
  const loads = partsOf(system, 'load')
  const seen = [...loads, ...partsOf(system, 'coil').filter(({ contact }) => contact === undefined)]
  const still = loads.map(({ id, place }): Proof => ({ call: 'off', probe: { meter: 'look', at: id }, place }))
  const calls = callsOf(system).flatMap((call) => {
    const probes = seen.map(({ id }): Probe => ({ meter: 'look', at: id }))
    const [called, idle] = ([call, 'off'] as const).map((set) => predictAll(laboratory, asSet(createBench(system), set), healthy, probes))
    return seen.flatMap(({ place }, index): Proof[] =>
      JSON.stringify(called[index]) === JSON.stringify(idle[index]) ? [] : [{ call, probe: probes[index], place }],
    )
  })
  return [...calls, ...still]
})

/** Everything put back, power on, one call made at its thermostat. */
const asSet = (from: Bench, call: Bench['call']): Bench => ({
  ...from,
  lifted: [],
  jumpers: [],
  unplugged: [],
  power: true,
  call,
  slot: readySlot(from),
})

/**
 * Nobody calls a house sound before every call has been made and what it brings on has been seen: the next of those, or null
 * when all were seen. What no story left standing could change is not asked for.
 */
export function nextProof(
  engine: Engine,
  posterior: Posterior,
  { observations }: Evidence,
  bench: Bench,
  { skipped = [] }: Choice,
): Check | null {
  const refused = new Set(skipped.map(probeKey))
  const wasSeen = ({ call, probe }: Proof) =>
    observations.some(
      (observation) => isClean(observation) && observation.bench.call === call && probeKey(observation.probe) === probeKey(probe),
    )
  const open = proofsOf.of(engine.laboratory).filter((proof) => !refused.has(probeKey(proof.probe)) && !wasSeen(proof))
  // What the call that is set now brings on comes first: nobody walks to the thermostat twice for one call.
  open.sort((a, b) => Number(b.call === bench.call) - Number(a.call === bench.call))
  for (const { call, probe, place } of open) {
    const check = weighQuestion(engine, posterior, bench, asSet(bench, call), probe, place)
    if (check) return check
  }
  return null
}

const isClean = ({ bench }: Observation): boolean =>
  bench.power && bench.lifted.length + bench.jumpers.length + bench.unplugged.length === 0
