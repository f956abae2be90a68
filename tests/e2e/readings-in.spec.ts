import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

const csv = (text: string) => ({ name: 'meter.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })

async function opensTheTable(page: Page, text: string) {
  await page
    .getByRole('button', { name: /timeline/i })
    .first()
    .click()
  await page.getByRole('button', { name: 'readings from a table …' }).click()
  const sheet = page.getByRole('dialog', { name: 'Readings from a table' })
  await sheet.locator('input[type=file]').setInputFiles(csv(text))
  return sheet
}

test('a table of readings is taken by columns that are told once, and its bad rows are kept aside @long', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Orchard Way 2', 'No cooling.')
  const text = 'no,A,B\n1,R-C,26.4 V\n2,R-Q,3 V\n3,Y-C,0.1 V\n'
  const sheet = await opensTheTable(page, text)
  await expect(sheet.getByText('Say which column holds what was read')).toBeVisible()
  await sheet.getByLabel(/^A /).selectOption({ label: 'points or part read' })
  await sheet.getByLabel(/^B /).selectOption({ label: 'the value' })
  await expect(sheet.getByText('R to C at the indoor unit: 26.4 V')).toBeVisible()
  const aside = sheet.getByRole('region', { name: 'Kept aside' })
  await expect(aside).toContainText('line 3: 2, R-Q, 3 V')
  await expect(aside).toContainText('There is no "Q" at the indoor unit.')
  const { violations } = await new AxeBuilder({ page }).include('[role=dialog]').analyze()
  expect(violations.map(({ id }) => id)).toEqual([])
  const saved = page.waitForEvent('download')
  await aside.getByRole('button', { name: 'Save them as a table' }).click()
  expect(readFileSync(await (await saved).path(), 'utf8')).toMatch(/^line,why,no,A,B\r\n3,.*,2,R-Q,3 V$/m)
  await sheet.getByRole('button', { name: 'Take 2 rows' }).click()
  await expect(sheet).toBeHidden()
  await expect(page.getByText('Y to C at the indoor unit: 0.1 V', { exact: true })).toBeVisible()
  await page.keyboard.press('Escape')

  // The next table with these headings is understood by itself.
  const again = await opensTheTable(page, text.replace('26.4', '26.5'))
  await expect(again.getByText('R to C at the indoor unit: 26.5 V')).toBeVisible()
})
