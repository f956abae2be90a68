import { drafts, standing } from '@/tests/setup/standing'

/** Lines as they are typed at the unit: a word alone, a breaker by its size, both sides of a part, what is so anyway. */
const furnace = standing('furnace-ac', 'indoor', 'on')
const deadFurnace = standing('furnace-ac', 'indoor', 'off')
const induced = standing('furnace-induced-draft', 'indoor', 'on')
const twoStage = standing('furnace-ac-two-stage', 'indoor', 'on')
const roof = standing('rooftop-gas', 'package', 'on')
const electricRoof = standing('rooftop-electric', 'package', 'on')
const zoned = standing('zoned-furnace-ac', 'indoor', 'on')
const panel = standing('zoned-furnace-ac', 'panel', 'on')
const heatPump = standing('heat-pump-b', 'outdoor', 'on')
const stat = standing('heat-pump-o', 'thermostat', 'on')
const airHandler = standing('heat-pump-o', 'indoor', 'on')
const withThree = standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'breaker', ratingA: 3 })

describe('typed at the unit', () => {
  it.each([
    ['cool', furnace, 'call cool'],
    ['back to heat', furnace, 'call heat'],
    ['put stat on heat', furnace, 'call heat'],
    ['cycled power', furnace, 'power off; power on'],
    ['R+C 26', furnace, 'R-C 26'],
    ['3 amp breaker trips', furnace, 'breaker 3 in; trips'],
    ['3 A breaker trips on cool, 5 A holds', furnace, 'breaker 3 in; trips on cool; breaker 5 in; holds'],
    ['3 amp breaker trips', withThree, 'trips'],
    ['5 amp breaker trips on heat', withThree, 'breaker 5 in; trips on heat'],
    ['trips with the limit plugged in', furnace, 'trips'],
    ['3 amp purple fuse is blown', furnace, 'fuse blown'],
    ['blower door off', induced, 'panel indoor off'],
    ['igniter 62 volts, 120 to ground', roof, 'igniter 62 V; igniter-line-gnd 120 V'],
    ['L1 to neutral 62, L1 to ground 121', roof, 'L1-N 62; L1-gnd 121'],
    ['hot to neutral 62', roof, 'L1-unit-N 62'],
    ['inducer 120 volts not running', roof, 'inducer 120 V; inducer still'],
    ['24 one side of the limit, nothing on the other', induced, '24 in and 0 out of the limit'],
    ['R to C 25.7 at the panel', zoned, 'R1-C1 25.7 at panel'],
    ['zone 2 Y 24 at the stat', zoned, 'Y-C 24 at stat-2'],
    ['no Y out here', heatPump, 'Y-C 0'],
    ['24 before the LP, 0 after', heatPump, '24 in and 0 out of the low-pressure'],
    ["24 on the coil and it won't pull in", heatPump, '24 V at the contactor coil, contactor out'],
    ['jumped Y across the board', heatPump, 'jumper Y Y-out'],
    ['yellow to green 0.2 both ends off', deadFurnace, 'lift stat Y and G at both ends; ohms lifted stat Y-lifted stat G 0.2'],
    ['W to R pops it', furnace, 'jumper W R; trips'],
    ['R-Y 24, calling', stat, 'call cool; R-Y 24'],
    ['goes blank when Y energizes', stat, 'call cool; thermostat blank'],
    ['ammeter 2.1 on R', stat, '2.1 A on R'],
    ['no amps on Y', stat, '0 A on Y'],
    ['trips when Y2 comes on', twoStage, 'trips on cool-2'],
    ['R-Y 0.3 stat off', deadFurnace, 'unplug stat; R-Y 0.3'],
    ['blower runs with R-G jumped', furnace, 'jumper R G; blower runs'],
    ['swaped stat Y to brown', furnace, 'swap stat Y to brown'],
    ['disconected outdoor Y', furnace, 'lift outdoor Y'],
    ['R:C 26', furnace, 'R-C 26'],
    ['another fuse gone', furnace, 'fuse blown'],
    ['ohmed fuse OL', deadFurnace, 'fuse blown'],
    ['over current code on zone 2 stat Y', zoned, 'zone 2 stat shows over-current on Y'],
    ['zone 1 stat shows Y short', zoned, 'zone 1 stat shows over-current on Y'],
    ['unplugged both dampers, holds', panel, 'unplug damper 1; unplug damper 2; holds'],
    ['zone 2 off the panel, still trips', panel, 'pulled zone 2 wires; trips'],
    ['is Y hot', furnace, 'note is Y hot'],
    ['Y had 24 for a second', furnace, 'note Y had 24 for a second'],
    ['26 to 18 when cool comes on', furnace, 'call cool; R-C 18'],
    ['went from 24 to 0 on Y', furnace, 'Y-C 0'],
    ['about to trip', furnace, 'note about to trip'],
    ['almost tripped', furnace, 'note almost tripped'],
    ['20 amp breaker tripped', furnace, 'note 20 amp breaker tripped'],
    ['supply 208', electricRoof, 'line 208'],
    ['outdoor temp 28', stat, 'note outdoor temp 28'],
    ['jumped the limit to test', furnace, 'bypassed the limit'],
    ['holds without outdoor Y', furnace, 'lift outdoor Y; holds'],
    ['fuse lasts about a minute', furnace, 'tripped after 60 s'],
    ['customer replaced the fuse twice', furnace, 'note customer replaced the fuse twice'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })

  it('what runs outdoors is no call of the thermostat', () => {
    expect(drafts(heatPump, 'nothing on out here')[0]).toMatchObject({ complaint: { symptoms: ['nothing-runs'] } })
  })

  it('a breaker in the panel of the house is none in the fuse slot', () => {
    expect(drafts(furnace, 'breaker tripped in the panel').map(({ kind }) => kind)).not.toContain('trip')
  })

  it('how often it went is what the customer told', () => {
    expect(drafts(furnace, 'blows about once a week')[0].kind).toBe('complaint')
  })

  it.each([
    ['off', furnace, 'The call, or the power?'],
    ['compressor starts then trips', heatPump, 'What trips'],
    ['fan motor dead', heatPump, 'condenser fan: still'],
    ['igniter gets half voltage', induced, 'How many volts'],
    ['took both switches out of the circuit', heatPump, 'Joined past them, or off their plugs?'],
    ['jumped Y1 and Y2', twoStage, 'To each other, or each to R?'],
    ['gas valve off', twoStage, 'unplugged?'],
    ['one leg', heatPump, 'Which leg?'],
    ["24 on the coil and it won't pull in", furnace, 'coil'],
    ['0 to 24 when cool comes on', furnace, 'Between which two points'],
    ['board has no fuse', induced, 'Is its holder empty'],
  ])('is asked after: %s', (said, where, asked) => {
    const read = where(said)
    expect(read.ok ? read.say : read.problem).toContain(asked)
  })
})

describe('two wires on each other’s screws', () => {
  const word = 'swapped: stat-cable.Y@thermostat with stat-cable.G@thermostat'

  it.each([
    ['Y and G are swapped', stat],
    ['yellow and green are reversed', stat],
    ['landings G and Y swapped', stat],
    ['landings at the thermostat: Y and G of the stat cable are swapped', stat],
  ])('%s', (said, where) => {
    expect(drafts(where, said)).toEqual([{ kind: 'reading', probe: { meter: 'look', at: 'landings@thermostat' }, answer: { word } }])
  })

  it('are of the one cable that has both, wherever one stands', () => {
    expect(drafts(airHandler, 'landings Y and G swapped')).toEqual(drafts(airHandler, 'landings stat Y and G swapped'))
    expect(drafts(airHandler, 'stat Y and O are swapped')).toEqual(drafts(airHandler, 'landings stat Y and O swapped'))
    expect(airHandler('landings Y and O swapped').ok).toBe(false)
  })

  it('the second of the two that is told makes them a pair', () => {
    expect(drafts(stat, 'landings Y on G; landings G on Y').at(-1)).toMatchObject({ answer: { word } })
  })
})
