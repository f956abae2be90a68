import { answerFromAfar, type CodeWire, codeWires, fromAfar, namedWire, sayFromAfar } from '@/src/core/advice/from-afar'
import { guardedBy } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { codeFor, isCode } from '@/src/core/readings/code-looks'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import type { System } from '@/src/core/wiring/system'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const systemOf = (id: string): System => {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  return system
}

/** Follows the steps in a house with this fault, whose display is told as it shows; how it begins, and where it ends. */
function followed(
  system: System,
  wire: CodeWire,
  faultId: string,
): { readonly begins: boolean; readonly found: string | null; readonly steps: number } {
  const fault = enumerateFaults(system).find(({ id }) => id === faultId)
  if (!fault) throw new Error(`no fault ${faultId}`)
  const hypothesis = hypothesisOfFault(fault)
  const laboratory = createLaboratory(system, templateValues)
  const shows = (entries: readonly Entry[]): boolean => {
    const bench = guardedBy(foldJob(system, entries).bench, wire.thermostat)
    const seen = predict(laboratory, bench, hypothesis, { meter: 'look', at: wire.thermostat })
    const [most] = [...seen].sort((a, b) => b.weight - a.weight)
    // Another wire of the same call may draw too much: its code names that one.
    const isNamed = seen.some(({ at }) => typeof at === 'object' && at.word === codeFor(wire.terminal))
    return isNamed && typeof most.at === 'object' && isCode(most.at.word)
  }
  let entries: Entry[] = []
  let begins = false
  for (let steps = 0; ; steps++) {
    const state = foldJob(system, entries)
    expect(state.refused).toEqual([])
    const { next, found } = fromAfar(system, state, wire)
    if (!next) return { begins, found, steps }
    const acts = (answer: 'code' | 'no code') =>
      answerFromAfar(system, state.bench, wire, next, answer).map((draft) => stampEntry(draft, stamp))
    const after = [...entries, ...acts('no code')]
    if (steps === 0) begins = shows([...after.filter((entry) => entry.kind !== 'bench' || entry.change.do !== 'lift')])
    entries = shows(after) ? [...entries, ...acts('code')] : after
  }
}

describe('a code followed from afar', () => {
  it.each([
    ['zoned-furnace-ac', 'thermostat-2', 'Y', 'conductor-short:stat-cable-2.Y+C', 'stat-cable-2'],
    ['furnace-ac', 'stat', 'Y', 'conductor-to-chassis:outdoor-cable.Y', 'outdoor-cable'],
    ['furnace-ac', 'stat', 'Y', 'lead-to-chassis:Y@outdoor', 'outdoor'],
    ['furnace-ac', 'stat', 'W', 'conductor-to-chassis:stat-cable.W', 'stat-cable'],
    ['furnace-ac', 'stat', 'W', 'lead-to-chassis:W@indoor', 'indoor'],
    ['heat-pump-o', 'stat', 'O', 'lead-to-chassis:O@outdoor', 'outdoor'],
    ['furnace-ac', 'stat', 'Y', 'thermostat-false-code:stat', 'thermostat'],
  ])('%s: %s %s, %s is found in the %s', (id, thermostat, terminal, fault, zone) => {
    const system = systemOf(id)
    const { begins, found } = followed(system, { thermostat, terminal }, fault)
    expect([begins, found]).toEqual([true, zone])
  })

  it('ends at the zone of every short to metal that sets the code, on every wire of a furnace', () => {
    const system = systemOf('furnace-ac')
    for (const wire of codeWires(system))
      for (const fault of enumerateFaults(system)) {
        if (fault.family !== 'conductor-to-chassis' && fault.family !== 'lead-to-chassis') continue
        const { begins, found } = followed(system, wire, fault.id)
        if (begins) expect([fault.id, found]).toEqual([fault.id, fault.zone])
      }
  })

  it('goes on where it was left, and knows the wire that the code named', () => {
    const system = systemOf('furnace-ac')
    const wire = { thermostat: 'stat', terminal: 'Y' }
    const first = fromAfar(system, foldJob(system, []), wire)
    expect(first.next?.cut.place).toBe('thermostat')
    const entries = answerFromAfar(system, foldJob(system, []).bench, wire, first.steps[0], 'code').map((draft) => stampEntry(draft, stamp))
    const state = foldJob(system, entries)
    expect(namedWire(system, state)).toEqual(wire)
    expect(fromAfar(system, state, wire)).toMatchObject({ next: null, found: 'thermostat' })
  })

  it('is written out with the power off first at every step, and a way to stop', () => {
    const text = sayFromAfar(systemOf('zoned-furnace-ac'), { thermostat: 'thermostat-2', terminal: 'Y' })
    const steps = text.split(/STEP \d+/).slice(1)
    expect(steps).toHaveLength(2)
    for (const step of steps) expect(step).toMatch(/1\. Turn the power off/)
    expect(text).toContain('yellow wire')
    expect(text).toContain('leave the power off and stop')
  })
})
