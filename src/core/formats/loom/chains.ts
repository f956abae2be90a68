import type { Part, Place, System } from '@/src/core/wiring/system'

type ChainPart = Extract<Part, { kind: 'switch' | 'coil' | 'electronics' | 'fuse' | 'transformer' }>

/** Low-voltage parts in series inside one unit, from a terminal to another, with the leads between them. */
export interface Chain {
  readonly from: string
  readonly to: string
  readonly parts: readonly ChainPart[]
  /** `leads[i]` joins part i and part i + 1. */
  readonly leads: readonly string[]
}

const isChainPart = (part: Part): part is ChainPart => ['switch', 'coil', 'electronics', 'fuse', 'transformer'].includes(part.kind)

const endsOf = (part: ChainPart): readonly [string, string] => (part.kind === 'transformer' ? part.secondary : part.between)

/** Every series of parts at a place, followed from its terminals in the order given. Parts that no terminal leads to are left out. */
export function chainsOf(system: System, place: Place, terminals: readonly string[]): Chain[] {
  const left = new Set(system.parts.filter(isChainPart).filter((part) => part.place === place.id))
  const chains: Chain[] = []
  for (const from of terminals) {
    for (const first of [...left]) {
      if (!left.has(first) || !endsOf(first).includes(from)) continue
      const parts: ChainPart[] = []
      const leads: string[] = []
      let node = from
      let next: ChainPart | undefined = first
      while (next) {
        left.delete(next)
        parts.push(next)
        const [a, b]: readonly [string, string] = endsOf(next)
        node = a === node ? b : a
        const onward: ChainPart[] = place.terminals.includes(node) ? [] : [...left].filter((part) => endsOf(part).includes(node))
        next = onward.length === 1 ? onward[0] : undefined
        if (next) leads.push(node)
      }
      chains.push({ from, to: node, parts, leads })
    }
  }
  return chains
}
