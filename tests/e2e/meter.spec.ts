import type { AddressInfo, Server } from 'node:net'
import AxeBuilder from '@axe-core/playwright'
import { expect } from '@playwright/test'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { createSimulatedMeter } from '@/src/server/meter/simulated-meter'
import { faultById, Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

const meters: Server[] = []
test.afterAll(() => {
  for (const meter of meters) meter.close()
})

const serveMeter = (): Promise<number> => {
  const meter = createSimulatedMeter(
    furnaceAc,
    hypothesisOfFault(faultById(furnaceAc, 'conductor-to-chassis:outdoor-cable.Y'), 'intact'),
    5,
  )
  meters.push(meter)
  return new Promise((resolve) => meter.listen(0, '127.0.0.1', () => resolve((meter.address() as AddressInfo).port)))
}

test('a meter on the network runs on the pad, is labelled as simulated, and its value is taken by a tap @long', async ({ page }) => {
  const port = await serveMeter()
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Weir Street 4', 'The fuse blows when it cools.')
  await technician.goesTo('Trace')
  await technician.says('power off; walk indoor')
  await technician.waits()
  await expect.poll(() => page.getByText('on this device only').count()).toBe(0)
  await page
    .getByRole('button', { name: /^Y at the indoor unit/ })
    .first()
    .click()
  await page
    .getByRole('button', { name: /^C at the indoor unit/ })
    .first()
    .click()
  const pad = page.getByRole('region', { name: 'Probes' })
  await pad.getByText('meter on the network').click()
  await pad.getByLabel('address of the meter').fill('8.8.8.8')
  await pad.getByRole('button', { name: 'Connect' }).click()
  const meter = pad.getByRole('region', { name: 'Meter' })
  await expect(meter.getByRole('alert')).toContainText('refuses this address')
  await meter.getByRole('button', { name: 'another address' }).click()
  await pad.getByText('meter on the network').click()
  await pad.getByLabel('address of the meter').fill(`127.0.0.1:${port}`)
  await pad.getByRole('button', { name: 'Connect' }).click()
  await expect(meter.getByText('simulated', { exact: true })).toBeVisible()
  await expect(meter.getByRole('img', { name: /a sound house reads/ })).toBeVisible()
  const { violations } = await new AxeBuilder({ page }).include('[aria-label="Probes"]').analyze()
  expect(violations.map(({ id }) => id)).toEqual([])
  await meter.getByRole('button', { name: /^Take 0\.\d+ ohm$/ }).click()
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('Y')
})
