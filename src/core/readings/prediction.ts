import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
/**
 * What a reading would be, as weighted components. Values live on the meter's own scale: volts and amps as they are,
 * ohms as ln(ohm + OHM_OFFSET), so that a coil's tolerance and a lead's tenth of an ohm both have their width.
 */
export interface Component {
  readonly weight: number
  /** Centre on the scale, or OL, or a word. */
  readonly at: number | 'OL' | { readonly word: string }
  readonly sigma: number
  /** The point hangs on leakage and capacitance: mostly anything is possible. */
  readonly floating: boolean
  /** How the centre moves with what is not known of the house; `sigma` is what is left once that is. Left out, it does not. */
  readonly leans?: readonly Lean[]
  /** Of what comes and goes: this is read while it shows, or while it hides. Left out, both read alike. */
  readonly while?: 'shown' | 'hidden'
  /** Of a trip or a hold that hangs on which is quicker in this house, the protection or the thermostat that dies under the short. */
  readonly race?: true
}

/** By how much a centre moves for a unit of a cause (`causes.ts`), which has a normal spread of one unit before anything is read. */
export interface Lean {
  readonly cause: number
  readonly by: number
  /** It hangs on how much damage there is, which is each hypothesis's own. */
  readonly isDamage?: true
}

export type Prediction = readonly Component[]

export type Scale = 'volts' | 'line-volts' | 'ohms' | 'amps' | 'word'

/** Ohms are compared as a logarithm from this on: below it a difference of so many ohm counts, above it a ratio. */
export const OHM_OFFSET = modelValue({ value: 0.7, unit: 'ohm', source: 'assumption' })

export const onOhmScale = (ohm: number): number => Math.log(ohm + OHM_OFFSET)
export const fromOhmScale = (value: number): number => Math.exp(value) - OHM_OFFSET

/** No meter could tell the two apart: the same components to a hundredth of their width, or to what share of it is asked for. */
export function isAlike(a: Prediction, b: Prediction, share = ALIKE): boolean {
  if (a.length !== b.length) return false
  for (let index = 0; index < a.length; index++) {
    const [one, other] = [a[index], b[index]]
    if (Math.abs(one.weight - other.weight) > share || one.floating !== other.floating) return false
    if (typeof one.at === 'number' && typeof other.at === 'number') {
      if (Math.abs(one.at - other.at) > share * other.sigma || Math.abs(one.sigma - other.sigma) > share * other.sigma) return false
    } else if (!isSameWord(one.at, other.at)) return false
  }
  return true
}
const ALIKE = workLimit(0.01)

const isSameWord = (a: Component['at'], b: Component['at']): boolean =>
  a === b || (typeof a === 'object' && typeof b === 'object' && a.word === b.word)
