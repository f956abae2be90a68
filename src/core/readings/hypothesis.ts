import type { Effect, Fault } from '@/src/core/faults/fault'
import { KeptPer } from '@/src/core/units/kept'

/** One complete story of the house: what is wrong, in which form, and whether the fuse that was found in the slot still holds. */
export interface Hypothesis {
  readonly id: string
  /** Null: nothing is wrong. */
  readonly fault: Fault | null
  /** What the fault does in this form; its own effects when it is as bad as it gets. */
  readonly effects: readonly Effect[]
  /** How the house differs from its template without a fault: there at every moment, also while the fault hides. */
  readonly wiring: readonly Effect[]
  readonly foundFuse: 'intact' | 'blown'
  /** It comes and goes: a reading shows it or finds a sound house. */
  readonly intermittent: boolean
  /** What comes and goes does so with the heat: it shows once its call has been on for a while. */
  readonly warms?: true
}

export const healthy: Hypothesis = { id: 'nothing-wrong', fault: null, effects: [], wiring: [], foundFuse: 'intact', intermittent: false }

/** A fault at its full strength. */
export const storyOfFault = (fault: Fault, foundFuse: Hypothesis['foundFuse'] = 'intact'): Hypothesis => ({
  id: `${fault.id}${foundFuse === 'blown' ? ' fuse blown' : ''}`,
  fault,
  effects: fault.effects,
  wiring: [],
  foundFuse,
  intermittent: false,
})

/** Everything that the network of this story has beside its template. */
export const changesTold = (hypothesis: Hypothesis): readonly Effect[] =>
  hypothesis.wiring.length === 0 ? hypothesis.effects : [...hypothesis.effects, ...hypothesis.wiring]

/**
 * The same story at a moment when its fault does not show. The fuse that was found stays as it was found. All stories that
 * hide in one house look the same, and are one object, so that what is worked out for it is worked out once.
 */
export const whileHidden = ({ wiring, foundFuse }: Hypothesis): Hypothesis => hiddenIn.of(wiring)[foundFuse]

const hidden = (wiring: readonly Effect[], foundFuse: Hypothesis['foundFuse']): Hypothesis => ({
  id: `hidden, fuse ${foundFuse}`,
  fault: null,
  effects: [],
  wiring,
  foundFuse,
  intermittent: false,
})
const hiddenIn = new KeptPer((wiring: readonly Effect[]) => ({ intact: hidden(wiring, 'intact'), blown: hidden(wiring, 'blown') }))

/**
 * The same story at a moment when its fault does show. Stories with the same effects in the same house are one object here,
 * whether they come and go or stand still, so that what is worked out for it is worked out once.
 */
export function whileShown(hypothesis: Hypothesis): Hypothesis {
  const { effects, wiring, foundFuse } = hypothesis
  const ofFuse = shownWith.of(effects).of(wiring)
  const known = ofFuse[foundFuse]
  if (known && known.fault === hypothesis.fault) return known
  const steady = hypothesis.intermittent ? { ...hypothesis, intermittent: false } : hypothesis
  ofFuse[foundFuse] ??= steady
  return steady
}
const shownWith = new KeptPer(
  (_: readonly Effect[]) => new KeptPer((_: readonly Effect[]): Partial<Record<Hypothesis['foundFuse'], Hypothesis>> => ({})),
)
