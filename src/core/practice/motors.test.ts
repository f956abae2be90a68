import { enumerateFaults } from '@/src/core/faults/enumerate'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { createRandom } from '@/src/core/units/random'
import type { CallName } from '@/src/core/wiring/call'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

/** A visit to a house where a call does not do all that it should. */
function visit(id: string, truth: string, call: CallName) {
  const engine = engineOf(id)
  const hypothesis = engine.hypotheses.find((one) => one.id === truth)
  if (!hypothesis) throw new Error(`no ${truth}`)
  const complaint = { ...emptyComplaint, symptoms: ['mode-dead' as const], call }
  return runTrial(engine, createHouse(engine.system, hypothesis, templateValues, createRandom(5)), { complaint })
}

describe('a motor or an element that does nothing with its volts', () => {
  it.each([
    ['furnace-ac', 'compressor', 'cool', ['compressor-line@outdoor', 'L2-unit@outdoor']],
    ['furnace-induced-draft', 'inducer', 'heat', ['inducer-line@indoor', 'N@indoor']],
    ['rooftop-electric', 'strips', 'heat', ['strip-line@package', 'L2-unit@package']],
  ] as const)('on %s: the %s is named, read across itself first with its call on @long', (id, load, call, leads) => {
    const { verdict, observations } = visit(id, `load-dead:${load}`, call)
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: `replace:${load}` } })
    const across = observations.find(({ probe }) => probe.meter === 'volts' && leads.every((lead) => [probe.a, probe.b].includes(lead)))
    expect(across?.answer).toBeGreaterThan(100)
  })

  it('is told from the switch that should start it @long', () => {
    expect(visit('furnace-ac', 'switch-open:high-pressure', 'cool').verdict).toMatchObject({ repair: { id: 'switch:high-pressure' } })
    expect(visit('furnace-induced-draft', 'coil-open:inducer-relay', 'heat').verdict).toMatchObject({
      repair: { id: 'replace:inducer-relay' },
    })
  })
})

it('no control is landed past where its output opens a gas valve', () => {
  const repairOf = (id: string, board: string) =>
    enumerateFaults(systemOf(id)).find(({ id: fault }) => fault === `board-dead:${board}`)?.repair.say
  expect(repairOf('furnace-induced-draft', 'ignition')).toBe('Replace the ignition control; never land a call past it')
  expect(repairOf('rooftop-gas', 'ignition')).toContain('never land a call past it')
  expect(repairOf('heat-pump-o', 'defrost-board')).toContain('land the call past it to prove it')
})
