import { sayLead } from '@/src/core/bench/points'
import type { AddFault } from '@/src/core/faults/fault-list'
import { lowVoltageNodes } from '@/src/core/faults/low-voltage'
import { ACCESSORY_OHM, JOINED_OHM, SHORTED_COIL_OHM, SOLID_SHORT_OHM, WELDED_OHM } from '@/src/core/faults/rates'
import { capital } from '@/src/core/units/capital'
import { modelValue } from '@/src/core/units/model-value'
import { feedInside } from '@/src/core/wiring/assembly'
import { capacitorOf } from '@/src/core/wiring/fed-by'
import { bodyLink, facesLink, plugLink, thermostatInside } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'
import { CHASSIS, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { commonNodes } from '@/src/core/wiring/supply'
import { type Place, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf, livesBetween, switchedTerminals } from '@/src/core/wiring/thermostat'

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
      `${capital(lead)} is shorted to ground in the ${place.name}`,
      [`lead:${node}@${place.id}`, `Repair the ${lead} in the ${place.name} and tie it off clear of the metal`],
      [{ do: 'short', a: terminalPoint(node, place.id), b: terminalPoint(CHASSIS, place.id), ohm: SOLID_SHORT_OHM }],
      [terminalPoint(node, place.id)],
    )
  }
}

/** Of windings of gas valves that were found open, those that close again once they have cooled. */
const VALVE_OPENS_WARM = modelValue({
  value: 0.15,
  unit: 'share of the gas valves found open',
  source: 'assumption: a valve sits in the heat of its own burners',
})

export function addCoilFaults(system: System, add: AddFault): void {
  for (const coil of partsOf(system, 'coil')) {
    const touches = coil.between.map((node) => terminalPoint(node, coil.place))
    const replace: [string, string] = [`replace:${coil.id}`, `Replace the ${coil.name}`]
    add(
      'coil-shorted',
      coil.id,
      coil,
      `Coil of the ${coil.name} is shorted`,
      replace,
      [{ do: 'short', a: pinPoint(coil, 0), b: pinPoint(coil, 1), ohm: SHORTED_COIL_OHM }],
      touches,
    )
    add(
      'coil-open',
      coil.id,
      coil,
      `Coil of the ${coil.name} is open`,
      replace,
      [{ do: 'open', link: bodyLink(coil.id) }],
      touches,
      coil.role === 'gas-valve' ? VALVE_OPENS_WARM : undefined,
    )
    add(
      'armature-jammed',
      coil.id,
      coil,
      `The ${coil.name} does not pull in, though its coil has volts`,
      replace,
      [{ do: 'jam', coil: coil.id }],
      touches,
    )
    add(
      'accessory-across',
      coil.id,
      coil,
      `Something else is wired across the ${coil.name}`,
      [`accessory:${coil.id}`, `Find what is wired across the ${coil.name} in the ${placeById(system, coil.place)?.name}, and remove it`],
      [{ do: 'short', a: touches[0], b: touches[1], ohm: ACCESSORY_OHM }],
      touches,
    )
    addLooseLeads(system, add, coil)
    if (placeById(system, coil.place)?.metal)
      add(
        'coil-to-ground',
        coil.id,
        coil,
        `Coil of the ${coil.name} is shorted to ground`,
        replace,
        [{ do: 'short', a: pinPoint(coil, 0), b: terminalPoint(CHASSIS, coil.place), ohm: SOLID_SHORT_OHM }],
        touches,
      )
  }
}

/** A spade that came off or burnt: between two parts of a cabinet, where no strip is. */
function addLooseLeads(system: System, add: AddFault, part: PartOf<'switch'> | PartOf<'coil'>): void {
  for (const [side, node] of part.between.entries())
    add(
      'lead-loose',
      `${part.id}.${node}`,
      part,
      `The ${sayLead(system, node, part.place)} is off or loose at the ${part.name}`,
      [`spade:${part.id}`, `Seat the spades of the ${part.name}, replace a burned one, and tug each`],
      [{ do: 'open', link: plugLink(part.id, side) }],
      [terminalPoint(node, part.place)],
    )
}

/** A line contact that welded, so that what it feeds runs on, or whose faces burned away, so that it does not run. */
export function addContactFaults(system: System, add: AddFault): void {
  for (const coil of partsOf(system, 'coil')) {
    if (!coil.contact) continue
    add(
      'contact-welded',
      coil.id,
      coil,
      `The contacts of the ${coil.name} are welded shut`,
      [`replace:${coil.id}`, `Replace the ${coil.name}`],
      [{ do: 'weld', coil: coil.id }],
      coil.between.map((node) => terminalPoint(node, coil.place)),
    )
    add(
      'contact-burned',
      coil.id,
      coil,
      `The contacts of the ${coil.name} are burned: it pulls in, and passes no line volts, or only part of them`,
      [`replace:${coil.id}`, `Replace the ${coil.name}`],
      [{ do: 'open', link: facesLink(coil.id) }],
      coil.contact.map((node) => terminalPoint(node, coil.place)),
    )
  }
}

/** What stops a motor, and what stops an element, which has no reactance. */
const insideOf = (system: System, { id, powerFactor }: PartOf<'load'>): string =>
  powerFactor === 1
    ? 'its elements, their links and spades'
    : `${capacitorOf(system, id) ? '' : 'its capacitor (discharge it first), '}its own protector, its windings and spades`

/** A motor, a compressor or an element that has its line volts and does nothing with them. */
export function addLoadFaults(system: System, add: AddFault): void {
  const igniters = partsOf(system, 'board').map(({ ignites }) => ignites?.igniter)
  for (const load of partsOf(system, 'load')) {
    const isIgniter = igniters.includes(load.id)
    add(
      'load-dead',
      load.id,
      load,
      `The ${load.name} does not ${isIgniter ? 'glow' : 'run'}, though it has line volts`,
      [
        `replace:${load.id}`,
        isIgniter
          ? `Check the ${load.name} with the power off and proved dead: its ohms cold, a white line or a crack, its plug; replace it, fingers off the element`
          : `Check the ${load.name} with the power off and proved dead: ${insideOf(system, load)}; replace what failed`,
      ],
      [{ do: 'open', link: bodyLink(load.id) }],
      load.between.map((node) => terminalPoint(node, load.place)),
    )
  }
}

/** A section of a run capacitor that no longer starts its motor. */
export function addCapacitorFaults(system: System, add: AddFault): void {
  for (const capacitor of partsOf(system, 'capacitor'))
    for (const { load: id, microfarad } of capacitor.starts) {
      const load = partsOf(system, 'load').find((one) => one.id === id)
      if (!load) continue
      add(
        'capacitor-weak',
        `${capacitor.id}.${id}`,
        capacitor,
        `The ${capacitor.name} no longer starts the ${load.name}`,
        [
          `replace:${capacitor.id}`,
          `Replace the ${capacitor.name}, power off and discharged: ${microfarad} µF on the ${load.name} side, volts as on its label or more`,
        ],
        [{ do: 'stall', load: id }],
        load.between.map((node) => terminalPoint(node, load.place)),
      )
    }
}

/**
 * Of a switch that was found to open, how often it closes again by itself once what it guards has cooled or its pressures have evened out.
 * A float goes up while it cools, and down as the pan drains. A rollout is reset by hand, a door switch has no heat of its own.
 */
const OPENS_RUNNING: Readonly<Partial<Record<PartOf<'switch'>['role'], number>>> = modelValue({
  value: { 'high-pressure': 0.25, 'low-pressure': 0.25, limit: 0.25, draft: 0.15, float: 0.15 },
  unit: 'share of the switches found open',
  source: 'assumption: automatic reset is the common form of pressure controls and limits',
})

export function addSwitchFaults(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'switch'))
    add(
      'switch-open',
      part.id,
      part,
      `${capital(part.name)} is stuck open`,
      [
        `switch:${part.id}`,
        part.role === 'draft'
          ? `Find what keeps the ${part.name} open: its hose, a blocked vent or drain, a weak inducer; replace it if it stays open with the draft right`
          : `Find what opened the ${part.name}; replace it if it stays open for no reason`,
      ],
      [{ do: 'open', link: bodyLink(part.id) }],
      part.between.map((node) => terminalPoint(node, part.place)),
      OPENS_RUNNING[part.role],
    )
  for (const part of partsOf(system, 'switch')) addLooseLeads(system, add, part)
}

export function addThermostatFaults(system: System, add: AddFault): void {
  for (const part of partsOf(system, 'thermostat')) {
    const terminals = switchedTerminals(part)
    const touches = terminals.map((terminal) => terminalPoint(terminal, part.place))
    const replace: [string, string] = [`replace:${part.id}`, `Replace the ${part.name}`]
    add(
      'thermostat-not-called',
      part.id,
      part,
      `The ${part.name} was never set to call`,
      [`set:${part.id}`, `Set the ${part.name}: mode, setpoint, schedule and lock`],
      [{ do: 'never-closes', thermostat: part.id, terminals }],
      touches,
    )
    if (part.power !== 'mechanical')
      add(
        'thermostat-dead',
        part.id,
        part,
        part.power === 'battery' ? `The batteries of the ${part.name} are dead` : `The ${part.name} is dead`,
        replace,
        [{ do: 'thermostat-dead', thermostat: part.id }],
        touches,
      )
    if (part.power !== 'mechanical')
      add(
        'thermostat-false-code',
        part.id,
        part,
        `The ${part.name} shows an over-current code with nothing wrong behind it`,
        replace,
        [{ do: 'false-code', thermostat: part.id }],
        touches,
      )
    for (const terminal of terminals)
      add(
        'thermostat-not-closing',
        `${part.id}.${terminal}`,
        part,
        `The ${part.name} does not close ${feedOf(part, terminal)} to ${terminal}`,
        replace,
        [{ do: 'never-closes', thermostat: part.id, terminals: [terminal] }],
        [terminalPoint(terminal, part.place)],
      )
    for (const terminal of terminals)
      add(
        'thermostat-stuck-closed',
        `${part.id}.${terminal}`,
        part,
        `The ${part.name} holds ${feedOf(part, terminal)} to ${terminal} closed, whatever it is set to`,
        replace,
        [{ do: 'short', a: feedInside(part, feedOf(part, terminal)), b: terminalPoint(terminal, part.place), ohm: WELDED_OHM }],
        [terminalPoint(terminal, part.place)],
      )
    for (const [index, one] of terminals.entries())
      for (const other of terminals.slice(index + 1))
        add(
          'thermostat-joined',
          `${part.id}.${one}+${other}`,
          part,
          `The ${part.name} joins ${one} and ${other} in its base`,
          replace,
          [{ do: 'short', a: terminalPoint(one, part.place), b: terminalPoint(other, part.place), ohm: JOINED_OHM, within: part.id }],
          [terminalPoint(one, part.place), terminalPoint(other, part.place)],
        )
    if (part.common === undefined) continue
    add(
      'thermostat-shorted',
      part.id,
      part,
      `The ${part.name} is shorted from ${part.hot} to ${part.common} inside`,
      replace,
      [
        {
          do: 'short',
          a: thermostatInside(part.id, 'hot'),
          b: livesBetween(part) ? thermostatInside(part.id, 'common') : terminalPoint(part.common, part.place),
          ohm: SOLID_SHORT_OHM,
        },
      ],
      [terminalPoint(part.hot, part.place), terminalPoint(part.common, part.place)],
    )
  }
}
