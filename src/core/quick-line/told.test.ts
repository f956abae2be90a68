import { drafts, standing } from '@/tests/setup/standing'

const liveOutside = standing('heat-pump-o', 'outdoor', 'on')
const liveInside = standing('heat-pump-o', 'indoor', 'on')
const deadInside = standing('heat-pump-o', 'indoor', 'off')
const deadOutside = standing('heat-pump-o', 'outdoor', 'off')
const atStat = standing('heat-pump-o', 'thermostat', 'on')

describe('what is told means what the grammar has for it', () => {
  it.each([
    [liveInside, 'blew another one', 'fuse blown'],
    [liveInside, 'blown 3 amp', 'fuse blown'],
    [liveInside, '3 amp fuse is good', 'fuse good'],
    [liveInside, 'somebody put a 10 amp fuse in', 'fuse 10 in'],
    [liveInside, 'clg call trips it', 'trips on cool'],
    [liveInside, 'new fuse held', 'fuse in; holds'],
    [liveInside, 'no trip with outdoor Y off', 'lift outdoor Y; holds'],
    [atStat, 'stat went blank then came back', 'thermostat chatters'],
    [atStat, "screen's blank", 'thermostat blank'],
    [atStat, 'call for second stage heat', 'call heat2'],
    [liveOutside, 'rv energized', 'valve in'],
    [liveOutside, "24 at contactor but won't pull in", 'low-contactor-C 24; contactor out'],
    [liveOutside, 'defrost board light steady', 'defrost-board steady'],
    [liveInside, 'ahu blower off', 'blower still'],
    [deadInside, 'lift the whole outdoor cable', 'lift outdoor R; lift outdoor Y; lift outdoor O; lift outdoor W; lift outdoor C'],
    [deadInside, 'pulled Y at the outdoor cable', 'lift outdoor Y'],
    [deadInside, 'popped the stat off its base', 'unplug thermostat'],
    [deadOutside, 'pulled the plug off the reversing valve', 'unplug valve'],
    [deadInside, 'moved Y over to black', 'swap outdoor Y to black'],
    [deadInside, 'swap Y outside to the spare', 'swap outdoor Y to black'],
    [deadOutside, 'ohm out the low pressure switch: OL', 'ohms across low-pressure OL'],
    [liveInside, 'no secondary volts', 'sec-C 0 V'],
    [liveInside, 'clamped R at 0.8', '0.8 A on R'],
    [liveInside, 'outdoor: Y to C zero', 'Y-C 0 V at outdoor'],
    [liveInside, 'R to C drops to 12 when cool is called', 'call cool; R-C 12 V'],
    [liveInside, '26 volts from R to C and 0 from W to C', 'R-C 26 V; W-C 0 V'],
    [liveInside, 'all wires landed good', 'landings ok'],
    [liveInside, 'roughly 26 from R to C', 'R-C 26'],
    [liveInside, 'disconnected the condenser wires', 'lift outdoor R; lift outdoor Y; lift outdoor O; lift outdoor W; lift outdoor C'],
    [liveInside, 'fan holds, heat holds, cool trips', 'holds on fan; holds on heat; trips on cool'],
    [liveInside, 'okay on heat and fan', 'holds on heat; holds on fan'],
    [liveInside, 'Y floats around 8 to 12', 'Y-C jumps between 8 and 12'],
    [liveInside, 'peaked at 7 amps and tripped', 'trips; max 7 A on R'],
    [liveOutside, 'copper showing on the yellow wire', 'bare outdoor Y'],
    [liveOutside, 'no damage on the outdoor cable', 'sound outdoor cable'],
    [deadInside, '2k R to C', 'R-C 2 k'],
    [liveInside, 'Y and G have 24', 'Y-C 24; G-C 24'],
    [liveInside, 'R, Y and O hot', 'R is hot; Y is hot; O is hot'],
    [liveInside, 'R hot, Y nothing', 'R is hot; Y-C 0 V'],
    [deadInside, 'lifted R and Y of the stat cable', 'lift stat R; lift stat Y'],
    [deadInside, 'isolated the outdoor unit', 'lift outdoor R; lift outdoor Y; lift outdoor O; lift outdoor W; lift outdoor C'],
    [deadOutside, 'Y shorted to ground outside', 'Y-gnd jumps between 0 and 1'],
    [deadOutside, 'yellow to case .5', 'outdoor Y-gnd 0.5'],
    [liveOutside, 'steady green light on board', 'defrost-board steady'],
    [liveOutside, '26.5 R to C on the strip', 'R-C 26.5'],
    [liveInside, 'fan back to auto', 'call off'],
    [liveInside, '0.45 A through the fuse', '0.45 A on R'],
    [deadInside, 'O to ground 0.5 on the outdoor cable', 'outdoor O-gnd 0.5'],
    [deadInside, 'brown spare now doing Y', 'swap stat Y to brown'],
    [liveInside, 'transformer reads 240 in 26 out', 'line 240; sec-C 26 V'],
    [atStat, 'thermostat in off', 'call off'],
    [liveInside, 'outdoor unit off on cool call', 'call cool; outdoor not as called'],
    [liveInside, 'touched R to G and the blower came on', 'jumper R G; blower runs'],
  ])('%# %p', (read, told, typed) => {
    expect(drafts(read, told)).toEqual(drafts(read, typed))
  })

  it('of a switch: what goes in and what comes out', () => {
    const read = standing('furnace-ac', 'indoor', 'on')
    for (const line of ['limit has 26 in and 0 out', '26 going into the limit, nothing coming out'])
      expect(drafts(read, line)).toEqual(drafts(read, 'W-C 26 V; limit-rollout-C 0 V'))
  })

  it('of the line: hot to neutral, hot to ground', () => {
    const read = standing('furnace-ac', 'indoor', 'on')
    expect(drafts(read, '120 hot to neutral')).toEqual(drafts(read, 'L1-unit-N 120'))
    expect(drafts(read, 'hot to ground 121')).toEqual(drafts(read, 'L1-unit-gnd 121'))
  })

  it('of what runs through two switches in a row', () => {
    const read = standing('furnace-ac', 'outdoor', 'on')
    expect(drafts(read, '24V at Y, 24V past the high pressure, 0 past the low pressure')).toEqual(
      drafts(read, 'Y-C 24 V; high-low-C 24 V; low-contactor-C 0 V'),
    )
  })

  it('of how long it took to trip: what flowed meanwhile', () => {
    const read = standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'breaker', ratingA: 3 })
    const flowed = (line: string) => drafts(read, line).find(({ kind }) => kind === 'reading')
    expect(drafts(read, 'tripped after about 4 seconds on cooling')).toEqual(drafts(read, 'trips on cool after 4 s'))
    expect(flowed('trips after 30 s')).toMatchObject({ probe: { meter: 'amps', hold: 'max' }, answer: { low: expect.any(Number) } })
    expect(flowed('trips')).toBeUndefined()
  })

  it('of a thermostat that names an over-current code', () => {
    const read = standing('rooftop-gas', 'thermostat', 'on')
    expect(drafts(read, 'over current code on the stat')).toMatchObject([{ kind: 'complaint', complaint: { symptoms: ['code'] } }])
    expect(drafts(read, 'call heat; over current code on the stat')).toEqual(drafts(read, 'call heat; stat over-current code'))
  })

  it('clause by clause: what is not known of one clause is not left out of the others', () => {
    expect(drafts(liveInside, 'put the pocket breaker in, call cool, trips')).toEqual(drafts(liveInside, 'breaker in; call cool; trips'))
  })

  it('of a zone by its number', () => {
    const read = standing('zoned-furnace-ac', 'panel', 'off')
    expect(drafts(read, 'lift zone 2 Y')).toEqual(drafts(read, 'lift stat-cable-2 Y'))
  })
})

describe('what could mean two things is asked, and weighs nothing', () => {
  it.each([
    [liveInside, 'nothing runs out here', 'which'],
    [deadOutside, 'coil ohms out at 16', 'Which coil'],
    [deadInside, 'no short O to C', 'What did it read'],
    [liveInside, 'do the trip test', 'as an entry'],
    [liveInside, 'trips instantly on Y', 'jumper R Y'],
    [liveInside, 'condenser dead', 'No call is on'],
    [standing('dual-fuel', 'indoor', 'on'), 'aux heat on', 'no such call'],
    [liveInside, "it's holding with the cable off", 'trips or holds'],
    [deadInside, 'no ohms R to C', 'number or OL'],
  ])('%# %p', (read, told, asked) => {
    const understood = read(told)
    expect([told, understood.ok]).toEqual([told, false])
    if (!understood.ok) expect(understood.problem).toContain(asked)
  })
})
