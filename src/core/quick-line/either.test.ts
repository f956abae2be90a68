import { type Entry, stampEntry } from '@/src/core/job/entry'
import { eitherOf } from '@/src/core/quick-line/either'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { standingAt } from '@/tests/lines/speech'

const offered = (line: string, at: string, { isDead = false, suspected = [] as string[], id = 'heat-pump-o' } = {}) => {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  const entries: Entry[] = standingAt(at, isDead).map((change, index) =>
    stampEntry({ kind: 'bench', change }, { newId: () => `b${index}`, now: () => '2026-05-04T09:10:00Z' }),
  )
  const context = { system, entries, suspects: suspected.map((zone) => ({ id: zone, zone, repair: null })), proposed: null }
  const read = readQuickLine(line, context)
  if (read.ok) throw new Error(`"${line}" was understood: ${read.say}`)
  return eitherOf(line, read.problem, context).map(({ say }) => say)
}

describe('a line that may mean several things', () => {
  it('is offered as each of them, whole', () => {
    expect(offered('lifted O off and now it holds', 'indoor')).toEqual([
      'lift O (orange) of the stat cable at the air handler, then it holds',
      'lift O (green) of the outdoor cable at the air handler, then it holds',
    ])
    expect(offered('red to white beeps', 'indoor', { id: 'furnace-ac', isDead: true })).toEqual([
      'R (red) to W (white) of the stat cable at the indoor unit: under 40 ohm',
      'Y (red) to C (white) of the outdoor cable at the indoor unit: under 40 ohm',
    ])
  })

  it('is offered with what was not clear put in, and the rest of it as it was typed', () =>
    expect(offered('1.4 on R when cool calls', 'indoor', { id: 'furnace-ac' })).toEqual([
      'set the thermostat to call for cool, then amps on R of the transformer: 1.4 A',
      'set the thermostat to call for cool, then R to C at the indoor unit: 1.4 V',
    ]))

  it('is offered as it is read with the power off, and as it is on a call', () => {
    expect(offered('high-pressure switch open', 'outdoor')).toEqual([
      expect.stringMatching(/^power off, then .*high-pressure switch.*: OL$/),
      expect.stringMatching(/^set the thermostat to call for cool, then .*high-pressure switch.*: 20–28 V$/),
    ])
  })

  it('is offered on each call that may bring on what runs, and as what runs with nothing called', () => {
    expect(offered('condenser is running', 'outdoor', { id: 'furnace-ac' })).toEqual([
      'set the thermostat to call for cool, then what runs at the outdoor unit: as called',
      'what runs at the outdoor unit: not as called',
    ])
    expect(offered('heat pump not running', 'outdoor')).toEqual([
      'set the thermostat to call for cool, then what runs at the heat pump: not as called',
      'set the thermostat to call for heat, then what runs at the heat pump: not as called',
    ])
  })

  it('has what is suspected first', () => {
    expect(offered('lift O', 'indoor', { suspected: ['outdoor-cable', 'stat-cable'] })[0]).toContain('outdoor cable')
    expect(offered('lift O', 'indoor', { suspected: ['stat-cable', 'outdoor-cable'] })[0]).toContain('stat cable')
  })

  it('is offered nothing that nobody has read, and nothing where it was not understood at all', () => {
    expect(offered('low-pressure closed', 'outdoor')).toEqual([])
    expect(offered('sequencer buzzed sideways until lunch', 'outdoor')).toEqual([])
    expect(offered('jumper R to C', 'indoor')).toEqual([])
  })
})
