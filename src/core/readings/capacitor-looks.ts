import type { Effect } from '@/src/core/faults/effect'
import type { Component } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import type { PartId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'

/** What is found of a run capacitor with the power off: its case, and the microfarads of each section against its label. */

/** What a motor does that has its volts and does not turn, for the seconds until its protector opens. */
export const HUMMING = 'hums'
/** Of motors whose capacitor no longer starts them, those that are heard to hum before their protector opens. */
export const HUMS_WITHOUT_START = modelValue({ value: 0.6, unit: 'chance', source: 'assumption' })
/** Of motors that are dead themselves, those that hum: seized, or with one winding open. */
export const HUMS_DEAD = modelValue({
  value: 0.3,
  unit: 'share',
  source: 'assumption: a seized rotor hums, an open winding or protector does not',
})

/** Every section within its label. */
export const ON_ITS_LABEL = 'good'
/** The top has swelled, or oil is on the case: no meter is needed. */
export const BULGED = 'bulged'
/** The section of one motor reads less than its label allows, or is open. */
export const weakFor = (load: PartId): string => `weak: ${load}`
/** The motor whose section a word says is weak; null for any other word. */
export const weakLoad = (word: string): string | null => word.match(/^weak: (.+)$/)?.[1] ?? null

export const capacitorWords = ({ starts }: PartOf<'capacitor'>): string[] => [
  ON_ITS_LABEL,
  BULGED,
  ...starts.map(({ load }) => weakFor(load)),
]

/** A section is sold within so much of its label, either way. */
const TOLERANCE = modelValue({ value: 0.06, unit: 'share of the label', source: 'assumption: most labels say 5 or 6 %' })
/** Whether a reading is below what the label of a section allows, µF. */
export const isWeak = (read: number, { microfarad }: PartOf<'capacitor'>['starts'][number]): boolean => read < microfarad * (1 - TOLERANCE)

/** Of capacitors that no longer start their motor, those whose case shows it. */
const BULGED_WHEN_WEAK = modelValue({ value: 0.3, unit: 'share', source: 'assumption' })
/** One that has swelled and still starts its motors. */
const BULGED_ANYWAY = modelValue({ value: 0.01, unit: 'chance', source: 'assumption' })
/** Of capacitors that no longer start their motor, those that a meter's small volts find within the label. */
const GOOD_WHEN_WEAK = modelValue({ value: 0.01, unit: 'share', source: 'assumption: few fail only at their working volts' })
/** A section that has drifted below its label, with a motor that still starts. */
const WEAK_ANYWAY = modelValue({ value: 0.05, unit: 'chance', source: 'assumption: they lose a little every summer' })

/** What is found of a capacitor, whatever the call. */
export function capacitorLooks({ starts }: PartOf<'capacitor'>, effects: readonly Effect[], weight: number): Component[] {
  const dead = starts.find(({ load }) => effects.some((effect) => effect.do === 'stall' && effect.load === load))
  const bulged = dead ? BULGED_WHEN_WEAK : BULGED_ANYWAY
  const read = (load: PartId): number => (dead ? (load === dead.load ? 1 - GOOD_WHEN_WEAK : 0) : WEAK_ANYWAY / starts.length)
  const weak = starts.map(({ load }) => ({ load, share: read(load) }))
  const word = (said: string, share: number): Component => ({ weight: weight * share, at: { word: said }, sigma: 1, floating: false })
  return [
    word(ON_ITS_LABEL, (1 - bulged) * (1 - weak.reduce((sum, { share }) => sum + share, 0))),
    word(BULGED, bulged),
    ...weak.map(({ load, share }) => word(weakFor(load), (1 - bulged) * share)),
  ]
}
