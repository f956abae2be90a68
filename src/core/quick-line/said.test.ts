import type { BenchChange } from '@/src/core/bench/bench'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import type { Point } from '@/src/core/wiring/point'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const entered = (...changes: BenchChange[]): Entry[] => changes.map((change) => stampEntry({ kind: 'bench', change }, stamp))

/** What a line means, as the line that the grammar has for it means. */
const drafts = (line: string, entries: Entry[] = [], system = furnaceAc) => {
  const understood = readQuickLine(line, { system, entries, suspects: [], proposed: null })
  if (!understood.ok) throw new Error(`${line}: ${understood.problem}`)
  return understood.drafts
}
const problem = (line: string, entries: Entry[] = []) => {
  const understood = readQuickLine(line, { system: furnaceAc, entries, suspects: [], proposed: null })
  if (understood.ok) throw new Error(`${line} was understood as ${understood.say}`)
  return understood
}

describe('what is said over the shoulder', () => {
  it.each([
    ['24 volts R to C', 'R-C 24'],
    ['26.4 between R and C', 'R-C 26.4'],
    ['24v at the contactor coil', 'low-contactor-C 24 at outdoor'],
    ['no voltage at the contactor', 'low-contactor-C 0 at outdoor'],
    ['nothing at Y', 'Y-C 0'],
    ['Y has no voltage', 'Y-C 0'],
    ['no 24 at the thermostat', 'R-C 0 at thermostat'],
    ['primary has 120', 'L1-unit-N 120'],
    ['120 at the transformer', 'L1-unit-N 120'],
    ['clamp 0.6', '0.6 A on R'],
    ['pulled the outdoor Y', 'lift outdoor Y'],
    ['took Y off outside', 'lift outdoor Y at outdoor'],
    ['took the stat off', 'unplug thermostat'],
    ["I've pulled the thermostat off the wall", 'unplug thermostat'],
    ['jumped R to Y', 'jumper R Y'],
    ['R Y jumped', 'jumper R Y'],
    ['bypassed the limit', 'jumper W limit-rollout'],
    ['put the breaker in', 'breaker in'],
    ['put in a 5 amp breaker', 'breaker 5 in'],
    ['blew the fuse', 'fuse blown'],
    ['popped when I called for cool', 'trips on cool'],
    ['tripped on cooling', 'trips on cool'],
    ['still trips', 'trips'],
    ['holds now', 'holds'],
    ["power's off", 'power off'],
    ['turned the power off', 'power off'],
    ['call for cooling', 'call cool'],
    ['turn on the fan', 'call fan'],
    ['contactor is not pulling in', 'contactor out'],
    ['contactor pulls in', 'contactor in'],
    ['contactor buzzing', 'call cool; contactor chatters'],
    ['blower not running', 'blower still'],
    ["the compressor won't start", 'compressor still'],
    ['thermostat is blank', 'thermostat blank'],
    ['went outside', 'walk outdoor'],
    ['back at the furnace', 'walk indoor'],
    ['rub mark on the outdoor cable', 'rubbed outdoor cable'],
    ['melted insulation indoors', 'scorched indoor'],
    ['door off', 'panel indoor off'],
  ])('%s: %s', (said, typed) => {
    expect(drafts(said)).toEqual(drafts(typed))
  })

  it('goes on what is in the hand: what was taken off goes back, a jumper comes out', () => {
    expect(drafts('put Y back', entered({ do: 'lift', end: 'outdoor-cable.Y@indoor' }))).toEqual([
      { kind: 'bench', change: { do: 'land', end: 'outdoor-cable.Y@indoor' } },
    ])
    expect(drafts('took the jumper out', entered({ do: 'jumper', a: 'R@indoor', b: 'G@indoor' }))).toEqual([
      { kind: 'bench', change: { do: 'unjumper', a: 'R@indoor', b: 'G@indoor' } },
    ])
  })

  describe('a jumper while wires are in the hand', () => {
    const off = (...ends: Point[]) =>
      entered({ do: 'walk', place: 'thermostat' }, { do: 'power', on: false }, ...ends.map((end): BenchChange => ({ do: 'lift', end })))
    const jumper = (a: Point, b: Point) => [{ kind: 'bench', change: { do: 'jumper', a, b } }]
    const both = off('stat-cable.R@thermostat', 'stat-cable.Y@thermostat')

    it('goes on the wires, by letters or as it is said', () => {
      const onWires = jumper('stat-cable.R@thermostat', 'stat-cable.Y@thermostat')
      for (const line of ['jumper R Y', 'tied R and Y together', 'jumper R lifted Y']) expect(drafts(line, both)).toEqual(onWires)
    })

    it('goes on the screws when the screws are said', () => {
      expect(drafts('jumper screw R screw Y', both)).toEqual(jumper('R@thermostat', 'Y@thermostat'))
    })

    it('is asked about where only one of the two is in the hand, with a line for either', () => {
      const asked = problem('jumper R W', both)
      expect(asked.problem).toContain('jumper lifted R W for the wire')
      expect(drafts('jumper lifted R W', both)).toEqual(jumper('stat-cable.R@thermostat', 'W@thermostat'))
      expect(drafts('jumper screw R W', both)).toEqual(jumper('R@thermostat', 'W@thermostat'))
    })

    it('comes out by the same letters', () => {
      const entries = [...both, ...entered({ do: 'jumper', a: 'stat-cable.R@thermostat', b: 'stat-cable.Y@thermostat' })]
      expect(drafts('jumper out R Y', entries)).toEqual([
        { kind: 'bench', change: { do: 'unjumper', a: 'stat-cable.R@thermostat', b: 'stat-cable.Y@thermostat' } },
      ])
    })
  })

  it('several in one line, some of them in the grammar', () => {
    expect(drafts('killed the power; lift outdoor Y then 14 ohms Y to C')).toHaveLength(3)
  })

  it('what is understood and cannot be is refused for what it is', () => {
    expect(problem('14 ohms Y to C').problem).toContain('The power is on')
    expect(drafts('14 ohms Y to C', entered({ do: 'power', on: false }))).toHaveLength(1)
    expect(problem('the limit is open').problem).toContain('The power is on')
    expect(problem('removed the jumper').problem).toContain('no jumper')
  })

  it.each(['killed the breaker', 'pulled the disconnect', 'shut off the furnace', 'turned it off', 'breaker is off', 'disconnect back on'])(
    '%s: which one is asked, for ohms on a live circuit would follow',
    (line) => {
      expect(problem(line).problem).toContain('leaves the 24 V side live')
    },
  )

  it('asks what "off" means of a thermostat, and which one of two is meant', () => {
    expect(problem('the stat is off').problem).toContain('set to off')
    const zoned = systemById('zoned-furnace-ac')
    if (!zoned) throw new Error('no zoned system')
    expect(readQuickLine('the thermostat lost power', { system: zoned, entries: [], suspects: [], proposed: null }).ok).toBe(false)
    expect(drafts('the thermostat lost power')).toEqual(drafts('thermostat blank'))
  })

  it('invents no figure: what is hot, or shorted, is a stretch', () => {
    expect(drafts('W is hot')).toMatchObject([{ answer: { low: 20, high: 28 } }])
    expect(drafts('R shorted to C', entered({ do: 'power', on: false }))).toMatchObject([{ answer: { low: 0, high: 1 } }])
  })

  it('nonsense stays nonsense, and points at the word', () => {
    const { problem: why, end } = problem('green cheese moon')
    expect(why.length).toBeGreaterThan(10)
    expect(end).toBeGreaterThan(0)
  })

  it('knows the parts of the system at hand', () => {
    const heatPump = systemById('heat-pump-o')
    if (!heatPump) throw new Error('no heat pump')
    expect(drafts('reversing valve chattering', [], heatPump)).toEqual(drafts('valve chatters', [], heatPump))
    expect(drafts('swapped outdoor Y to black', [], heatPump)).toEqual(drafts('swap outdoor Y to black', [], heatPump))
  })
})
