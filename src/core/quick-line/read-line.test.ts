import type { BenchChange } from '@/src/core/bench/bench'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const done = (...changes: BenchChange[]): Entry[] => changes.map((change) => stampEntry({ kind: 'bench', change }, stamp))
const suspects = [{ id: 'rub', zone: 'outdoor-cable', repair: 'Free the wire' }]
const read = (line: string, entries: Entry[] = []) =>
  readQuickLine(line, { system: furnaceAc, entries, suspects, proposed: { meter: 'look', at: 'fuse' } })

const drafts = (line: string, entries: Entry[] = []): readonly EntryDraft[] => {
  const result = read(line, entries)
  if (!result.ok) throw new Error(`${line}: ${result.problem}`)
  return result.drafts
}
const problem = (line: string, entries: Entry[] = []) => {
  const result = read(line, entries)
  if (result.ok) throw new Error(`${line} was understood as ${result.say}`)
  return { problem: result.problem, at: line.slice(result.start, result.end) }
}

const reading = (meter: 'volts' | 'ohms', a: string, b: string, answer: number | 'OL') => [
  { kind: 'reading', probe: { meter, a, b }, answer },
]
const bench = (change: BenchChange) => [{ kind: 'bench', change }]
const off = done({ do: 'power', on: false })

describe('a quick line', () => {
  it.each([
    ['R-C 26.4', reading('volts', 'R@indoor', 'C@indoor', 26.4)],
    ['R to C 26.4 V', reading('volts', 'R@indoor', 'C@indoor', 26.4)],
    ['R-Y 29 mV at thermostat', reading('volts', 'R@thermostat', 'Y@thermostat', 0.029)],
    ['R-Y at thermostat 29 mV', reading('volts', 'R@thermostat', 'Y@thermostat', 0.029)],
    ['r-gnd 26', reading('volts', 'R@indoor', 'chassis@indoor', 26)],
    ['8.1 A on outdoor Y at indoor', [{ kind: 'reading', probe: { meter: 'amps', on: 'outdoor-cable.Y@indoor' }, answer: 8.1 }]],
    ['0.27 A on R', [{ kind: 'reading', probe: { meter: 'amps', on: 'fuse' }, answer: 0.27 }]],
    ['lift outdoor Y at indoor', bench({ do: 'lift', end: 'outdoor-cable.Y@indoor' })],
    ['lift outdoor-cable.C@outdoor', bench({ do: 'lift', end: 'outdoor-cable.C@outdoor' })],
    ['jumper R Y at thermostat', bench({ do: 'jumper', a: 'R@thermostat', b: 'Y@thermostat' })],
    ['breaker in', bench({ do: 'slot', holds: 'breaker' })],
    ['fuse 3 in', bench({ do: 'slot', holds: 'fuse', ratingA: 3 })],
    ['fuse blown', [{ kind: 'reading', probe: { meter: 'look', at: 'fuse' }, answer: { word: 'blown' } }]],
    ['walk outdoor', bench({ do: 'walk', place: 'outdoor' })],
    ['power off', bench({ do: 'power', on: false })],
    ['holds on fan', [...bench({ do: 'call', call: 'fan' }), { kind: 'trip', result: 'holds' }]],
    ['trip on cool', [...bench({ do: 'call', call: 'cool' }), { kind: 'trip', result: 'trips', heldBefore: true }]],
    ['contactor in', [{ kind: 'reading', probe: { meter: 'look', at: 'contactor' }, answer: { word: 'in' } }]],
    ['unplug contactor', bench({ do: 'unplug', part: 'contactor' })],
    [
      'proved cool 0.9 A air 76 57',
      [{ kind: 'proof', call: 'cool', held: true, amps: 0.9, volts: null, air: { returnF: 76, supplyF: 57 } }],
    ],
    ['proved cool 0.9 A 25.6 V', [{ kind: 'proof', call: 'cool', held: true, amps: 0.9, volts: 25.6 }]],
    ['repaired 1 because the fence', [{ kind: 'repair', fault: 'rub', zone: 'outdoor-cable', what: 'Free the wire', cause: 'the fence' }]],
    ['note wasps in the cabinet', [{ kind: 'note', text: 'wasps in the cabinet' }]],
    ['skip', [{ kind: 'skip', probe: { meter: 'look', at: 'fuse' } }]],
    [
      'landings outdoor Y wrong at outdoor',
      [{ kind: 'reading', probe: { meter: 'look', at: 'landings@outdoor' }, answer: { word: 'wrong: outdoor-cable.Y@outdoor' } }],
    ],
    ['landings corroded at outdoor', [{ kind: 'reading', probe: { meter: 'look', at: 'landings@outdoor' }, answer: { word: 'corroded' } }]],
    ['landings wet', [{ kind: 'reading', probe: { meter: 'look', at: 'landings@indoor' }, answer: { word: 'wet' } }]],
    ['landings ok', [{ kind: 'reading', probe: { meter: 'look', at: 'landings@indoor' }, answer: { word: 'all landed' } }]],
  ] as [string, unknown][])('“%s”', (line, wanted) => {
    expect(drafts(line)).toEqual(wanted)
  })

  it('reads ohms with the power off, with prefixes, and OL', () => {
    expect(drafts('Y-C 14.2', off)).toEqual(reading('ohms', 'Y@indoor', 'C@indoor', 14.2))
    expect(drafts('R-C 12k', off)).toEqual(reading('ohms', 'R@indoor', 'C@indoor', 12000))
    expect(drafts('R-C 1.2 Mohm', off)).toEqual(reading('ohms', 'R@indoor', 'C@indoor', 1.2e6))
    expect(drafts('W-gnd OL', off)).toEqual(reading('ohms', 'W@indoor', 'chassis@indoor', 'OL'))
  })

  it('asks about a comma before three digits, and reads every other one as a decimal comma', () => {
    expect(problem('Y-C 12,000', off)).toEqual({ problem: 'Is "12,000" 12000 or 12.000? Type it without the comma.', at: '12,000' })
    expect(problem('R-C 1,200 ohm', off)).toMatchObject({ at: '1,200' })
    expect(problem('R-C 1,200,000 ohm', off)).toMatchObject({ at: '1,200,000' })
    expect(problem('fuse 3,000 in')).toMatchObject({ at: '3,000' })
    expect(problem('0.27 A, 1,200 A on R').at).not.toBe('')
    expect(drafts('R-C 26,4')).toEqual(reading('volts', 'R@indoor', 'C@indoor', 26.4))
    expect(drafts('R-C 0,125 ohm', off)).toEqual(reading('ohms', 'R@indoor', 'C@indoor', 0.125))
  })

  it('does not enter what the same line undoes', () => {
    expect(drafts('R-C 26.4; undo; R-C 25.9')).toEqual(reading('volts', 'R@indoor', 'C@indoor', 25.9))
    expect(problem('R-C 26.4; undo').problem).toContain('undoes itself')
    const [before] = done({ do: 'walk', place: 'outdoor' })
    expect(drafts('R-C at indoor 26.4; undo; undo', [before])).toEqual([{ kind: 'undo', target: before.id }])
  })

  it('takes no word for more than it is', () => {
    for (const word of ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf'])
      for (const line of [
        word,
        `R-C 26 ${word}`,
        `unplug ${word}`,
        `walk ${word}`,
        `call ${word}`,
        `way ${word}`,
        `look ${word}`,
        `${word} blank`,
      ])
        expect(read(line)).toMatchObject({ ok: false })
  })

  it('puts a fuse of the size on the label in, in capitals too', () => {
    expect(drafts('fuse IN')).toEqual(bench({ do: 'slot', holds: 'fuse' }))
  })

  it('takes the place from where the technician stands', () => {
    const outside = done({ do: 'power', on: false }, { do: 'walk', place: 'outdoor' })
    expect(drafts('Y-C 14.2', outside)).toEqual(reading('ohms', 'Y@outdoor', 'C@outdoor', 14.2))
  })

  it('means the lifted end when there is one', () => {
    const lifted = [...off, ...done({ do: 'lift', end: 'outdoor-cable.Y@indoor' })]
    expect(drafts('lifted Y-gnd 0.4', lifted)).toEqual(reading('ohms', 'outdoor-cable.Y@indoor', 'chassis@indoor', 0.4))
    expect(drafts('land Y', lifted)).toEqual(bench({ do: 'land', end: 'outdoor-cable.Y@indoor' }))
  })

  it('does not set the thermostat when a jumper makes the call', () => {
    const jumped = done({ do: 'jumper', a: 'R@indoor', b: 'Y@indoor' })
    expect(drafts('trip on cool', jumped)).toEqual([{ kind: 'trip', result: 'trips' }])
  })

  it('takes back the last entry that stands', () => {
    const entries = done({ do: 'power', on: false })
    expect(drafts('undo', entries)).toEqual([{ kind: 'undo', target: entries[0].id }])
    expect(problem('undo').problem).toContain('nothing to undo')
  })

  it('takes several commands in one line, each on the bench that the ones before leave', () => {
    expect(drafts('power off; lift outdoor Y at indoor; lifted Y-gnd 0.4')).toEqual([
      ...bench({ do: 'power', on: false }),
      ...bench({ do: 'lift', end: 'outdoor-cable.Y@indoor' }),
      ...reading('ohms', 'outdoor-cable.Y@indoor', 'chassis@indoor', 0.4),
    ])
    expect(drafts('breaker in then holds on fan then trip on cool')).toHaveLength(5)
    expect(drafts('note wasps; and then some')).toEqual([{ kind: 'note', text: 'wasps; and then some' }])
    expect(problem('breaker in; R-C twelve')).toMatchObject({ at: 'twelve' })
  })

  it('says what it understood before it is taken', () => {
    const result = read('trip on cool')
    expect(result.ok && result.say).toBe('set the thermostat to call for cool, then it trips, and held before the call')
  })
})

describe('a place said without "at"', () => {
  it('is a place where no point could stand: before the value, after it, and behind a conductor', () => {
    expect(drafts('Y-C outdoor 24.3')).toEqual(reading('volts', 'Y@outdoor', 'C@outdoor', 24.3))
    expect(drafts('R-C 26.1 thermostat')).toEqual(reading('volts', 'R@thermostat', 'C@thermostat', 26.1))
    expect(drafts('W-gnd indoor OL', off)).toEqual(reading('ohms', 'W@indoor', 'chassis@indoor', 'OL'))
    expect(drafts('lift outdoor Y outdoor', off)).toEqual(bench({ do: 'lift', end: 'outdoor-cable.Y@outdoor' }))
  })

  it('is still the cable before a conductor, and a part that is looked at', () => {
    expect(drafts('lift outdoor Y', off)).toEqual(bench({ do: 'lift', end: 'outdoor-cable.Y@indoor' }))
    expect(drafts('thermostat blank')).toEqual([{ kind: 'reading', probe: { meter: 'look', at: 'stat' }, answer: { word: 'blank' } }])
  })
})

describe('a line that is not understood points at the word', () => {
  it.each([
    ['R-C twelve', 'twelve', 'A reading is a number or OL; "twelve" is neither.'],
    ['R-Q 26', 'Q', 'There is no "Q" at the indoor unit. It has R, Y, G, W, C, chassis (gnd).'],
    ['R-C 26 furlongs', 'furlongs', '"furlongs" is not a unit for a reading. Use V, mV, ohm, kohm or Mohm.'],
    ['walk cellar', 'cellar', 'There is no place "cellar". Places: thermostat, indoor, outdoor.'],
    ['lift Y at indoor', 'Y', 'More than one conductor answers to Y at the indoor unit: say "outdoor-cable Y" or "stat-cable Y".'],
    ['R-C', '', 'What did the meter read? Add a number or OL.'],
    ['R-C 26.4 V plus', 'plus', 'I understood the start, but not "plus".'],
    ['power maybe', 'maybe', 'Power is "on" or "off".'],
    ['repaired 7', 'repaired', 'There is no repair for suspect 7. Say "repaired 1" for the first of the list.'],
    ['proved off', 'off', 'Say which call was proved: fan, cool, heat.'],
  ])('“%s”', (line, word, wanted) => {
    expect(problem(line)).toEqual({ problem: wanted, at: word })
  })

  it('understands a line that makes no sense now, and says why', () => {
    expect(problem('jumper R C').problem).toContain('dead short')
    expect(problem('Y-C 14 ohm').problem).toContain('The power is on in the record')
    expect(problem('R-C 26 V', off).problem).toContain('The power is off in the record')
    expect(problem('').problem).toContain('Type a reading')
  })
})

describe('calls of several zones', () => {
  const zoned = systemById('zoned-furnace-ac')
  if (!zoned) throw new Error('no zoned system')
  const readZoned = (line: string) => readQuickLine(line, { system: zoned, entries: [], suspects: [], proposed: null })

  it.each([
    ['call cool zone 2', 'cool-zone-2'],
    ['set the stat to heat zone 2', 'heat-zone-2'],
    ['call cool zone 1', 'cool'],
    ['call cool', 'cool'],
  ])('%s', (line, call) => {
    expect(readZoned(line)).toMatchObject({ ok: true, drafts: [{ kind: 'bench', change: { do: 'call', call } }] })
  })

  it('points at a zone that is not there and lists the calls that are', () => {
    const line = 'call cool zone 3'
    const answer = readZoned(line)
    if (answer.ok) throw new Error(answer.say)
    expect(line.slice(answer.start, answer.end)).toBe('3')
    expect(answer.problem).toContain('cool, heat, fan zone 2, cool zone 2, heat zone 2')
  })

  it('walks to a place whose name has a number', () => {
    expect(readZoned('walk stat-2')).toMatchObject({ ok: true, drafts: [{ kind: 'bench', change: { do: 'walk', place: 'stat-2' } }] })
  })
})
