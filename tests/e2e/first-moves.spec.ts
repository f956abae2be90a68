import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** Moves of the trade on the real desk. */
async function begins(technician: Technician, street: string, ...ticked: string[]): Promise<void> {
  await technician.opensTheApp()
  await technician.beginsAJob(street, 'See below.')
  for (const what of ticked) await technician.ticks(what)
  await technician.goesTo('Trace')
  await technician.waits()
}

test('smell: the first card takes the power off', async ({ page }) => {
  const technician = new Technician(page)
  await begins(technician, 'Kiln Street 2', 'burning smell')
  await expect(technician.nextCheck.getByRole('listitem').first()).toHaveText('power off')
})

test('nothing runs: volts at the unit, with the power on', async ({ page }) => {
  const technician = new Technician(page)
  await begins(technician, 'Kiln Street 3', 'nothing runs')
  await expect(technician.nextCheck).toContainText('Volts, R to C at the indoor unit')
  await expect(technician.nextCheck.getByText('power off')).toHaveCount(0)
})

test('take off by thumb: the bundle goes in, comes off call by call, and the cable in one act', async ({ page }) => {
  const technician = new Technician(page)
  await begins(technician, 'Kiln Street 4')
  await technician.says('way take off')
  await technician.waits()
  await technician.taps(/^all landed/)
  await technician.waits()
  await expect(technician.nextCheck).toContainText('with R to G, Y and W at the indoor unit joined')
  await technician.taps(/^trips/)
  await technician.waits()
  await expect(technician.nextCheck).toContainText('with R to G and Y at the indoor unit joined')
  await technician.taps(/^trips/)
  await technician.waits()
  await technician.taps(/^holds/)
  await technician.waits()
  await expect(technician.nextCheck).toContainText('with R to Y at the indoor unit joined')
  await technician.taps(/^trips/)
  await technician.waits()
  await expect(technician.nextCheck).toContainText('take off the outdoor cable at the indoor unit: Y and C')
})

test('my slip trips the breaker and says nothing of the house @long', async ({ page }) => {
  const technician = new Technician(page)
  await begins(technician, 'Kiln Street 5')
  await technician.says('breaker in')
  await technician.says('holds on cool')
  await technician.waits()
  const suspects = page.getByRole('region', { name: 'Suspects' })
  const before = await suspects.getByRole('list').textContent()
  await technician.says('my slip')
  await technician.waits()
  await expect(page.getByRole('banner')).toContainText('1 trip')
  await expect(suspects.getByText('after 1 reading', { exact: true })).toBeVisible()
  expect(await suspects.getByRole('list').textContent()).toBe(before)
})

test('proving dead is on record, and volts that are still there keep the hands out', async ({ page }) => {
  const technician = new Technician(page)
  await begins(technician, 'Kiln Street 6')
  await technician.says('power off')
  await technician.says('R-C 0 V')
  await page.keyboard.press('Escape')
  const field = page.getByRole('textbox', { name: 'quick line', exact: true })
  await field.fill('R-C 26 V')
  await expect(page.getByText('Keep your hands out', { exact: false })).toBeVisible()
  await field.fill('')
  await expect(page.getByRole('region', { name: 'Suspects' }).getByText('after 0 readings')).toBeVisible()
})

test('a wire seen on a wrong screw leads, and nobody is asked to look again', async ({ page }) => {
  const technician = new Technician(page)
  await begins(technician, 'Kiln Street 7')
  await technician.says('landings outdoor C on Y')
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('landed on Y instead of C')
  await expect(page.getByText(/take it again/i)).toHaveCount(0)
})

test('a jumper past two safeties is warned of by their names', async ({ page }) => {
  const technician = new Technician(page)
  await begins(technician, 'Kiln Street 8')
  await technician.says('jumper Y low-contactor at outdoor')
  await expect(page.getByText(/bypasses the high-pressure switch and the low-pressure switch/i).first()).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /Bench/ })).toContainText('1 to put back')
})
