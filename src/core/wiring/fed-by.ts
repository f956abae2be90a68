import type { PartOf } from '@/src/core/wiring/part'
import { partsOf, type System } from '@/src/core/wiring/system'

/** The motors and heaters that the contact of a relay or contactor feeds. */
export const fedBy = (system: System, { contact, place }: PartOf<'coil'>): PartOf<'load'>[] =>
  partsOf(system, 'load').filter((load) => load.place === place && contact?.some((node) => load.between.includes(node)))

/** The capacitor that starts a load; undefined where it needs none. */
export const capacitorOf = (system: System, load: string): PartOf<'capacitor'> | undefined =>
  partsOf(system, 'capacitor').find(({ starts }) => starts.some((one) => one.load === load))
