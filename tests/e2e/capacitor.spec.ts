import AxeBuilder from '@axe-core/playwright'
import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** Beyond the contactor: the call is there, the contactor is in, and one motor of two does not turn. Typed outdoors, read by thumb. */
test('a compressor that hums is its run capacitor, and is not condemned before that was read @long', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Larch Lane 9', 'not cooling, something hums outside')
  await technician.goesTo('Trace')
  for (const line of [
    'call cool',
    'at the condenser',
    "contactor in, fan runs, compressor hums and won't start",
    '240 across the compressor',
  ])
    await technician.says(line)
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('no longer starts the compressor')
  await expect(technician.nextCheck).toContainText('Read the run capacitor: 45 µF for the compressor, 5 µF for the condenser fan')
  await expect(technician.nextCheck).toContainText('discharge it through a resistor first')
  const { violations } = await new AxeBuilder({ page }).include('[aria-label="Next check"]').analyze()
  expect(violations).toEqual([])
  // With the power on the meter stays off it.
  const field = page.getByRole('textbox', { name: 'quick line', exact: true })
  await field.fill('cap reads 12/4.9')
  await expect(page.getByText(/read with the power off and discharged/)).toBeVisible()
  await field.fill('')
  for (const line of ['power off', 'cap reads 12/4.9']) await technician.says(line)
  await technician.waits()
  await expect(page.getByRole('region', { name: 'Found' })).toContainText('Replace the run capacitor')
})
