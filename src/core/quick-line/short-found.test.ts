import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

/** What was found, what came of it, and what is off already. */
const furnace = standing('furnace-ac', 'indoor', 'on')
const heating = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'heat' })
const cooling = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' })
const outdoorsCooling = standing('heat-pump-o', 'outdoor', 'on', { do: 'call', call: 'cool' })
const heatPump = standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'cool' })
const zoned = standing('zoned-furnace-ac', 'panel', 'on')
const outdoorsFurnace = standing('furnace-ac', 'outdoor', 'on', { do: 'call', call: 'cool' })
const furnaceOff = standing('furnace-ac', 'indoor', 'off')
const outdoorsOff = standing('furnace-ac', 'outdoor', 'off')
const wireInHand = standingAfter('furnace-ac', 'indoor', ['power off', 'lift outdoor Y'])
const cableOff = standingAfter('furnace-ac', 'indoor', ['power off', 'lift outdoor cable', 'fuse 3 in', 'power on'])
const cableInHand = standingAfter('furnace-ac', 'indoor', ['power off', 'lift outdoor cable'])
const statInHand = standingAfter('furnace-ac', 'indoor', ['power off', 'lift stat cable'])
const valveOff = standingAfter('heat-pump-o', 'indoor', ['power off', 'unplug valve'])

describe('what was found, and what came of it', () => {
  it.each([
    // A wire that was found off was not taken off by the search.
    ['found stat Y off at the furnace', furnace, 'landings at the indoor unit: Y of the stat cable is off'],
    ['yellow was off the Y terminal at the furnace', furnace, 'landings at the indoor unit: Y of the stat cable is off'],
    ['Y on outdoor cable was off', furnace, 'landings at the indoor unit: Y of the outdoor cable is off'],
    // A mark, and what is fine.
    ['burnt spot on the wiring by the board', furnace, 'wiring of the indoor unit: scorched'],
    ['low voltage wires corroded here', outdoorsOff, 'landings at the outdoor unit: corroded'],
    ["checked the fuse, it's good", furnace, 'fuse: good'],
    ['fuse tested good', furnace, 'fuse: good'],
    ['zone 2 stat blank, zone 1 stat fine', zoned, 'blank, then thermostat of zone 1: alive'],
    // A unit that stands still or runs, whatever is called.
    ["furnace won't run", heating, 'what runs at the indoor unit: not as called'],
    ["furnace doesn't light", heating, 'what runs at the indoor unit: not as called'],
    ['furnace runs', heating, 'what runs at the indoor unit: as called'],
    ['condenser running with nothing called', furnace, 'what runs at the outdoor unit: not as called'],
    ['still running outside with no call', furnace, 'what runs at the outdoor unit: not as called'],
    ["unit won't run outside but blower does", outdoorsCooling, 'not as called, then'],
    // What went past a switch, and what came of it: both.
    ['bypassed the low pressure switch and it runs', cooling, ', then what runs at the outdoor unit: as called'],
    ['jumped out the low pressure switch, condenser runs', cooling, ', then what runs at the outdoor unit: as called'],
    // One letter at both ends; a board by what goes in and what comes out.
    ['Y=26 at air handler, 0 at heat pump', heatPump, 'then Y to C at the heat pump: 0 V'],
    [
      'defrost board: 26 in on Y, 0 out',
      outdoorsCooling,
      'then lead from high-pressure switch to defrost board to C at the heat pump: 0 V',
    ],
    ['pulling 1.4 amps on the 24 volt side', cooling, '1.4 A'],
    // A wire in the hand is read on itself, whatever the metal is called.
    ['Y wire to case 0.4', wireInHand, 'Y (red) of the outdoor cable to chassis at the indoor unit: 0.4 ohm'],
    ['Y field wire to ground .3', wireInHand, 'Y (red) of the outdoor cable to chassis at the indoor unit: 0.3 ohm'],
    ['Y to ground .3 on the field wire', wireInHand, 'Y (red) of the outdoor cable to chassis at the indoor unit: 0.3 ohm'],
    ['Y wire to ground dead short', wireInHand, 'Y (red) of the outdoor cable to chassis at the indoor unit: near 0'],
    ['O wire to ground now 5k', valveOff, 'O to chassis at the air handler: 5 kohm'],
    ['between the two outdoor wires OL', cableInHand, 'Y (red) to C (white) of the outdoor cable at the indoor unit: OL'],
    // A reading, and that it stays so; one at the board; what is thought of it.
    ['24 leaving the board on Y', cooling, 'Y to C at the indoor unit: 24 V'],
    ['R to C 25 holds steady', cooling, 'R to C at the indoor unit: 25 V'],
    ['R to C at board now 12k', statInHand, 'R to C at the indoor unit: 12 kohm'],
    ['R to C .6 dead short somewhere', furnaceOff, 'R to C at the indoor unit: 0.6 ohm'],
    ['low pressure tripped', cooling, 'low-pressure switch'],
    ['fan motor hot, not turning', outdoorsFurnace, 'then note: '],
    ['compressor amps 12.4 rla 11', outdoorsCooling, '11 A'],
    ['fan motor hot and not turning', outdoorsFurnace, 'condenser fan: still'],
    ['used spare orange for Y both ends', furnaceOff, 'to the spare orange of the stat cable, both ends'],
    ['fuse intermittent, blows once a week', furnace, 'blows a fuse intermittently'],
    // Two things that run, each at its place; a unit that is off while something is called.
    ['blower and outside both running', cooling, 'then what runs at the outdoor unit: as called'],
    ['blower running, outside running', cooling, 'then what runs at the outdoor unit: as called'],
    ['clicks at the board but nothing outside', cooling, 'what runs at the outdoor unit: not as called'],
    ['outdoor off', heatPump, 'Does it stand still, or are its wires off?'],
    ['in aux only, outdoor off', heatPump, 'Does it stand still, or are its wires off?'],
    // The power is off, whatever else was told.
    ['smells burnt here, power off', furnace, 'then power off'],
    ['burnt smell at the air handler, killed power', heatPump, 'then power off'],
    // On both sides of the fuse.
    ['voltage before the fuse 26 after 0', furnace, 'then R to C at the indoor unit: 0 V'],
    ['both sides of fuse 26', furnace, 'then R to C at the indoor unit: 26 V'],
    ['fuse out ohm R to C 14k', furnaceOff, 'then R to C at the indoor unit: 14 kohm'],
    ['nothing out of the defrost board to the contactor', outdoorsCooling, 'defrost board to C at the heat pump: 0 V'],
    ['only aux heat works', heatPump, 'one mode dead: heat'],
    // New equipment is what changed before, and no repair.
    ['new furnace, first cool call of the year', furnace, '” · new equipment'],
    ['stat wires landed again', statInHand, 'then land C (blue) of the stat cable at the indoor unit'],
  ])('%s', (said, where, meant) => {
    expect(answerTo(where, said)).toContain(meant)
  })

  it.each(['fuse holds now with the condenser wires off', 'holds with condenser wires off', 'fuse holds with the outdoor cable off'])(
    'what is off already is not taken off again: %s',
    (said) => {
      expect(answerTo(cableOff, said)).toBe('it holds')
    },
  )

  it('a wire that was run is a repair of its cable', () => {
    expect(drafts(furnace, 'ran a new wire to the condenser')).toMatchObject([{ kind: 'repair', zone: 'outdoor-cable' }])
  })

  it('asks where it was read what is still so of nothing that was read, and never reads it at what came off', () => {
    expect(answerTo(furnaceOff, 'isolated the stat wires, still .6')).toMatch(/^Between which points\?/)
    const readBefore = standingAfter('furnace-ac', 'indoor', ['power off', 'R-C 0.6'])
    expect(answerTo(readBefore, 'took the stat wires off, still .6')).toContain('R to C at the indoor unit: 0.6 ohm')
  })

  it('takes off first what is still on, and makes the call that is said', () => {
    expect(answerTo(cableOff, 'holds on cool with the outdoor wires off')).toBe('set the thermostat to call for cool, then it holds')
    expect(answerTo(furnace, 'trips with the outdoor cable off')).toMatch(/^lift Y .* of the outdoor cable .*, then it trips$/)
  })
})
