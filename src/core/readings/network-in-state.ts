import type { Bench } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import type { Change } from '@/src/core/circuit/factored'
import { createNetwork, EARTH, type Element, type Impedance, type Network } from '@/src/core/circuit/network'
import { movesOf } from '@/src/core/operation/in-state'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { worldsOf } from '@/src/core/readings/world'
import { complex, magnitude, reciprocal } from '@/src/core/units/complex'
import { workLimit } from '@/src/core/units/work-limit'

/**
 * The network with a bench, a fault and the settled machine written into its elements: what the netlist shows and the
 * dense oracle solves. The likeliest world and its first member are taken.
 */
export function networkInState(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis): Network {
  const { worlds, constraints } = worldsOf(laboratory, bench, hypothesis)
  const world = worlds.reduce((a, b) => (b.weight > a.weight ? b : a))
  const changes = [
    ...changesOfBench(laboratory.system, laboratory.network, bench),
    ...world.fixed,
    ...movesOf(laboratory.machine, constraints, world.settled.members[0]),
  ]
  return writeChanges(laboratory.network, changes)
}

/** An admittance less than this much of what it was is rounding. */
const NOTHING_LEFT = workLimit(1e-9)

/**
 * Link changes become the link's own state. An admittance is folded into the element between its nodes (a coil pulling
 * in), so that no element is left with a negative resistance; between other nodes it becomes an element of its own.
 */
export function writeChanges(network: Network, changes: readonly Change[]): Network {
  const steps = new Map<string, { opens: number; ohm: number }>()
  const folded = new Map<string, Impedance>()
  const added: Element[] = []
  const nodeName = (index: number) => (index < 0 ? EARTH : network.nodes[index])
  const impedances = network.elements.filter((element): element is Impedance => element.kind === 'impedance' && element.ac !== null)
  changes.forEach((change, position) => {
    if (change.kind === 'link') {
      const { id } = network.links[change.row - network.nodes.length]
      const known = steps.get(id) ?? { opens: 0, ohm: 0 }
      steps.set(id, { opens: known.opens + change.opens, ohm: known.ohm + change.ohm })
      return
    }
    const { p, q, y: d } = change
    const [a, b] = [nodeName(p), nodeName(q)]
    const passesDirect = d.im === 0
    const there = impedances.find((element) => (element.a === a && element.b === b) || (element.a === b && element.b === a))
    if (!there) {
      added.push({ kind: 'impedance', id: `change ${position}`, a, b, ac: reciprocal(d), dcOhm: passesDirect ? 1 / d.re : Infinity })
      return
    }
    const known = folded.get(there.id) ?? there
    const y = known.ac ? reciprocal(known.ac) : complex(0)
    const left = { re: y.re + d.re, im: y.im + d.im }
    // Removed whole, like the input of an unplugged board.
    const isGone = magnitude(left) < NOTHING_LEFT * magnitude(y)
    folded.set(there.id, {
      ...known,
      ac: isGone ? null : reciprocal(left),
      dcOhm: isGone ? Infinity : passesDirect ? 1 / (1 / known.dcOhm + d.re) : known.dcOhm,
    })
  })
  const elements = network.elements.map((element): Element => {
    const step = steps.get(element.id)
    if (element.kind !== 'link' || !step) return folded.get(element.id) ?? element
    const ohm = (element.closed ? element.ohm : 0) + step.ohm
    return (element.closed ? 0 : 1) + step.opens > 0 ? { ...element, closed: false } : { ...element, ohm, closed: true }
  })
  return createNetwork([...elements, ...added], network.hertz)
}
