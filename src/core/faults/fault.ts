import type { Effect, FaultVariant } from '@/src/core/faults/effect'
import { type FaultFamily, faultFamilies } from '@/src/core/faults/families'
import type { PartId } from '@/src/core/wiring/ids'
import type { Point } from '@/src/core/wiring/point'

export interface Repair {
  /** Two faults with one repair id are mended by the same act at the same spot. */
  readonly id: string
  readonly say: string
}

export interface Fault {
  readonly id: string
  readonly family: FaultFamily
  readonly zone: string
  /** The part that it is of; null for wiring, terminals and straps. */
  readonly part: PartId | null
  /** One sentence for people. */
  readonly say: string
  readonly repair: Repair
  /** Relative frequency before anything is known about this job. */
  readonly rate: number
  readonly effects: readonly Effect[]
  /** Shares of its cases that come and go: with a touch or vibration, and only with the heat of the call or what it runs. */
  readonly comesAndGoes: { readonly touch: number; readonly warm: number }
  /** Milder forms of the same damage, each with its share of the cases; the rest are as `effects` says. */
  readonly variants: readonly FaultVariant[]
  /** Terminals, conductors or parts that the fault touches: what the loom warms. */
  readonly touches: readonly Point[]
  /** Set when two faults at once are told as one hypothesis. */
  readonly parts?: readonly [Fault, Fault]
}

/** The single faults of a hypothesis: itself, or the two that it joins. */
export const singlesOf = (fault: Fault): readonly Fault[] => fault.parts ?? [fault]

/** The name of a fault: its family, and the spot where it sits. */
export const faultIdOf = (family: FaultFamily, spot: string): string => `${family}:${spot}`

/** The families that a suspect's name tells: one, two for two faults at once, none for a sound house. */
export const familiesOfId = (id: string): FaultFamily[] =>
  id.split(' + ').flatMap((one) => {
    const family = one.split(':', 1)[0]
    return family !== one && isFamily(family) ? [family] : []
  })

const isFamily = (word: string): word is FaultFamily => Object.hasOwn(faultFamilies, word)
