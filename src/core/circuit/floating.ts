import { type Analysis, EARTH, type Element, type Network } from '@/src/core/circuit/network'
import { DisjointSet } from '@/src/core/units/disjoint-set'

/** Nodes that no path leads to earth from: their voltages have no answer. Empty in a sound network. */
export function floatingNodes(network: Network, analysis: Analysis): string[] {
  const tied = new DisjointSet<string>()
  for (const element of network.elements) for (const path of pathsOf(element, analysis)) tied.join(...path)
  return network.nodes.filter((node) => !tied.isJoined(node, EARTH))
}

function pathsOf(element: Element, analysis: Analysis): [string, string][] {
  switch (element.kind) {
    case 'link':
      // An open link still ties its ends through the resistance that stands for open.
      return [[element.a, element.b]]
    case 'impedance':
    case 'source': {
      const passes = analysis === 'live' ? element.ac !== null : Number.isFinite(element.dcOhm)
      return passes ? [[element.a, element.b]] : []
    }
    case 'transformer':
      return [
        [element.p1, element.p2],
        [element.s1, element.s2],
      ]
  }
}

/** Throws with the names of the nodes when part of a network floats: a singular matrix would only give a column's number. */
export function assertReferenced(network: Network, analysis: Analysis): void {
  const floating = floatingNodes(network, analysis)
  if (floating.length > 0)
    throw new Error(
      `Part of the network floats: nothing ties ${floating.slice(0, 6).join(', ')}${floating.length > 6 ? ', ...' : ''} to earth.`,
    )
}
