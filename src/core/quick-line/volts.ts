import type { Sentence } from '@/src/core/quick-line/sentence'
import type { PartOf } from '@/src/core/wiring/part'
import { partById, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** Volts and ohms that are said by what they are read at: the line, a winding, a part that has two leads. */

export function primary(the: Sentence, volts: string): string | null {
  const [transformer, another] = partsOf(the.system, 'transformer')
  return transformer && !another ? windingVolts(transformer, 'primary', volts) : null
}

/** Volts of the line: across the legs of a disconnect, the one here first, where it is that much, else at the transformer's primary. */
export function lineSide(the: Sentence, volts: string): string | null {
  const disconnects = partsOf(the.system, 'disconnect').filter(({ poles }) => poles.length > 1)
  const disconnect = disconnects.find(({ place }) => place === the.state.bench.place) ?? disconnects[0]
  if (Number(volts) < BETWEEN_LEGS || !disconnect) return primary(the, volts)
  const [[, a], [, b]] = disconnect.poles
  return `${a}-${b} ${volts} V at ${disconnect.place}`
}
/** More than one leg gives to the neutral, with what a line may be over: assumption. */
export const BETWEEN_LEGS = 160

/** Volts of a transformer's winding. */
export function windingVolts(transformer: PartOf<'transformer'>, side: 'primary' | 'secondary', volts: string): string {
  const [a, b] = transformer[side]
  return `${a}-${b} ${volts} V at ${transformer.place}`
}

/** The neutral that comes to a place, if one does. */
export function neutralAt(system: System, place: string): string | null {
  const fed = partsOf(system, 'supply').find((supply) => supply.place === place)?.neutral
  return fed ?? (placeById(system, place)?.terminals.includes('N') ? 'N' : null)
}

/** Volts across a part that has two leads. */
export function across(the: Sentence, what: string, volts: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  return part?.kind === 'coil' || part?.kind === 'switch' ? `${part.between[0]}-${part.between[1]} ${volts} V at ${part.place}` : null
}

/** Line volts across a motor or an element. */
export function acrossLoad(the: Sentence, what: string, volts: string): string | null {
  const part = partById(the.system, the.part(what.replace(/ (?:terminals|leads|plug)$/, '')) ?? '')
  return part?.kind === 'load' && the.state.bench.power ? `${part.between[0]}-${part.between[1]} ${volts} V at ${part.place}` : null
}

/** Ohms of a winding of the one transformer. */
export function windingOhms(the: Sentence, side: string, ohms: string): string | null {
  const [transformer, another] = partsOf(the.system, 'transformer')
  if (!transformer || another) return null
  const [a, b] = side === 'primary' ? transformer.primary : transformer.secondary
  return `ohms ${a}-${b} ${ohms} at ${transformer.place}`
}
