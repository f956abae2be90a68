import { stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'

const found = systemById('heat-pump-o')
if (!found) throw new Error('no heat pump')
const system = found
let made = 0
const stamp = { newId: () => `e${made++}`, now: () => '2026-05-04T09:10:00Z', by: () => null }

/** What a line enters after others; a problem in place of that where it is asked back. */
function say(line: string, ...before: string[]): string {
  const entries = before.flatMap((one) => {
    const read = readQuickLine(one, { system, entries: [], suspects: [], proposed: null })
    if (!read.ok) throw new Error(`${one}: ${read.problem}`)
    return read.drafts.map((draft) => stampEntry(draft, stamp))
  })
  const read = readQuickLine(line, { system, entries, suspects: [], proposed: null })
  return read.ok ? read.say : `? ${read.problem}`
}

describe('the same words in another order mean the same', () => {
  it.each([
    ['25.8 on Y outside', 'Y-C 25.8 V at outdoor'],
    ['Y to C outside 25.8', 'Y-C 25.8 V at outdoor'],
    ['outside Y to C is 25.8 volts', 'Y-C 25.8 V at outdoor'],
    ['nothing on Y at the condenser', 'Y-C 0 V at outdoor'],
    ['Y has no volts at the condenser', 'Y-C 0 V at outdoor'],
    ['no 24 on Y outside', 'Y-C 0 V at outdoor'],
    ['short between Y and C', 'ohms Y-C jumps between 0 and 1'],
    ['short to ground on Y', 'ohms Y-gnd jumps between 0 and 1'],
    ['Y to ground is a dead short', 'ohms Y-gnd jumps between 0 and 1'],
    ['9.8 ohms across the contactor coil', 'ohms across contactor 9.8'],
    ['contactor coil ohms out at 9.8', 'ohms across contactor 9.8'],
  ])('%s', (spoken, typed) => {
    const off = /ohms/.test(typed) ? ['power off'] : []
    expect(say(spoken, ...off)).toBe(say(typed, ...off))
    expect(say(spoken, ...off)).not.toMatch(/^\?/)
  })
})

describe('a sentence that would only be guessed at is asked back', () => {
  it.each(['Y to C stopped at the condenser', 'Y not working outside', 'contactor stuck', 'Y to C low outside'])('%s', (line) =>
    expect(say(line)).toMatch(/^\?/),
  )

  it('a dead wire has no volts on it, and a dead thermostat is blank', () => {
    expect(say('Y is dead outside')).toBe(say('Y-C 0 V at outdoor'))
    expect(say('thermostat is dead')).toBe(say('thermostat blank'))
  })
})

describe('what happened on a call', () => {
  it.each([
    ['trips when cool is called', 'trips on cool'],
    ['trips as soon as cooling comes on', 'trips on cool'],
    ['fuse blows when heat kicks on', 'trips on heat'],
    ['holds in heat', 'holds on heat'],
    ['fine on heat', 'holds on heat'],
    ['trips immediately', 'trips'],
    ["doesn't trip anymore", 'holds'],
  ])('%s', (spoken, typed) => expect(say(spoken, 'breaker in')).toBe(say(typed, 'breaker in')))

  it('with something off, the hand comes first', () => {
    expect(say('holds with the outdoor wires off', 'breaker in')).toMatch(/^lift .*Y .*, then it holds$/)
  })

  it('with a sag, the volts are read on that call', () => {
    expect(say('voltage drops to 18 when cooling comes on')).toMatch(/call for cool.*18 V/)
  })
})

describe('hands, eyes and what is kept', () => {
  it.each([
    ['pulled the wires off the contactor', 'unplug contactor'],
    ['low pressure switch unplugged', 'unplug low-pressure'],
    ['contactor has 24 but wont pull in', 'contactor 24 V; contactor out'],
    ['compressor hums', 'compressor hums'],
    ['lawn guy hit the wire', 'complaint lawn guy hit the wire'],
    ['storm last night', 'note storm last night'],
    ['popped a 3 amp breaker in the slot', 'breaker 3 in'],
    ['fuse was blown when I got here', 'fuse blown'],
    ['killed the power at the furnace switch', 'power off'],
    ['G and Y swapped at thermostat', 'landings G and Y swapped at thermostat'],
  ])('%s', (spoken, typed) => expect(say(spoken)).toBe(say(typed)))

  it('a repair in words is recorded where its part is', () => {
    const read = readQuickLine('replaced the contactor because of ants', { system, entries: [], suspects: [], proposed: null })
    expect(read).toMatchObject({
      ok: true,
      drafts: [{ kind: 'repair', fault: null, zone: 'outdoor', cause: expect.stringContaining('ants') }],
    })
  })
})

describe('what is asked back', () => {
  it.each([
    ['took Y off at the air handler', '"stat-cable Y" or "outdoor-cable Y"'],
    ['coil reads 12 ohms', 'Which coil'],
    ['wires swapped', 'Which two'],
    ['gas valve clicks', 'has no gas valve'],
    ['one leg dead', 'to gnd'],
    ['transformer is bad', 'What did it read'],
    ['all calls good', 'proved cool'],
  ])('%s', (spoken, question) => expect(say(spoken)).toContain(question))

  it('the coil that is unplugged is the one in the hand', () => {
    expect(say('coil reads 12 ohms', 'power off', 'unplug contactor')).toBe(
      say('ohms across contactor 12', 'power off', 'unplug contactor'),
    )
  })
})
