import type { PlaceId } from '@/src/core/wiring/ids'
import type { Part } from '@/src/core/wiring/part'
import { partKinds } from '@/src/core/wiring/part-kinds'
import type { Place, System } from '@/src/core/wiring/system'

/** A board's output, drawn between the call that it follows and what it feeds. */
interface OutputPart {
  readonly kind: 'output'
  readonly id: string
  /** Its board. */
  readonly of: string
  readonly place: PlaceId
  readonly name: string
  readonly between: readonly [string, string]
}
type ChainPart = Extract<Part, { kind: 'switch' | 'coil' | 'electronics' | 'board' | 'fuse' | 'transformer' }> | OutputPart

/** Low-voltage parts in series inside one unit, from a terminal to another, with the leads between them. */
export interface Chain {
  readonly from: string
  readonly to: string
  readonly parts: readonly ChainPart[]
  /** `leads[i]` joins part i and part i + 1. */
  readonly leads: readonly string[]
}

function chainPartsOf(system: System, place: Place): ChainPart[] {
  return system.parts.flatMap((part): ChainPart[] => {
    if (part.place !== place.id || !partKinds[part.kind].standsInChain) return []
    const outputs =
      part.kind === 'board'
        ? part.outputs
            .filter(({ line }) => !line)
            .map(
              ({ call, to }): OutputPart => ({
                kind: 'output',
                id: `${part.id}:${to}`,
                of: part.id,
                place: part.place,
                name: part.name,
                between: [call, to],
              }),
            )
        : []
    return [part as ChainPart, ...outputs]
  })
}

const endsOf = (part: ChainPart): readonly [string, string] => (part.kind === 'transformer' ? part.secondary : part.between)

/** Every series of parts at a place, followed from its terminals in the order given. Parts that no terminal leads to are left out. */
export function chainsOf(system: System, place: Place, terminals: readonly string[]): Chain[] {
  const left = new Set(chainPartsOf(system, place))
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
