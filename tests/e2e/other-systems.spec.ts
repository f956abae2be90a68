import { expect, test } from '@playwright/test'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { followsTheChecks, hiddenFault, Technician } from '@/tests/e2e/technician'

/** Traces on other kinds of house, answered by a simulated house through the real interface, from the complaint to the named fault. */
const days = [
  {
    system: 'heat-pump-b',
    street: 'Heron House',
    words: 'Cools when it should heat.',
    fault: 'conductor-open:outdoor-cable.B',
    found: 'B (green)',
  },
  { system: 'rooftop-gas', street: 'Bakery, roof unit 2', words: 'No heat.', fault: 'switch-open:rollout', found: 'rollout switch' },
  {
    system: 'air-handler-plain',
    street: 'Mill Row 9',
    words: 'Outside unit never comes on.',
    fault: 'not-landed:outdoor-cable.C@outdoor',
    found: 'Land C (white)',
  },
] as const

for (const { system: id, street, words, fault, found } of days) {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  test(`${street}, ${system.name}: ${fault}`, async ({ page }) => {
    const technician = new Technician(page)
    const house = hiddenFault(fault, 'intact', 6, system)
    await technician.opensTheApp()
    await technician.beginsAJob(street, words, system.name)
    await technician.goesTo('Trace')
    expect(await followsTheChecks(technician, house, system)).toBeGreaterThan(1)
    await expect(page.getByRole('region', { name: 'Found' })).toContainText(found)
  })
}
