import { findContradictions } from '@/src/core/diagnosis/contradiction'
import type { Engine, Observation } from '@/src/core/diagnosis/engine'
import { kindsOfWiring } from '@/src/core/diagnosis/houses'
import { noEvidence } from '@/src/core/diagnosis/posterior'
import { createHouse, drawValues, type House } from '@/src/core/practice/house'
import { drawComplaint, runTrial, type Trial } from '@/src/core/practice/trial'
import type { Random } from '@/src/core/units/random'

/** One examined house: what was hidden, and what came of the search. */
export interface Sitting {
  readonly hidden: string
  readonly family: string
  readonly right: boolean
  /** The verdict named several suspects that nothing at hand splits, the right one among them. */
  readonly asGroup: boolean
  readonly trial: Trial
}

/** Part values are drawn from spreads this much wider than those of practice: the engine must not be examined on its own assumptions. */
const WIDER = 1.4
/** One house in so many is wired a little differently from its template. */
const WIRED_DIFFERENTLY = 10

/** Hides a fault, drawn evenly over the faults and then over its forms, in a house of its own, and lets the proposed checks find it. */
export function examineHouse(engine: Engine, random: Random, faultId: string | null): Sitting {
  const indexes = [...engine.hypotheses.keys()].filter((index) => (engine.hypotheses[index].fault?.id ?? null) === faultId)
  const index = drawByRate(engine, indexes, random)
  const complaint = drawComplaint(engine, index, random)
  const house = drawHouse(engine, index, random)
  const trial = runTrial(engine, house, complaint)
  const truth = engine.hypotheses[index].fault
  const { verdict } = trial
  const named = verdict?.found === 'nothing-wrong' ? truth === null : verdict !== null && verdict.repair.id === truth?.repair.id
  const asGroup = !named && verdict?.found === 'group' && truth !== null && verdict.suspects.includes(truth.id)
  return { hidden: engine.hypotheses[index].id, family: truth?.family ?? 'nothing-wrong', right: named || asGroup, asGroup, trial }
}

function drawByRate(engine: Engine, indexes: readonly number[], random: Random): number {
  let left = random.uniform() * indexes.reduce((sum, index) => sum + engine.rates[index], 0)
  for (const index of indexes) {
    left -= engine.rates[index]
    if (left <= 0) return index
  }
  return indexes[indexes.length - 1]
}

function drawHouse(engine: Engine, index: number, random: Random): House {
  const { system } = engine
  const story = engine.hypotheses[index]
  const isOdd = random.uniform() * WIRED_DIFFERENTLY < 1
  const wiring = isOdd ? random.pick(kindsOfWiring(system).slice(1)).wiring : []
  return createHouse(system, { ...story, wiring }, drawValues(system, random, WIDER), random)
}

/**
 * One reading of the search is plainly wrong: whether the repair was still right, and whether the reading was named.
 * Null when the search asked for no number that could be falsified.
 */
export function examineWrongReading(engine: Engine, random: Random, faultId: string): { right: boolean; named: boolean } | null {
  const index = engine.hypotheses.findIndex(({ fault }) => fault?.id === faultId)
  const house = createHouse(engine.system, engine.hypotheses[index], drawValues(engine.system, random), random)
  const wrongAt = Math.floor(random.uniform() * 3)
  let asked = 0
  let wrongAnswer = ''
  const lying: House = {
    ...house,
    get bench() {
      return house.bench
    },
    ask: (probe) => {
      const honest = house.ask(probe)
      if (asked++ !== wrongAt || typeof honest.answer === 'object') return honest
      const answer = honest.answer === 'OL' ? 0.3 : probe.meter === 'ohms' ? 'OL' : honest.answer > 10 ? 0.1 : 26
      wrongAnswer = JSON.stringify(answer)
      return { ...honest, answer }
    },
  }
  const trial = runTrial(engine, lying, drawComplaint(engine, index, random))
  const { verdict } = trial
  const right = verdict !== null && verdict.found !== 'nothing-wrong' && verdict.repair.id === engine.hypotheses[index].fault?.repair.id
  const isWrong = (observation: Observation) => JSON.stringify(observation.answer) === wrongAnswer
  if (wrongAnswer === '') return null
  const named = findContradictions(engine, { ...noEvidence, observations: trial.observations }).some(({ observation }) =>
    trial.observations.some((candidate) => candidate.id === observation && isWrong(candidate)),
  )
  return { right, named }
}

/** A share with its 95 % interval (Wilson 1927): small numbers keep their doubt. */
export function shareOf(hits: number, count: number): { share: number; low: number; high: number } {
  if (count === 0) return { share: Number.NaN, low: 0, high: 1 }
  const z = 1.96
  const share = hits / count
  const middle = (share + z ** 2 / (2 * count)) / (1 + z ** 2 / count)
  const half = (z * Math.sqrt((share * (1 - share)) / count + z ** 2 / (4 * count ** 2))) / (1 + z ** 2 / count)
  return { share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) }
}

/** Claimed against right, in bands of what the verdict claimed. */
export function calibrate(sittings: readonly Sitting[]): { claimed: number; right: number; n: number }[] {
  const bands = [0, 0.5, 0.7, 0.85, 0.95, 0.98, 1.0001]
  return bands.slice(1).flatMap((high, index) => {
    const inside = sittings.filter(
      ({ trial: { verdict } }) => verdict !== null && verdict.probability >= bands[index] && verdict.probability < high,
    )
    if (inside.length === 0) return []
    const claimed = inside.reduce((sum, { trial }) => sum + (trial.verdict?.probability ?? 0), 0) / inside.length
    return [{ claimed, right: inside.filter(({ right, asGroup }) => right && !asGroup).length / inside.length, n: inside.length }]
  })
}
