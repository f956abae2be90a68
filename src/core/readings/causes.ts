import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import type { CableId, PartId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { partsOf, type System } from '@/src/core/wiring/system'

/**
 * What many readings of one house have in common: the ohms of a coil, the draw of a board, the line. Each is one number for the house,
 * a logarithm in units of its own spread, normal before anything is read. Spreads: docs/model-values.md.
 */
export interface Cause {
  readonly id: string
  /** The part or cable that it is a value of; null for the line. */
  readonly part: PartId | CableId | null
  readonly what: 'ohms' | 'draw' | 'electronics' | 'input' | 'volts' | 'stiffness' | 'primary' | 'load' | 'length'
  readonly sigma: number
}

/** Spreads of the values of parts around their template. */
export const SPREADS = modelValue({
  value: {
    /** Direct ohms of a coil: 24 V valves, dampers, relays and contactors are sold over a factor of two to three around the middle. */
    coilOhm: 0.42,
    /** Of a coil's impedance, what follows its ohms, and what does not. */
    impedanceByOhm: 0.6,
    coilImpedance: 0.2,
    electronicsVa: 0.35,
    electronicsDc: 0.8,
    boardInput: 0.5,
    /** The line, and with it all volts; a winding's own. */
    line: 0.03,
    winding: 0.03,
    /** Of a transformer's series impedance, and of its secondary's direct ohms. */
    stiffness: 0.2,
    windingOhm: 0.3,
    /** Direct ohms of its primary: by core, wire and line volts. */
    primaryOhm: 0.35,
    /** Of a motor or an element that is read cold: by its plate, or where that says nothing of the wire. */
    loadOhm: 0.3,
    motorOhm: 0.8,
    length: 0.35,
  } as const,
  unit: 'natural logarithm',
  source: 'assumption: what is sold and built runs over a factor of two to three around the middle of its kind',
})

/** A motor's winding has far fewer ohms than it takes for its amps, and nobody writes them on it. */
export const loadSpread = ({ coldOhm }: PartOf<'load'>): number => (coldOhm === undefined ? SPREADS.motorOhm : SPREADS.loadOhm)

/** The causes of a system, in the order by which a lean names them. */
export const causesOf = new Memo((system: System): readonly Cause[] => [
  { id: 'line', part: null, what: 'volts', sigma: SPREADS.line },
  ...partsOf(system, 'transformer').map(({ id }): Cause => ({ id: `winding:${id}`, part: id, what: 'volts', sigma: SPREADS.winding })),
  ...partsOf(system, 'coil').flatMap(({ id }): Cause[] => [
    { id: `ohms:${id}`, part: id, what: 'ohms', sigma: SPREADS.coilOhm },
    { id: `draw:${id}`, part: id, what: 'draw', sigma: SPREADS.coilImpedance },
  ]),
  ...[...partsOf(system, 'electronics'), ...partsOf(system, 'board'), ...partsOf(system, 'thermostat')].flatMap(({ id }): Cause[] => [
    { id: `draw:${id}`, part: id, what: 'draw', sigma: SPREADS.electronicsVa },
    { id: `electronics:${id}`, part: id, what: 'electronics', sigma: SPREADS.electronicsDc },
  ]),
  ...partsOf(system, 'board').map(({ id }): Cause => ({ id: `input:${id}`, part: id, what: 'input', sigma: SPREADS.boardInput })),
  ...partsOf(system, 'transformer').flatMap(({ id }): Cause[] => [
    { id: `stiffness:${id}`, part: id, what: 'stiffness', sigma: SPREADS.stiffness },
    { id: `ohms:${id}`, part: id, what: 'ohms', sigma: SPREADS.windingOhm },
    { id: `primary:${id}`, part: id, what: 'primary', sigma: SPREADS.primaryOhm },
  ]),
  ...partsOf(system, 'load').map((part): Cause => ({ id: `ohms:${part.id}`, part: part.id, what: 'load', sigma: loadSpread(part) })),
  ...system.cables.map(({ id }): Cause => ({ id: `length:${id}`, part: id, what: 'length', sigma: SPREADS.length })),
])

/** The place of a cause in its list, by id. */
export const causeIndex = new Memo(
  (system: System): ReadonlyMap<string, number> => new Map(causesOf.of(system).map(({ id }, place) => [id, place])),
)
