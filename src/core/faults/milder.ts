import type { Effect, FaultVariant } from '@/src/core/faults/effect'
import {
  CORRODED_JOINT,
  LEAKING_CONTACT,
  LOOSE_LINE_JOINTS,
  OTHER_ACCESSORIES,
  PITTED_FACES,
  RESISTIVE_SHORTS,
  SAGGING_WINDINGS,
  WEAK_COIL,
} from '@/src/core/faults/rates'
import { callLink } from '@/src/core/wiring/links'

interface Degree {
  readonly ohm: number
  readonly share: number
}
type Milder = (effects: readonly Effect[]) => FaultVariant[]

/** A short through dirt, moisture or soot, in place of metal on metal. */
export const resistive: Milder = (effects) => RESISTIVE_SHORTS.map((degree) => touching(effects, degree))

/** A few shorted turns in place of half the winding. */
export const fewTurns: Milder = (effects) => [touching(effects, WEAK_COIL)]

/** An accessory of another make. */
export const otherAccessory: Milder = (effects) => OTHER_ACCESSORIES.map((degree) => touching(effects, degree))

/** A contact that leaks, in place of one that is welded. */
export const leaking: Milder = (effects) => [touching(effects, LEAKING_CONTACT)]

/** A high-resistance joint, in place of an open one. */
export const corroded: Milder = (effects) => [joined(effects, CORRODED_JOINT)]

/** A loose joint in the line, in place of one that came off. */
export const loose: Milder = (effects) =>
  LOOSE_LINE_JOINTS.map((degree, place) => ({ ...joined(effects, degree), name: place === 0 ? 'loose' : `loose, ${degree.ohm} ohm` }))

/** Faces of a line contact that still meet, in place of ones that do not. */
export const pitted: Milder = (effects) => PITTED_FACES.map((degree) => joined(effects, degree))

/** Worn contacts of a thermostat, in place of ones that never close. */
export const worn: Milder = (effects) => [joined(effects.flatMap(contactsOf), CORRODED_JOINT)]

/** A winding that sags more or less. */
export const sagging: Milder = (effects) =>
  SAGGING_WINDINGS.map(({ ohm, share }) => ({
    name: `${ohm} ohm`,
    share,
    effects: effects.map((effect) => (effect.do === 'resist' ? { ...effect, ohm } : effect)),
  }))

const touching = (effects: readonly Effect[], { ohm, share }: Degree): FaultVariant => ({
  name: `${ohm} ohm`,
  share,
  effects: effects.map((effect) => (effect.do === 'short' ? { ...effect, ohm } : effect)),
})

const joined = (effects: readonly Effect[], { ohm, share }: Degree): FaultVariant => ({
  name: `${ohm} ohm`,
  share,
  effects: effects.map((effect) => (effect.do === 'open' ? { do: 'resist', link: effect.link, ohm } : effect)),
})

/** The contacts that a thermostat does not make. */
const contactsOf = (effect: Effect): Effect[] =>
  effect.do === 'never-closes' ? effect.terminals.map((terminal) => ({ do: 'open', link: callLink(effect.thermostat, terminal) })) : []
