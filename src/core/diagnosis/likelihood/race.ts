import { type Answer, openedBy } from '@/src/core/readings/check'
import type { Component, Prediction } from '@/src/core/readings/prediction'
import { logSum } from '@/src/core/units/log-sum'
import { modelValue } from '@/src/core/units/model-value'

/** log of how well each place in the race explains the trips so far. */
export type Race = readonly number[]

/**
 * Places of a house in the race: the protection opens before the thermostat lets go where an overload opens it more often than this.
 * Both are the same parts at every trial, so that a trip that came once comes again, and a hold after one change is near proof.
 */
const PLACES: readonly number[] = Array.from({ length: 20 }, (_, place) => (place + 0.5) / 20)
/** How sharply the place of a house in the race decides: a breaker that is warm from the last trial opens sooner. */
const SHARP = modelValue({ value: 80, unit: 'power of the odds', source: 'assumption' })

/** P(it opens) at each place, where over all houses it opens with this chance. */
const opensAt = (chance: number): number[] => {
  const odds = (share: number) => Math.log(Math.max(share, 1e-4) / Math.max(1 - share, 1e-4))
  return PLACES.map((place) => 1 / (1 + Math.exp(-SHARP * (odds(chance) - odds(place)))))
}

/** A trip check as it stands in a house whose earlier trials are known. */
export function racedIn(race: Race, prediction: Prediction): Prediction {
  const chance = tripChance(prediction)
  const total = logSum(race)
  const now = opensAt(chance).reduce((sum, opens, place) => sum + opens * Math.exp(race[place] - total), 0)
  return prediction.map((component): Component => {
    const share = isTrip(component) ? now / Math.max(chance, 1e-9) : (1 - now) / Math.max(1 - chance, 1e-9)
    // What is left beside a sure trip is nothing, and never less.
    return { ...component, weight: component.weight * Math.max(0, share) }
  })
}

const isTrip = ({ at }: Component): boolean => typeof at !== 'number' && openedBy(at) !== null
const tripChance = (prediction: Prediction): number =>
  prediction.reduce((sum, component) => sum + (isTrip(component) ? component.weight : 0), 0)

/** What a trial of the protection says of the house's place in the race. */
export function raceAfter(race: Race | null, prediction: Prediction, answer: Answer, wrong: number): Race {
  const before = race ?? PLACES.map(() => 0)
  const isOpened = openedBy(answer) !== null
  return opensAt(tripChance(prediction)).map(
    (opens, place) => before[place] + Math.log((1 - wrong) * (isOpened ? opens : 1 - opens) + wrong / 2),
  )
}
