import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }

/** What a line says at a place, with the power on or off, and what was entered before it. */
function said(id: string, place: string, power: boolean, line: string, before: readonly string[] = []): string {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  const entries: Entry[] = []
  for (const one of [`walk ${place}`, ...(power ? [] : ['power off']), ...before]) {
    const read = readQuickLine(one, { system, entries, suspects: [], proposed: null })
    if (!read.ok) throw new Error(`${one}: ${read.problem}`)
    entries.push(...read.drafts.map((draft) => stampEntry(draft, stamp)))
  }
  const read = readQuickLine(line, { system, entries, suspects: [], proposed: null })
  return read.ok ? read.say : `? ${read.problem}`
}

describe('parts, in the words of a visit', () => {
  it.each([
    ['furnace-ac', 'indoor', true, '120 in nothing out of the transformer', /120 V, then transformer secondary, hot side to C .*: 0 V/],
    [
      'furnace-induced-draft',
      'indoor',
      true,
      '24 in 0 out on the pressure switch',
      /furnace pressure switch to C .*: 24 V, then .* to C .*: 0 V/,
    ],
    ['furnace-induced-draft', 'indoor', false, 'pressure switch ohms open', /: OL$/],
    ['heat-pump-o', 'outdoor', true, 'Y in 25 Y out 0', /^Y to C at the heat pump: 25 V, then lead .*: 0 V$/],
    ['heat-pump-o', 'outdoor', true, 'board is in time delay', /^defrost board: flashes$/],
    ['heat-pump-o', 'outdoor', true, 'solenoid not energized', /^reversing valve: out$/],
    ['rooftop-gas', 'package', true, 'second stage contactor not in', /^second contactor: out$/],
    [
      'furnace-ac',
      'outdoor',
      false,
      'contactor 14.2 ohms leads off',
      /^unplug the contactor, then across the contactor itself .*: 14.2 ohm$/,
    ],
    ['furnace-ac', 'indoor', true, 'reset the rollout', /^rollout switch: set$/],
    ['air-handler-120', 'indoor', true, 'float switch wet and tripped', /^float switch: up, then note: float switch wet$/],
    ['cool-strips', 'indoor', true, 'strips not heating', /^heat strips: still$/],
    ['furnace-ac', 'indoor', true, 'somebody put a 7.5 amp fuse in', /^7.5 A fuse in the slot$/],
    ['furnace-ac', 'indoor', true, '5 amp fuse installed', /^5 A fuse in the slot$/],
    ['furnace-ac', 'indoor', true, 'fuse let go when the stat called cool', /call for cool, then it trips/],
    ['furnace-ac', 'indoor', true, 'cooling proved 3.1 amps', /^cool proved, 3.1 A$/],
    ['furnace-ac', 'indoor', true, 'pulled new outdoor cable', /^repaired: Outdoor cable, new one run$/],
    ['furnace-ac', 'indoor', true, 'G hot, Y cold', /^G to C .*, then Y to C .*: 0 V$/],
    ['furnace-ac', 'thermostat', true, 'Y wire broke off at the stat', /^landings at the thermostat: Y of the stat cable is off$/],
    ['zoned-furnace-ac', 'panel', false, 'lift all of zone 2', /^lift R .* of the cable 2 at the zone panel, then /],
    ['zoned-furnace-ac', 'panel', true, 'panel board dead', /^zone board: dark$/],
    [
      'furnace-ac',
      'indoor',
      false,
      'outdoor Y beeps to ground',
      /^Y \(red\) of the outdoor cable to chassis at the indoor unit: under 40 ohm$/,
    ],
    ['furnace-ac', 'thermostat', true, 'stat lost power when cool came on', /call for cool, then thermostat: blank$/],
    ['furnace-ac', 'indoor', true, 'W call good, Y call blows', /call for heat, then it holds, then .* call for cool, then it trips/],
    ['furnace-ac', 'indoor', true, '0 across the limit', /^W to lead from limit switch .*: 0 V$/],
    ['furnace-ac', 'indoor', false, 'lifted white off C', /^lift C \(white\) of the outdoor cable at the indoor unit$/],
    ['furnace-ac', 'outdoor', true, 'weed eater cut the cable', /^wiring of the outdoor cable: rubbed$/],
    ['furnace-ac', 'outdoor', true, 'cap is bulged', /^run capacitor: bulged$/],
    ['air-handler-120', 'indoor', true, 'float in the pan is up', /^float switch: up$/],
    ['heat-pump-o', 'outdoor', true, 'board gives no Y out', /defrost board to C at the heat pump: 0 V$/],
    ['furnace-ac', 'outdoor', true, '240 on the line side of the contactor', /^L1 after the outdoor disconnect to L2 .*: 240 V$/],
    ['furnace-ac', 'indoor', true, 'trips instantly on cool, heat ok', /then set the thermostat to call for heat, then it holds$/],
    [
      'furnace-ac',
      'indoor',
      true,
      'took the yellow off at the board and it held',
      /^lift Y \(yellow\) of the stat cable .*, then it holds$/,
    ],
    ['furnace-ac', 'indoor', true, 'stuck a popper in the fuse slot', /^breaker in the fuse slot$/],
    ['furnace-ac', 'indoor', false, 'turned it back on', /^power on$/],
    ['furnace-ac', 'indoor', false, 'secondary ohms out at 0.8', /^transformer secondary.*: 0.8 ohm$/],
    ['furnace-ac', 'thermostat', true, 'turned the fan on at the stat', /^set the thermostat to call for fan$/],
    ['furnace-ac', 'outdoor', false, 'cut out the bad piece and spliced it', /^note: /],
    ['heat-pump-o', 'thermostat', true, 'green not landed', /^landings at the thermostat: G of the stat cable is off$/],
    ['heat-pump-o', 'thermostat', true, 'heat pump set to heat', /^set the thermostat to call for heat$/],
    ['heat-pump-o', 'outdoor', false, 'hi pressure switch leads to ground 0.2', /to chassis at the heat pump: 0.2 ohm$/],
    ['heat-pump-o', 'indoor', false, 'swapped yellow over to brown at both ends', /^swap Y \(yellow\) to the spare brown/],
    ['rooftop-gas', 'package', true, 'gas valve not getting power', /ignition control to gas valve to C .*: 0 V$/],
    ['rooftop-gas', 'package', true, 'rollout tripped, reset it', /^rollout switch: tripped, then rollout switch: set$/],
    ['air-handler-plain', 'indoor', true, 'blower runs when i push the relay in by hand', /^note: /],
    ['zoned-furnace-ac', 'stat-1', true, 'zone 1 stat is blank', /blank$/],
    ['furnace-ac', 'indoor', false, 'common to ground 0.3', /^C to chassis .*: 0.3 ohm$/],
    ['furnace-ac', 'thermostat', true, 'loose red wire at the stat', /^landings at the thermostat: R of the stat cable is off$/],
    ['furnace-ac', 'thermostat', true, "stat won't come on", /^thermostat: blank$/],
    ['heat-pump-o', 'thermostat', true, 'E heat works', /call for emergency heat, then it holds$/],
    ['air-handler-plain', 'indoor', true, 'transformer secondary dead, 240 on the primary', /: 0 V, then L1 .*: 240 V$/],
  ] as const)('on %s at %s: %s', (id, place, power, line, meant) => {
    expect(said(id, place, power, line)).toMatch(meant)
  })

  it('a switch that is said to be open has the volts across it, once something is called', () => {
    expect(said('furnace-ac', 'indoor', true, 'limit switch open')).toContain('Ohms, or live on a call?')
    expect(said('furnace-ac', 'indoor', true, 'limit switch open', ['call heat'])).toMatch(/^W to lead from limit switch .*: 20–28 V$/)
    expect(said('furnace-ac', 'indoor', true, 'limit switch closed', ['call heat'])).toMatch(/: near 0$/)
  })

  it('everything back is all that this search has moved, and nothing where nothing was', () => {
    expect(said('furnace-ac', 'indoor', false, 'put it all back', ['jumper R G', 'lift outdoor Y'])).toMatch(
      /^take out the jumper R to G .*, then land Y \(red\) of the outdoor cable/,
    )
    expect(said('furnace-ac', 'indoor', false, 'put it all back')).toMatch(/^\?/)
  })

  it('what came of an act is no complaint', () => {
    expect(said('furnace-ac', 'thermostat', true, 'R to W jumped at the stat, no heat')).toMatch(/^jumper R to W .*, then note: no heat$/)
  })
})
