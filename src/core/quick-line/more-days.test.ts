import { questionAnswered } from '@/src/core/quick-line/question-answered'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

/** What further days of work taught, typed from end to end. */
const coolingOutside = standing('furnace-ac', 'outdoor', 'on', { do: 'call', call: 'cool' })
const furnaceOff = standing('furnace-ac', 'indoor', 'off')
const zoneTwo = standing('zoned-furnace-ac', 'stat-2', 'on')
const newJob = (id: string) => (line: string) => readQuickLine(line, { system: systemOf(id), entries: [], suspects: [], proposed: null })

describe('where one stands', () => {
  it('the stat is the one on this wall, and of two elsewhere it is asked', () => {
    expect(drafts(zoneTwo, 'R to W stat 0.0')).toMatchObject([{ probe: { a: 'R@stat-2', b: 'W@stat-2' }, answer: 0 }])
    expect(answerTo(standing('zoned-furnace-ac', 'panel', 'on'), 'R-W 24 at stat')).toBe(
      'At which one? Say "R-W 24 at stat-1" or "R-W 24 at stat-2".',
    )
  })

  it('letters at the board are read where the board is', () =>
    expect(drafts(coolingOutside, 'Y to C at board 26.5')).toMatchObject([{ probe: { a: 'Y@indoor', b: 'C@indoor' }, answer: 26.5 }]))
})

describe('a question that the line answers', () => {
  it.each([
    ['24v at R and C? nothing', 'R and C 0'],
    ['120 in? yes 121', 'line 121'],
    ['R to C? 26', 'R to C 26'],
    ['fuse good? yes', 'fuse good'],
    ['is the contactor in? no', 'contactor not in'],
  ])('%s', (line, put) => expect(questionAnswered(line)).toBe(put))

  it.each(['what is R?', 'is it the board? ask the office', 'R to C 26'])('is none in: %s', (line) =>
    expect(questionAnswered(line)).toBeNull(),
  )
})

describe('hands and eyes', () => {
  it('a part off its leads has no volts across it: ohms are asked for with the power off', () => {
    const contactorOff = standing('furnace-ac', 'outdoor', 'on', { do: 'unplug', part: 'contactor' })
    expect(answerTo(contactorOff, 'coil reads 13')).toContain('Say "power off; coil reads 13"')
    expect(answerTo(contactorOff, 'contactor wires read 26')).toContain('26 V')
    expect(drafts(contactorOff, 'power off; coil reads 13').at(-1)).toMatchObject({ probe: { meter: 'ohms' }, answer: 13 })
  })

  it('end to end is along one wire and not to common; where two cables have it, asks which', () => {
    expect(answerTo(furnaceOff, 'Y end to end 0.3')).toContain('In which cable?')
    expect(drafts(furnaceOff, 'outdoor Y open end to end')).toMatchObject([
      { probe: { meter: 'ohms', a: 'outdoor-cable.Y@indoor', b: 'outdoor-cable.Y@outdoor' }, answer: 'OL' },
    ])
  })

  it('with its whole cable off nobody picks one wire out: the screws again, and the wires where they are named', () => {
    const cablesOff = standingAfter('furnace-ac', 'indoor', ['power off', 'R-C 0.4', 'lift outdoor cable', 'lift stat cable'])
    expect(drafts(cablesOff, 'OL now')).toMatchObject([{ probe: { a: 'R@indoor', b: 'C@indoor' }, answer: 'OL' }])
    const ends = { a: 'stat-cable.R@indoor', b: 'stat-cable.C@indoor' }
    expect(drafts(cablesOff, 'stat wires: R to C .4')).toMatchObject([{ probe: ends, answer: 0.4 }])
    expect(drafts(cablesOff, 'still .4 on the wires')).toMatchObject([{ probe: ends, answer: 0.4 }])
  })

  it('across it is across the switch that was looked at last', () => {
    const open = standingAfter('furnace-induced-draft', 'indoor', ['call heat', 'draft open'])
    for (const line of ['27 across it', 'across the switch 27 volts'])
      expect(drafts(open, line)).toMatchObject([{ probe: { a: 'rollout-draft@indoor', b: 'draft-ignition@indoor' }, answer: 27 }])
    const openSwitch = standingAfter('rooftop-electric', 'package', ['call cool', 'high pressure 26.9 across it'])
    expect(drafts(openSwitch, 'pushed the reset on it')).toMatchObject([{ kind: 'repair', what: 'Reset the high-pressure switch' }])
  })

  it('each on the other screw is one finding', () =>
    expect(drafts(standing('furnace-ac', 'thermostat', 'on'), 'R is on C and C is on R')).toMatchObject([
      { probe: { at: 'landings@thermostat' }, answer: { word: 'swapped: stat-cable.R@thermostat with stat-cable.C@thermostat' } },
    ]))

  it('a new fuse that is still good holds; without one it is nothing', () => {
    expect(drafts(standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'fuse' }), 'still good')).toEqual([
      { kind: 'trip', result: 'holds' },
    ])
    expect(answerTo(standing('furnace-ac', 'outdoor', 'on'), 'still good')).toContain('I do not understand')
  })

  it('fan on is heard as a hand, and asked after while something else is called', () => {
    expect(answerTo(standing('furnace-ac', 'indoor', 'on'), 'fan on')).toBe('set the thermostat to call for fan')
    expect(answerTo(standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'heat' }), 'fan on')).toContain(
      'Say "fan runs", or "call fan"',
    )
  })

  it.each([
    ['put in a breaker instead of the fuse', 'breaker in the fuse slot'],
    ['pulled 6 amps then tripped', 'trips'],
    ['loaded drops to 17', '17 V'],
    ['condenser hums but contactor chatters', 'contactor: chatters'],
    ['hosed the coil off', 'repaired: Hosed the coil off'],
  ])('%s', (line, said) =>
    expect(
      answerTo(standing('furnace-ac', 'outdoor', 'on', { do: 'slot', holds: 'breaker' }, { do: 'call', call: 'cool' }), line),
    ).toContain(said),
  )

  it('the inducer is not its relay', () => {
    const system = systemOf('furnace-induced-draft')
    const suspects = [{ id: 'coil-open:inducer-relay', zone: 'indoor', repair: 'replace:inducer-relay', probability: 0.4 }]
    const replaced = (what: string) => readQuickLine(`replaced ${what}`, { system, entries: [], suspects, proposed: null })
    expect(replaced('inducer')).toMatchObject({ drafts: [{ kind: 'repair', fault: null }] })
    expect(replaced('inducer relay')).toMatchObject({ drafts: [{ kind: 'repair', fault: 'coil-open:inducer-relay' }] })
  })

  it('what was proved is called while its letter is read', () => {
    const repaired = standingAfter('furnace-ac', 'indoor', ['repaired the fuse'])
    expect(drafts(repaired, 'cool works, 25.1 at Y')).toMatchObject([{ change: { call: 'cool' } }, { kind: 'proof' }, { answer: 25.1 }])
  })
})

describe('what was told', () => {
  it('stands beside what was seen', () =>
    expect(drafts(newJob('furnace-ac'), 'blown 3A, no cooling')).toMatchObject([
      { kind: 'complaint', complaint: { symptoms: ['mode-dead'], call: 'cool' } },
      { kind: 'reading', answer: { word: 'blown' } },
    ]))

  it.each([
    ['heat-pump-o', '3 amp keeps popping on heat pump', ['fuse-now-and-then'], null, []],
    ['heat-pump-o', 'aux heat works but no heat pump', ['half-works', 'mode-dead'], 'heat', []],
    ['furnace-ac', 'fuse blows soon as its turned on', ['fuse-on-call'], null, []],
    ['furnace-ac', 'thermostat was swapped by homeowner', [], null, ['new-thermostat']],
  ])('%s: %s', (id, line, symptoms, call, changed) =>
    expect(drafts(newJob(id), line)).toMatchObject([{ kind: 'complaint', complaint: { symptoms, call, changed } }]),
  )
})

describe('where one is at', () => {
  it('runs all the same, where the thermostat was just set to off', () => {
    const off = standingAfter('furnace-ac', 'indoor', ['call off'])
    expect(answerTo(off, 'furnace still running')).toBe('what runs at the indoor unit: not as called')
    expect(answerTo(off, 'W-C 26 with stat off')).toBe('W to C at the indoor unit: 26 V')
    expect(answerTo(standing('furnace-ac', 'indoor', 'on'), 'W-C 26 with stat off')).toContain('Set to off, or off the wall?')
  })

  it('what was replaced yesterday is no repair of today', () =>
    expect(drafts(newJob('furnace-ac'), 'transformer burnt up, replaced yesterday, burnt again')).toMatchObject([{ kind: 'note' }]))

  it('a new thermostat wire is of the cable, and of no thermostat', () => {
    const system = systemOf('furnace-ac')
    const suspects = [{ id: 'thermostat-stuck-closed:stat.W', zone: 'thermostat', repair: 'replace:stat', probability: 0.4 }]
    expect(readQuickLine('ran new thermostat wire', { system, entries: [], suspects, proposed: null })).toMatchObject({
      drafts: [{ kind: 'repair', fault: null, zone: 'stat-cable' }],
    })
  })

  it('the damper is the one that is off', () =>
    expect(drafts(standing('zoned-furnace-ac', 'panel', 'off', { do: 'unplug', part: 'damper-2' }), 'damper ohms 800')).toMatchObject([
      { probe: { meter: 'ohms', a: 'damper-2.1@panel' }, answer: 800 },
    ]))

  it.each([
    ['24v check: Y and C 0 volts', 'Y to C at the outdoor unit: 0 V'],
    ['240 both legs', 'at the outdoor unit: 240 V'],
    ['condenser running, 11.3 amps', 'what runs at the outdoor unit: as called, then note: 11.3 A'],
  ])('%s', (line, said) => expect(answerTo(coolingOutside, line)).toContain(said))

  it('stays on with the stat off is the complaint', () =>
    expect(drafts(newJob('furnace-ac'), 'heat stays on with stat off')).toMatchObject([
      { kind: 'complaint', complaint: { symptoms: ['never-stops'] } },
    ]))
})

describe('volts, or ohms', () => {
  const blown = standingAfter('heat-pump-o', 'indoor', ['fuse blown'])
  const noFuse = standing('air-handler-plain', 'indoor', 'on')
  it.each([
    [blown, 'Y-C 11', 'Nothing is live behind an open fuse or breaker.'],
    [noFuse, 'primary 9', 'Volts, or ohms with the power off?'],
    [noFuse, 'condenser wires Y to C 2.9', 'Volts, or ohms with the power off?'],
  ])('%#', (read, line, asks) => {
    expect(answerTo(read, line)).toContain(asks)
    expect(drafts(read, `power off; ${line}`).at(-1)).toMatchObject({ probe: { meter: 'ohms' } })
    expect(drafts(read, `${line} V`).at(-1)).toMatchObject({ probe: { meter: 'volts' } })
  })
})

describe('what is wanted, and what became of it', () => {
  it('an armature that buzzes once and is in then is in', () =>
    expect(answerTo(coolingOutside, 'contactor buzzes once then holds in')).toBe('contactor: in'))

  it('a figure at the same place now is of the same points', () => {
    const atHeatPump = standingAfter('heat-pump-o', 'outdoor', ['call heat', 'Y-C 0'])
    expect(drafts(atHeatPump, '24.9 at the heat pump now')).toMatchObject([{ probe: { a: 'Y@outdoor', b: 'C@outdoor' }, answer: 24.9 }])
  })
})
