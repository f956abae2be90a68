import { isGraded, type WiringKind } from '@/src/core/diagnosis/hypotheses/houses'
import { type Behaviour, createHypotheses } from '@/src/core/diagnosis/hypotheses/priors'
import { type Houses, joinHouses, layOutHouses } from '@/src/core/diagnosis/likelihood/by-house'
import type { Fault } from '@/src/core/faults/fault'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'

/** Hypotheses that are weighed against each other; the lists go by the same index. */
export interface HypothesisSet {
  readonly hypotheses: readonly Hypothesis[]
  /** Relative frequency of each, before the complaint. */
  readonly rates: readonly number[]
  readonly behaviours: readonly Behaviour[]
  /** The houses that each may stand in. */
  readonly houses: Houses
  /** The same hypotheses in each kind of wiring. */
  readonly hypothesesByKind: readonly (readonly Hypothesis[])[]
}

/** A sound house, and every single fault in each of its forms. */
export function setOfSingles(laboratory: Laboratory, faults: readonly Fault[], kinds: readonly WiringKind[]): HypothesisSet {
  const { hypotheses, rates, behaviours } = createHypotheses(laboratory, faults)
  return {
    hypotheses,
    rates,
    behaviours,
    houses: layOutHouses(hypotheses.map(isGraded), kinds),
    hypothesesByKind: inEachKind(hypotheses, kinds),
  }
}

/** A house wired differently is the template's with the difference beside each fault. */
export const inEachKind = (hypotheses: readonly Hypothesis[], kinds: readonly WiringKind[]): (readonly Hypothesis[])[] =>
  kinds.map(({ wiring }) => (wiring.length === 0 ? hypotheses : hypotheses.map((hypothesis) => ({ ...hypothesis, wiring }))))

/** One set behind another. */
export const joinSets = (some: HypothesisSet, more: HypothesisSet): HypothesisSet => ({
  hypotheses: [...some.hypotheses, ...more.hypotheses],
  rates: [...some.rates, ...more.rates],
  behaviours: [...some.behaviours, ...more.behaviours],
  houses: joinHouses(some.houses, more.houses),
  hypothesesByKind: some.hypothesesByKind.map((hypotheses, kind) => [...hypotheses, ...more.hypothesesByKind[kind]]),
})
