import type { Fault } from '@/src/core/faults/fault'

/** Faults of a transformer that was cooked; it seldom dies by itself. */
const cooked: readonly Fault['family'][] = ['transformer-dead', 'transformer-weak']

/**
 * Faults that are sure to draw more than a transformer stands. A wire on the wrong screw may or may not: after one of those the
 * warning stays, which costs a look.
 */
const cooks: readonly Fault['family'][] = [
  'conductor-short',
  'conductor-to-chassis',
  'lead-to-chassis',
  'coil-shorted',
  'coil-to-ground',
  'thermostat-shorted',
  'water-in-connector',
  'jumper-left',
  'transformers-tied',
  'wrong-tap',
]

const isOf = (families: readonly Fault['family'][], fault: string): boolean => families.some((family) => fault.startsWith(`${family}:`))

/**
 * Whether a second transformer would go the way of the first: `fault`, by its id, is a cooked one, and nothing that cooks one is
 * among the repairs of the job.
 */
export const mayCookAgain = (fault: string, repairs: readonly { readonly fault: string | null }[]): boolean =>
  isOf(cooked, fault) && !repairs.some((repair) => repair.fault !== null && isOf(cooks, repair.fault))

/** What is said before it goes in. */
export const COOKS_AGAIN =
  'What burned it out may still be there, where no fuse sees it: ahead of the fuse, or around it through the bond. Find it before a second transformer goes in.'
