import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

const call = (name: 'cool' | 'heat') => ({ do: 'call', call: name }) as const
describe('what the line feeds, and what switches it', () => {
  it.each([
    ['furnace-induced-draft', 'indoor', 'igniter L1 to neutral 62, L1 to ground 121', 'igniter 62 V; igniter to gnd 121 V'],
    ['furnace-induced-draft', 'indoor', '62 at the igniter, 121 to ground', 'igniter 62 V; igniter to gnd 121 V'],
    ['rooftop-gas', 'package', 'compressor hot to ground 118', 'compressor to gnd 118 V'],
    ['air-handler-120', 'indoor', '120 at switch in, 0 out', 'L1-N 120 V; L1-unit-N 0 V'],
    ['air-handler-120', 'indoor', '120 in 0 out of the switch', 'L1-N 120 V; L1-unit-N 0 V'],
    ['cool-strips', 'indoor', '240 in 0 out on the sequencer', 'L1-unit-L2-unit 240 V; strip-line-L2-unit 0 V'],
    ['air-handler-120', 'indoor', 'toggle switch off', 'power off'],
  ])('%s, at %s: %s', (system, place, line, meant) => {
    const at = standing(system, place, 'on')
    expect(drafts(at, line)).toEqual(drafts(at, meant))
  })

  it('a new fuse is called by its size, and the amps of a trial that held are on R', () => {
    const at = standing('furnace-ac', 'indoor', 'on')
    expect(drafts(at, 'new 3A')).toEqual(drafts(at, 'fuse 3 in'))
    expect(drafts(at, 'cool holds 0.9A')).toEqual(drafts(at, 'holds on cool; 0.9 A on R'))
  })

  it('a board has a supply and several outputs: which is asked', () => {
    expect(answerTo(standing('heat-pump-o', 'outdoor', 'on', call('cool')), '24 into the board nothing out')).toContain(
      'Into which terminal',
    )
  })

  it('a disconnect has two sides as well as a contactor: which is asked while nothing is called', () => {
    expect(answerTo(standing('package-heat-pump', 'package', 'on'), '240 line side, 240 load side')).toContain(
      'Of the disconnect, or of the contactor?',
    )
    const called = standing('package-heat-pump', 'package', 'on', call('cool'))
    expect(drafts(called, '240 line side, 0 load side')).toEqual(drafts(called, '240 in 0 out of the contactor'))
  })

  it('a coil that is one of several is asked after, and not read at the supply', () => {
    expect(answerTo(standing('heat-pump-o', 'outdoor', 'on', call('cool')), 'no voltage across the coil')).toContain('Which coil?')
    const furnace = standing('furnace-ac', 'outdoor', 'on', call('cool'))
    expect(drafts(furnace, 'no voltage across the coil')).toEqual(drafts(furnace, 'contactor coil 0 V'))
  })

  it('more amps than its breaker passes were on something else, and are no part of a trial that held', () => {
    const read = standing('rooftop-electric', 'package', 'on')
    expect(answerTo(read, 'cool holds, 8.6 amps')).toContain('Amps on what?')
    expect(answerTo(read, 'cool holds, 0.6 amps')).toContain('amps on R of the transformer: 0.6 A')
  })
})

describe('a record that is behind', () => {
  it.each(['compressor runs', 'contactor pulls in', 'call for cool, stat went blank', 'R to Y 27', 'contactor chatters'])(
    'with the power off in it, "%s" is asked after',
    (line) => {
      expect(answerTo(standing('furnace-ac', 'outdoor', 'off', { do: 'walk', place: 'indoor' }), line)).toMatch(/power (?:is off|back on)/)
    },
  )

  it('an armature that is found in with the power off is stuck', () => {
    const off = standing('furnace-ac', 'outdoor', 'off')
    expect(drafts(off, 'contactor stuck in')).toEqual(drafts(off, 'contactor in'))
  })
})

describe('what is no trip, no walk and no call', () => {
  it.each([
    ['heat-pump-o', 'blowing warm', 'note blowing warm'],
    ['heat-pump-o', 'so no Y from stat', 'note so no Y from stat'],
    ['rooftop-gas', 'unit 4 no cool', 'complaint unit 4 no cool'],
    ['rooftop-electric', 'unit 2 tripping ctrl breaker', 'complaint unit 2 tripping ctrl breaker'],
    ['zoned-furnace-ac', 'R is cut', 'note R is cut'],
    ['zoned-furnace-ac', 'GFCI tripped', 'note GFCI tripped'],
    ['heat-pump-o', 'so W wire open', 'note so W wire open'],
    ['dual-fuel', 'defrost board sending W all the time', 'note defrost board'],
    ['furnace-induced-draft', 'flames rolling out, cracked exchanger', 'note flames rolling out'],
    ['furnace-ac', 'disconnect pulled? no it is in', 'note disconnect pulled? no it is in'],
    ['furnace-ac', 'stat reads 78 set 72', 'note stat reads 78 set 72'],
  ])('%s: %s', (system, line, meant) => {
    const at = standing(system, system.startsWith('rooftop') ? 'package' : 'indoor', 'on')
    expect(drafts(at, line)).toMatchObject(drafts(at, meant).map(({ kind }) => ({ kind })))
  })

  it('air through a port is a repair, and no fuse', () => {
    expect(drafts(standing('furnace-induced-draft', 'indoor', 'on', call('heat')), 'blew out port on collector')).toMatchObject([
      { kind: 'repair' },
    ])
  })

  it('a condenser that is on is nowhere to go: on which call is asked', () => {
    expect(answerTo(standing('cool-strips', 'indoor', 'on'), 'condenser on')).toContain('which one is it?')
  })

  it('a heat pump that runs in cooling may do so on a heat call', () => {
    expect(answerTo(standing('heat-pump-o', 'outdoor', 'on', call('heat')), 'unit is running in cooling')).toContain('What is called?')
  })
})

describe('as it is said aloud, in whole sentences', () => {
  it.each([
    ['furnace-ac', 'indoor', 'on', 'I have twenty six volts between R and C.', 'R-C 26 V'],
    ['furnace-ac', 'indoor', 'off', 'I read zero point four ohms from Y to ground.', 'Y-gnd 0.4 ohms'],
    ['rooftop-electric', 'package', 'on', "I've got two hundred eight volts line to line.", 'L1-L2 208 V'],
    ['furnace-ac', 'indoor', 'on', 'I put a five amp breaker in place of the fuse.', 'breaker 5 in'],
    ['furnace-ac', 'indoor', 'on', 'Okay the furnace board has a blown three amp fuse.', 'fuse blown'],
    [
      'furnace-ac',
      'indoor',
      'off',
      'I took the Y wire loose at both ends of the outdoor cable.',
      'lift outdoor Y; lift outdoor Y at outdoor',
    ],
    ['zoned-furnace-ac', 'panel', 'on', 'I set the zone two thermostat to cool.', 'call cool zone 2'],
  ] as const)('%s, at %s, power %s: %s', (system, place, power, line, meant) => {
    const at = standing(system, place, power)
    expect(drafts(at, line)).toEqual(drafts(at, meant))
  })
})

describe('what is asked in place of a guess', () => {
  it.each([
    ['furnace-ac', 'hot', 'What is hot?'],
    ['furnace-ac', 'no beep', 'Between which points?'],
    ['furnace-ac', 'Y1-C 24.2 Y2-C 24.1', 'There is no "Y2"'],
    ['furnace-ac', '26V at condenser, unit on, 9.1A', 'Amps on what?'],
    ['cool-strips', 'pops with W off board too? no holds', 'without the question'],
    ['dual-fuel', 'called for aux', 'no aux call'],
  ])('%s: %s', (system, line, asked) => {
    expect(answerTo(standing(system, 'indoor', 'on'), line)).toContain(asked)
  })
})

it('a jumper is at the place that is named', () => {
  const read = standingAfter('cool-strips', 'thermostat', ['call heat'])
  expect(drafts(read, 'R-W jumped at AH strips come on')).toEqual(drafts(read, 'jumper R W at indoor; strips runs'))
})

it('what a jumper brings on is no call for it, and nowhere to go', () => {
  const at = standing('furnace-no-common', 'indoor', 'on')
  expect(drafts(at, 'jumped R G, fan on')).toEqual(drafts(at, 'jumper R G; blower runs'))
  expect(drafts(at, 'jumped R Y, outdoor on')).toEqual(drafts(at, 'jumper R Y; outdoor as called'))
})

it('a letter of two cables goes back on where one of them is off', () => {
  const off = standing('dual-fuel', 'indoor', 'on', { do: 'lift', end: 'outdoor-cable.O@outdoor' })
  expect(drafts(off, 'landed O')).toMatchObject([{ change: { do: 'land', end: 'outdoor-cable.O@outdoor' } }])
})

describe('two of a kind, and one by its place', () => {
  it.each([
    ['zoned-furnace-ac', 'panel', 'R-C 24', 'R1-C1 24 V'],
    ['zoned-furnace-ac', 'indoor', 'R1 to C1 24', 'R1-C1 24 V at panel'],
    ['zoned-furnace-ac', 'indoor', 'both zones off', 'call off'],
    ['zoned-furnace-ac', 'panel', 'both zones calling heat', 'call heat; thermostat-2 shows a call'],
    ['zoned-furnace-ac', 'panel', 'zone 2 R to C 24', 'R2-C2 24 V'],
    ['furnace-two-transformers', 'indoor', 'both transformers 27', 'ac transformer 27; heat transformer 27'],
  ])('%s, at %s: %s', (system, place, line, meant) => {
    const at = standing(system, place, 'on', call('cool'))
    expect(drafts(at, line)).toEqual(drafts(at, meant))
  })

  it('both thermostat cables come off where they meet', () => {
    const made = drafts(standing('zoned-furnace-ac', 'stat-1', 'on'), 'took both stat cables off')
    const ends = made.flatMap((draft) => (draft.kind === 'bench' && draft.change.do === 'lift' ? [draft.change.end] : []))
    expect(ends).toHaveLength(10)
    expect(ends.every((end) => end.endsWith('@panel'))).toBe(true)
  })

  it('a code names the wire of its own zone by the screw on the panel', () => {
    const at = standing('zoned-furnace-ac', 'indoor', 'on')
    expect(drafts(at, 'zone 1 thermostat over current on Y1')).toEqual(drafts(at, 'zone 1 thermostat over current on Y'))
  })

  it('W1 and W2 are two wires, and this house has one', () => {
    expect(answerTo(standing('rooftop-electric', 'package', 'on'), 'W1 off, W2 on: holds')).toContain('nothing of "W2"')
  })

  it('both ends are those of all that came off there', () => {
    const read = standingAfter('furnace-ac', 'outdoor', [
      { do: 'lift', end: 'outdoor-cable.Y@outdoor' },
      { do: 'lift', end: 'outdoor-cable.C@outdoor' },
    ])
    expect(drafts(read, 'both ends off')).toEqual(drafts(read, 'lift outdoor Y at indoor; lift outdoor C at indoor'))
  })

  it('what is thought, what a hand did and what came of it, parted by dots', () => {
    const read = standingAfter('heat-pump-o', 'indoor', ['call heat'])
    expect(drafts(read, 'so stat not making... jumped R-Y at stat base, HP starts')).toMatchObject([
      { kind: 'bench', change: { do: 'jumper', a: 'R@thermostat', b: 'Y@thermostat' } },
      { kind: 'reading', probe: { at: 'runs@outdoor' }, answer: { word: 'as called' } },
      { kind: 'note' },
    ])
  })

  it('a thermostat that comes back is alive, and no place to go', () => {
    const read = standingAfter('zoned-furnace-ac', 'panel', ['zone 2 stat dead'])
    expect(drafts(read, 'zone 2 stat back on')).toEqual(drafts(read, 'thermostat-2 alive'))
  })

  it('what comes off, and what the same points read then', () => {
    const read = standingAfter('furnace-ac', 'outdoor', ['power off', 'Y-C 1.2'])
    expect(drafts(read, 'contactor unplugged: OL')).toEqual(drafts(read, 'unplug contactor; Y-C OL'))
  })

  it('a breaker built in that is found tripped was not tried', () => {
    const read = standing('rooftop-electric', 'package', 'on')
    expect(drafts(read, 'breaker on xfmr tripped')).toEqual(drafts(read, 'fuse blown'))
  })

  it('the wire that is off goes on the spare that is named', () => {
    const read = standing(
      'dual-fuel',
      'indoor',
      'off',
      { do: 'lift', end: 'stat-cable.C@indoor' },
      { do: 'lift', end: 'stat-cable.C@thermostat' },
    )
    expect(drafts(read, 'used spare brown')).toEqual(drafts(read, 'swap stat C to brown'))
  })
})
