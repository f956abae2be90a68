import { sayLead } from '@/src/core/bench/points'
import type { Effect } from '@/src/core/faults/fault'
import type { AddFault } from '@/src/core/faults/fault-list'
import { commonNodes, lowVoltageNodes } from '@/src/core/faults/low-voltage'
import { SHORTED_COIL_OHM, SOLID_SHORT_OHM, WELDED_OHM } from '@/src/core/faults/rates'
import { bodyLink, pinNode, poleLink, switchedTerminals, thermostatInside, windingLink } from '@/src/core/wiring/assembly'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { firstPart, type Place, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** Every lead in a metal cabinet that is not common can rub through; each is named by the parts it joins. */
export function addLeadFaults(system: System, add: AddFault, place: Place): void {
  const common = commonNodes(system)
  for (const node of lowVoltageNodes(system, place)) {
    if (common.has(terminalPoint(node, place.id))) continue
    const lead = place.terminals.includes(node) ? `${node} lead` : sayLead(system, node, place.id)
    add(
      'lead-to-chassis',
      `${node}@${place.id}`,
      place.id,
      `${capital(lead)} is rubbed through to the chassis in the ${place.name}`,
      [`lead:${node}@${place.id}`, `Free the ${lead} in the ${place.name} from the metal, mend it and tie it off`],
      [{ do: 'short', a: terminalPoint(node, place.id), b: terminalPoint(CHASSIS, place.id), ohm: SOLID_SHORT_OHM }],
      [terminalPoint(node, place.id)],
    )
  }
}

export function addCoilFaults(system: System, add: AddFault): void {
  for (const coil of partsOf(system, 'coil')) {
    const touches = coil.between.map((node) => terminalPoint(node, coil.place))
    const replace: [string, string] = [`replace:${coil.id}`, `Replace the ${coil.name}`]
    add(
      'coil-shorted',
      coil.id,
      coil.place,
      `Coil of the ${coil.name} is shorted`,
      replace,
      [{ do: 'short', a: pinNode(coil.id, 0), b: pinNode(coil.id, 1), ohm: SHORTED_COIL_OHM }],
      touches,
    )
    add('coil-open', coil.id, coil.place, `Coil of the ${coil.name} is open`, replace, [{ do: 'open', link: bodyLink(coil.id) }], touches)
    if (placeById(system, coil.place)?.metal)
      add(
        'coil-to-ground',
        coil.id,
        coil.place,
        `Coil of the ${coil.name} is grounded to its frame`,
        replace,
        [{ do: 'short', a: pinNode(coil.id, 0), b: terminalPoint(CHASSIS, coil.place), ohm: SOLID_SHORT_OHM }],
        touches,
      )
  }
}

export function addSwitchFaults(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'switch'))
    add(
      'switch-open',
      part.id,
      part.place,
      `${capital(part.name)} is stuck open`,
      [`switch:${part.id}`, `Find out what opened the ${part.name}; replace it if it stays open without cause`],
      [{ do: 'open', link: bodyLink(part.id) }],
      part.between.map((node) => terminalPoint(node, part.place)),
    )
}

export function addThermostatFaults(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'thermostat')) {
    const terminals = switchedTerminals(part)
    const touches = terminals.map((terminal) => terminalPoint(terminal, part.place))
    const replace: [string, string] = [`replace:${part.id}`, `Replace the ${part.name}`]
    add(
      'thermostat-not-called',
      part.id,
      part.place,
      `The ${part.name} was never set to call`,
      [`set:${part.id}`, `Set the ${part.name}: mode, setpoint, schedule and lock`],
      [{ do: 'never-closes', terminals }],
      touches,
    )
    add('thermostat-dead', part.id, part.place, `The ${part.name} is dead`, replace, [{ do: 'thermostat-dead' }], touches)
    for (const terminal of terminals)
      add(
        'thermostat-not-closing',
        `${part.id}.${terminal}`,
        part.place,
        `The ${part.name} does not close R to ${terminal}`,
        replace,
        [{ do: 'never-closes', terminals: [terminal] }],
        [terminalPoint(terminal, part.place)],
      )
    for (const terminal of terminals)
      add(
        'thermostat-stuck-closed',
        `${part.id}.${terminal}`,
        part.place,
        `The ${part.name} holds R to ${terminal} closed, whatever it is set to`,
        replace,
        [{ do: 'short', a: thermostatInside(part.id, 'hot'), b: terminalPoint(terminal, part.place), ohm: WELDED_OHM }],
        [terminalPoint(terminal, part.place)],
      )
    add(
      'thermostat-shorted',
      part.id,
      part.place,
      `The ${part.name} is shorted from R to C inside`,
      replace,
      [{ do: 'short', a: thermostatInside(part.id, 'hot'), b: thermostatInside(part.id, 'common'), ohm: SOLID_SHORT_OHM }],
      [terminalPoint(part.hot, part.place), terminalPoint(part.common, part.place)],
    )
  }
}

export function addSupplyFaults(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'transformer')) {
    for (const side of ['primary', 'secondary'] as const)
      add(
        'transformer-dead',
        `${part.id}.${side}`,
        part.place,
        `${capital(part.name)} is dead: its ${side} winding is open`,
        [`replace:${part.id}`, `Find out what cooked it, then replace the ${part.name}`],
        [{ do: 'open', link: windingLink(part.id, side) }],
        part.secondary.map((node) => terminalPoint(node, part.place)),
      )
  }
  for (const bond of partsOf(system, 'bond'))
    add(
      'bond-missing',
      bond.id,
      bond.place,
      `The ${bond.name} is missing`,
      [`bond:${bond.id}`, `Restore the ${bond.name}`],
      [{ do: 'open', link: bodyLink(bond.id) }],
      bond.between.map((node) => terminalPoint(node, bond.place)),
    )
  const feeding = partsOf(system, 'disconnect').filter((part) => part.place === firstPart(system, 'transformer').place)
  for (const part of feeding)
    add(
      'supply-off',
      part.id,
      part.place,
      `No line voltage past the ${part.name}`,
      [`supply:${part.id}`, `Restore the line voltage at the ${part.name}: breaker, switch, door switch`],
      part.poles.map((_, pole): Effect => ({ do: 'open', link: poleLink(part.id, pole) })),
      [terminalPoint(part.poles[0][1], part.place)],
    )
  const fuse = firstPart(system, 'fuse')
  if (fuse.holds === 'none') return
  const isBreaker = fuse.holds === 'breaker'
  add(
    'fuse-only',
    fuse.id,
    fuse.place,
    `The ${isBreaker ? `${fuse.name} tripped` : 'fuse blew'} and nothing is left of what did it`,
    [`fuse:${fuse.id}`, isBreaker ? `Reset the ${fuse.name}, once, and watch it` : `Fit a ${fuse.ratingA} A fuse, once, and watch it`],
    [{ do: 'found-blown' }],
    fuse.between.map((node) => terminalPoint(node, fuse.place)),
  )
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
