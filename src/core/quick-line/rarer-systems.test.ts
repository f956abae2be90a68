import { answerTo, drafts, standing } from '@/tests/setup/standing'

/** Lines on the systems that are met less often, each beside the words in full that it stands for. */
const at = {
  strips: standing('cool-strips', 'indoor', 'on'),
  stripsOff: standing('cool-strips', 'indoor', 'off'),
  dualFuel: standing('dual-fuel', 'indoor', 'on'),
  noCommon: standing('furnace-no-common', 'indoor', 'on'),
  panel: standing('zoned-furnace-ac', 'panel', 'on'),
  panelOff: standing('zoned-furnace-ac', 'panel', 'off'),
  rooftop: standing('rooftop-gas', 'package', 'on'),
  electric: standing('rooftop-electric', 'package', 'on'),
}

it.each([
  ['strips', 'W to sequencer 25 volts', 'sequencer 25 V'],
  ['strips', 'Y to contactor 25.2', 'contactor 25.2 V'],
  ['strips', '25 at float out 0', 'float 25 in, 0 out'],
  ['strips', 'board fuse is a 5', 'fuse 5 in'],
  [
    'stripsOff',
    'R-W 0.3 at the stat with both wires off',
    'lift R at thermostat; lift W at thermostat; stat-cable R-stat-cable W 0.3 at thermostat',
  ],
  [
    'stripsOff',
    'both wires off at stat, R to W 0.3',
    'lift R at thermostat; lift W at thermostat; stat-cable R-stat-cable W 0.3 at thermostat',
  ],
  ['strips', 'float bypassed, cool runs', 'jumper float; call cool; holds'],
  ['strips', 'contactor 24.5 out', 'contactor 24.5 V; contactor out'],
  ['strips', '24 at contactor, out', 'contactor 24 V; contactor out'],
  ['strips', 'strips on with cool', 'call cool; strips runs'],
  ['electric', 'spare brown for Y', 'used brown for Y'],
  ['dualFuel', 'lost O at the stat', 'O-C 0 V at thermostat'],
  ['stripsOff', 'stat cable G-Y 0.4', 'stat-cable G-stat-cable Y 0.4'],
  ['stripsOff', 'float leads 0.2', 'float 0.2 ohm'],
  ['dualFuel', 'Y to defrost board 25.7', 'Y-C 25.7 at outdoor'],
  ['dualFuel', 'primary 120 secondary nothing', 'primary 120, secondary 0'],
  ['dualFuel', 'L1-L2 241 at disconnect', 'L1-L2 241 at outdoor'],
  ['noCommon', 'rollout tripped, reset it', 'rollout tripped; rollout set'],
  ['noCommon', 'G makes the blower go', 'blower runs on fan'],
  ['panel', 'zone 1 Y at panel 25', 'Y1-C1 25'],
  ['rooftop', 'stage 2 trips', 'trips on cool2'],
  ['rooftop', 'first stage holds', 'holds on cool'],
  ['rooftop', 'both contactors out', 'second-contactor out; contactor out'],
  ['rooftop', '3 amp holding on fan', 'holds on fan'],
  ['dualFuel', '240 at contactor line side', 'contactor line side 240'],
  ['stripsOff', 'Y-C 14.6 at contactor', 'contactor 14.6'],
  ['strips', 'common broke off at the condenser', 'C loose outside'],
  ['strips', '24 out of transformer but 0 after fuse', '24 before the fuse, 0 after'],
  ['strips', 'new fuse, cool, gone again', 'fuse in; trips on cool'],
  ['strips', 'fan relay 24v no click', 'fan relay 24 V; fan relay out'],
  ['stripsOff', 'R to C 0.6, stat off wall', 'unplug stat; R to C 0.6'],
  ['rooftop', 'unit power off at disconnect', 'power off'],
] as const)('%s: %s is %s', (where, said, meant) => expect(drafts(at[where], said)).toEqual(drafts(at[where], meant)))

it('the wires of a zone that are off are all of them', () => {
  const off = drafts(at.panelOff, 'zone 2 R-C 1.1 with wires off')
  expect(off.filter(({ kind }) => kind === 'bench').length).toBeGreaterThan(2)
  expect(off.at(-1)).toMatchObject({ answer: 1.1, probe: { a: 'stat-cable-2.R@panel', b: 'stat-cable-2.C@panel', meter: 'ohms' } })
})

it('ohms of wires in the hand are not read on a live house: with the power on the question is whether it is off', () =>
  expect(answerTo(at.panel, 'zone 2 R-C 1.1 with wires off')).toContain('Is it off now?'))

it('what goes on when its call is over is no breaker that holds', () => {
  expect(drafts(at.strips, 'aux stays on after cool')).toMatchObject([{ kind: 'complaint' }])
  expect(drafts(at.strips, 'breaker stays in on heat')).toEqual(drafts(at.strips, 'holds on heat'))
})

it('a switch that shows no button is mended by the hand that resets it, and the breaker has no part in it', () =>
  expect(drafts(at.electric, 'limit tripped, reset it')).toMatchObject([{ kind: 'repair' }]))

it('few volts between a live letter and the metal are asked after, and those of common are not', () => {
  expect(answerTo(at.strips, 'R-gnd 0.4 with stat unhooked')).toContain('Volts, or ohms with the power off?')
  expect(drafts(at.strips, 'C-gnd 0.4 with stat unhooked')).toMatchObject([{ kind: 'bench' }, { answer: 0.4, probe: { meter: 'volts' } }])
})

it('what works after a repair is proved, and is no part of its name', () =>
  expect(drafts(at.strips, 'replaced contactor, cool works').map(({ kind }) => kind)).toEqual(['repair', 'proof']))

it('nothing is proved while the record has the power off', () => {
  expect(answerTo(at.stripsOff, 'replaced contactor, cool works')).toContain('Is it back on?')
  expect(drafts(at.stripsOff, 'power on; replaced contactor, cool works').map(({ kind }) => kind)).toEqual(['bench', 'repair', 'proof'])
})

it('a gas valve has no second stage of cooling', () => expect(at.rooftop('gas valve 2nd stage 24').ok).toBe(false))

it('a fan that spins slowly is the one outdoors, and that it is slow is kept', () =>
  expect(answerTo(at.dualFuel, 'fan on cond spins slow')).toBe('condenser fan: runs, then note: condenser fan spins slow'))

describe('what runs on without a sign', () => {
  it.each([
    ['dualFuel', 'put r and y together furnace runs', 'jumper R Y; furnace as called'],
    ['strips', 'pulled stat R breaker still trips', 'lift stat R; trips'],
    ['strips', 'put new fuse in contactor chatters', 'fuse in; contactor chatters'],
    ['strips', 'R-C 26 contactor out', 'R-C 26; contactor out'],
    ['strips', 'Y has 24 at the air handler none at contactor', 'Y-C 24; contactor 0 V'],
  ] as const)('%s: %s is %s', (where, said, meant) => expect(drafts(at[where], said)).toEqual(drafts(at[where], meant)))
})

it('what stands in the way of the first half is asked with or without a comma', () => {
  const off = standing('cool-strips', 'indoor', 'on', { do: 'lift', end: 'outdoor-cable.Y@indoor' })
  expect(answerTo(off, 'put R and Y together condenser kicks on')).toContain('Y is off its screw here')
  expect(answerTo(off, 'put R and Y together, condenser kicks on')).toContain('Y is off its screw here')
})

describe('power that is off at the outdoor unit alone leaves the 24 V side live', () => {
  it.each(['killed power to the condenser only', 'killed the power at the condenser'])('%s is asked after', (said) =>
    expect(answerTo(at.strips, said)).toContain('leaves the 24 V side live'),
  )
  it('and who turns it all off and walks there has turned it off', () =>
    expect(drafts(at.strips, 'killed power, went outside')).toMatchObject([
      { change: { do: 'power', on: false } },
      { change: { do: 'walk' } },
    ]))
})

it('leads that touched and took the fuse are a slip, and no evidence', () =>
  expect(drafts(at.strips, 'meter leads touched, popped fuse')).toEqual([{ kind: 'trip', result: 'trips', slip: true }]))

it('which of two dampers is asked by their names', () =>
  expect(answerTo(at.panel, 'damper coil open')).toBe('Which damper? Say "damper 1 coil open" or "damper 2 coil open".'))

it('ohms that are typed with the power on are not taken for volts, in short forms either', () =>
  expect(answerTo(at.noCommon, 'gv 0.5 ohms')).toContain('Is it off now?'))

it('a supply that dips as the contactor pulls in is one reading of the supply', () =>
  expect(drafts(at.strips, '24v dips to 17 when contactor pulls')).toMatchObject([
    { kind: 'reading', answer: 17, probe: { a: 'R@indoor', b: 'C@indoor' } },
    { kind: 'note' },
  ]))

it('what goes back on at both ends is the wire that is off there', () => {
  const off = standing(
    'cool-strips',
    'indoor',
    'off',
    { do: 'lift', end: 'outdoor-cable.Y@indoor' },
    { do: 'lift', end: 'outdoor-cable.Y@outdoor' },
  )
  expect(drafts(off, 'Y back both ends')).toMatchObject([
    { change: { do: 'land', end: 'outdoor-cable.Y@indoor' } },
    { change: { do: 'land', end: 'outdoor-cable.Y@outdoor' } },
  ])
})

describe('a hot side is joined to no common, on whichever supply it is', () => {
  it.each(['jumper R to C2', 'jumper R to C1', 'jumper R1 to C1'])('%s on a zoned house', (said) =>
    expect(answerTo(at.panel, said)).toContain('Never join C'),
  )
  it.each(['wire nut R and C', 'hot to common jumper'])('%s', (said) => expect(answerTo(at.strips, said)).toContain('Never join C'))
})
