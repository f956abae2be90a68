import AxeBuilder from '@axe-core/playwright'
import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** No spare that anybody trusts: two wires in use change places, and the code on the thermostat follows the bad one. By thumb. */
test('an over-current code follows the wire when two change places @long', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Alder Court 5', 'upstairs stat shows a code', 'two zones: furnace and A/C behind a zone panel')
  await technician.goesTo('Trace')
  for (const line of ['call cool', 'zone 1 stat shows over current on Y', 'call off', 'power off']) await technician.says(line)
  await page.getByRole('button', { name: 'Y at the stat, zone 1', exact: true }).first().click()
  const probes = page.getByRole('region', { name: 'Probes' })
  await probes.getByText('exchange it with another wire, as a test').click()
  // At one end the supply is not offered.
  const wire = (name: string) => probes.getByRole('button', { name, exact: true })
  await expect(wire('R (red)')).toBeVisible()
  await probes.getByRole('checkbox', { name: /^at the stat, zone 1 only/ }).check()
  await expect(wire('R (red)')).toHaveCount(0)
  const { violations } = await new AxeBuilder({ page }).include('[aria-label="Probes"]').analyze()
  expect(violations).toEqual([])
  await probes.getByRole('checkbox', { name: /^at the stat, zone 1 only/ }).uncheck()
  await wire('W (white)').click()
  const strip = page.getByRole('listitem').filter({ hasText: 'Y (yellow) and W (white) of the cable 1 exchanged at both ends' })
  await expect(strip).toBeVisible()
  for (const line of ['power on', 'call heat', 'zone 1 stat shows over current on W', 'call cool', 'no code']) await technician.says(line)
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('Y (yellow)')
  // It goes back before the job may close.
  await technician.goesTo('Close')
  await page.getByRole('button', { name: /exchanged at both ends: put them back/ }).click()
  await expect(strip).toHaveCount(0)
})
