import { readFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('a job is left for a part, with its day, stands so in the list, and is taken up again @long', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('8 Tannery Court', 'No cooling.')
  await technician.goesTo('Trace')
  for (const line of ['at indoor', 'jumper R Y']) await technician.says(line)
  await technician.goesTo('Close')
  await page.getByText('Leave it unfinished').click()
  await expect(page.getByText('A jumper is in and the power is on')).toBeVisible()
  await expect(page.getByRole('button', { name: 'leave it so' })).toBeDisabled()
  await technician.says('power off')
  await page.getByLabel('why').selectOption({ label: 'part on order' })
  await page.getByLabel('next visit').fill('2026-06-03')
  await technician.taps('leave it so')
  const left = page.getByRole('region', { name: 'Left unfinished' })
  await expect(left).toContainText('part on order, back on 3 June 2026')
  await expect(left).toContainText('The power is off.')

  const download = page.waitForEvent('download')
  await left.getByRole('button', { name: 'Calendar entry' }).click()
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('DTSTART;VALUE=DATE:20260603')

  await page.goto('/')
  await expect(page.getByRole('listitem').filter({ hasText: '8 Tannery Court' }).first()).toContainText(
    'left: part on order, back on 3 June 2026',
  )
  await page
    .getByRole('link', { name: /8 Tannery Court/ })
    .first()
    .click()
  await technician.goesTo('Trace')
  await technician.says('power on')
  await technician.goesTo('Close')
  await expect(page.getByText('Leave it unfinished')).toBeVisible()
})
