import type { LoomLead, LoomPart, LoomTag } from '@/src/core/formats/loom/shapes'

/** A wire inside a unit before its hops are known. */
export interface Wire {
  readonly net: string
  readonly corners: readonly (readonly [number, number])[]
}

export interface UnitDrawing {
  readonly tags: LoomTag[]
  readonly wires: Wire[]
  readonly parts: LoomPart[]
  readonly leads: LoomLead[]
}

/** The rows that terminals run on, the same letter on one height through the whole house. */
export interface Rows {
  readonly order: readonly string[]
  readonly common: string
  y(terminal: string): number
}
