import { modelValue } from '@/src/core/units/model-value'

/** Id of a part or a cable: no word that every object has of its own (point-schema.ts refuses those). */
type Id = string

/**
 * How a real house differs from its template: factors on the template's values. The same shape serves the engine's
 * own nuisance points and the random houses of practice and exam. Kinds and spreads: docs/model-values.md.
 */
export interface ValueFactors {
  readonly emf: number
  readonly transformerOhm: number
  readonly coilOhm: Readonly<Record<Id, number>>
  /** Of a coil's impedance, where it does not follow its direct ohms. */
  readonly coilImpedance?: Readonly<Record<Id, number>>
  /** Used for coils that `coilOhm` does not name. */
  readonly anyCoilOhm: number
  readonly lengthM: Readonly<Record<Id, number>>
  readonly anyLengthM: number
  readonly electronicsDcOhm: number
  readonly electronicsVa: number
  readonly insulation: number
}

export const templateValues: ValueFactors = {
  emf: 1,
  transformerOhm: 1,
  coilOhm: {},
  anyCoilOhm: 1,
  lengthM: {},
  anyLengthM: 1,
  electronicsDcOhm: 1,
  electronicsVa: 1,
  insulation: 1,
}

/** A secondary by its plate. */
export const PLATE_VOLTS = modelValue({ value: 24, unit: 'V', source: 'nominal, of the trade' })

/** Cables by the metre, and how a wire lands. */
export const cableConstants = modelValue({
  value: {
    pairFaradPerM: 60e-12,
    earthFaradPerM: 7e-12,
    insulationOhmM: 20e6 * 1000,
    landingOhm: 0.01,
  } as const,
  unit: 'F/m, ohm m, ohm',
  source: 'cable data sheets (50-100 pF/m between conductors, 6-8 pF/m to earth, 20 Mohm km or more), engine.md section 1',
})

/** What leads, surfaces and metal do inside cabinets. */
export const cabinetConstants = modelValue({
  value: {
    surfaceLeakOhm: 2e9,
    leadFarad: 20e-12,
    plugOhm: 0.01,
    equipmentGroundOhm: 0.3,
    refrigerantLineOhm: 0.1,
    disconnectOhm: 0.005,
    lineContactOhm: 0.01,
  } as const,
  unit: 'ohm, F',
  source: 'assumption',
})
