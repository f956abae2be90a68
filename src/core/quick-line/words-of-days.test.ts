import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

const furnace = (...happened: Parameters<typeof standingAfter>[2]) => standingAfter('furnace-ac', 'indoor', happened)

describe('whole days, as they were typed', () => {
  it('what a wire did as it went on is why it comes off again', () => {
    const read = standingAfter('heat-pump-o', 'indoor', [
      'breaker in',
      'call heat',
      'lift outdoor Y',
      'holds',
      'land outdoor Y',
      'trips',
      'power off',
    ])
    expect(drafts(read, 'took Y loose at both ends')).toMatchObject([
      { change: { do: 'lift', end: 'outdoor-cable.Y@indoor' } },
      { change: { do: 'lift', end: 'outdoor-cable.Y@outdoor' } },
    ])
    expect(answerTo(standing('heat-pump-o', 'indoor', 'off'), 'took Y loose at both ends')).toContain('Which cable?')
  })

  it('all but one wire goes back', () => {
    const read = standingAfter('furnace-ac', 'indoor', ['breaker in', 'call cool', 'lift outdoor Y', 'lift outdoor C'])
    expect(answerTo(read, 'hooked up everything but Y, holds')).toBe(
      'land C (white) of the outdoor cable at the indoor unit, then it holds',
    )
  })

  it.each([
    ['fuse replaced with new 3 amp', furnace(), '3 A fuse in the slot'],
    ['power up 25.8', furnace('power off'), 'power on, then R to C at the indoor unit: 25.8 V'],
    ['Y to chassis 45k wet', furnace('power off'), 'Y to chassis at the indoor unit: 45 kohm, then note: wet'],
    ['spliced with gel caps', furnace(), 'repaired: Spliced with gel caps'],
    ['put a new cap in', furnace(), 'repaired: Put a new cap in'],
    ['burners fire', furnace('call heat'), 'gas valve: in, then note: burners fire'],
    ['cools', furnace('repaired new contactor'), 'cool proved'],
    ['both wires cut', furnace('chewed at outdoor'), 'wiring of the outdoor unit: rubbed'],
    ['line off', furnace(), 'power off'],
    ['Y-C 0 at condenser, 26 at furnace', furnace('call cool'), 'Y to C at the outdoor unit: 0 V, then Y to C at the indoor unit: 26 V'],
    ['ran fan, ok', furnace('breaker in'), 'set the thermostat to call for fan, then it holds'],
    ['contactor has ants, all burned up', furnace(), 'contacts of the contactor: blocked, then note: burned'],
    ['contactor out at the condenser', furnace('call cool'), 'contactor: out'],
    ['everything works', furnace('repaired new contactor'), 'note: everything works'],
    ['started: fuse blown, put a 3A breaker in its place', furnace(), 'board fuse: blown, then 3 A breaker in the fuse slot'],
    ['heat blows right off', furnace('breaker in'), expect.stringMatching(/^set the thermostat to call for heat, then it trips/)],
    ['heat call runs', furnace(), 'set the thermostat to call for heat, then it holds'],
    [
      'pulled all low volt wires off board; put R on, ok',
      furnace('breaker in', 'call fan'),
      expect.stringMatching(/then land R \(red\) of the stat cable at the indoor unit, then it holds$/),
    ],
    ['so wire shorted', furnace('call cool'), 'note: so wire shorted'],
    ['low voltage breaker on the transformer tripped', furnace(), 'board fuse: blown'],
    ['found staple through cable', furnace('lift stat W'), 'wiring of the stat cable: stapled'],
    ['hmm', furnace(), 'note: hmm'],
    ['breaker good', furnace('breaker in', 'call cool'), 'it holds'],
    ['fixed', furnace('chewed at outdoor'), 'repaired: Fixed'],
    ['stat bad? jumped R to G at the stat', furnace(), 'jumper R to G at the thermostat, then note: stat bad?'],
  ])('%s', (said, read, means) => {
    expect(answerTo(read, said)).toEqual(means)
  })

  it('air that blows trips nothing', () => {
    expect(answerTo(furnace('breaker in'), 'fan blows')).toContain('Air, or the fuse?')
  })

  it('what a motor does on its overload is no trip', () => {
    const read = standingAfter('rooftop-electric', 'package', ['call cool'])
    expect(drafts(read, 'comp runs then trips on overload').some(({ kind }) => kind === 'trip')).toBe(false)
    expect(furnace('call cool')('compressor gets hot and trips').ok).toBe(false)
  })

  it('the wire in the hand is read, not the screw that it came off', () => {
    const read = standingAfter('cool-strips', 'indoor', ['call heat', 'lift stat W'])
    expect(answerTo(read, 'W wire 24')).toBe('W (white) of the stat cable to C at the air handler: 24 V')
    expect(answerTo(standingAfter('cool-strips', 'indoor', ['call heat']), 'W wire 24')).toBe('W to C at the air handler: 24 V')
  })

  it('a wire that was just freed at both ends is read by itself, or asked after', () => {
    const read = standingAfter('furnace-ac', 'indoor', ['power off', 'lift outdoor Y at both ends'])
    expect(answerTo(read, 'Y to ground 1.2 ohms')).toContain('On the wires that are off, or on the screws?')
    expect(drafts(read, 'Y to ground 1.2 ohms on the wires')).toMatchObject([
      { probe: { a: 'outdoor-cable.Y@indoor', b: 'chassis@indoor' } },
    ])
    expect(drafts(read, 'Y to ground 1.2 ohms on the screws')).toMatchObject([{ probe: { a: 'Y@indoor', b: 'chassis@indoor' } }])
    // By its points it is the strip.
    expect(drafts(read, 'Y-gnd 1.2')).toMatchObject([{ probe: { a: 'Y@indoor', b: 'chassis@indoor' } }])
  })

  it('a wire that is off is added by putting it on, one that is on by a jumper', () => {
    const off = furnace('breaker in', 'call cool', 'lift outdoor Y')
    expect(answerTo(off, 'added Y, trips')).toBe('land Y (red) of the outdoor cable at the indoor unit, then it trips')
    expect(answerTo(furnace('breaker in'), 'added G, holds')).toContain('jumper')
  })

  it('a thermostat off the wall takes no cable off', () => {
    expect(answerTo(furnace('breaker in', 'call cool'), 'stat cable on with stat off the wall, pops')).toBe(
      'unplug the thermostat, then it trips',
    )
  })

  it('what happens in a defrost, and at a sensor that the record lacks, is no look at a part', () => {
    const heat = standingAfter('heat-pump-o', 'outdoor', ['call heat', 'unplug defrost-board'])
    expect(answerTo(heat, 'goes to defrost, valve energizes, fan stops')).toMatch(/^note: /)
    expect(answerTo(heat, 'board plug back in, sensor wire off, trips')).toBe(
      'plug the defrost board back in, then it trips, then note: sensor wire off',
    )
  })

  it('two wires that are off are read by their copper', () => {
    const read = standingAfter('furnace-ac', 'outdoor', ['lift outdoor Y', 'lift outdoor C', 'power off'])
    expect(answerTo(read, 'Y to C wires OL')).toBe('Y (red) to C (white) of the outdoor cable at the outdoor unit: OL')
  })

  it('what a board gives out is not what goes into it', () => {
    const read = standingAfter('heat-pump-o', 'outdoor', ['call heat'])
    for (const said of ['Y out 0', 'Y out still 0', 'Y out to C 0'])
      expect(drafts(read, said)).toMatchObject([{ probe: { a: 'Y-out@outdoor', b: 'C@outdoor' }, answer: 0 }])
  })

  it('a contactor that pulls in beside a unit that runs is two things that were seen', () => {
    const read = standingAfter('heat-pump-o', 'outdoor', ['call heat'])
    expect(answerTo(read, 'contactor pulls in, hp running')).toBe('contactor: in, then what runs at the heat pump: as called')
  })

  it.each([
    ['contactor in, all running', 'contactor: in, then what runs at the outdoor unit: as called'],
    ['condenser iced up, fan not turning', 'condenser fan: still, then note: condenser iced up'],
    ['compressor started. 13 amps.', 'compressor: runs, then note: 13 amps'],
  ])('outdoors on a call: %s', (said, means) => {
    expect(answerTo(standingAfter('furnace-ac', 'outdoor', ['call cool']), said)).toBe(means)
  })

  it('a wire that is live at the thermostat of one zone is on the call of that zone', () => {
    const read = standingAfter('zoned-furnace-ac', 'indoor', ['complaint upstairs not cooling'])
    expect(answerTo(read, 'Y at stat 2 26')).toMatch(/^set the thermostat to call for cool, zone 2,/)
  })

  it('a letter that one strip alone has is read there', () => {
    expect(drafts(standing('zoned-furnace-ac', 'indoor', 'off'), 'R1-C1 5 ohm')).toMatchObject([
      { probe: { a: 'R1@panel', b: 'C1@panel' } },
    ])
  })

  it('who takes something off at a place reads the rest there', () => {
    const read = standingAfter('cool-strips', 'indoor', ['call heat'])
    expect(answerTo(read, 'at the stat, W off, R-W 26')).toMatch(/^walk to the thermostat, .* R to W at the thermostat: 26 V$/)
  })

  it('what is read at a thermostat without a common is not read at the unit', () => {
    const read = standingAfter('furnace-two-transformers', 'indoor', [])
    expect(answerTo(read, 'y-c 0 at stat on cool')).toContain('nothing of "at stat"')
    expect(answerTo(read, 'pulled the jumper rc to rh')).toContain('No jumper from Rc to Rh is on the bench')
  })

  it('what the unit runs on is no walk to it', () => {
    const read = standingAfter('dual-fuel', 'indoor', ['call heat', 'Y-C 26'])
    expect(drafts(read, 'heat pump only now')).toMatchObject([{ kind: 'note' }])
  })

  it.each([
    ['runs', furnace('call cool', 'call off'), 'No call is on in the record'],
    ['jumped the defrost pins', standing('heat-pump-o', 'outdoor', 'on', { do: 'call', call: 'heat' }), 'forced defrost is not kept'],
    ['use the spare', furnace(), 'For which wire?'],
  ])('is asked after: %s', (said, read, asked) => {
    expect(read(said).ok).toBe(false)
    expect(answerTo(read, said)).toContain(asked)
  })

  it('the first words on a job that say what the house does are the complaint', () => {
    const untouched = (line: string) =>
      readQuickLine(line, { system: systemOf('furnace-ac-two-stage'), entries: [], suspects: [], proposed: null })
    expect(drafts(untouched, 'defrost issue, ices up')[0].kind).toBe('complaint')
    expect(drafts(untouched, 'compressor runs all the time')).toMatchObject([
      { kind: 'complaint', complaint: { symptoms: ['never-stops'] } },
    ])
    expect(drafts(untouched, '2nd stage of heat not coming on')[0].kind).toBe('complaint')
    expect(drafts(untouched, 'fan runs all the time even with stat off')).toMatchObject([{ kind: 'complaint', complaint: { call: 'fan' } }])
    expect(untouched('Y wrong screw problem').ok).toBe(false)
  })

  it('step by step an ignition is watched up to the fire', () => {
    const read = standing('furnace-induced-draft', 'indoor', 'on')
    expect(answerTo(read, 'heat call, inducer, igniter glows, flame, blower on')).toBe(
      'set the thermostat to call for heat, then burners: burns, then inducer: runs, then blower motor: runs',
    )
  })
})
