import { type Analysis, EARTH, type Element, type Network, OPEN_OHM } from '@/src/core/circuit/network'
import { type Complex, magnitude } from '@/src/core/units/complex'

export interface NetlistNames {
  /** Our node name to the deck's node number. */
  readonly node: ReadonlyMap<string, number>
}

/**
 * The network as a SPICE deck, so that anyone can check our voltages with a circuit simulator. Impedances become a
 * resistor in series with an inductor or capacitor of the same value at the supply frequency; the ideal transformer
 * becomes a controlled-source pair. `live` runs an .ac analysis at one frequency, `ohms` an operating point.
 */
export function writeNetlist(network: Network, title: string, analysis: Analysis = 'live'): { deck: string; names: NetlistNames } {
  const omega = 2 * Math.PI * network.hertz
  const node = new Map<string, number>([[EARTH, 0]])
  for (const [position, name] of network.nodes.entries()) node.set(name, position + 1)
  const lines = [`* ${title}`, `* ${analysis === 'live' ? `RMS phasors at ${network.hertz} Hz` : 'direct current, power off'}`]
  for (const [name, number] of node) lines.push(`* node ${number} = ${name}`)
  let counter = 0
  const number = (name: string) => {
    const found = node.get(name)
    if (found === undefined) throw new Error(`no such node: ${name}`)
    return found
  }
  const inner = () => `x${++counter}`
  const say = (value: number) => value.toPrecision(15)

  const series = (a: string | number, b: string | number, ac: Complex | null, dcOhm: number): void => {
    if (analysis === 'ohms') {
      if (Number.isFinite(dcOhm)) lines.push(`R${++counter} ${a} ${b} ${say(dcOhm)}`)
      return
    }
    if (!ac) return
    const reactive = Math.abs(ac.im) > 1e-9 * magnitude(ac)
    const resistive = Math.abs(ac.re) > 1e-9 * magnitude(ac)
    const middle = reactive && resistive ? inner() : b
    if (resistive) lines.push(`R${++counter} ${a} ${middle} ${say(ac.re)}`)
    const from = resistive ? middle : a
    if (reactive && ac.im > 0) lines.push(`L${++counter} ${from} ${b} ${say(ac.im / omega)}`)
    if (reactive && ac.im < 0) lines.push(`C${++counter} ${from} ${b} ${say(-1 / (omega * ac.im))}`)
  }

  for (const element of network.elements) writeElement(element)
  lines.push(analysis === 'live' ? `.ac lin 1 ${network.hertz} ${network.hertz}` : '.op', '.end')
  return { deck: `${lines.join('\n')}\n`, names: { node } }

  function writeElement(element: Element): void {
    lines.push(`* ${element.id}`)
    switch (element.kind) {
      case 'impedance':
        series(number(element.a), number(element.b), element.ac, element.dcOhm)
        return
      case 'link':
        lines.push(`R${++counter} ${number(element.a)} ${number(element.b)} ${say(element.closed ? element.ohm : OPEN_OHM)}`)
        return
      case 'source': {
        if (analysis === 'ohms') {
          series(number(element.a), number(element.b), null, element.dcOhm)
          return
        }
        const emf = inner()
        const phase = (Math.atan2(element.volts.im, element.volts.re) * 180) / Math.PI
        lines.push(`V${++counter} ${emf} ${number(element.b)} ac ${say(magnitude(element.volts))} ${say(phase)}`)
        series(number(element.a), emf, element.ac, element.dcOhm)
        return
      }
      case 'transformer': {
        const [p1, p2, s1, s2] = [element.p1, element.p2, element.s1, element.s2].map(number)
        if (analysis === 'ohms') {
          series(p1, p2, null, element.primaryDcOhm)
          series(s1, s2, null, element.secondaryDcOhm)
          return
        }
        const emf = inner()
        const sense = inner()
        lines.push(`E${++counter} ${emf} ${sense} ${p1} ${p2} ${say(1 / element.turnsRatio)}`)
        const probe = `V${++counter}`
        lines.push(`${probe} ${s2} ${sense} dc 0 ac 0`)
        lines.push(`F${++counter} ${p1} ${p2} ${probe} ${say(1 / element.turnsRatio)}`)
        series(emf, s1, element.ac, 0)
        return
      }
    }
  }
}
