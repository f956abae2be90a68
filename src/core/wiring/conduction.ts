import { inputsOf, type Part, watchedFor } from '@/src/core/wiring/part'
import { type Point, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { feedOf, hotTerminals, livesBetween, switchedTerminals } from '@/src/core/wiring/thermostat'

/** One lead of a part, by the node that it is on. */
interface Lead {
  readonly name: string
  /** `tap`: a lead of the line side that may be capped; `earth`: the metal. */
  readonly role: '24-volt' | 'line' | 'tap' | 'earth'
}

/** Every lead that a part has, and what it is. A new kind of part has its answer here before it compiles. */
export function leadsOf(part: Part): Lead[] {
  const as = (role: Lead['role'], names: readonly string[]) => names.map((name) => ({ name, role }))
  switch (part.kind) {
    case 'fuse':
    case 'strap':
    case 'switch':
    case 'electronics':
      return as('24-volt', part.between)
    case 'bond':
      return [...as('24-volt', part.between.slice(0, 1)), ...as('earth', part.between.slice(1))]
    case 'coil':
      return [...as('24-volt', part.between), ...as('line', part.contact ?? [])]
    case 'load':
      return as('line', part.between)
    // Its leads go to its motors' windings alone: nothing else of the house is on them.
    case 'capacitor':
      return []
    case 'transformer':
      return [
        ...as('24-volt', part.secondary),
        ...as('line', part.primary),
        ...as(
          'tap',
          (part.taps ?? []).map(({ lead }) => lead),
        ),
      ]
    case 'board':
      return [
        ...as('24-volt', [...part.between, ...part.outputs.flatMap(watchedFor)]),
        ...part.outputs.flatMap(({ from, to, line }) => as(line ? 'line' : '24-volt', from === undefined ? [to] : [to, from])),
      ]
    case 'thermostat':
      return as('24-volt', [...hotTerminals(part), ...switchedTerminals(part), ...(part.common === undefined ? [] : [part.common])])
    case 'disconnect':
      return as('line', part.poles.flat())
    case 'supply':
      return as('line', [part.neutral, ...part.legs.map(({ node }) => node)])
  }
}

/** A way for current through a part, and what it goes through. */
export interface Path {
  /**
   * `metal` is always there, `bond` goes to the chassis, `plug` comes off by hand, `switch` and `contact` may be open, `passes` is
   * straight through a board; a `load` or a `winding` joins nothing, though current gets through.
   */
  readonly through: 'metal' | 'bond' | 'plug' | 'switch' | 'contact' | 'passes' | 'load' | 'winding'
  /** Two points, or more that are all joined. */
  readonly joins: readonly Point[]
}

/** What a path goes through once everything that closes has closed. */
const CLOSES: readonly Path['through'][] = ['metal', 'bond', 'plug', 'switch', 'contact', 'passes']
export const joinsOnceClosed = ({ through }: Path): boolean => CLOSES.includes(through)

/** Every path through a part, on its plugs or off them. A new kind of part has its answer here before it compiles. */
export function pathsOf(part: Part, isUnplugged = false): Path[] {
  const at = (name: string) => terminalPoint(name, part.place)
  const path = (through: Path['through'], ...names: string[]): Path => ({ through, joins: names.map(at) })
  switch (part.kind) {
    case 'fuse':
    case 'strap':
      return [path('metal', ...part.between)]
    case 'bond':
      return [path('bond', ...part.between)]
    case 'switch':
    case 'coil': {
      const pins = [pinPoint(part, 0), pinPoint(part, 1)]
      const plugs = isUnplugged ? [] : part.between.map((name, side): Path => ({ through: 'plug', joins: [at(name), pins[side]] }))
      const contact = part.kind === 'coil' && part.contact ? [path('contact', ...part.contact)] : []
      return [{ through: part.kind === 'switch' ? 'switch' : 'load', joins: pins }, ...plugs, ...contact]
    }
    case 'electronics':
    case 'load':
      return [path('load', ...part.between)]
    case 'board':
      if (isUnplugged) return []
      return [
        path('load', part.between[1], part.between[0], ...part.outputs.flatMap(watchedFor)),
        ...part.outputs.map((output) =>
          output.style === 'passes'
            ? path('passes', ...inputsOf(output), output.to)
            : path('contact', output.from ?? part.between[0], output.to),
        ),
        ...(part.defrost?.closes ?? []).map((pair) => path('contact', ...pair)),
      ]
    case 'thermostat':
      if (isUnplugged) return []
      return [
        path('load', ...hotTerminals(part), ...[livesBetween(part) ?? []].flat()),
        ...switchedTerminals(part).map((terminal) => path('contact', feedOf(part, terminal), terminal)),
      ]
    case 'disconnect':
      return part.poles.map((pole) => path('switch', ...pole))
    case 'transformer':
      return [...(isUnplugged ? [] : [path('winding', ...part.secondary)]), path('winding', ...part.primary)]
    case 'supply':
    case 'capacitor':
      return []
  }
}
