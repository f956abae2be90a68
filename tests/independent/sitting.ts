import type { Bench } from '@/src/core/bench/bench'
import { minutesOf } from '@/src/core/bench/cost'
import type { Engine } from '@/src/core/diagnosis/engine'
import { namesRepair } from '@/src/core/diagnosis/inference/verdict'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import { type Answered, type SearchStep, type Solver, searchBySteps, type Trial } from '@/src/core/practice/trial'
import { wholeLooks } from '@/src/core/readings/working'
import { createRandom } from '@/src/core/units/random'
import { windingLink } from '@/src/core/wiring/links'
import { callsOf, firstPart, partsOf, type System } from '@/src/core/wiring/system'
import { drawParts, wireOtherwise } from '@/tests/independent/draw'
import { IndependentHouse } from '@/tests/independent/house'
import { Senses } from '@/tests/independent/senses'
import type { SpiceSession } from '@/tests/independent/spice-session'
import { drawTrouble, SOUND, type Trouble } from '@/tests/independent/trouble'

/** One house of the independent exam and how its search ended. */
export interface IndependentSitting {
  readonly system: string
  readonly seed: number
  readonly trouble: string
  readonly from: Trouble['from']
  readonly otherwise: string | null
  readonly outcome: 'right' | 'group' | 'wrong' | 'no ending'
  /** Something of it shows on a call, or blows the fuse: what nobody would notice is told apart. */
  readonly shows: boolean
  /** Probability that the verdict claimed; 0 without one. */
  readonly claimed: number
  readonly said: string
  readonly checks: number
  readonly minutes: number
  readonly cooked: number
  readonly steps: readonly string[]
}

const MOST_CHECKS = 60
const SETTLES_S = 600
const A_CALL_S = 400
/** A customer's house has stood so for longer than it takes a winding to be as warm as it gets, and its calls go on for as long: assumption. */
const STANDS_S = 3600
const CALLED_FOR_S = 1200
const NOTHING_TOLD = 0.15
/** Of troubles that show on no call, those that somebody is there for all the same, at a yearly look: assumption. */
const CALLED_FOR_NOTHING = 0.2
const MOST_DRAWN = 12
/** Of houses whose call burns out the transformer while it goes on, those that have been called in for long enough: assumption. */
const BURNED_BY_NOW = 0.95
const HANDS_MIN_S = 4

export interface SittingOptions {
  /** Whoever asks looks at one part at a time, as a program at the other end of the terminal does. */
  readonly byParts?: boolean
  /** Nothing is wrong with any house: what a search of one costs. */
  readonly onlySound?: boolean
}

export async function sitIndependently(
  engine: Engine,
  spice: SpiceSession,
  seed: number,
  { byParts = false, onlySound = false }: SittingOptions = {},
): Promise<IndependentSitting> {
  const random = createRandom(seed)
  const { system, how } = await carried(engine, spice, random)
  const fuseTimes = Math.exp(0.6 * Math.max(-2, Math.min(2, random.normal())))
  const rating = firstPart(engine.system, 'fuse').ratingA
  const foundRating = random.uniform() < 0.1 ? 5 : rating
  const make = (wrong: Trouble | null, seedOf: number) =>
    new IndependentHouse(system, engine.system, wrong, spice, createRandom(seedOf), fuseTimes, foundRating)
  const gain = 1 + 0.008 * random.normal()
  const sensesOf = (house: IndependentHouse) => new Senses(house, soundly, engine.system, createRandom(seed + 7), gain)

  /** Nobody calls for what shows nowhere: such a trouble is mostly drawn anew. */
  async function drawVisit() {
    for (let tries = 0; ; tries++) {
      const trouble = onlySound ? SOUND : drawTrouble(engine.system, random)
      const house = make(trouble, seed + 3)
      const told = await complain(engine, house, make, sensesOf, random)
      // Whoever has called for days has burned out by now what that call burns out.
      if (told.burnsOut !== null && random.uniform() < BURNED_BY_NOW) {
        const burned = burnedOut(trouble, told.burnsOut)
        const dead = make(burned, seed + 3)
        return { house: dead, trouble: burned, ...(await complain(engine, dead, make, sensesOf, random)) }
      }
      if (told.shows || trouble.from === 'sound' || random.uniform() < CALLED_FOR_NOTHING || tries === MOST_DRAWN)
        return { house, trouble, ...told }
    }
  }

  const soundWork = new Map<string, Promise<ReadonlyMap<string, boolean>>>()
  function soundly(bench: Bench): Promise<ReadonlyMap<string, boolean>> {
    const key = JSON.stringify([bench.call, bench.lifted, bench.jumpers, bench.unplugged, bench.power, bench.slot.open])
    const known = soundWork.get(key)
    if (known) return known
    const working = (async () => {
      const house = make(null, 1)
      house.bench = { ...bench, call: 'off' }
      await house.run(SETTLES_S)
      house.change({ do: 'call', call: bench.call })
      await house.run(A_CALL_S)
      return sensesOf(house).working()
    })()
    soundWork.set(key, working)
    return working
  }

  const { house, trouble, complaint, shows } = await drawVisit()
  // The technician stands before a house that has long been powered; a fuse that its trouble blew is blown.
  await house.run(SETTLES_S)
  house.tripped = false
  const senses = sensesOf(house)
  const steps: string[] = []
  const take = async ({ changes, minutes, probe }: SearchStep): Promise<Answered> => {
    const before = house.cooked
    // Whoever walks to the thermostat has not set it yet: each act takes its own minutes, and the meter what is left.
    let leftS = minutes * 60
    let hasTripped = false
    for (const change of changes) {
      const takesS = Math.min(leftS, 60 * minutesOf(engine.system, house.bench, change))
      await house.run(takesS)
      hasTripped ||= house.tripped
      leftS -= takesS
      house.change(change)
    }
    await house.run(Math.max(HANDS_MIN_S, leftS))
    house.tripped ||= hasTripped
    const answer = await senses.take(probe)
    steps.push(
      `${minutes.toFixed(1)} min ${changes.map((change) => Object.values(change).join(' ')).join('; ')} | ${JSON.stringify(probe)} = ${JSON.stringify(answer)}${house.tripped ? ' TRIPPED' : ''}`,
    )
    const { tripped } = house
    if (tripped) house.bench = { ...house.bench, slot: { ...house.bench.slot, open: true } }
    house.tripped = false
    return { answer, tripped, cooked: house.cooked > before }
  }
  const skipped = byParts ? wholeLooks(engine.system) : []
  const solver: Solver = (one, evidence, bench) => propose(one, evidence, bench, { skipped })
  const search = searchBySteps(engine, { complaint, mostChecks: MOST_CHECKS }, solver)
  let step = search.next()
  while (!step.done) step = search.next(await take(step.value))
  return {
    ...markOf(engine, step.value, trouble),
    system: engine.system.id,
    seed,
    trouble: trouble.name,
    shows,
    from: trouble.from,
    otherwise: how,
    checks: step.value.checks,
    minutes: step.value.minutes,
    cooked: step.value.cooked,
    steps: [JSON.stringify(complaint), ...steps],
  }
}

/** Of a transformer's plate, the most that a sound house asks of it: whoever built it chose one that carries it. Assumption. */
const MOST_CARRIED = 1.1

/** What works on each call of a house with nothing wrong, and the most that its transformer carries of its plate. */
async function worksOnCalls(system: System, template: System, spice: SpiceSession) {
  const house = new IndependentHouse(system, template, null, spice, createRandom(1), 1, Infinity)
  const senses = new Senses(house, async () => new Map(), template, createRandom(1), 1)
  const works: ReadonlyMap<string, boolean>[] = []
  let most = 0
  for (const call of callsOf(template)) {
    house.change({ do: 'call', call })
    await house.run(A_CALL_S)
    most = Math.max(most, await house.shareOfPlate())
    works.push(await senses.working())
  }
  return { most, works }
}

/** A house as it is drawn and wired, that its transformer carries and that does on every call what its kind does: else it is no sound one. */
async function carried(engine: Engine, spice: SpiceSession, random: ReturnType<typeof createRandom>) {
  const asBuilt = await worksOnCalls(engine.system, engine.system, spice)
  for (let tries = 0; ; tries++) {
    const { system, how } = wireOtherwise(drawParts(engine.system, random), random)
    const { most, works } = await worksOnCalls(system, engine.system, spice)
    const doesAll = asBuilt.works.every((sound, at) => [...sound].every(([id, isOn]) => works[at].get(id) === isOn))
    if (most <= MOST_CARRIED && doesAll) return { system, how }
    if (tries === MOST_DRAWN) throw new Error(`no house of ${engine.system.id} was drawn that its transformer carries and that works`)
  }
}

function markOf({ faults }: Engine, { verdict, lead }: Trial, trouble: Trouble): Pick<IndependentSitting, 'outcome' | 'claimed' | 'said'> {
  if (!verdict) return { outcome: 'no ending', claimed: 0, said: lead }
  const { probability: claimed } = verdict
  if (verdict.found === 'nothing-wrong') return { outcome: trouble.from === 'sound' ? 'right' : 'wrong', claimed, said: 'nothing wrong' }
  // Named among several when it is that very fault, or one that the same act mends.
  const isNear = (id: string) =>
    trouble.fault?.id === id || faults.some((fault) => fault.id === id && trouble.mendedBy.includes(fault.repair.id))
  if (!namesRepair(verdict)) {
    const isThere = verdict.zone === trouble.zone || verdict.suspects.some(isNear)
    return { outcome: isThere ? 'group' : 'wrong', claimed: 0, said: `none of these, ${verdict.zone} (${verdict.suspects.join(', ')})` }
  }
  const said = `${verdict.repair.id}${verdict.found !== 'repair' ? ` (${verdict.found} of ${verdict.suspects.join(', ')})` : ''}`
  const named = [verdict.repair.id, ...(verdict.also ? [verdict.also.repair.id] : [])]
  if (named.some((id) => trouble.mendedBy.includes(id))) return { outcome: 'right', claimed, said }
  // One of two: what was burned out, and not what burned it out.
  if (named.some((id) => trouble.brokenToo.includes(id))) return { outcome: 'group', claimed, said }
  const holds =
    verdict.found !== 'repair' &&
    (verdict.zone === trouble.zone ||
      verdict.suspects.some(isNear) ||
      (trouble.from === 'sound' && verdict.suspects.includes('nothing-wrong')))
  return { outcome: holds ? 'group' : 'wrong', claimed, said }
}

/** What the customer tells: what each call does in this house, against what it should do. Blows the fuse where the house would have. */
async function complain(
  engine: Engine,
  house: IndependentHouse,
  make: (wrong: Trouble | null, seed: number) => IndependentHouse,
  sensesOf: (house: IndependentHouse) => Senses,
  random: ReturnType<typeof createRandom>,
): Promise<{ complaint: Complaint; shows: boolean; burnsOut: string | null }> {
  const { trouble } = house
  const isTold = random.uniform() >= NOTHING_TOLD
  if (!trouble || trouble.from === 'sound') return { complaint: emptyComplaint, shows: false, burnsOut: null }
  const burnsOut = await burnedByCalls(engine, trouble, make)
  const said = (complaint: Complaint) => ({ complaint: isTold ? complaint : emptyComplaint, shows: true, burnsOut })
  const calls = callsOf(engine.system)
  const dead: string[] = []
  const never: string[] = []
  let blowsOn: (typeof calls)[number] | 'off' | null = null
  for (const call of ['off', ...calls] as const) {
    const [mine, sound] = [make(trouble, 11), make(null, 11)]
    for (const one of [mine, sound]) {
      await one.run(SETTLES_S)
      one.tripped = one === mine ? one.tripped : false
      if (call !== 'off') one.change({ do: 'call', call })
      await one.run(A_CALL_S)
    }
    if (mine.tripped || (call === 'off' && mine.isFuseOpen)) blowsOn ??= call
    const [is, should] = [await sensesOf(mine).working(), await sensesOf(sound).working()]
    // What a customer misses: a motor that is still, a burner that is out.
    const missed = [
      ...partsOf(engine.system, 'load'),
      ...partsOf(engine.system, 'coil').filter(({ role }) => role === 'gas-valve' || role === 'sequencer'),
    ].map(({ id }) => id)
    if (call !== 'off' && missed.some((id) => should.get(id) && !is.get(id))) dead.push(call)
    if (missed.some((id) => !should.get(id) && is.get(id))) never.push(call)
  }
  if (blowsOn !== null) {
    const isFoundBlown = random.uniform() < 0.7
    if (isFoundBlown) house.blow()
    return said(
      blowsOn === 'off'
        ? { ...emptyComplaint, symptoms: ['fuse-at-power-up'] }
        : { ...emptyComplaint, symptoms: ['fuse-on-call'], call: blowsOn },
    )
  }
  if (dead.length === calls.length) return said({ ...emptyComplaint, symptoms: ['nothing-runs'] })
  if (dead.length > 0) return said({ ...emptyComplaint, symptoms: ['mode-dead'], call: calls.find((call) => dead.includes(call)) ?? null })
  return never.length > 0 ? said({ ...emptyComplaint, symptoms: ['never-stops'] }) : { complaint: emptyComplaint, shows: false, burnsOut }
}

/**
 * The transformer that a customer's calls burn out before anybody comes, by part: each call is made on a house that has stood for an hour,
 * and goes on as long as calls do. What comes and goes has come by then.
 */
async function burnedByCalls(
  engine: Engine,
  trouble: Trouble,
  make: (wrong: Trouble | null, seed: number) => IndependentHouse,
): Promise<string | null> {
  for (const call of ['off', ...callsOf(engine.system)] as const) {
    const house = make({ ...trouble, shows: 1 }, 11)
    await house.run(STANDS_S)
    if (call !== 'off') house.change({ do: 'call', call })
    await house.run(CALLED_FOR_S)
    const [burned] = house.burned
    if (burned !== undefined && !house.isFuseOpen) return burned
  }
  return null
}

/** The same trouble, steady by now, and the winding that it has burned open. */
function burnedOut(trouble: Trouble, id: string): Trouble {
  return {
    ...trouble,
    shows: 1,
    brokenToo: [`replace:${id}`],
    name: `${trouble.name}, transformer burned out`,
    effects: [...trouble.effects, { do: 'open', link: windingLink(id, 'secondary') }],
  }
}
