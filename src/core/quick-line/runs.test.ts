import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }

function read(line: string, ...before: string[]) {
  const entries: Entry[] = []
  const at = (one: string) => readQuickLine(one, { system: furnaceAc, entries, suspects: [], proposed: null })
  for (const one of before) {
    const taken = at(one)
    if (!taken.ok) throw new Error(`${one}: ${taken.problem}`)
    entries.push(...taken.drafts.map((draft) => stampEntry(draft, stamp)))
  }
  return at(line)
}
const facts = (line: string, ...before: string[]) => {
  const taken = read(line, ...before)
  return taken.ok ? taken.drafts.map((draft) => (draft.kind === 'run' ? { cable: draft.cable, ...draft.fact } : draft)) : taken.problem
}

describe('the run of a cable on the quick line', () => {
  it('has a length and landmarks, in metres or feet', () => {
    expect(facts('run outdoor 15 m')).toEqual([{ cable: 'outdoor-cable', what: 'length', metres: 15 }])
    expect(facts('run 50 ft', 'at outdoor')).toEqual([{ cable: 'outdoor-cable', what: 'length', metres: 15.24 }])
    expect(facts('landmark outdoor 6 m wall plate')).toEqual([{ cable: 'outdoor-cable', what: 'landmark', name: 'wall plate', metres: 6 }])
  })

  it('asks which cable where several come together, and takes the one in the hand', () => {
    expect(facts('run 15 m', 'at indoor')).toBe('Which cable? Say it before: "run stat ..." or "run outdoor ...".')
    expect(facts('run 15 m', 'at indoor', 'power off', 'lift outdoor Y')).toEqual([{ cable: 'outdoor-cable', what: 'length', metres: 15 }])
  })

  it('has capacitances, in nF or pF, of one conductor against another or the rest', () => {
    expect(facts('cap Y-C 2.1 nF', 'at outdoor')).toEqual([
      { cable: 'outdoor-cable', what: 'capacitance', conductor: 'Y', against: 'C', place: 'outdoor', nF: 2.1 },
    ])
    expect(facts('cap outdoor Y 420 pF', 'at indoor')).toMatchObject([{ against: null, nF: 0.42 }])
  })

  it('reads a loop on the wires in the hand, and says which are not', () => {
    expect(facts('loop Y-C 1.84', 'at outdoor', 'power off', 'lift Y', 'lift C')).toEqual([
      { kind: 'reading', probe: { meter: 'ohms', a: 'outdoor-cable.Y@outdoor', b: 'outdoor-cable.C@outdoor' }, answer: 1.84 },
    ])
    expect(facts('loop Y-C 1.84', 'at outdoor', 'power off')).toContain('Y and C are on their screws')
  })

  it('takes what is hurt, and where', () => {
    const hurt = (line: string) => facts(line, 'at outdoor')
    expect(hurt('damage copper nicked in wall')).toEqual([
      { cable: 'outdoor-cable', what: 'damage', kind: 'nicked', where: 'wall', hasSlack: false },
    ])
    expect(hurt('damage outdoor insulation rubbed in the open, slack')).toMatchObject([
      { kind: 'insulation', where: 'open', hasSlack: true },
    ])
    expect(hurt('damage something in wall')).toContain('Say what is damaged')
  })

  it('takes how the other end is reached', () => {
    expect(facts('far end helper', 'at outdoor')).toEqual([{ cable: 'outdoor-cable', what: 'far-end', reach: 'helper' }])
    expect(facts('far end outdoor none', 'at indoor')).toEqual([{ cable: 'outdoor-cable', what: 'far-end', reach: 'none' }])
    expect(facts('far end maybe', 'at outdoor')).toContain('reached by "walk"')
  })

  it('takes the meter as nulled, and how warm the copper is', () => {
    expect(facts('nulled', 'at outdoor')).toEqual([{ cable: 'outdoor-cable', what: 'meter', isNulled: true }])
    expect(facts('copper 110 F', 'at outdoor')).toEqual([{ cable: 'outdoor-cable', what: 'copper', celsius: 43.3 }])
  })

  it('has a way by which its conductors are told apart', () => {
    expect(facts('way cable pairs', 'at outdoor')).toEqual([{ cable: 'outdoor-cable', what: 'way', way: 'pairs' }])
    expect(facts('way cable stat all to one')).toEqual([{ cable: 'stat-cable', what: 'way', way: 'all-to-one' }])
    expect(facts('way cable somehow', 'at outdoor')).toContain('all to one')
  })

  it('takes resistors of known values: which are at hand, where one goes, all of them out', () => {
    expect(facts('resistors 2.2k 4k7 10k', 'at outdoor')).toEqual([
      { cable: 'outdoor-cable', what: 'resistors', ohms: [2200, 4700, 10_000] },
    ])
    const wires = ['at outdoor', 'power off', 'lift Y', 'lift C']
    expect(facts('resistor 4.7k Y C', ...wires)).toMatchObject([
      { change: { do: 'jumper', a: 'outdoor-cable.Y@outdoor', b: 'outdoor-cable.C@outdoor', ohm: 4700 } },
    ])
    expect(facts('resistors out', ...wires, 'resistor 4.7k Y C')).toMatchObject([{ change: { do: 'unjumper' } }])
    expect(facts('resistor 4.7k Y C', 'at outdoor')).toContain('power off')
    expect(facts('power on', ...wires, 'resistor 4.7k Y C')).toContain('Take the resistors out')
    expect(facts('resistors brown', 'at outdoor')).toContain('from 1k to 1M')
    expect(facts('resistors out', 'at outdoor')).toBe('There is no resistor in.')
  })
})
