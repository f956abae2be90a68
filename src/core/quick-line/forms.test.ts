import { drafts, standing } from '@/tests/setup/standing'

/** One entry, and the ways in which it is typed, parted by bars: each is that entry and nothing else. */
const ways: readonly (readonly [meant: string, system: string, place: string, power: 'on' | 'off', said: string])[] = [
  [
    'Y-C 26',
    'heat-pump-o',
    'indoor',
    'on',
    `
    y-c 26 | Y C 26 | yc 26 | YC 26 | y to c 26 | Y to C is 26 | Y to C reads 26 | Y/C 26 | y & c 26 | 26 y c |
    26 on y to c | 26 volts y to c | 26v y-c | 26 vac between y and c | between y and c 26 | from y to c 26 | y c = 26 |
    y-c: 26 | y to common 26 | Y 26 | y is 26 | y has 26 | y reads 26 | 26 on y | 26 volts on Y | 26 at y | got 26 on y |
    getting 26 at y | I've got 26 volts at Y | Y terminal 26 | y terminal reads 26 volts | voltage on y 26 | volts at y 26 |
    measured 26 y to c | meter says 26 on y | 26 V from Y to common | yellow to common 26 at the strip | Y and C 26 |
    reading 26 y to c | y-c 26vac | y-c 26 volts ac | y to c, 26 | 26, y to c | y26 | YC=26 | Y-C 26V | y -c 26 | y- c 26
    `,
  ],
  [
    'Y-C 0',
    'heat-pump-o',
    'indoor',
    'on',
    `
    y 0 | no voltage on y | nothing on y | y dead | y is dead | zero on y | 0 volts y to c | no 24 on y | no power on y |
    y to c nothing | y c zero | no volts y to c | y has nothing | no voltage between y and c | nothing from y to c |
    Y has no power | not getting anything on y | no juice on y | no signal on y | y reads zero
    `,
  ],
  [
    'Y-C OL',
    'heat-pump-o',
    'indoor',
    'off',
    `
    y-c ol | y to c open | y to c OL | y c infinite | y to c reads open | open between y and c | OL y to c |
    ohms y to c OL | y-c no reading | y to c infinity | infinite y to c | y to c is open line
    `,
  ],
  [
    'Y-gnd 0.4',
    'heat-pump-o',
    'indoor',
    'off',
    `
    y to ground 0.4 | y-gnd .4 | y to chassis 0.4 | 0.4 y to ground | y to gnd 0.4 ohms | 0.4 ohms y to ground |
    y shorted to ground 0.4 | ohms y to ground 0.4 | y to cabinet 0.4 | y to metal .4 | Y gnd 0.4 | y to case 0.4 |
    .4 from y to ground | y to frame 0.4 ohm | y to earth 0.4
    `,
  ],
  [
    'ohms across contactor 14',
    'heat-pump-o',
    'outdoor',
    'off',
    `
    contactor coil 14 | contactor 14 ohms | contactor coil reads 14 | 14 ohms across the contactor coil |
    14 on the contactor coil | contactor coil ohms 14 | ohmed the contactor coil 14 | contactor coil measures 14 ohms |
    14 ohm contactor coil | contactor coil is 14 | the contactor ohms out at 14
    `,
  ],
  [
    'lift outdoor Y',
    'heat-pump-o',
    'indoor',
    'off',
    `
    lift outdoor y | outdoor y off | pulled outdoor y | took outdoor y off | disconnected outdoor y | outdoor y lifted |
    took off the outdoor y wire | lifted y to the outdoor | unhooked the outdoor yellow | outdoor yellow off |
    y to outside off | removed outdoor y | y going outside off | pulled y of the outdoor cable | outdoor cable y off |
    lifting outdoor y | outdoor y disconnected | pulled the yellow going outside
    `,
  ],
  [
    'jumper R Y',
    'heat-pump-o',
    'indoor',
    'on',
    `
    jumper r y | jump r to y | jumped r and y | r y jumped | r to y jumped | jumper from r to y | jumper between r and y |
    jumpered r-y | tied r to y | connect r to y | put a jumper on r and y | r jumped to y | jumping r to y |
    bridged r and y | r-y jumper in | jumper on r to y | hooked r to y | touched r to y | shorted r to y with a jumper |
    jumper R-Y | jumpered r over to y
    `,
  ],
  [
    'trips on cool',
    'furnace-ac',
    'indoor',
    'on',
    `
    trips on cool | cool trips | trips on a cool call | trips when it calls for cool | trips when cooling | pops on cool |
    blows on cooling | fuse blows on cool | breaker trips in cooling | trips calling for cool | tripped on cool |
    it tripped when i called for cool | cool call trips it | cooling blows the fuse | call cool, trips |
    trips with cool on | trips as soon as cool comes on | fuse popped on a call for cooling | trip on cooling |
    trips in ac | ac trips it | trips every time i call for cooling
    `,
  ],
  [
    'holds on heat',
    'furnace-ac',
    'indoor',
    'on',
    `
    holds on heat | heat holds | ok on heat | fine on heat | no trip on heat | does not trip on heat |
    doesn't trip in heat | heat is fine | heat ok | heat call holds | holds in heating | heat no trip |
    breaker holds on heat | call heat, holds | no problem on heat | heat good, no trip
    `,
  ],
  [
    'call cool',
    'furnace-ac',
    'thermostat',
    'on',
    `
    call cool | call for cool | calling cool | set to cool | calling for cooling | set stat to cool | turn on cooling |
    turned on the ac | cool call on | thermostat to cool | put it in cool | stat set to cool | cooling on |
    called for cooling | set it for cool | turn the stat down | cool mode | switched to cool | started a cool call
    `,
  ],
  [
    'thermostat blank',
    'furnace-ac',
    'thermostat',
    'on',
    `
    thermostat blank | stat is blank | stat dead | no display | blank stat | screen is dark | thermostat is dead |
    display is blank | stat has no display | dead thermostat | blank screen | screen dead | t-stat blank |
    thermostat screen blank | the display is out
    `,
  ],
  [
    'contactor in',
    'furnace-ac',
    'outdoor',
    'on',
    `
    contactor in | contactor is in | contactor pulled in | contactor pulls in | contactor energized | contactor closed |
    contactor engaged | the contactor is pulled in | contactor made | contactor is sucked in | contactor clicks in |
    pulled in contactor
    `,
  ],
  [
    'contactor out',
    'furnace-ac',
    'outdoor',
    'on',
    `
    contactor out | contactor is out | contactor not in | contactor not pulled in | contactor open |
    contactor not pulling in | contactor won't pull in | contactor dropped out | contactor is not energized |
    contactor not engaged | contactor isn't pulling in | contactor not closing | contactor does not pull in
    `,
  ],
  [
    'fuse blown',
    'furnace-ac',
    'indoor',
    'on',
    `
    fuse blown | blown fuse | fuse is blown | fuse popped | popped fuse | fuse is bad | fuse blew | bad fuse |
    fuse is open | found the fuse blown | 3 amp fuse blown | fuse on the board is blown | fuse toast | fuse burned |
    low voltage fuse blown | purple fuse blown | the fuse was blown
    `,
  ],
  [
    'breaker in',
    'furnace-ac',
    'indoor',
    'on',
    `
    breaker in | put in the breaker | put my breaker in | pocket breaker in | breaker in the slot | resettable breaker in |
    installed a breaker | breaker in place of the fuse | swapped fuse for breaker | breaker installed | put a breaker in |
    put the breaker in the fuse holder | stuck a breaker in | using the breaker | breaker in fuse slot | popper in
    `,
  ],
  [
    'walk outdoor',
    'furnace-ac',
    'indoor',
    'on',
    `
    walk outdoor | outside | going outside | go outside | at the condenser | walked outside | at the outdoor unit |
    to the condenser | heading outside | out to the condenser | i'm outside | at condenser | outdoors | went outside |
    out at the condenser
    `,
  ],
  [
    'power off',
    'furnace-ac',
    'indoor',
    'on',
    `
    power off | killed the power | power is off | turned power off | shut off the power | cut power | power down |
    furnace switch off | power killed | shut the power off | turned everything off
    `,
  ],
  [
    'unplug contactor',
    'furnace-ac',
    'outdoor',
    'off',
    `
    unplug contactor | unplugged the contactor | contactor unplugged | disconnected the contactor | contactor disconnected |
    took the wires off the contactor | pulled the contactor coil wires | contactor coil off | coil wires off the contactor |
    isolated the contactor | contactor isolated | pulled the leads off the contactor | wires off the contactor coil
    `,
  ],
  [
    'swap stat Y to brown',
    'furnace-ac',
    'indoor',
    'on',
    `
    swap stat y to brown | swapped stat y to brown | moved stat y to brown | stat y to brown | using brown for stat y |
    switched stat y to the brown spare | put stat y on brown | use the brown for stat y | brown is now stat y |
    changed stat yellow to brown | swap stat yellow to brown | swapped stat y over to brown both ends |
    stat y moved to brown
    `,
  ],
  [
    '0.9 A on R',
    'furnace-ac',
    'indoor',
    'on',
    `
    0.9 A on R | 0.9 amps on r | amps on r 0.9 | clamp r 0.9 | r draws 0.9 | clamped r 0.9 amps | 0.9 amps |
    drawing 0.9 amps | r is pulling 0.9 amps | amp draw 0.9 | draw on r 0.9 | 0.9 amps on the r wire | current on r 0.9 |
    24v draw 0.9 amps
    `,
  ],
  [
    'primary 120',
    'furnace-ac',
    'indoor',
    'on',
    `
    primary 120 | 120 on primary | 120 on the primary | primary has 120 | primary side 120 |
    120 volts at the transformer primary | transformer primary 120 | 120 going in to the transformer | primary reads 120 |
    120 to the transformer | input 120 | line side of the transformer 120 | 120 into transformer | xfmr primary 120
    `,
  ],
  [
    'transformer secondary 26',
    'furnace-ac',
    'indoor',
    'on',
    `
    secondary 26 | 26 on secondary | 26 on the secondary | secondary has 26 | secondary side 26 |
    26 out of the transformer | transformer output 26 | transformer secondary 26 | secondary reads 26 |
    26 volts off the transformer | transformer puts out 26 | xfmr secondary 26 | 26 at the transformer
    `,
  ],
  [
    'landings outdoor Y off',
    'furnace-ac',
    'outdoor',
    'off',
    `
    landings outdoor y off | y wire is off | y fell off | found y off the screw | y not connected | y wire loose |
    y came off | y wire fell off | found the y wire off | y wire was hanging loose | y came loose | no wire on y |
    y pulled out
    `,
  ],
  [
    'jumper out high-pressure',
    'furnace-ac',
    'outdoor',
    'off',
    `
    bypass the high pressure switch | jumped out the high pressure switch | jumper across the high pressure switch |
    jumped the high pressure | bypassed high pressure | jump the high-pressure switch | high pressure switch jumped |
    jumpered the high pressure switch | high pressure bypassed | hp switch jumped out | jumper on the high pressure switch |
    high pressure jumped out
    `,
  ],
  [
    'valve in',
    'heat-pump-o',
    'outdoor',
    'on',
    `
    reversing valve in | reversing valve energized | rv energized | reversing valve is energized | valve shifted |
    reversing valve pulled in | rv in | reversing valve shifts | reversing valve clicks in | valve energized |
    reversing valve on | solenoid energized
    `,
  ],
  [
    'walk thermostat',
    'furnace-ac',
    'outdoor',
    'on',
    `
    walk thermostat | at the stat | at the thermostat | going to the stat | back at the stat |
    back in the house at the thermostat | to the thermostat | upstairs at the stat | stat | inside at the thermostat |
    over at the thermostat | went to the thermostat
    `,
  ],
  [
    'walk indoor',
    'furnace-ac',
    'outdoor',
    'on',
    `
    walk indoor | at the furnace | back at the furnace | in the attic | inside | back inside | going to the furnace |
    up in the attic | at the air handler | to the furnace | down at the furnace | in the closet at the furnace
    `,
  ],
  [
    'power on',
    'furnace-ac',
    'indoor',
    'off',
    `
    power on | power back on | turned power on | turned the power back on | energized | power restored |
    switched the power on | powered up | power is on | furnace switch on | turned it back on
    `,
  ],
  [
    'call emergency',
    'heat-pump-o',
    'thermostat',
    'on',
    `
    emergency heat | em heat | call emergency heat | set to emergency heat | emergency heat on | e heat |
    put it in emergency heat | calling emergency heat | switched to em heat | emer heat | em ht
    `,
  ],
  [
    'call heat-2',
    'heat-pump-o',
    'thermostat',
    'on',
    `
    call heat-2 | second stage heat | stage 2 heat | call aux | aux heat | calling aux | heat stage 2 |
    call for second stage heat | 2nd stage heat | aux on | call heat 2 | heat second stage
    `,
  ],
  [
    'call fan',
    'heat-pump-o',
    'thermostat',
    'on',
    `
    call fan | fan on | turn fan on | fan call | calling for fan | set fan to on | fan only | fan switch on | call for fan |
    turned the fan on
    `,
  ],
  [
    'call off',
    'furnace-ac',
    'thermostat',
    'on',
    `
    call off | turned off the stat | set to off | nothing calling | no call | turned the thermostat off | call is off |
    off
    `,
  ],
  [
    'low-pressure 24 V',
    'furnace-ac',
    'outdoor',
    'on',
    `
    24 across the low pressure switch | low pressure switch 24 V | 24 volts across low pressure | low pressure 24 |
    across low pressure switch 24 | low pressure switch has 24 across it | reading 24 across the low pressure |
    lp switch 24 | 24v on the low pressure switch
    `,
  ],
  [
    'ohms across low-pressure OL',
    'furnace-ac',
    'outdoor',
    'off',
    `
    low pressure switch open | low pressure open | low pressure switch OL | open low pressure switch |
    low pressure switch is open | lp switch open | low pressure reads OL | low pressure switch ohms open |
    no continuity through low pressure | low pressure switch reads open
    `,
  ],
  [
    'R-C 26; Y-C 0; W-C 26',
    'furnace-ac',
    'indoor',
    'on',
    `
    rc 26, yc 0, wc 26 | r-c 26 y-c 0 w-c 26 | R to C 26, Y to C 0, W to C 26 | rc 26 yc 0 wc 26 | r 26, y 0, w 26 |
    R C 26 Y C 0 W C 26 | r to c 26 y to c 0 w to c 26 | 26 r to c, 0 y to c, 26 w to c | R 26 Y 0 W 26 |
    r c 26; y c 0; w c 26 | R-C=26, Y-C=0, W-C=26 | rc=26 yc=0 wc=26 | r 26 y 0 w 26
    `,
  ],
  [
    'lift outdoor Y; holds',
    'furnace-ac',
    'indoor',
    'on',
    `
    lift outdoor y; holds | outdoor y off, holds | took outdoor y off and it holds | holds with outdoor y off |
    with outdoor y off it holds | pulled outdoor y, no trip | outdoor y lifted holds | outdoor y off now it holds |
    holds when outdoor y is off | disconnected outdoor y, breaker holds | lifted outdoor y, fuse holds |
    outdoor y off no trip
    `,
  ],
  [
    'unplug contactor; holds',
    'furnace-ac',
    'outdoor',
    'on',
    `
    unplug contactor; holds | unplugged the contactor, holds | contactor unplugged, holds |
    holds with the contactor unplugged | contactor off holds | with the contactor unplugged it holds |
    pulled the contactor wires, holds | disconnected contactor and it holds | contactor disconnected no trip
    `,
  ],
  [
    'O-C 24',
    'heat-pump-o',
    'outdoor',
    'on',
    `
    o 24 | o to c 24 | O has 24 | 24 on o | o terminal 24 | o-c 24 | 24 on the o wire | O C 24 | o wire 24 volts | 24 at o
    `,
  ],
]

describe.each(ways)('%s', (meant, system, place, power, said) => {
  const where = standing(system, place, power)
  it.each(said.split('|').map((line) => line.trim()))('%s', (line) => {
    expect(drafts(where, line)).toEqual(drafts(where, meant))
  })
})
