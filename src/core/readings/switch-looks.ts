import type { Effect } from '@/src/core/faults/effect'
import type { Component } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import { bodyLink } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'
import { partsOf, type System } from '@/src/core/wiring/system'

/** Switches that show to the eye whether something opened them: a float by where it lies, a rollout switch by its button. */
const words: ReadonlyMap<PartOf<'switch'>['role'], readonly [made: string, opened: string]> = new Map([
  ['float', ['down', 'up']],
  ['rollout', ['set', 'tripped']],
])

/** A switch that is open was opened by what it guards against, and shows it; else it failed, or a spade is off. */
const SHOWS_WHEN_OPEN = modelValue({ value: 0.85, unit: 'share', source: 'assumption' })
/** One that lies as if it were open is closed all the same. */
const SHOWS_WHEN_CLOSED = modelValue({ value: 0.01, unit: 'share', source: 'assumption' })

/** The two words that answer a look at a switch, as it should be first; none where there is nothing to see. */
export const wordsOfSwitch = ({ role }: PartOf<'switch'>): readonly string[] => words.get(role) ?? []

/** A look found a switch opened. */
export const isOpenedWord = (word: string | null): boolean => [...words.values()].some(([, opened]) => opened === word)

/** The switches of a system that are looked at. */
export const seenSwitches = (system: System): PartOf<'switch'>[] =>
  partsOf(system, 'switch').filter((part) => wordsOfSwitch(part).length > 0)

/** What the eye finds at a switch, whatever the power does. */
export function switchLooks(part: PartOf<'switch'>, effects: readonly Effect[], weight: number): Component[] {
  const isOpen = effects.some((effect) => effect.do === 'open' && effect.link === bodyLink(part.id))
  const shows = isOpen ? SHOWS_WHEN_OPEN : SHOWS_WHEN_CLOSED
  const [made, opened] = wordsOfSwitch(part)
  return [
    { weight: weight * (1 - shows), at: { word: made }, sigma: 1, floating: false },
    { weight: weight * shows, at: { word: opened }, sigma: 1, floating: false },
  ]
}
