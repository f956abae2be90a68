import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { hear } from '@/tests/lines/measure'

const at = (place: string) => [{ do: 'walk', place } as const]

describe('an over-current code of a thermostat', () => {
  it.each([
    ['furnace-ac', 'indoor', 'stat says short on Y wire', 'call cool; stat over-current code on Y'],
    ['furnace-ac', 'indoor', 'stat shows an over current code on W', 'call heat; stat over-current code on W'],
    ['zoned-furnace-ac', 'panel', 'zone 2 stat shows overcurrent on Y', 'call cool zone 2; thermostat-2 over-current code on Y'],
    ['zoned-furnace-ac', 'stat-2', 'stat shows over-current code for Y', 'call cool zone 2; thermostat-2 over-current code on Y'],
    ['rooftop-gas', 'thermostat', 'over current code on W1', 'call heat; stat over-current code on W1'],
    ['heat-pump-o', 'thermostat', 'stat shows overload on O wire', 'call cool; stat over-current code on O'],
  ])('%s, at the %s: %s', (system, place, said, means) => {
    expect(hear({ system, before: at(place), said, means })).toMatchObject({ outcome: 'understood' })
  })

  it('comes back or is gone as the last one that was seen', () => {
    const told = 'stat shows over-current code for Y; power off; lift Y; power on'
    const [back, gone] = [`${told}; code came back`, `${told}; code is gone`]
    const meant = (last: string) => `call cool zone 2; thermostat-2 over-current code on Y; power off; lift Y; power on; ${last}`
    const system = 'zoned-furnace-ac'
    expect(hear({ system, before: at('stat-2'), said: back, means: meant('thermostat-2 over-current code on Y') }).outcome).toBe(
      'understood',
    )
    expect(hear({ system, before: at('stat-2'), said: gone, means: meant('thermostat-2 alive') }).outcome).toBe('understood')
  })

  it.each([
    ['zoned-furnace-ac', 'over-current code', 'Which thermostat shows it?'],
    ['furnace-ac', 'thermostat shows overload on C', 'which of them does the code name?'],
  ])('%s, "%s": asked back', (id, said, question) => {
    const system = systemById(id)
    if (!system) throw new Error(`no system ${id}`)
    const read = readQuickLine(said, { system, entries: [], suspects: [], proposed: null })
    expect(read.ok ? read.say : read.problem).toContain(question)
  })
})
