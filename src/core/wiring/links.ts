import { conductorEnd, type Point } from '@/src/core/wiring/point'

/** Names of links and inner nodes that benches and faults act on: made here, and nowhere by hand. */

/** Where a conductor's end is under its screw. */
export const landingAt = (end: Point) => `landing:${end}`
export const landingLink = (cable: string, conductor: string, place: string) => landingAt(conductorEnd(cable, conductor, place))
export const conductorLink = (cable: string, conductor: string) => `copper:${cable}.${conductor}`
/** The resistor between a conductor's first end and its middle; the link is between that and the other end. */
export const nearHalf = (cable: string, conductor: string) => `half:${cable}.${conductor}`
export const conductorMiddle = (cable: string, conductor: string) => `${cable}.${conductor}~middle`
export const plugLink = (part: string, side: number) => `plug:${part}.${side + 1}`
export const bodyLink = (part: string) => `body:${part}`
/** The winding's own node, behind the link that breaks when the coil opens. */
export const windingNode = (coil: string) => `${coil}~winding`
/** Behind the link that breaks when a motor or an element is dead. */
export const loadInside = (load: string) => `${load}.hot~inside`
export const coilElement = (part: string) => `coil:${part}`
export const contactLink = (part: string) => `contact:${part}`
export const callLink = (thermostat: string, terminal: string) => `call:${thermostat}.${terminal}`
export const poleLink = (disconnect: string, pole: number) => `pole:${disconnect}.${pole}`
export const neutralLink = (supply: string) => `neutral:${supply}`
export const tapLink = (transformer: string, volts: number) => `tap:${transformer}.${volts}`
/** A board's output: the metal path from its call, and the relay from its hot side. */
export const passLink = (board: string, to: string) => `pass:${board}.${to}`
export const outputLink = (board: string, to: string) => `output:${board}.${to}`
export const boardInside = (board: string) => `${board}.hot~inside`
export const windingLink = (transformer: string, side: 'primary' | 'secondary') => `winding:${transformer}.${side}`
export const electronicsElement = (part: string) => `electronics:${part}`
export const thermostatInside = (part: string, side: 'hot' | 'common') => `${part}.${side}~inside`
