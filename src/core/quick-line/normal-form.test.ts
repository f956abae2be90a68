import type { BenchChange } from '@/src/core/bench/bench'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const powerOff: Entry[] = [stampEntry({ kind: 'bench', change: { do: 'power', on: false } satisfies BenchChange }, stamp)]

const read = (line: string, entries: readonly Entry[], id: string) => {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  return readQuickLine(line, { system, entries, suspects: [], proposed: null })
}
const means = (line: string, entries: readonly Entry[], id = 'furnace-ac') => {
  const understood = read(line, entries, id)
  if (!understood.ok) throw new Error(`${line}: ${understood.problem}`)
  return understood.drafts
}

describe('another form of the same line', () => {
  it.each([
    ['R/C 26', 'R-C 26'],
    ['R&C 24', 'R-C 24'],
    ['RC 26', 'R-C 26'],
    ['rc 26', 'R-C 26'],
    ['R-C=24.6', 'R-C 24.6'],
    ['27.1 R C', 'R-C 27.1'],
    ['got 27 at R and C', 'R-C 27'],
    ['/R-C 26', 'R-C 26'],
    ['R-C 26, Y-C 0', 'R-C 26; Y-C 0'],
    ['R C 26 Y C 0', 'R-C 26; Y-C 0'],
    ['Y-C 24 at the condenser', 'Y-C 24 at outdoor'],
    ['outside Y-C 24', 'Y-C 24 at outdoor'],
    ['R-C 24 in the attic', 'R-C 24 at indoor'],
    ['Y has 24 outside', 'Y-C 24 V at outdoor'],
    ['W 24 at furnace', 'W-C 24 V'],
    ['Y 24 V', 'Y-C 24 V'],
    ['fan relay 24', 'G-C 24 V'],
    ['gas valve gets nothing', 'rollout-valve-C 0 V'],
    ['xfmr secondary 26', 'sec-C 26 V'],
    ['primary 120', 'L1-unit-N 120 V'],
    ['line 211', 'L1-unit-L2-unit 211 V at outdoor'],
    ['fan holds, heat holds, cool trips', 'breaker in; holds on fan; holds on heat; trips on cool'],
    ['contacter in', 'contactor in'],
    ['themostat blank', 'thermostat blank'],
    ['blower quit', 'blower still'],
    ["breaker won't reset", 'trips'],
    ['unhook outdoor Y', 'lift outdoor Y'],
    ['disconnected outdoor Y and C', 'lift outdoor Y; lift outdoor C'],
    ['holds with outdoor Y off', 'lift outdoor Y; holds'],
    ['tie R and G together', 'jumper R G'],
    ['jumper R G Y', 'jumper R G; jumper R Y'],
    ['add Y', 'jumper R Y'],
    ['stat off the wall', 'unplug thermostat'],
    ['door shut', 'panel indoor on'],
    ['fan on', 'call fan'],
    ['set stat to cool 70', 'call cool'],
    ['call htg', 'call heat'],
    ['walk cond', 'walk outdoor'],
    ['C wire on Y terminal outside', 'landings C on Y at outdoor'],
    ['all wires tight', 'landings ok'],
    ['corroded terminals outside', 'landings corroded at outdoor'],
    ['wire is rubbed at the outdoor unit', 'rubbed outdoor unit'],
    ['customer heard a pop last night', 'note customer heard a pop last night'],
    ['supply 52 return 74', 'note supply 52 return 74'],
  ])('%s', (line, grammar) => {
    // A trip needs something that can trip.
    const entries = grammar.startsWith('breaker in; ') ? means('breaker in', []).map((draft) => stampEntry(draft, stamp)) : []
    expect(means(line, entries)).toEqual(means(grammar.replace('breaker in; ', ''), entries))
  })

  it.each([
    ['contactor 15.9', 'ohms across contactor 15.9'],
    ['contactor coil 14', 'ohms across contactor 14'],
    ['low pressure switch 0.3', 'ohms across low-pressure 0.3'],
    ['limit to ground OL', 'ohms W-gnd OL'],
    ['Y reads open to ground', 'ohms Y-gnd OL'],
    ['ohmed Y to C 14', 'ohms Y-C 14'],
    ['secondary open', 'ohms sec-C OL'],
  ])('with the power off: %s', (line, grammar) => {
    expect(means(line, powerOff)).toEqual(means(grammar, powerOff))
  })

  it.each([
    ['Y-C beeps', { low: 0, high: 40 }],
    ['no beep Y-C', { low: 40, high: 40e6 }],
    ['dead short Y to C', { low: 0, high: 1 }],
  ])('a meter that gives no number: %s', (line, answer) => {
    expect(means(line, powerOff)).toEqual([
      expect.objectContaining({ kind: 'reading', probe: { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }, answer }),
    ])
  })

  it('names parts and calls of other systems', () => {
    expect(means('rv chatters', [], 'heat-pump-o')).toEqual(means('reversing-valve chatters', [], 'heat-pump-o'))
    expect(means('emergency heat', [], 'heat-pump-o')).toEqual(means('call emergency', [], 'heat-pump-o'))
    expect(means('call aux', [], 'heat-pump-o')).toEqual(means('call heat2', [], 'heat-pump-o'))
    expect(means('Y1-C 24.2 Y2-C 24.1', [], 'furnace-ac-two-stage')).toHaveLength(2)
  })

  it.each(['tie R and C together', 'jumper R to ground to see if it sparks', 'jumper R to common'])(
    'is refused however it is said: %s',
    (line) => {
      const understood = read(line, [], 'furnace-ac')
      expect(understood.ok).toBe(false)
      if (!understood.ok) expect(understood.problem).toMatch(/^Never join C/)
    },
  )

  it('asks where a decimal point may be lost, and where a number may be volts or ohms', () => {
    for (const line of ['R-C 264', 'contactor 15.9']) {
      const understood = read(line, [], 'furnace-ac')
      expect(understood.ok).toBe(false)
      if (!understood.ok) expect(understood.problem).toMatch(/V on the 24 V side\?|, or ohms\?/)
    }
    expect(means('R-C 264 V', [])).toHaveLength(1)
    expect(means('L1-unit-N 121', [])).toHaveLength(1)
  })

  it('keeps what is no entry as it was typed, behind everything else, and lets a note take the rest of its line', () => {
    expect(means('Compressor still 9.8 A; blower quit; room 84', [])).toEqual([
      ...means('blower still', []),
      { kind: 'note', text: 'Compressor still 9.8 A; room 84' },
    ])
    expect(means('blower quit; note mice; in the attic', [])).toEqual([
      ...means('blower still', []),
      { kind: 'note', text: 'mice; in the attic' },
    ])
  })

  it('reads a letter and a number as volts with the power on and as ohms with it off', () => {
    expect(means('Y 24', [])).toEqual(means('Y-C 24 V', []))
    expect(means('Y 14', powerOff)).toEqual(means('ohms Y-C 14', powerOff))
  })

  it('reads each clause where those before it have led', () => {
    expect(means('power off; contactor coil 14', [])).toEqual(means('power off; ohms across contactor 14', []))
  })
})
