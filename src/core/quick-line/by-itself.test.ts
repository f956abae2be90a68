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
    [furnace, 'blew a fuse as soon as the stat called for cooling', 'trips on cool'],
    [furnace, 'new 3 amp fuse blew when cooling kicked in', 'trips on cool'],
    [furnace, "can't get it to trip", 'holds'],
    [furnace, 'stat Y off holds, stat Y on trips', 'lift stat Y; holds; land stat Y; trips'],
    [furnace, 'someone has a 15 amp fuse in there', 'fuse 15 in'],
    [plain, 'installed a 3 amp fuse in the R leg', 'fuse 3 in'],
    [plain, 'inline 5A fuse added', 'fuse 5 in'],
    [panel, 'fuse on the furnace blown', 'fuse blown'],
    [furnace, 'between red and blue 25', 'R-C 25'],
    [furnace, '121 L to N', 'L1-N 121'],
    [furnace, '120 to the transformer, no 24', 'primary 120; secondary 0'],
    [furnace, 'low voltage, 19 on R C', 'R-C 19'],
    [deadHeatPump, 'Y-C 13.8Ω', 'Y-C 13.8 ohm'],
    [deadHeatPump, '2.2 meg Y to ground', 'Y-gnd 2.2 Mohm'],
    [deadHeatPump, 'Y, O and W OL to ground', 'Y-gnd OL; O-gnd OL; W-gnd OL'],
    [deadHeatPump, 'no ground on Y', 'Y-gnd no beep'],
    [deadHeatPump, 'lifted both ends of outdoor Y', 'lift outdoor Y at both ends'],
    [deadHeatPump, 'lifted Y, Y to C still 0.3 on the cable', 'lift Y; lifted Y-C 0.3'],
    [deadHeatPump, 'Y to C 13.8 with the contactor plugged in', 'Y-C 13.8'],
    [heatPump, 'line side 241 load side 0', 'line side 241; load side 0'],
    [furnace, 'found yellow broken off at the board', 'landings stat Y off'],
    [furnace, 'twisted red and yellow together', 'jumper R Y'],
    [furnace, 'tied the red and white together at the wall', 'jumper R W at thermostat'],
    [furnace, 'jumped R to G, got the blower', 'jumper R G; blower runs'],
    [furnace, 'lifted everything but R and C', 'lift stat Y; lift stat G; lift stat W; lift outdoor Y'],
    [panel, 'set zone 2 to cool', 'call cool zone 2'],
    [panel, 'Y-C at the panel 24', 'Y-C1 24'],
    [panel, 'panel cover off', 'panel panel off'],
    [plain, 'dropped the stat to 65', 'call cool'],
    [plain, 'customer declined', 'leave customer declined'],
    [heatPump, 'smoke detector tripped', 'note smoke detector tripped'],
    [deadOutdoors, 'Y-C 12.7, contactor off 0.3', 'Y-C 12.7; unplug contactor; Y-C 0.3'],
    [deadOutdoors, 'Y wire to ground OL both ends off', 'lift outdoor Y at both ends; ohms lifted outdoor Y-gnd OL'],
    [deadOutdoors, 'took Y off, wire to ground OL, unit side 0.3', 'lift Y; ohms lifted Y-gnd OL; ohms screw Y-gnd 0.3'],
    [deadOutdoors, 'lp out, Y-gnd OL', 'unplug low-pressure; Y-gnd OL'],
    [deadOutdoors, 'both switches read 0', 'both pressure switches closed'],
    [deadOutdoors, "meter doesn't beep Y to ground", 'no beep Y to ground'],
    [deadOutdoors, "wire's broken somewhere", "note wire's broken somewhere"],
    [noCommon, 'burners light then go out', 'note burners light then go out'],
    [statOfB, 'stat says heat on', 'call heat; thermostat shows a call'],
    [statOfB, 'stat says Y wire short', 'call cool; thermostat over-current code on Y'],
    [statOfB, 'C wire broke off behind the stat', 'landings C off'],
    [twoSupplies, 'AC fuse blown', 'fuse blown'],
    [roof, 'W has 24', 'W1-C 24'],
    [roof, 'stat in suite B set to heat', 'call heat'],
    [withBreaker, 'took the breaker out, new 3 amp fuse in', 'slot empty; fuse 3 in'],
    [withCoverOff, 'put the covers back', 'panel indoor on'],
    [contactorOff, 'Y to C 13.8 with the contactor plugged in', 'plug contactor; Y-C 13.8'],
    [furnace, 'R-C 26 at the furnace in the garage', 'R-C 26'],
    [furnace, "doesn't trip on heat, only cool", 'holds on heat; trips on cool'],
    [furnace, 'was tripped when I got here', 'note was tripped when I got here'],
    [furnace, 'had 24 on Y earlier', 'note had 24 on Y earlier'],
    [furnace, '0.4 A fan, 0.9 A cool', 'call fan; 0.4 A on R; call cool; 0.9 A on R'],
    [furnace, '5 amp in a 3 amp slot', 'fuse 5 in'],
    [furnace, 'Y leaves at 25 arrives at 3', 'Y-C 25; Y-C 3 at outdoor'],
    [furnace, 'wrong fuse in it, 5 amp', 'fuse 5 in'],
    [furnace, 'tried a new fuse, blew', 'fuse in; trips'],
    [deadHeatPump, 'Y 13 O 19 W OL R OL', 'Y-C 13; O-C 19; W-C OL; R-C OL'],
    [onCool, 'Y yes O no', 'Y hot; O dead'],
    [onCool, '24 on O not on Y', 'O-C 24; Y-C 0'],
    [onCool, 'pulled O and the valve let go', 'lift O; valve out'],
    [onCool, 'it held with Y off outside and tripped with it on', 'lift Y; holds; land Y; trips'],
    [heatPumpInside, 'Y-C here 25, outside 0', 'Y-C 25; Y-C 0 at outdoor'],
    [heatPumpInside, 'outside: contactor in, fan running', 'walk outdoor; contactor in; note fan running'],
    [furnace, 'y, g 24', 'Y-C 24; G-C 24'],
    [furnace, 'R to G no fan', 'jumper R G; blower still'],
    [furnace, 'jump y', 'jumper R Y'],
    [furnace, 'R-Y makes contactor pull in', 'jumper R Y; contactor in'],
    [furnace, 'cap outdoor y and c', 'lift outdoor Y; lift outdoor C; note cap outdoor y and c'],
    [furnace, 'pull limit plug', 'unplug limit'],
    [furnace, 'condensor fan runs', 'note condenser fan runs'],
    [furnace, 'unpluged the limit', 'unplug limit'],
    [furnace, 'yelow to blue 24', 'yellow to blue 24'],
    [deadHeatPumpInside, 'looking outside Y to C 12.4', 'ohms outdoor Y-outdoor C 12.4'],
    [electricRoof, 'crankcase heater cold', 'note crankcase heater cold'],
    [onHeat, 'unit shut off', 'outdoor not as called'],
    [onHeat, 'W dropped out', 'W-C 0 V'],
    [onHeat, '24 after the high pressure 0 after the low', '24 after the high pressure; 0 after the low pressure'],
  ])('%p: %s', (where, said, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })

  it.each([
    [furnace, 'white fell off the W terminal', 'Which white?'],
    [furnace, '0.6 amps on red', 'Which red?'],
    [furnace, 'fuse is jumped out with foil', 'Nothing is run with its fuse bypassed'],
    [heatPump, '25.1 on the coil', 'Which coil?'],
    [heatPump, 'lost a leg at the disconnect', 'Read the legs'],
    [furnace, 'removed yellow and white at condenser', 'Which white?'],
    [deadHeatPumpInside, 'cable only Y-C 12.4', 'nothing of "cable only"'],
    [heatPump, 'reversing valve off', 'De-energized, or unplugged?'],
    [heatPump, 'no call at the unit', 'Which call is missing?'],
    [furnace, 'short the secondary', 'Never join C'],
    [onCool, 'contactor drops out when the fan starts', 'nothing of "fan"'],
    [deadHeatPump, 'clears when I lift O', 'nothing of "clears"'],
    [furnace, 'same thing outside', 'What was it, and where?'],
    [furnace, 'going to lift outdoor Y', 'That is not done yet'],
    [furnace, 'tried to lift outdoor Y, screw is stuck', 'That is not done yet'],
    [furnace, "couldn't get outdoor Y off", 'That is not done yet'],
    [furnace, 'spark R to ground', 'Never join C'],
    [furnace, 'alligator clip from R to C', 'Never join C'],
    [furnace, 'hold the breaker in', 'Nothing is run with its fuse bypassed'],
  ])('is asked after: %s %s', (where, said, asked) => {
    const read = where(said)
    expect(read.ok ? read.say : read.problem).toContain(asked)
  })
})
