import type { PartOf } from '@/src/core/wiring/part'

/** The hot terminal that a thermostat closes a call to. */
export const feedOf = (thermostat: PartOf<'thermostat'>, terminal: string): string => thermostat.feeds?.[terminal] ?? thermostat.hot

/** Every hot terminal of a thermostat: one, or Rc and Rh. */
export const hotTerminals = (thermostat: PartOf<'thermostat'>): string[] => [
  ...new Set([thermostat.hot, ...Object.values(thermostat.feeds ?? {})]),
]

/** The terminal on the far side of the electronics: the common, or the call that a power-stealing one draws through. */
export const livesBetween = (part: PartOf<'thermostat'>): string | undefined =>
  part.power === 'battery' || part.power === 'mechanical' ? undefined : part.power === 'stealing' ? part.steals : part.common

/** Terminals that the thermostat can put on R. */
export function switchedTerminals(part: PartOf<'thermostat'>): string[] {
  return [...new Set(Object.values(part.calls).flat())]
}
