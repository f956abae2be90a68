import type { z } from 'zod'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { pointSchema } from '@/src/core/wiring/point-schema'

/** `R@indoor`, `outdoor-cable.Y@indoor`, `contactor.1@outdoor`: made and taken apart by the functions of this file alone. */
export type Point = z.infer<typeof pointSchema>

export const CHASSIS = 'chassis'

/** Whether a text is written as a point is; whether a system has it is another question. */
export const isPoint = (text: string): text is Point => text.includes('@')

export interface PointParts {
  /** Set when the point is a conductor's own end, or a part's own lead: the cable, or the part. */
  readonly cable: string | null
  /** Terminal, lead or conductor; 1 or 2 for a part's own lead. */
  readonly name: string
  readonly place: PlaceId
}

export function parsePoint(point: Point): PointParts {
  const [head, place] = point.split('@')
  const dot = head.indexOf('.')
  return dot < 0 ? { cable: null, name: head, place } : { cable: head.slice(0, dot), name: head.slice(dot + 1), place }
}

export const terminalPoint = (name: string, place: PlaceId): Point => `${name}@${place}`

/** The two leads of a part that unplugs, on the part's own side of its plug. */
export const pinPoint = (part: { readonly id: string; readonly place: PlaceId }, side: 0 | 1): Point =>
  `${part.id}.${side + 1}@${part.place}`

export const conductorEnd = (cable: string, conductor: string, place: PlaceId): Point => `${cable}.${conductor}@${place}`
