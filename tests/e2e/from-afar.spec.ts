import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('the code in the zoned house, from afar: whoever is there takes one wire off at a time, and the cable is named', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob(
    'Hill Crest 2',
    'The thermostat upstairs shows overcurrent on Y.',
    'two zones: furnace and A/C behind a zone panel',
  )
  await page.getByLabel('thermostat of zone 2: over-current code').selectOption({ label: 'over-current code on Y' })
  await technician.taps('Lead someone through a code by phone')
  const sheet = page.getByRole('dialog', { name: 'A code, from afar' })
  await expect(sheet.getByLabel('The code names')).toHaveValue('thermostat-2 Y')
  const first = sheet.getByRole('region', { name: 'Step 1' })
  await expect(first.getByRole('listitem').first()).toContainText('Turn the power off')
  await expect(first).toContainText('the yellow wire of the cable 2 on Y')
  await first.getByRole('button', { name: 'no code' }).click()
  const second = sheet.getByRole('region', { name: 'Step 2' })
  await expect(second.getByRole('listitem').first()).toContainText('Turn the power off')
  await expect(second).toContainText('line voltage')
  await second.getByRole('button', { name: 'the code came' }).click()
  await expect(sheet.getByRole('region', { name: 'Found from afar' })).toContainText('It draws in the cable 2')
  await sheet.getByText('All steps', { exact: true }).click()
  await expect(sheet.getByText('leave the power off and stop', { exact: false })).toBeVisible()
  await page.keyboard.press('Escape')
  await technician.goesTo('Trace')
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('shorted in the cable 2')
})
