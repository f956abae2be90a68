import type { Effect } from '@/src/core/faults/effect'
import type { Fault } from '@/src/core/faults/fault'
import { Memo } from '@/src/core/units/cache'

/** One complete hypothesis of the house: what is wrong, in which form, and whether the fuse that was found in the slot still holds. */
export interface Hypothesis {
  readonly id: string
  /** Null: nothing is wrong. */
  readonly fault: Fault | null
  /** What the fault does in this form; its own effects when it is as bad as it gets. */
  readonly effects: readonly Effect[]
  /** How the house differs from its template without a fault: there at every moment, also while the fault hides. */
  readonly wiring: readonly Effect[]
  readonly foundFuse: 'intact' | 'blown'
  /** Another fuse or breaker of the house, by its part, that was found blown or tripped. */
  readonly foundOpen?: string
  /** It comes and goes: a reading shows it or finds a sound house. */
  readonly intermittent: boolean
  /** What comes and goes does so with the heat: it shows once its call has been on for a while. */
  readonly warms?: true
}

export const healthy: Hypothesis = { id: 'nothing-wrong', fault: null, effects: [], wiring: [], foundFuse: 'intact', intermittent: false }

/** How the fuses were found where two faults are one hypothesis. */
export const foundIn = (first: Hypothesis, second: Hypothesis): Pick<Hypothesis, 'foundFuse' | 'foundOpen'> => ({
  foundFuse: first.foundFuse === 'blown' || second.foundFuse === 'blown' ? 'blown' : 'intact',
  foundOpen: first.foundOpen ?? second.foundOpen,
})

/** A fault at its full strength. */
export const hypothesisOfFault = (fault: Fault, foundFuse: Hypothesis['foundFuse'] = 'intact'): Hypothesis => ({
  id: `${fault.id}${foundFuse === 'blown' ? ' fuse blown' : ''}`,
  fault,
  effects: fault.effects,
  wiring: [],
  foundFuse,
  intermittent: false,
})

/** Everything that the network of this hypothesis has beside its template. */
export const changesTold = (hypothesis: Hypothesis): readonly Effect[] =>
  hypothesis.wiring.length === 0 ? hypothesis.effects : [...hypothesis.effects, ...hypothesis.wiring]

/** How the fuses were found: two hypotheses that agree in this and in what they do are one. */
const foundKey = ({ foundFuse, foundOpen = '' }: Pick<Hypothesis, 'foundFuse' | 'foundOpen'>): string => `${foundFuse} ${foundOpen}`

/**
 * The same hypothesis at a moment when its fault does not show. The fuses that were found stay as they were found. All hypotheses that
 * hide in one house look the same, and are one object, so that what is worked out for it is worked out once.
 */
export function whileHidden({ wiring, foundFuse, foundOpen }: Hypothesis): Hypothesis {
  const known = hiddenIn.of(wiring)
  const key = foundKey({ foundFuse, foundOpen })
  const hidden: Hypothesis = known.get(key) ?? {
    id: `hidden, fuse ${key}`,
    fault: null,
    effects: [],
    wiring,
    foundFuse,
    ...(foundOpen !== undefined && { foundOpen }),
    intermittent: false,
  }
  known.set(key, hidden)
  return hidden
}
const hiddenIn = new Memo((_: readonly Effect[]) => new Map<string, Hypothesis>())

/**
 * The same hypothesis at a moment when its fault does show. Hypotheses with the same effects in the same house are one object here,
 * whether they come and go or stand still, so that what is worked out for it is worked out once.
 */
export function whileShown(hypothesis: Hypothesis): Hypothesis {
  const { effects, wiring } = hypothesis
  const ofFuse = shownWith.of(effects).of(wiring)
  const key = foundKey(hypothesis)
  const known = ofFuse.get(key)
  if (known && known.fault === hypothesis.fault) return known
  const steady = hypothesis.intermittent ? { ...hypothesis, intermittent: false } : hypothesis
  if (!known) ofFuse.set(key, steady)
  return steady
}
const shownWith = new Memo((_: readonly Effect[]) => new Memo((_: readonly Effect[]) => new Map<string, Hypothesis>()))

/** The same where the fuse that was found in the slot tells nothing: one object with the hypothesis that found it intact. */
export const withFuseIntact = (hypothesis: Hypothesis): Hypothesis =>
  hypothesis.foundFuse === 'intact' ? hypothesis : whileShown(intactOf.of(hypothesis))
const intactOf = new Memo((hypothesis: Hypothesis): Hypothesis => ({ ...hypothesis, foundFuse: 'intact' }))
