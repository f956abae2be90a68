import { drafts, standing } from '@/tests/setup/standing'

/** Lines of which nothing before them says what they mean. */
const furnace = standing('furnace-ac', 'indoor', 'on')
const heatPump = standing('heat-pump-o', 'outdoor', 'on')
const deadHeatPump = standing('heat-pump-o', 'outdoor', 'off')
const panel = standing('zoned-furnace-ac', 'panel', 'on')
const deadOutdoors = standing('furnace-ac', 'outdoor', 'off')
const noCommon = standing('furnace-no-common', 'indoor', 'on')
const statOfB = standing('heat-pump-b', 'thermostat', 'on')
const twoSupplies = standing('furnace-two-transformers', 'indoor', 'on')
const roof = standing('rooftop-gas', 'package', 'on')
const withBreaker = standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'breaker', ratingA: 3 })
const withCoverOff = standing('furnace-ac', 'indoor', 'on', { do: 'panel', place: 'indoor', on: false })
const deadHeatPumpInside = standing('heat-pump-b', 'indoor', 'off')
const electricRoof = standing('rooftop-electric', 'package', 'on')
const onHeat = standing('heat-pump-o', 'outdoor', 'on', { do: 'call', call: 'heat' })
const contactorOff = standing('heat-pump-o', 'outdoor', 'off', { do: 'unplug', part: 'contactor' })
const heatPumpInside = standing('heat-pump-o', 'indoor', 'on')
const onCool = standing('heat-pump-o', 'outdoor', 'on', { do: 'call', call: 'cool' })
const plain = standing('air-handler-plain', 'indoor', 'on')

describe('a line by itself', () => {
  it.each([
    ['blew a fuse as soon as the stat called for cooling', furnace, 'trips on cool'],
    ['new 3 amp fuse blew when cooling kicked in', furnace, 'trips on cool'],
    ["can't get it to trip", furnace, 'holds'],
    ['stat Y off holds, stat Y on trips', furnace, 'lift stat Y; holds; land stat Y; trips'],
    ['someone has a 15 amp fuse in there', furnace, 'fuse 15 in'],
    ['installed a 3 amp fuse in the R leg', plain, 'fuse 3 in'],
    ['inline 5A fuse added', plain, 'fuse 5 in'],
    ['fuse on the furnace blown', panel, 'fuse blown'],
    ['between red and blue 25', furnace, 'R-C 25'],
    ['121 L to N', furnace, 'L1-N 121'],
    ['120 to the transformer, no 24', furnace, 'primary 120; secondary 0'],
    ['low voltage, 19 on R C', furnace, 'R-C 19'],
    ['Y-C 13.8Ω', deadHeatPump, 'Y-C 13.8 ohm'],
    ['2.2 meg Y to ground', deadHeatPump, 'Y-gnd 2.2 Mohm'],
    ['Y, O and W OL to ground', deadHeatPump, 'Y-gnd OL; O-gnd OL; W-gnd OL'],
    ['no ground on Y', deadHeatPump, 'Y-gnd no beep'],
    ['lifted both ends of outdoor Y', deadHeatPump, 'lift outdoor Y at both ends'],
    ['lifted Y, Y to C still 0.3 on the cable', deadHeatPump, 'lift Y; lifted Y-C 0.3'],
    ['Y to C 13.8 with the contactor plugged in', deadHeatPump, 'Y-C 13.8'],
    ['line side 241 load side 0', heatPump, 'line side 241; load side 0'],
    ['found yellow broken off at the board', furnace, 'landings stat Y off'],
    ['twisted red and yellow together', furnace, 'jumper R Y'],
    ['tied the red and white together at the wall', furnace, 'jumper R W at thermostat'],
    ['jumped R to G, got the blower', furnace, 'jumper R G; blower runs'],
    ['lifted everything but R and C', furnace, 'lift stat Y; lift stat G; lift stat W; lift outdoor Y'],
    ['set zone 2 to cool', panel, 'call cool zone 2'],
    ['Y-C at the panel 24', panel, 'Y-C1 24'],
    ['panel cover off', panel, 'panel panel off'],
    ['dropped the stat to 65', plain, 'call cool'],
    ['customer declined', plain, 'leave customer declined'],
    ['smoke detector tripped', heatPump, 'note smoke detector tripped'],
    ['Y-C 12.7, contactor off 0.3', deadOutdoors, 'Y-C 12.7; unplug contactor; Y-C 0.3'],
    ['Y wire to ground OL both ends off', deadOutdoors, 'lift outdoor Y at both ends; ohms lifted outdoor Y-gnd OL'],
    ['took Y off, wire to ground OL, unit side 0.3', deadOutdoors, 'lift Y; ohms lifted Y-gnd OL; ohms screw Y-gnd 0.3'],
    ['lp out, Y-gnd OL', deadOutdoors, 'unplug low-pressure; Y-gnd OL'],
    ['both switches read 0', deadOutdoors, 'both pressure switches closed'],
    ["meter doesn't beep Y to ground", deadOutdoors, 'no beep Y to ground'],
    ["wire's broken somewhere", deadOutdoors, "note wire's broken somewhere"],
    ['burners light then go out', noCommon, 'note burners light then go out'],
    ['stat says heat on', statOfB, 'call heat; thermostat shows a call'],
    ['stat says Y wire short', statOfB, 'call cool; thermostat over-current code on Y'],
    ['C wire broke off behind the stat', statOfB, 'landings C off'],
    ['AC fuse blown', twoSupplies, 'fuse blown'],
    ['W has 24', roof, 'W1-C 24'],
    ['stat in suite B set to heat', roof, 'call heat'],
    ['took the breaker out, new 3 amp fuse in', withBreaker, 'slot empty; fuse 3 in'],
    ['put the covers back', withCoverOff, 'panel indoor on'],
    ['Y to C 13.8 with the contactor plugged in', contactorOff, 'plug contactor; Y-C 13.8'],
    ['R-C 26 at the furnace in the garage', furnace, 'R-C 26'],
    ["doesn't trip on heat, only cool", furnace, 'holds on heat; trips on cool'],
    ['was tripped when I got here', furnace, 'note was tripped when I got here'],
    ['had 24 on Y earlier', furnace, 'note had 24 on Y earlier'],
    ['0.4 A fan, 0.9 A cool', furnace, 'call fan; 0.4 A on R; call cool; 0.9 A on R'],
    ['5 amp in a 3 amp slot', furnace, 'fuse 5 in'],
    ['Y leaves at 25 arrives at 3', furnace, 'Y-C 25; Y-C 3 at outdoor'],
    ['wrong fuse in it, 5 amp', furnace, 'fuse 5 in'],
    ['tried a new fuse, blew', furnace, 'fuse in; trips'],
    ['Y 13 O 19 W OL R OL', deadHeatPump, 'Y-C 13; O-C 19; W-C OL; R-C OL'],
    ['Y yes O no', onCool, 'Y hot; O dead'],
    ['24 on O not on Y', onCool, 'O-C 24; Y-C 0'],
    ['pulled O and the valve let go', onCool, 'lift O; valve out'],
    ['it held with Y off outside and tripped with it on', onCool, 'lift Y; holds; land Y; trips'],
    ['Y-C here 25, outside 0', heatPumpInside, 'Y-C 25; Y-C 0 at outdoor'],
    ['outside: contactor in, fan running', heatPumpInside, 'walk outdoor; contactor in; condenser-fan runs'],
    ['y, g 24', furnace, 'Y-C 24; G-C 24'],
    ['R to G no fan', furnace, 'jumper R G; blower still'],
    ['jump y', furnace, 'jumper R Y'],
    ['R-Y makes contactor pull in', furnace, 'jumper R Y; contactor in'],
    ['cap outdoor y and c', furnace, 'lift outdoor Y; lift outdoor C; note cap outdoor y and c'],
    ['pull limit plug', furnace, 'unplug limit'],
    ['condensor fan runs', furnace, 'condenser-fan runs'],
    ['unpluged the limit', furnace, 'unplug limit'],
    ['yelow to blue 24', furnace, 'yellow to blue 24'],
    ['looking outside Y to C 12.4', deadHeatPumpInside, 'ohms outdoor Y-outdoor C 12.4'],
    ['crankcase heater cold', electricRoof, 'note crankcase heater cold'],
    ['unit shut off', onHeat, 'outdoor not as called'],
    ['W dropped out', onHeat, 'W-C 0 V'],
    ['24 after the high pressure 0 after the low', onHeat, '24 after the high pressure; 0 after the low pressure'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })

  it.each([
    ['white fell off the W terminal', furnace, 'Which white?'],
    ['0.6 amps on red', furnace, 'Which red?'],
    ['fuse is jumped out with foil', furnace, 'Nothing is run with its fuse bypassed'],
    ['25.1 on the coil', heatPump, 'Which coil?'],
    ['lost a leg at the disconnect', heatPump, 'Read the legs'],
    ['removed yellow and white at condenser', furnace, 'Which white?'],
    ['cable only Y-C 12.4', deadHeatPumpInside, 'nothing of "cable only"'],
    ['reversing valve off', heatPump, 'De-energized, or unplugged?'],
    ['no call at the unit', heatPump, 'Which call is missing?'],
    ['short the secondary', furnace, 'Never join C'],
    ['contactor drops out when the fan starts', onCool, 'nothing of "when the fan starts"'],
    ['clears when I lift O', deadHeatPump, 'nothing of "clears"'],
    ['same thing outside', furnace, 'What was it, and where?'],
    ['going to lift outdoor Y', furnace, 'That is not done yet'],
    ['tried to lift outdoor Y, screw is stuck', furnace, 'That is not done yet'],
    ["couldn't get outdoor Y off", furnace, 'That is not done yet'],
    ['spark R to ground', furnace, 'Never join C'],
    ['alligator clip from R to C', furnace, 'Never join C'],
    ['hold the breaker in', furnace, 'Nothing is run with its fuse bypassed'],
  ])('is asked after: %s', (said, where, asked) => {
    const read = where(said)
    expect(read.ok ? read.say : read.problem).toContain(asked)
  })
})
