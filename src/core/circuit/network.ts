import type { Complex } from '@/src/core/units/complex'

/** Node name of the reference: the house's earth. */
export const EARTH = 'earth'

/** Resistance that stands for an open link; far above any insulation, far below what breaks the elimination. */
export const OPEN_OHM = 1e12

/**
 * One element of the network between named nodes. `ac` is its impedance at the supply frequency, `dcOhm` what
 * an ohmmeter's direct current sees; `null` and `Infinity` mean that no current passes.
 */
export type Element =
  | {
      readonly kind: 'impedance'
      readonly id: string
      readonly a: string
      readonly b: string
      readonly ac: Complex | null
      readonly dcOhm: number
    }
  /** Anything that can be opened: it has a branch-current row of its own. */
  | { readonly kind: 'link'; readonly id: string; readonly a: string; readonly b: string; readonly ohm: number; readonly closed: boolean }
  /** An EMF (RMS phasor) from b to a behind a series impedance. Gone in the ohms analysis, where only `dcOhm` stays. */
  | {
      readonly kind: 'source'
      readonly id: string
      readonly a: string
      readonly b: string
      readonly volts: Complex
      readonly ac: Complex
      readonly dcOhm: number
    }
  /** Ideal transformer with series impedance referred to the secondary; the magnetising branch is an impedance of its own. */
  | {
      readonly kind: 'transformer'
      readonly id: string
      readonly p1: string
      readonly p2: string
      readonly s1: string
      readonly s2: string
      readonly turnsRatio: number
      readonly ac: Complex
      readonly primaryDcOhm: number
      readonly secondaryDcOhm: number
    }

export type Link = Extract<Element, { kind: 'link' }>
export type Impedance = Extract<Element, { kind: 'impedance' }>

/** `live`: phasors at the supply frequency. `ohms`: direct current with every source gone. */
export type Analysis = 'live' | 'ohms'

/**
 * A network with its unknowns numbered: node voltages first, then one current for each link.
 * Earth has no unknown; its index is -1.
 */
export interface Network {
  readonly elements: readonly Element[]
  readonly nodes: readonly string[]
  readonly links: readonly Link[]
  readonly size: number
  readonly hertz: number
  nodeIndex(name: string): number
  hasNode(name: string): boolean
  linkRow(id: string): number
  /** The nodes at either end of each link, in the order of `links`. */
  readonly linkEnds: readonly (readonly [number, number])[]
  link(id: string): Link
  impedance(id: string): Impedance
}

/** Numbers the unknowns of a list of elements. Throws on a repeated element id or an unknown name: both are bugs. */
export function createNetwork(elements: readonly Element[], hertz = 60): Network {
  const nodeIndexes = new Map<string, number>([[EARTH, -1]])
  const nodes: string[] = []
  const byId = new Map<string, Element>()
  const addNode = (name: string) => {
    if (!nodeIndexes.has(name)) {
      nodeIndexes.set(name, nodes.length)
      nodes.push(name)
    }
  }
  for (const element of elements) {
    if (byId.has(element.id)) throw new Error(`element id used twice: ${element.id}`)
    byId.set(element.id, element)
    for (const name of terminalsOf(element)) addNode(name)
  }
  const links = elements.filter((element): element is Link => element.kind === 'link')
  const linkRows = new Map(links.map((link, position) => [link.id, nodes.length + position]))
  const nodeIndex = (name: string) => {
    const index = nodeIndexes.get(name)
    if (index === undefined) throw new Error(`no such node: ${name}`)
    return index
  }
  return {
    elements,
    nodes,
    links,
    size: nodes.length + links.length,
    hertz,
    linkEnds: links.map(({ a, b }) => [nodeIndex(a), nodeIndex(b)]),
    nodeIndex,
    hasNode: (name) => nodeIndexes.has(name),
    linkRow: (id) => {
      const row = linkRows.get(id)
      if (row === undefined) throw new Error(`no such link: ${id}`)
      return row
    },
    link: (id) => {
      const element = byId.get(id)
      if (element?.kind !== 'link') throw new Error(`no such link: ${id}`)
      return element
    },
    impedance: (id) => {
      const element = byId.get(id)
      if (element?.kind !== 'impedance') throw new Error(`no such impedance: ${id}`)
      return element
    },
  }
}

export function terminalsOf(element: Element): readonly string[] {
  return element.kind === 'transformer' ? [element.p1, element.p2, element.s1, element.s2] : [element.a, element.b]
}
