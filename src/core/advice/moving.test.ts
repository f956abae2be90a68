import { movingNow } from '@/src/core/advice/moving'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { engineOf } from '@/tests/setup/engines'

const START = Date.parse('2026-03-04T09:00:00Z')
const timed = (...drafts: [number, EntryDraft][]): Entry[] =>
  drafts.map(([atS, draft], index) => ({ id: `e${index}`, at: new Date(START + atS * 1000).toISOString(), ...draft }) as Entry)
const moving = (id: string, atS: number, entries: Entry[]) =>
  movingNow(engineOf(id), foldJob(engineOf(id).system, entries), START + atS * 1000).map(({ what, does, ms, to }) => ({
    what,
    does,
    to,
    inS: Math.round((ms - START) / 1000) - atS,
  }))
const call = (name: 'off' | 'cool' | 'heat'): EntryDraft => ({ kind: 'bench', change: { do: 'call', call: name } })
const power = (on: boolean): EntryDraft => ({ kind: 'bench', change: { do: 'power', on } })

describe('what waits now', () => {
  it('is the compressor, for the five minutes after power-up', () => {
    const entries = timed([0, power(false)], [30, power(true)], [60, call('cool')])
    const wait = moving('heat-pump-o', 90, entries).find(({ what }) => what === 'defrost-board.Y-out')
    expect(wait).toMatchObject({ does: 'waits', to: 'made', inS: 240 })
    expect(moving('heat-pump-o', 340, entries).some(({ what }) => what === 'defrost-board.Y-out')).toBe(false)
  })

  it('is nothing where the power has been on for long, and nothing with the power off', () => {
    expect(moving('heat-pump-o', 10, timed([0, call('cool')]))).toEqual([])
    expect(moving('heat-pump-o', 10, timed([0, call('cool')], [5, power(false)]))).toEqual([])
  })

  it('counts the five minutes again when a call is made anew', () => {
    const entries = timed([0, call('cool')], [600, call('off')], [660, call('cool')])
    expect(moving('heat-pump-o', 670, entries).find(({ what }) => what === 'defrost-board.Y-out')).toMatchObject({ inS: 230 })
  })

  it('is the valve of an ignition control until it has purged', () => {
    const waits = moving('rooftop-gas', 5, timed([0, call('heat')]))
    expect(waits.find(({ what }) => what === 'ignition.ignition-valve')).toMatchObject({ does: 'waits', inS: 35 })
  })
})

describe('what chatters now', () => {
  it('is what the leading suspect makes chatter: a corroded R starves the thermostat each time it calls', () => {
    const entries = timed(
      [0, { kind: 'bench', change: { do: 'slot', holds: 'breaker' } }],
      [10, call('cool')],
      [20, { kind: 'reading', probe: { meter: 'look', at: 'contactor' }, answer: { word: 'out' } }],
      [30, { kind: 'bench', change: { do: 'call', call: 'off' } }],
      [40, power(false)],
      [50, { kind: 'bench', change: { do: 'lift', end: 'stat-cable.R@thermostat' } }],
      [60, { kind: 'reading', probe: { meter: 'ohms', a: 'stat-cable.R@thermostat', b: 'stat-cable.R@indoor' }, answer: 61 }],
      [65, { kind: 'reading', probe: { meter: 'ohms', a: 'stat-cable.R@thermostat', b: 'C@thermostat' }, answer: 63 }],
      [70, { kind: 'bench', change: { do: 'land', end: 'stat-cable.R@thermostat' } }],
      [80, power(true)],
      [400, call('cool')],
    )
    const chattering = moving('furnace-ac', 410, entries)
    expect(chattering.map(({ what }) => what)).toEqual(expect.arrayContaining(['stat']))
    expect(new Set(chattering.map(({ does }) => does))).toEqual(new Set(['chatters']))
  })
})
