import type { CableId, PartId, PlaceId } from '@/src/core/wiring/ids'
import { conductorEnd, isPoint, type Point } from '@/src/core/wiring/point'

/** Names of links and inner nodes that benches and faults act on: made here, and nowhere by hand. */

type Kind =
  | 'landing'
  | 'copper'
  | 'half'
  | 'plug'
  | 'body'
  | 'contact'
  | 'faces'
  | 'call'
  | 'pole'
  | 'neutral'
  | 'tap'
  | 'pass'
  | 'output'
  | 'winding'

/** What can be opened, closed or made worse: `landing:outdoor-cable.Y@indoor`. No other text is taken for one. */
export type LinkName = `${Kind}:${string}`

/** Where a conductor's end is under its screw. */
export const landingAt = (end: Point): LinkName => `landing:${end}`
export const landingLink = (cable: CableId, conductor: string, place: PlaceId): LinkName => landingAt(conductorEnd(cable, conductor, place))
export const conductorLink = (cable: CableId, conductor: string): LinkName => `copper:${cable}.${conductor}`
/** The conductor's end of a landing; null for any other link. */
export const endOfLanding = (link: LinkName): Point | null => {
  const [kind, at] = link.split(':')
  return kind === 'landing' && isPoint(at) ? at : null
}
/** The resistor between a conductor's first end and its middle; the link is between that and the other end. */
export const nearHalf = (cable: CableId, conductor: string): LinkName => `half:${cable}.${conductor}`
export const conductorMiddle = (cable: CableId, conductor: string) => `${cable}.${conductor}~middle`
export const plugLink = (part: PartId, side: number): LinkName => `plug:${part}.${side + 1}`
export const bodyLink = (part: PartId): LinkName => `body:${part}`
/** The winding's own node, behind the link that breaks when the coil opens. */
export const windingNode = (coil: PartId) => `${coil}~winding`
/** Behind the link that breaks when a motor or an element is dead. */
export const loadInside = (load: PartId) => `${load}.hot~inside`
export const loadElement = (load: PartId) => `load:${load}`
export const coilElement = (part: PartId) => `coil:${part}`
export const contactLink = (part: PartId): LinkName => `contact:${part}`
/** What a line contact meets on: its faces burn, while its armature moves as it should. */
export const facesLink = (part: PartId): LinkName => `faces:${part}`
export const contactInside = (part: PartId) => `${part}.contact~inside`
export const callLink = (thermostat: PartId, terminal: string): LinkName => `call:${thermostat}.${terminal}`
export const poleLink = (disconnect: PartId, pole: number): LinkName => `pole:${disconnect}.${pole}`
export const neutralLink = (supply: PartId): LinkName => `neutral:${supply}`
export const tapLink = (transformer: PartId, volts: number): LinkName => `tap:${transformer}.${volts}`
/** A board's output: the metal path from its call, and the relay from its hot side. */
export const passLink = (board: PartId, to: string): LinkName => `pass:${board}.${to}`
export const outputLink = (board: PartId, to: string): LinkName => `output:${board}.${to}`
export const boardInside = (board: PartId) => `${board}.hot~inside`
export const windingLink = (transformer: PartId, side: 'primary' | 'secondary'): LinkName => `winding:${transformer}.${side}`
export const inputElement = (board: PartId, call: string) => `input:${board}.${call}`
export const electronicsElement = (part: PartId) => `electronics:${part}`
export const thermostatInside = (part: PartId, side: 'hot' | 'common') => `${part}.${side}~inside`
