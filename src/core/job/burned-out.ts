import { faultFamilies } from '@/src/core/faults/families'
import { familiesOfId } from '@/src/core/faults/fault'

const isBurnedOut = (fault: string): boolean => familiesOfId(fault).some((family) => faultFamilies[family].burnedOut)
const burnsOut = (fault: string): boolean => familiesOfId(fault).some((family) => faultFamilies[family].burnsOutTransformers)

/**
 * Whether a second transformer would go the way of the first: `fault`, by its id, is one that was burned out, and nothing that is
 * sure to burn one out is among the repairs of the job.
 */
export const mayBurnOutAgain = (fault: string, repairs: readonly { readonly fault: string | null }[]): boolean =>
  isBurnedOut(fault) && !repairs.some((repair) => repair.fault !== null && burnsOut(repair.fault))

/** What is said before it goes in. */
export const BURNS_OUT_AGAIN =
  'What burned it out may still be there, where no fuse sees it: ahead of the fuse, or around it through the bond. Find it before a second transformer goes in.'
