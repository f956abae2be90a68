import type { CableId } from '@/src/core/wiring/ids'
import type { Point } from '@/src/core/wiring/point'
import type { Conductor } from '@/src/core/wiring/system'

/** What the loom is made of: places for everything, no colours, no state. Lengths are in the drawing's own unit, a pixel at full size. */

export interface LoomZone {
  readonly id: string
  readonly name: string
  readonly kind: 'place' | 'cable'
  readonly x: number
  readonly width: number
  /** From the top of the drawing; zones that share a column stand one above the other. */
  readonly y: number
  readonly height: number
}

/** A lettered landing, drawn as a square tag around its middle. */
export interface LoomTag {
  readonly point: Point
  readonly letter: string
  readonly x: number
  readonly y: number
}

export interface LoomEnd {
  /** The conductor's own end. */
  readonly point: Point
  readonly x: number
  readonly y: number
  readonly landed: boolean
}

export interface LoomThread {
  readonly cable: CableId
  readonly conductor: Conductor
  readonly ends: readonly [LoomEnd, LoomEnd]
}

/** A wire inside a unit: all of it is one node. Corners are square; `path` has the hops. */
export interface LoomLine {
  readonly net: string
  readonly corners: readonly (readonly [number, number])[]
  readonly path: string
}

export interface LoomPart {
  readonly id: string
  /** The part of the system that it belongs to: its own, a board's output to its board, a contact to its thermostat. */
  readonly of: string
  readonly kind: 'switch' | 'coil' | 'electronics' | 'output' | 'fuse' | 'transformer' | 'contact'
  readonly label: string
  /** Terminal that a thermostat's contact works; null for everything else. */
  readonly terminal: string | null
  readonly axis: 'across' | 'down'
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly between: readonly [Point, Point]
  /** Where the label's foot stands when it is not beside the part. */
  readonly labelY?: number
}

/** A wire between two parts, where a probe can go. */
export interface LoomLead {
  readonly point: Point
  readonly x: number
  readonly y: number
}

export interface LoomRail {
  readonly point: Point
  readonly x: number
  readonly width: number
  readonly y: number
}

export interface Loom {
  readonly width: number
  readonly height: number
  readonly zones: readonly LoomZone[]
  readonly tags: readonly LoomTag[]
  readonly threads: readonly LoomThread[]
  readonly lines: readonly LoomLine[]
  readonly parts: readonly LoomPart[]
  readonly leads: readonly LoomLead[]
  readonly rails: readonly LoomRail[]
  readonly bonds: readonly { readonly x: number; readonly top: number; readonly bottom: number }[]
}

/** The room that a loom is drawn for: what the desk has at 1280x800. */
export const DRAWING = { width: 832, height: 616 }

/** Half a tag, and how far a thread's end stands off it. */
export const TAG = 15
