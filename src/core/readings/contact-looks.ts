import type { Effect } from '@/src/core/faults/effect'
import type { Component } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import { facesLink } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'
import { partsOf, type System } from '@/src/core/wiring/system'

/** What the eye finds at the contacts of a contactor, which stands open: their faces, and what lies between them. */

export const CLEAN = 'clean'
export const BURNED = 'burned'
/** Insects, a lizard, a nest, dirt: what keeps the armature from closing. */
export const BLOCKED = 'blocked'
export const contactWords: readonly string[] = [CLEAN, BURNED, BLOCKED]

/** Faces that pass too little look it. */
const BURNED_WHEN_BURNED = modelValue({ value: 0.85, unit: 'chance', source: 'assumption' })
/** An old contactor is black and passes all that it should. */
const BURNED_ANYWAY = modelValue({ value: 0.05, unit: 'chance', source: 'assumption' })
/** Of armatures that do not close, those with something between their contacts. */
const BLOCKED_WHEN_JAMMED = modelValue({ value: 0.35, unit: 'share', source: 'assumption' })
/** Insects in one that closes over them. */
const BLOCKED_ANYWAY = modelValue({ value: 0.01, unit: 'chance', source: 'assumption' })

/** The contactors of a system whose contacts can be looked at: relays and sequencers are closed. */
export const seenContacts = (system: System): PartOf<'coil'>[] =>
  partsOf(system, 'coil').filter(({ role, contact }) => role === 'contactor' && contact !== undefined)

/** What is seen of the contacts, whatever the power does. */
export function contactLooks({ id }: PartOf<'coil'>, effects: readonly Effect[], weight: number): Component[] {
  const isBurned = effects.some((effect) => (effect.do === 'open' || effect.do === 'resist') && effect.link === facesLink(id))
  const isJammed = effects.some((effect) => effect.do === 'jam' && effect.coil === id)
  const burned = isBurned ? BURNED_WHEN_BURNED : BURNED_ANYWAY
  const blocked = isJammed ? BLOCKED_WHEN_JAMMED : BLOCKED_ANYWAY
  const word = (said: string, share: number): Component => ({ weight: weight * share, at: { word: said }, sigma: 1, floating: false })
  return [word(CLEAN, (1 - burned) * (1 - blocked)), word(BURNED, burned * (1 - blocked)), word(BLOCKED, blocked)]
}
