import { sequenceOf } from '@/src/core/advice/sequence'
import { createEngine } from '@/src/core/diagnosis/engine'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { CallName } from '@/src/core/wiring/call'
import { systemById } from '@/src/core/wiring/systems/catalogue'

const START = Date.parse('2026-03-04T09:00:00Z')
const bench = (change: Extract<EntryDraft, { kind: 'bench' }>['change']): EntryDraft => ({ kind: 'bench', change })

function stepsAt(id: string, atS: number, call: CallName, ...drafts: [number, EntryDraft][]) {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  const entries = drafts.map(([s, draft], index) => ({ id: `e${index}`, at: new Date(START + s * 1000).toISOString(), ...draft }) as Entry)
  return sequenceOf(createEngine(system), foldJob(system, entries), call, START + atS * 1000).map(({ what, to, ms, shows }) => ({
    what,
    to,
    inS: Math.round((ms - START) / 1000) - atS,
    shows,
  }))
}

describe('the sequence of a mode', () => {
  it('is fan and compressor at once where the power has been on for long', () => {
    const steps = stepsAt('furnace-ac', 10, 'cool', [0, bench({ do: 'walk', place: 'thermostat' })])
    expect(steps.map(({ what, inS }) => [what, inS])).toEqual(
      expect.arrayContaining([
        ['blower-relay', 0],
        ['contactor', 0],
      ]),
    )
    expect(steps.find(({ what }) => what === 'contactor')?.shows).toMatch(/^pulls in with a click, and the compressor/)
  })

  it('has the compressor wait out what is left of its five minutes after power came back', () => {
    const powered: [number, EntryDraft][] = [
      [0, bench({ do: 'power', on: false })],
      [30, bench({ do: 'power', on: true })],
    ]
    const waits = (...more: [number, EntryDraft][]) =>
      stepsAt('heat-pump-o', 90, 'cool', ...powered, ...more).find(({ what, to }) => what === 'contactor' && to === 'in')?.inS
    expect(waits([60, bench({ do: 'call', call: 'cool' })])).toBe(240)
    // A call that is not made yet waits for the same power.
    expect(waits()).toBe(240)
  })

  it('of an ignition control is the purge before the valve', () => {
    const steps = stepsAt('rooftop-gas', 5, 'heat', [0, bench({ do: 'call', call: 'heat' })])
    const valve = steps.find(({ what }) => what === 'gas-valve')
    expect(valve).toMatchObject({ to: 'in', inS: 35, shows: 'opens: the burner lights' })
  })

  it('is none with the power off', () => {
    expect(stepsAt('furnace-ac', 10, 'cool', [0, bench({ do: 'power', on: false })])).toEqual([])
  })
})
