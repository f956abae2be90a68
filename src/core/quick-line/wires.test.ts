import { emptyComplaint, type Symptom } from '@/src/core/job/complaint'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { drafts, standing } from '@/tests/setup/standing'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const furnace = standing('furnace-ac', 'indoor', 'on')
const furnaceDead = standing('furnace-ac', 'indoor', 'off')
const stat = standing('furnace-ac', 'thermostat', 'on')
const heatPumpStat = standing('heat-pump-o', 'thermostat', 'on')
const heatPumpDead = standing('heat-pump-o', 'outdoor', 'off')
const rooftop = standing('rooftop-gas', 'package', 'on')

describe('a wire in the hand, and what comes on with a stage', () => {
  it.each([
    ['park the outdoor y', furnaceDead, 'lift outdoor Y; note park the outdoor y'],
    ['capped off the stat yellow', furnaceDead, 'lift stat Y; note capped off the stat yellow'],
    ['took off both y wires', furnaceDead, 'lift stat Y; lift outdoor Y'],
    ["both y's off", furnaceDead, 'lift stat Y; lift outdoor Y'],
    ['take off r y g', furnaceDead, 'lift stat R; lift stat Y; lift stat G'],
    ['use the black spare for y of the stat cable', furnaceDead, 'swap stat Y to black'],
    ['stat cable y to brown spare', furnaceDead, 'swap stat Y to brown'],
    ['high-pressure switch closed 0.2', heatPumpDead, 'ohms across high-pressure 0.2'],
    ['limit open OL', furnaceDead, 'ohms across limit OL'],
    ['board buzzes', furnace, 'note board buzzes'],
    ['buzzing at the transformer', furnace, 'note buzzing at the transformer'],
    ['lights flicker when the contactor pulls in', furnace, 'note lights flicker when the contactor pulls in'],
    ['stat flickers on cool', stat, 'call cool; thermostat chatters'],
    ['turn it off', stat, 'call off'],
    ['stage 2 does not run', rooftop, 'call cool-2; second-compressor still'],
    ['only blows when the outdoor unit is called', furnace, 'trips on cool'],
    ['transformer out 27, in 122', furnace, 'primary 122; transformer secondary 27'],
    ['it says over current on G', heatPumpStat, 'call fan; thermostat over-current code on G'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })

  it('is not guessed where a color is in two cables, or a letter in both', () => {
    for (const line of ['unhook the y from the board', 'move y to g', 'capped the red']) expect(furnaceDead(line).ok).toBe(false)
  })
})

describe('what is told beside a call, and what came back', () => {
  it.each([
    ['W to C 26 with no call for aux', standing('heat-pump-o', 'indoor', 'on'), 'W-C 26 V'],
    ['float switch broke the R, pan is full', standing('cool-strips', 'indoor', 'on'), 'float up; note pan is full'],
    ['unit came back on', furnace, 'note unit came back on'],
    ['cleaned the flame sensor', standing('furnace-induced-draft', 'indoor', 'on'), 'repaired Cleaned the flame sensor'],
    ['B is wired instead of O', standing('heat-pump-o', 'outdoor', 'on'), 'note B is wired instead of O'],
    ['24 at the gas valve, burners lit', rooftop, 'call heat; ignition-valve-C 24 V; flame burns'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })
})

describe('what begins a visit', () => {
  it.each([
    ['AC blows the 3 amp fuse as soon as it calls', furnace, ['fuse-on-call'], 'cool'],
    ['aux heat runs all the time', standing('heat-pump-o', 'indoor', 'on'), ['never-stops'], null],
    ['no cooling stage 2', rooftop, ['mode-dead'], 'cool-2'],
    ['heat strips not coming on', standing('cool-strips', 'indoor', 'on'), ['mode-dead'], 'heat'],
    ['fuse blows now and then when it rains', furnace, ['fuse-now-and-then'], null],
    ["condenser won't shut off", standing('furnace-ac', 'outdoor', 'on'), ['never-stops'], null],
    ['two stage ac only runs first stage', standing('furnace-ac-two-stage', 'indoor', 'on'), ['mode-dead'], 'cool-2'],
    ['furnace has no power', furnace, ['nothing-runs'], null],
    ['package unit dead', standing('package-heat-pump', 'package', 'on'), ['nothing-runs'], null],
    ['cooling works but blower stays on after', furnace, ['never-stops'], null],
    ['heat works, cool works, fan doesnt', furnace, ['mode-dead'], 'fan'],
    ["heat pump won't defrost", standing('heat-pump-o', 'outdoor', 'on'), [], null],
  ] as const)('%s is the complaint, and ticks what it means', (said, where, symptoms, call) => {
    expect(drafts(where, said)).toEqual([{ kind: 'complaint', complaint: expect.objectContaining({ symptoms, call }) }])
  })

  it('is what was seen where a motor is named, and what was heard where that is', () => {
    expect(drafts(furnace, 'blower quit')).toEqual(drafts(furnace, 'blower still'))
    expect(drafts(furnace, 'transformer buzzing')).toEqual(drafts(furnace, 'note transformer buzzing'))
    expect(drafts(furnace, "that's the third fuse")).toEqual(drafts(furnace, "note that's the third fuse"))
  })

  it('is parted where an ignition is told of beside it', () => {
    const induced = standing('furnace-induced-draft', 'indoor', 'on')
    expect(drafts(induced, 'no heat igniter glows no gas').slice(1)).toEqual(drafts(induced, 'call heat; flame glows without flame'))
  })
})

describe('while the visit goes on', () => {
  const calling = standing('furnace-ac', 'outdoor', 'on', { do: 'call', call: 'cool' })
  it('what runs where one stands runs as called', () => {
    for (const line of ['runs', 'runs fine', 'running good now'])
      expect(drafts(calling, line)).toEqual(drafts(calling, 'outdoor as called'))
    expect(stat('runs fine').ok && drafts(stat, 'runs fine')[0].kind).not.toBe('reading')
  })

  it('a thermostat that is off the wall makes no call: what tripped was joined by hand', () => {
    const off = standing('furnace-ac', 'indoor', 'on', { do: 'unplug', part: 'stat' })
    const read = off('cool trips')
    expect(read.ok ? '' : read.problem).toContain('"jumper R Y; trips"')
  })

  it('a new part is a repair, a new fuse a fuse', () => {
    expect(drafts(furnace, 'new contactor')).toEqual([expect.objectContaining({ kind: 'repair', what: 'New contactor' })])
    expect(drafts(furnace, 'new fuse')).toEqual(drafts(furnace, 'fuse in'))
  })

  it('a drain that was cleared under a float that was up is its repair, and a remark else', () => {
    const system = systemOf('cool-strips')
    const entries = [stampEntry({ kind: 'reading', probe: { meter: 'look', at: 'float' }, answer: { word: 'up' } }, stamp)]
    const read = (before: readonly Entry[]) => {
      const understood = readQuickLine('cleaned the drain', { system, entries: before, suspects: [], proposed: null })
      return understood.ok ? understood.drafts[0].kind : understood.problem
    }
    expect(read(entries)).toBe('repair')
    expect(read([])).toBe('note')
  })

  it('a house without a heat pump has its strips on heat', () => {
    const strips = standing('cool-strips', 'indoor', 'on')
    expect(drafts(strips, 'call emergency heat')).toEqual(drafts(strips, 'call heat'))
  })

  it('what goes out of a panel that has no letter for it is the letter', () => {
    const panel = standing('zoned-furnace-ac', 'panel', 'on')
    expect(drafts(panel, 'y out 26')).toEqual(drafts(panel, 'Y-C1 26 V'))
  })

  it('two points without a figure are asked for it', () => {
    const read = furnaceDead('stat y to ground')
    expect(read.ok ? '' : read.problem).toContain('What did the meter read?')
  })
})

describe('what the trade calls it, where one stands', () => {
  it.each([
    ['no ac, float safety tripped', standing('cool-strips', 'indoor', 'on'), 'complaint no ac; float up'],
    ['float reset', standing('cool-strips', 'indoor', 'on'), 'float down'],
    ['set to heat 75', standing('zoned-furnace-ac', 'stat-2', 'on'), 'call heat zone 2'],
    ['w2 c 26', standing('zoned-furnace-ac', 'panel', 'on'), 'W2-C2 26'],
    ['after the door switch 0', standing('furnace-no-common', 'indoor', 'on'), 'L1-unit-N 0 V'],
    ['use spare for y2', standing('furnace-ac-two-stage', 'outdoor', 'on'), 'swap outdoor Y2'],
    ['switch is on', furnace, 'note switch is on'],
    ['stat keeps rebooting on a cool call', stat, 'call cool; thermostat chatters'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })

  it('a hose that was cleared is the repair of its pressure switch', () => {
    expect(drafts(rooftop, 'hose plugged cleaned it')).toEqual([
      expect.objectContaining({ kind: 'repair', what: expect.stringMatching(/^Hose plugged cleaned it at the furnace pressure switch/) }),
    ])
  })

  it('a wire that was fixed is that of the leading suspect, and of none where none leads', () => {
    const system = systemOf('furnace-ac')
    const suspects = [
      { id: 'lead-to-chassis:rollout-valve@indoor', zone: 'indoor', repair: 'Free the lead and keep it off the metal', probability: 0.5 },
    ]
    const read = readQuickLine('fixed the wire', { system, entries: [], suspects, proposed: null })
    expect(read.ok && read.drafts).toEqual([expect.objectContaining({ kind: 'repair', fault: suspects[0].id, zone: 'indoor' })])
    const unsure = readQuickLine('fixed the wire', {
      system,
      entries: [],
      suspects: [{ ...suspects[0], probability: 0.04 }],
      proposed: null,
    })
    expect(unsure.ok && unsure.drafts).toEqual([expect.objectContaining({ kind: 'repair', fault: null })])
  })
})

describe('a house that is found calling', () => {
  const system = systemOf('furnace-ac')
  const told = (symptoms: readonly Symptom[]): Entry[] => [
    stampEntry({ kind: 'complaint', complaint: { ...emptyComplaint, words: 'no cooling', symptoms: [...symptoms], call: 'cool' } }, stamp),
    stampEntry({ kind: 'bench', change: { do: 'walk', place: 'outdoor' } }, stamp),
  ]
  const read = (line: string, entries: readonly Entry[]) => {
    const understood = readQuickLine(line, { system, entries, suspects: [], proposed: null })
    return understood.ok ? understood.drafts : understood.problem
  }
  const cool = { kind: 'bench', change: { do: 'call', call: 'cool' } }

  it('shows it by what is live or in on the call of the complaint', () => {
    expect(read('contactor in', told(['mode-dead']))).toEqual([cool, expect.objectContaining({ kind: 'reading' })])
    expect(read('y c 26', told(['mode-dead']))).toEqual([cool, expect.objectContaining({ kind: 'reading', answer: 26 })])
  })

  it('shows nothing by what is dead, and is not assumed where it never stops', () => {
    for (const line of ['contactor out', 'y c 0']) expect(read(line, told(['mode-dead']))).toHaveLength(1)
    expect(read('contactor in', told(['never-stops']))).toHaveLength(1)
  })
})

describe('what is read of a wire from end to end, and what runs by a jumper', () => {
  it.each([
    ['outdoor y end to end open', standing('heat-pump-o', 'outdoor', 'off'), 'outdoor-cable.Y@indoor-outdoor-cable.Y@outdoor OL'],
    ['unplugged contactor coil 1.2', standing('furnace-ac', 'outdoor', 'off'), 'unplug contactor; ohms contactor 1.2'],
    ['furnace fires', standing('furnace-ac', 'indoor', 'on', { do: 'jumper', a: 'R@indoor', b: 'W@indoor' }), 'indoor as called'],
    ['low voltage short somewhere', furnace, 'note low voltage short somewhere'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })

  it('the unit is asked for where there are two', () => {
    const read = stat('at the unit')
    expect(read.ok ? '' : read.problem).toBe('Which unit? Say "walk indoor" or "walk outdoor".')
  })
})

describe('what is told of a unit, and what is done to it', () => {
  it.each([
    ['heat pump stuck in cooling', standing('heat-pump-o', 'indoor', 'on'), ['mode-dead'], 'heat'],
    ['zone 1 calls all the time', standing('zoned-furnace-ac', 'panel', 'on'), ['never-stops'], null],
    ['120v air handler dead', standing('air-handler-120', 'indoor', 'on'), ['nothing-runs'], null],
  ] as const)('%s is the complaint', (said, where, symptoms, call) => {
    expect(drafts(where, said)).toEqual([{ kind: 'complaint', complaint: expect.objectContaining({ symptoms, call }) }])
  })

  it.each([
    ['after the switch 120', standing('air-handler-120', 'indoor', 'on'), 'L1-unit-N 120 V'],
    ['disconnect on', standing('furnace-ac', 'outdoor', 'on'), 'note disconnect on'],
    ['stat back on', standing('furnace-ac', 'thermostat', 'on', { do: 'unplug', part: 'stat' }), 'plug stat'],
    ['stat back on', stat, 'thermostat alive'],
    ['9.8 amps on the compressor', standing('furnace-ac', 'outdoor', 'on'), 'note 9.8 amps on the compressor'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })
})

describe('letters in a row, each with its figure', () => {
  it.each([
    ['y 26 o 0 w 0', standing('heat-pump-o', 'indoor', 'on'), 'Y-C 26; O-C 0; W-C 0'],
    ['zone 2 y 26', standing('zoned-furnace-ac', 'panel', 'on'), 'Y2-C2 26'],
    ['y1 24 y2 24', standing('furnace-ac-two-stage', 'indoor', 'on'), 'Y1-C 24; Y2-C 24'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })
})

it('a cable that came off as one goes back as one', () => {
  const said = drafts(standing('heat-pump-o', 'indoor', 'on'), 'stat cable pulled off, holds; put it back, trips')
  const count = (does: 'lift' | 'land') => said.filter((draft) => draft.kind === 'bench' && draft.change.do === does).length
  expect(count('land')).toBeGreaterThan(1)
  expect(count('land')).toBe(count('lift'))
})

it('what was tried after a repair is a trial, and no part of its words', () => {
  const read = standing('furnace-ac', 'indoor', 'on')
  for (const line of ['replaced the contactor, holds on cool', 'new contactor, cool holds', 'fixed the wire; holds on cool'])
    expect([line, drafts(read, line).map(({ kind }) => kind)]).toEqual([line, ['repair', 'bench', 'trip']])
  expect(drafts(read, 'repaired Y outdoors because of the fence; proved cool 0.9 A')).toMatchObject([
    { kind: 'repair', cause: 'of the fence' },
    { kind: 'proof' },
  ])
})

it('a wire that is pinched shows a mark, and no copper', () => {
  expect(drafts(standing('heat-pump-o', 'outdoor', 'off'), 'found the O wire pinched under the electrical panel')).toMatchObject([
    { answer: { word: 'rubbed' } },
    { kind: 'note' },
  ])
})
