import type { SolvedState } from '@/src/core/operation/in-state'
import type { IgnitionModel } from '@/src/core/operation/machine'
import { isLit } from '@/src/core/operation/settle'
import { isBurning, isPulledIn } from '@/src/core/operation/state'
import { modelValue } from '@/src/core/units/model-value'

/** What is seen of the burners: no glow, a glow and no flame, a flame that goes out again within seconds, one that stays. */
export const flameWords = ['no glow', 'glows without flame', 'lights and goes out', 'burns'] as const

/** The current through a flame, against what the control wants: most say 1 µA or more. */
export const FLAME_SIGNAL_FROM = modelValue({ value: 1, unit: 'µA', source: 'assumption: most labels ask for 0.5 to 1.5 µA' })
export const signalWords = ['good', 'low'] as const

/** What an ignition control makes of its burners in one state. */
export function flameWord(ignition: IgnitionModel, { kernel }: SolvedState, state: number): (typeof flameWords)[number] {
  if (isBurning(state, ignition)) return 'burns'
  if (isLit(ignition, kernel)) return isPulledIn(state, ignition.valve) ? 'lights and goes out' : 'glows without flame'
  return 'no glow'
}
