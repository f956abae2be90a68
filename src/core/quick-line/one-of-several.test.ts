import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

describe('the one that is meant, of several', () => {
  it('a motor is the one that was looked at last, and no compressor', () => {
    const read = standingAfter('rooftop-gas', 'package', ['call heat', 'inducer never starts'])
    expect(drafts(read, "motor's seized")).toMatchObject([{ probe: { at: 'inducer' } }, { kind: 'note' }])
    expect(answerTo(standing('rooftop-gas', 'package', 'on'), "motor's seized")).toContain(
      'Which motor? Say "blower still" or "inducer still"',
    )
  })

  it('a panel that goes on is the one that is off', () => {
    const read = standing('furnace-ac', 'outdoor', 'on', { do: 'panel', place: 'indoor', on: false })
    for (const line of ["door's on", 'closed up', 'panel back on'])
      expect(drafts(read, line)).toMatchObject([{ change: { do: 'panel', place: 'indoor', on: true } }])
    const here = standing('furnace-ac', 'outdoor', 'on')
    expect(drafts(here, "door's on")).toMatchObject([{ change: { do: 'panel', place: 'outdoor', on: true } }])
  })

  it('a spare that no cable here has is asked after', () => {
    const outdoors = standing('heat-pump-o', 'outdoor', 'off')
    expect(answerTo(outdoors, 'moved Y over to the brown spare on both ends')).toContain(
      'No cable here has a spare brown. If it is in the stat cable',
    )
    const indoors = standing('heat-pump-o', 'indoor', 'off')
    expect(drafts(indoors, 'moved Y over to the brown spare on both ends')).toEqual(drafts(indoors, 'swap stat-cable Y to brown'))
  })

  it('a reading is at the place with which its line begins', () => {
    const read = standing('zoned-furnace-ac', 'stat-2', 'on', { do: 'call', call: 'cool-zone-2' })
    expect(answerTo(read, 'at the zone panel zone 2 r-c 27')).not.toMatch(/^R to C at the stat/)
  })

  it('a fuse by its size and where it sits', () => {
    const read = standing('furnace-two-transformers', 'indoor', 'on', { do: 'call', call: 'cool' })
    expect(drafts(read, 'the 3A inline on it is blown')).toEqual(drafts(read, 'cooling fuse blown'))
  })
})

describe('a whole strip that comes off, and goes back one by one', () => {
  it.each(['Disconnected everything from the terminal strip.', 'pulled everything off the board', 'took all the wires off the strip'])(
    '%s: both cables, and no call that is off',
    (line) => {
      const made = drafts(standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' }), line)
      expect(made).toHaveLength(7)
      expect(made.every((draft) => draft.kind === 'bench' && draft.change.do === 'lift')).toBe(true)
    },
  )

  it('what is fine then held; a letter under which two wires are off is asked after', () => {
    const read = standingAfter('furnace-ac', 'indoor', ['breaker in', 'disconnected everything'])
    for (const line of ['Put G back, fine.', 'G on, fine']) expect(drafts(read, line)).toEqual(drafts(read, 'land G; holds'))
    expect(answerTo(read, 'Put C on, fine.')).toContain('More than one conductor answers to C')
  })

  it('a breaker that is plugged in is in', () => {
    const read = standing('furnace-ac', 'indoor', 'on')
    expect(drafts(read, 'Plugged in the 3A breaker.')).toEqual(drafts(read, 'breaker 3 in'))
  })
})

it('what is swapped is the fuse, where that was looked at last', () => {
  for (const before of ['fuse blown', '24 across the fuse']) {
    const read = standingAfter('furnace-ac', 'indoor', [before])
    expect(drafts(read, 'swapped it, held for two minutes then popped')).toEqual(drafts(read, 'fuse in; holds; trips'))
  }
  expect(drafts(standingAfter('furnace-ac', 'outdoor', ['call cool', 'contactor out']), 'swapped it')).toMatchObject([{ kind: 'repair' }])
  const read = standingAfter('furnace-ac', 'indoor', ['breaker in'])
  expect(drafts(read, 'swapped breaker for 5 amp fuse')).toEqual(drafts(read, 'fuse 5 in'))
})

it('what came unplugged goes back in', () => {
  const read = standingAfter('heat-pump-o', 'outdoor', ['breaker in', 'call heat', 'unplug defrost board'])
  expect(drafts(read, 'plugged back in, trips')).toEqual(drafts(read, 'plug defrost board; trips'))
})

describe('what is named beside a thing is not called', () => {
  it('a rub is where it is, with no call for the blower that it crosses', () => {
    const read = standing('package-heat-pump', 'package', 'on')
    expect(drafts(read, 'found a rub on the orange where it crosses the blower housing')).toMatchObject([
      { kind: 'reading', probe: { meter: 'look' } },
    ])
  })

  it('heat that a jumper brings on is no call for heat', () => {
    const read = standing('furnace-no-common', 'indoor', 'on')
    expect(drafts(read, 'pulled stat, jumped R W at the wall: heat on')).toMatchObject([
      { change: { do: 'unplug' } },
      { change: { do: 'jumper', a: 'R@thermostat', b: 'W@thermostat' } },
      { kind: 'note' },
    ])
  })

  it('what alone heats the house is told, and gas is the other heat of two', () => {
    const read = standing('dual-fuel', 'indoor', 'on')
    expect(drafts(read, 'emergency heat only, hp dead')).toMatchObject([{ kind: 'complaint' }, { kind: 'note' }])
    expect(drafts(read, 'call gas heat')).toEqual(drafts(read, 'call emergency heat'))
  })

  it('it is the cable that is in the hand, or which one it is is asked', () => {
    const inHand = standing('zoned-furnace-ac', 'panel', 'on', { do: 'lift', end: 'stat-cable-2.Y@panel' })
    expect(drafts(inHand, 'nail through it in the hall')).toEqual(drafts(inHand, 'stapled stat-cable-2'))
    expect(answerTo(standing('zoned-furnace-ac', 'panel', 'on'), 'nail through it in the hall')).toContain('Through which cable?')
  })

  it('what is chewed or melted is the cable that was read last, or it is asked', () => {
    const read = standingAfter('furnace-two-transformers', 'indoor', ['power off', 'outdoor pair Y-C 0.6'])
    expect(drafts(read, 'found it melted on the discharge line')).toMatchObject([{ probe: { at: 'wiring@outdoor-cable' } }])
    expect(answerTo(standing('furnace-two-transformers', 'indoor', 'off'), 'found it chewed under the deck')).toContain('What is chewed?')
    expect(answerTo(standing('heat-pump-b', 'indoor', 'off'), 'used the spare')).toContain('For which wire?')
  })

  it('readings side by side are at the place with which they end', () => {
    const read = standing('furnace-ac-two-stage', 'indoor', 'on', { do: 'call', call: 'cool' })
    expect(drafts(read, 'R-C 26 at board, R-Y1 26 R-W1 26 at stat')).toEqual(drafts(read, 'R-C 26; R-Y1 26 at stat; R-W1 26 at stat'))
  })

  it('a coil that is open is read, and no damper is', () => {
    const read = standing('zoned-furnace-ac', 'panel', 'off')
    expect(drafts(read, 'damper 1 motor coil open')).toEqual(drafts(read, 'damper 1 coil OL'))
  })

  it('along a cable a small figure is volts or ohms', () => {
    expect(answerTo(standing('heat-pump-b', 'indoor', 'on'), 'outdoor pair Y-C 0.6')).toContain('Volts, or ohms with the power off?')
  })

  it('what the house only does to its fuse says nothing of what works', () => {
    expect(drafts(standing('heat-pump-b', 'indoor', 'on'), 'complaint blows fuse only in heating')).toMatchObject([
      { complaint: { symptoms: ['fuse-on-call'] } },
    ])
  })

  it('short forms with their dots', () => {
    const read = standing('air-handler-plain', 'outdoor', 'on', { do: 'call', call: 'cool' })
    expect(drafts(read, 'cont. pulls in, comp runs')).toEqual(drafts(read, 'contactor pulls in, compressor runs'))
  })
})

describe('half a line is not taken for all of it', () => {
  it('power that came back is on, and a disconnect outside leaves the control live', () => {
    const furnace = standing('furnace-ac', 'indoor', 'on')
    expect(drafts(furnace, 'turned off power, closed up, turned back on')).toMatchObject([
      { change: { do: 'power', on: false } },
      { change: { do: 'panel' } },
      { change: { do: 'power', on: true } },
    ])
    expect(answerTo(standing('dual-fuel', 'outdoor', 'on'), 'turned off power at disconnect, closed up, turned back on')).toContain(
      'leaves the 24 V side live',
    )
  })

  it('what pulls in is seen beside what is read', () => {
    const read = standing('furnace-ac', 'outdoor', 'on')
    expect(drafts(read, 'cool call, condenser pulls in, 26.8 at the contactor')).toEqual(
      drafts(read, 'call cool; contactor in; 26.8 at the contactor'),
    )
  })

  it('a splice that is opened has wires, and which they are is asked', () => {
    const read = standing('furnace-two-transformers', 'outdoor', 'on', { do: 'call', call: 'cool' })
    for (const line of ['opened the splice at the condenser', 'with the splice open new fuse holds'])
      expect(answerTo(read, line)).toContain('Which wires came off')
    expect(drafts(read, 'found a bad splice behind the furnace')).toMatchObject([{ kind: 'note' }])
  })

  it.each([
    ['rooftop-gas', 'package', 'checked the high limit: closed', 'limit closed'],
    ['furnace-ac', 'outdoor', 'let it run fifteen minutes, still holding', 'still holding'],
    ['furnace-ac', 'indoor', 'cools fine now', 'cool works'],
  ])('%s: %s', (system, place, line, meant) => {
    const read = standing(system, place, 'on', { do: 'call', call: system === 'rooftop-gas' ? 'heat' : 'cool' })
    expect(drafts(read, line)).toEqual(drafts(read, meant))
  })

  it.each(['swapped in a new inducer motor', 'pulled new 18-2 out to the unit'])('%s: a repair, in its own words', (line) => {
    expect(drafts(standing('furnace-induced-draft', 'indoor', 'on'), line)).toMatchObject([{ kind: 'repair' }])
  })
})
