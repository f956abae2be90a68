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

/** A repair as it stands in the record. */
export interface DoneRepair {
  readonly fault: string | null
  readonly what: string
  readonly cause: string
}

/** A transformer went in, whether it was found or is told in words. */
const isTransformer = ({ fault, what }: DoneRepair): boolean =>
  (fault !== null && isBurnedOut(fault)) || /\b(?:transformers?|xfmrs?|trafos?)\b/i.test(what)

/**
 * What is to be said of a repair that puts a transformer in while nothing that burns one out was found, or a second one; null for every
 * other. How many went in this job is counted: a second is never bad luck.
 */
export function cautionOfRepair(repair: DoneRepair, before: readonly DoneRepair[]): string | null {
  if (!isTransformer(repair)) return null
  const went = before.filter(isTransformer).length
  const isCauseKnown = repair.cause.trim() !== '' || [...before, repair].some(({ fault }) => fault !== null && burnsOut(fault))
  // What to do stands first: one line of the desk shows no more.
  if (went === 0) return isCauseKnown ? null : `${OHM_FIRST} ${SAY_CAUSE} ${BURNS_OUT_AGAIN}`
  return `Transformer ${went + 1} of this job: something still burns them out. ${OHM_FIRST}`
}

const OHM_FIRST = 'Power off: ohm the loads and conductors of every call before the new one gets power.'
const SAY_CAUSE = 'Record what burned it out with the repair.'
