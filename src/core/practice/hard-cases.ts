import type { Engine } from '@/src/core/diagnosis/engine'
import { type Behaviour, behaviourOf } from '@/src/core/diagnosis/hypotheses/priors'
import { findContradictions } from '@/src/core/diagnosis/inference/contradiction'
import { joinFaults, weigh } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects, NONE_OF_THESE } from '@/src/core/diagnosis/inference/suspects'
import { namesRepair } from '@/src/core/diagnosis/inference/verdict'
import type { Fault } from '@/src/core/faults/fault'
import { drawByRate, drawCase, drawRest, mark, openHouse, wiredIn } from '@/src/core/practice/exam'
import { afterMending, type House } from '@/src/core/practice/house'
import { outsideFaults } from '@/src/core/practice/outside-faults'
import { complaintOf, runTrial, type Trial } from '@/src/core/practice/trial'
import { foundIn, type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import { type Observation, questionKey } from '@/src/core/readings/observations'
import type { Random } from '@/src/core/units/random'

/** What the plain exam does not ask: a wrong reading among good ones, a fault of no catalogue, two faults at once. */

/**
 * One reading of the search is plainly wrong: whether the repair was still right, and whether the reading was named.
 * Null when the search asked for no number that could be falsified.
 */
export function examineWrongReading(engine: Engine, random: Random, faultId: string): { right: boolean; named: boolean } | null {
  const drawn = drawCase(engine, random, faultId)
  const house = openHouse(engine, drawn)
  const wrongAt = Math.floor(random.uniform() * 3)
  let asked = 0
  let wrongId: string | null = null
  const lying: House = {
    ...house,
    get hypothesis() {
      return house.hypothesis
    },
    get bench() {
      return house.bench
    },
    ask: (probe) => {
      const honest = house.ask(probe)
      const id = String(asked++)
      if (asked - 1 !== wrongAt || typeof honest.answer === 'object') return honest
      const answer = honest.answer === 'OL' ? 0.3 : probe.meter === 'ohms' ? 'OL' : honest.answer > 10 ? 0.1 : 26
      wrongId = id
      return { ...honest, answer }
    },
  }
  const { verdict, observations } = runTrial(engine, lying, { complaint: drawn.complaint })
  const evidence = { ...noEvidence, complaint: drawn.complaint, observations }
  const wrong = observations.find(({ id }) => id === wrongId)
  if (!wrong) return null
  const right = namesRepair(verdict) && verdict.repair.id === drawn.hypothesis.fault?.repair.id
  const wasAskedAgain = observations.filter((observation) => isSameQuestion(observation, wrong)).length > 1
  const { engine: weighedBy, posterior } = weigh(engine, evidence)
  const suspects = listSuspects(weighedBy, evidence, posterior, 1)
  const named = findContradictions(weighedBy, evidence, suspects).some(({ observation }) => observation === wrong.id)
  return { right, named: named || wasAskedAgain }
}

/** The same points on the same wires; the fuse may have made room for the breaker in between. */
const isSameQuestion = (a: Observation, b: Observation): boolean =>
  questionKey({ ...a.bench, slot: b.bench.slot }, a.probe) === questionKey(b.bench, b.probe)

/** Two faults at once: both named in one verdict; or the first one, and after its repair the second. */
export interface DoubleSitting {
  readonly hidden: string
  readonly bothAtOnce: boolean
  readonly first: boolean
  /** Null when the first was not found, or both were. */
  readonly secondAfterRepair: boolean | null
  readonly minutes: number
  /** The last verdict, or the suspect that led without one. */
  readonly said: string
  /** Everything that was read, before the repair and after. */
  readonly readings: readonly Observation[]
}

export function examineDouble(engine: Engine, random: Random): DoubleSitting {
  const [one, two] = drawTwo(engine, random)
  const hypothesis: Hypothesis = wiredIn(
    engine,
    {
      ...one.hypothesis,
      id: `${one.hypothesis.id} + ${two.hypothesis.id}`,
      fault: joinFaults(one.fault, two.fault),
      effects: [...one.hypothesis.effects, ...two.hypothesis.effects],
      ...foundIn(one.hypothesis, two.hypothesis),
    },
    random,
  )
  const complaint = complaintOf(engine, behaviourOf(engine.laboratory, hypothesis), random)
  const house = openHouse(engine, { hypothesis, complaint, ...drawRest(engine, random) })
  const search = runTrial(engine, house, { complaint })
  const { verdict } = search
  const fail = {
    hidden: hypothesis.id,
    bothAtOnce: false,
    first: false,
    secondAfterRepair: null,
    minutes: search.minutes,
    said: sayEnd(search),
    readings: search.observations,
  }
  if (!namesRepair(verdict)) return fail
  const hidden = [one, two]
  // A group that nothing at hand splits is looked at with one's own eyes, and the fault in it found.
  const found = hidden.find(
    ({ fault }) => fault.repair.id === verdict.repair.id || (verdict.found === 'group' && verdict.suspects.includes(fault.id)),
  )
  if (!found) return fail
  const other = hidden[found === one ? 1 : 0]
  const bothAtOnce = verdict.also?.repair.id === other.fault.repair.id
  if (bothAtOnce) return { ...fail, bothAtOnce, first: true }
  house.mend({ ...other.hypothesis, wiring: hypothesis.wiring, foundFuse: 'intact' })
  const after = runTrial(engine, house, {
    complaint,
    bench: { ...search.bench, slot: afterMending(engine.system, search.bench.slot) },
    repaired: [found.fault.id],
    before: search.observations,
  })
  const second = mark(after, other.fault).right
  return {
    ...fail,
    first: true,
    secondAfterRepair: second,
    minutes: search.minutes + after.minutes,
    said: sayEnd(after),
    readings: [...search.observations, ...after.observations],
  }
}

function drawTwo(engine: Engine, random: Random): { fault: Fault; hypothesis: Hypothesis }[] {
  const steady = [...engine.hypotheses.keys()].filter((index) => {
    const { fault, intermittent } = engine.hypotheses[index]
    // A fuse that blew for nothing is no fault once there is a good one in.
    return fault !== null && fault.family !== 'fuse-only' && !intermittent
  })
  const draw = () => engine.hypotheses[drawByRate(engine, steady, random)]
  const first = draw()
  for (let tries = 0; tries < 50; tries++) {
    const second = draw()
    // Two faults of one part or one conductor are one repair; they are no second fault.
    if (first.fault && second.fault && !first.fault.touches.some((point) => second.fault?.touches.includes(point)))
      return [
        { fault: first.fault, hypothesis: first },
        { fault: second.fault, hypothesis: second },
      ]
  }
  throw new Error(`no second fault beside ${first.id}`)
}

/** Whether anything in the house goes otherwise than in a sound one: a fault that shows nowhere calls nobody. */
function shows(engine: Engine, { fresh }: Behaviour): boolean {
  const sound = engine.behaviours[0].fresh
  const work = ({ running, air }: Behaviour['fresh']['off']) => [...running, ...air].join()
  return Object.entries(fresh).some(
    ([call, run]) => run.trips > 0.1 || run.chatters || !run.alive || work(run) !== work(sound[call as keyof typeof sound]),
  )
}

/** How a search ended in a house whose fault no entry of the catalogue describes. */
export interface OutsideSitting {
  readonly hidden: string
  /** "None of these" led, and nothing was named. */
  readonly led: boolean
  /** What was named would mend it, though for another reason: a coil of the wrong kind is a coil to replace. */
  readonly mended: boolean
  /** A repair was named that would not mend it. */
  readonly condemned: boolean
  readonly said: string
  readonly readings: readonly Observation[]
}

export function examineOutside(engine: Engine, random: Random, mostChecks?: number): OutsideSitting {
  const showing = outsideFaults(engine.system)
    .map(({ id, effects, mendedBy }) => ({ hypothesis: { ...healthy, id, effects }, mendedBy }))
    .filter(({ hypothesis }) => shows(engine, behaviourOf(engine.laboratory, hypothesis)))
  const { hypothesis: bare, mendedBy } = random.pick(showing)
  const hypothesis = wiredIn(engine, bare, random)
  const complaint = complaintOf(engine, behaviourOf(engine.laboratory, hypothesis), random)
  const house = openHouse(engine, { hypothesis, complaint, ...drawRest(engine, random) })
  const trial = runTrial(engine, house, { complaint, ...(mostChecks !== undefined && { mostChecks }) })
  const { verdict, lead } = trial
  const mended = verdict !== null && verdict.found === 'repair' && verdict.repair.id === mendedBy
  return {
    said: sayEnd(trial),
    readings: trial.observations,
    hidden: hypothesis.id,
    led: verdict === null && lead === NONE_OF_THESE,
    mended,
    condemned: verdict !== null && verdict.found === 'repair' && !mended,
  }
}

const sayEnd = ({ verdict, lead }: Trial): string =>
  verdict === null
    ? `${lead} leads`
    : !namesRepair(verdict)
      ? verdict.found
      : `${verdict.found} ${verdict.repair.id} ${verdict.probability.toFixed(3)}${verdict.also ? ` and ${verdict.also.repair.id}` : ''}`
