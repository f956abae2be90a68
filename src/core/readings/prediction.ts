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
}

export type Prediction = readonly Component[]

export type Scale = 'volts' | 'line-volts' | 'ohms' | 'amps' | 'word'

export const OHM_OFFSET = 0.7

export const onOhmScale = (ohm: number): number => Math.log(ohm + OHM_OFFSET)
export const fromOhmScale = (value: number): number => Math.exp(value) - OHM_OFFSET
