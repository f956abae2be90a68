import {
  type ConductorFaults,
  type ConductorOdds,
  type ConductorState,
  conductorFaults,
  hangTogether,
  statesOf,
  usualOdds,
} from '@/src/core/cable/conductor-faults'
import { type CableEnd, type ConductorTest, endOf, testsAt, tiesFor } from '@/src/core/cable/conductor-tests'
import { bestTest, type Held, NOTHING, shareOfAll } from '@/src/core/cable/conductor-worth'
import { isTold, type Marks, marksAt, ohmsBetween, pairsAt, type Told, testsThrough } from '@/src/core/cable/marks'
import type { CableWay, FarEndReach } from '@/src/core/job/run-schema'
import { LruCache } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** A reading that was taken: what was tied together at either end, where the meter was, and what it said. */
export interface ConductorReading extends ConductorTest, Told {
  /** Resistors that were in at one end. */
  readonly marks?: Marks
}

/** What the plan is made from. */
export interface ConductorQuestion {
  readonly conductors: number
  /** Whether the metal around can be touched at either end. */
  readonly hasMetal: readonly [boolean, boolean]
  /** The end at which the technician stands. */
  readonly here: 0 | 1
  /** Ties that are in at the other end. */
  readonly ties: readonly (readonly number[])[]
  /** Resistors that are in at the other end. */
  readonly marks?: Marks | null
  /** Resistors of known values that are at hand, ohm. */
  readonly resistors?: readonly number[]
  readonly readings: readonly ConductorReading[]
  /** The habit that orders it: what tells most, where left out. */
  readonly way?: CableWay
  /** How likely each trouble is, beside none; left out where nothing is known. */
  readonly odds?: ConductorOdds
  /** The other end is not off its screws yet: nothing read here would tell. */
  readonly mustCross?: boolean
  /** How the other end is reached: on foot, through somebody who stands there, or not at all. */
  readonly reach?: FarEndReach
}

/** What is joined at one end while the other is read. */
export interface Setup {
  readonly ties: readonly (readonly number[])[]
  readonly marks: Marks | null
}

export type ConductorStep =
  | { readonly do: 'read'; readonly test: ConductorTest }
  /** Walk to the other end; `ties` and resistors stay in here. */
  | ({ readonly do: 'cross' } & Setup)
  /** The helper at the other end ties these, and only these. */
  | ({ readonly do: 'tie there' } & Setup)
  | { readonly do: 'done' }
  /** No join tells the rest. */
  | { readonly do: 'stuck' }

export interface ConductorPlan {
  /** What is named of each conductor; null where it is not told yet. */
  readonly states: readonly (ConductorState | null)[]
  /** No set of troubles fits every reading; the one without which one would, by its index, or null where there is no such one. */
  readonly misfit: { readonly reading: number | null } | null
  readonly next: ConductorStep
}

/** A reading that tells this share of what is open is taken before anybody walks. */
const WORTH_STAYING = modelValue({ value: 0.2, unit: 'share of the entropy', source: 'assumption' })
/** What a reading after a walk has to tell more than the best one here. */
const WORTH_A_WALK = modelValue({ value: 0.06, unit: 'share of the entropy', source: 'assumption' })
/** More conductors than this have too many sets of three troubles to go through while somebody waits. */
export const MOST_CONDUCTORS = workLimit(9)
const MOST_HYPOTHESES_WEIGHED = workLimit(1000)
const MOST_HYPOTHESES_TRIED = workLimit(300)

/** A set of troubles with what it shows of each conductor, as a number for each different picture. */
interface Case {
  readonly faults: ConductorFaults
  readonly picture: number
}

const allCases = new LruCache<string, readonly Case[]>(workLimit(6))
// Readings come one by one: what the earlier ones left is not gone through again.
const leftAfter = new LruCache<string, readonly Case[]>(workLimit(40))

/** What a cable is asked about, and how likely each of its troubles is. */
interface Kind {
  readonly conductors: number
  readonly hasMetal: boolean
  readonly odds: ConductorOdds
}

function casesOf(kind: Kind): readonly Case[] {
  const { conductors, hasMetal, odds } = kind
  return allCases.get(JSON.stringify(kind), () => {
    const pictures = new Map<string, number>()
    return conductorFaults(conductors, hasMetal, odds).map((faults) => {
      const key = pictureKey(statesOf(conductors, faults))
      const picture = pictures.get(key) ?? pictures.size
      pictures.set(key, picture)
      return { faults, picture }
    })
  })
}

function casesLeft(kind: Kind, readings: readonly ConductorReading[]): readonly Case[] {
  const last = readings.at(-1)
  if (!last) return casesOf(kind)
  return leftAfter.get(JSON.stringify([kind, readings]), () =>
    casesLeft(kind, readings.slice(0, -1)).filter((one) => agrees(kind.conductors, one, last)),
  )
}

const pictureKey = (states: readonly ConductorState[]): string =>
  states.map(({ isOpen, touches }) => `${isOpen ? 'o' : ''}${touches.join('+')}`).join(' ')

/**
 * What each conductor of a cable is by the readings so far, and the step that tells most of the rest: greedy in bits over the states that are
 * left, and before a walk the ties to leave behind are tried out on some of what may be true. Troubles that a reading rules out are gone; one
 * reading that fits no set of troubles is named.
 */
export function planConductors(question: ConductorQuestion): ConductorPlan {
  const { conductors, readings } = question
  const kind: Kind = { conductors, hasMetal: question.hasMetal.some((metal) => metal), odds: question.odds ?? usualOdds(conductors) }
  const left = casesLeft(kind, readings)
  if (left.length === 0) {
    const reading = readings.findIndex(
      (_, index) =>
        readings.reduce((some, one, at) => (at === index ? some : some.filter((each) => agrees(conductors, each, one))), casesOf(kind))
          .length > 0,
    )
    const states = Array.from({ length: conductors }, () => null)
    return { states, misfit: { reading: reading < 0 ? null : reading }, next: { do: 'stuck' } }
  }
  const told = left.map(({ faults }) => faults)
  return {
    states: statesLeft(conductors, told),
    misfit: null,
    next: left.every(({ picture }) => picture === left[0].picture) ? { do: 'done' } : stepAmong(question, left),
  }
}

const agrees = (conductors: number, { faults }: Case, reading: ConductorReading): boolean => {
  const { joins, marks = null, a, b } = reading
  return isTold(reading, ohmsBetween(hangTogether(conductors, faults, joins), [], marks, a, b))
}

function statesLeft(conductors: number, left: readonly ConductorFaults[]): (ConductorState | null)[] {
  const [first, ...others] = left.map((faults) => statesOf(conductors, faults))
  return first.map((state, conductor) => {
    const key = pictureKey([state])
    return others.every((states) => pictureKey([states[conductor]]) === key) ? state : null
  })
}

function chancesOf(conductors: number, left: readonly ConductorFaults[]): number[] {
  const chances = Array.from({ length: conductors }, () => 0)
  let all = 0
  for (const faults of left) {
    all += faults.weight
    statesOf(conductors, faults).forEach(({ isOpen, touches }, conductor) => {
      if (isOpen || touches.length > 0) chances[conductor] += faults.weight
    })
  }
  return chances.map((chance) => chance / all)
}

/** Some of what may be true stands for all of it, until those have nothing more to tell them apart. */
function stepAmong(question: ConductorQuestion, left: readonly Case[]): ConductorStep {
  const step = nextStep(question, left, thinned(left, MOST_HYPOTHESES_WEIGHED), thinned(left, MOST_HYPOTHESES_TRIED))
  return step.do === 'stuck' && left.length > MOST_HYPOTHESES_TRIED ? nextStep(question, left, left, left) : step
}

function nextStep(question: ConductorQuestion, left: readonly Case[], weighed: readonly Case[], tried: readonly Case[]): ConductorStep {
  const { conductors, hasMetal, here, ties, marks = null, resistors = [], way = 'fewest', reach = 'walk', mustCross } = question
  const isHelped = reach === 'helper'
  const endAt = (side: 0 | 1): CableEnd => ({ conductors, side, hasMetal: hasMetal[side] })
  const there = (1 - here) as 0 | 1
  const now = mustCross ? null : bestTest(testsIn(way, endAt(here), { ties, marks }), hold(conductors, weighed, ties), marks)
  if (now && (now.share >= WORTH_STAYING || reach === 'none')) return { do: 'read', test: now.test }
  if (reach === 'none') return { do: 'stuck' }
  // With a helper the ties change over there and the meter stays; alone, the ties stay here and the meter goes.
  const [tiedAt, readAt] = isHelped ? [there, here] : [here, there]
  const orders = ordersOf(conductors, left)
  const choices = orders
    .flatMap((order) => tiesIn(way, { conductors, side: tiedAt }, order))
    .map((choice): Setup => ({ ties: choice, marks: null }))
    .concat(
      resistors.length > 0 && way === 'fewest'
        ? orders.map((order) => ({ ties: [], marks: marksAt({ conductors, side: tiedAt }, order, resistors) }))
        : [],
    )
    .filter((one, index, all) => all.findIndex((other) => JSON.stringify(other) === JSON.stringify(one)) === index)
    .map((choice) => {
      const held = hold(conductors, tried, choice.ties)
      const end = endAt(readAt)
      const tests = testsIn(way, end, choice)
      return { choice, share: bestTest(tests, held, choice.marks)?.share ?? 0, whole: shareOfAll(end, held, choice.marks) }
    })
    .filter(({ share }) => share > (now?.share ?? 0) + (now ? WORTH_A_WALK : NOTHING))
  if (choices.length === 0) return now ? { do: 'read', test: now.test } : { do: 'stuck' }
  const { choice } = choices.reduce((best, one) => (one.share + one.whole > best.share + best.whole ? one : best))
  return { do: isHelped ? 'tie there' : 'cross', ...choice }
}

/** The readings that a habit knows at one end. */
const testsIn = (way: CableWay, end: CableEnd, { ties, marks }: Setup): ConductorTest[] =>
  marks ? testsThrough(end, marks) : way === 'fewest' ? testsAt(end, ties) : pairsAt(end)

/** What a habit joins at the other end. */
function tiesIn(way: CableWay, end: Pick<CableEnd, 'conductors' | 'side'>, order: readonly number[]): number[][][] {
  switch (way) {
    case 'fewest':
      return tiesFor(end, order)
    case 'pairs':
      return order.flatMap((one, index) => order.slice(index + 1).map((other) => [[endOf(end, one), endOf(end, other)]]))
    case 'all-to-one':
      return [[], [order.map((one) => endOf(end, one))]]
  }
}

const hold = (conductors: number, cases: readonly Case[], ties: readonly (readonly number[])[]): Held[] =>
  cases.map(({ faults, picture }) => ({ picture, weight: faults.weight, masks: hangTogether(conductors, faults, ties) }))

/** The heaviest, and of the rest every so many with the weight of those that it stands for. */
function thinned(cases: readonly Case[], most: number): readonly Case[] {
  if (cases.length <= most) return cases
  const byWeight = [...cases].sort((a, b) => b.faults.weight - a.faults.weight)
  const heavy = byWeight.slice(0, most / 2)
  const light = byWeight.slice(most / 2)
  const step = Math.ceil(light.length / (most / 2))
  const standing = light.filter((_, index) => index % step === 0)
  return [...heavy, ...standing.map((one) => ({ ...one, faults: { ...one.faults, weight: one.faults.weight * step } }))]
}

/** Those that may be out of order first, so that they get partners that are not; and the other way about; and as they come. */
function ordersOf(conductors: number, left: readonly Case[]): number[][] {
  const chances = chancesOf(
    conductors,
    left.map(({ faults }) => faults),
  )
  const asTheyCome = Array.from({ length: conductors }, (_, index) => index)
  const byDoubt = [...asTheyCome].sort((a, b) => chances[b] - chances[a] || a - b)
  const half = Math.ceil(conductors / 2)
  const doubtWithSound = byDoubt.slice(0, half).flatMap((one, index) => [one, ...byDoubt.slice(conductors - 1 - index, conductors - index)])
  const paired = [...new Set([...doubtWithSound, ...byDoubt])]
  return [asTheyCome, paired, byDoubt]
}
