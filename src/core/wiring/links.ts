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
export const landingLink = (cable: string, conductor: string, place: string): LinkName => landingAt(conductorEnd(cable, conductor, place))
export const conductorLink = (cable: string, conductor: string): LinkName => `copper:${cable}.${conductor}`
/** The conductor's end of a landing; null for any other link. */
export const endOfLanding = (link: LinkName): Point | null => {
  const [kind, at] = link.split(':')
  return kind === 'landing' && isPoint(at) ? at : null
}
/** The resistor between a conductor's first end and its middle; the link is between that and the other end. */
export const nearHalf = (cable: string, conductor: string): LinkName => `half:${cable}.${conductor}`
export const conductorMiddle = (cable: string, conductor: string) => `${cable}.${conductor}~middle`
export const plugLink = (part: string, side: number): LinkName => `plug:${part}.${side + 1}`
export const bodyLink = (part: string): LinkName => `body:${part}`
/** The winding's own node, behind the link that breaks when the coil opens. */
export const windingNode = (coil: string) => `${coil}~winding`
/** Behind the link that breaks when a motor or an element is dead. */
export const loadInside = (load: string) => `${load}.hot~inside`
export const loadElement = (load: string) => `load:${load}`
export const coilElement = (part: string) => `coil:${part}`
export const contactLink = (part: string): LinkName => `contact:${part}`
/** What a line contact meets on: its faces burn, while its armature moves as it should. */
export const facesLink = (part: string): LinkName => `faces:${part}`
export const contactInside = (part: string) => `${part}.contact~inside`
export const callLink = (thermostat: string, terminal: string): LinkName => `call:${thermostat}.${terminal}`
export const poleLink = (disconnect: string, pole: number): LinkName => `pole:${disconnect}.${pole}`
export const neutralLink = (supply: string): LinkName => `neutral:${supply}`
export const tapLink = (transformer: string, volts: number): LinkName => `tap:${transformer}.${volts}`
/** A board's output: the metal path from its call, and the relay from its hot side. */
export const passLink = (board: string, to: string): LinkName => `pass:${board}.${to}`
export const outputLink = (board: string, to: string): LinkName => `output:${board}.${to}`
export const boardInside = (board: string) => `${board}.hot~inside`
export const windingLink = (transformer: string, side: 'primary' | 'secondary'): LinkName => `winding:${transformer}.${side}`
export const electronicsElement = (part: string) => `electronics:${part}`
export const thermostatInside = (part: string, side: 'hot' | 'common') => `${part}.${side}~inside`
