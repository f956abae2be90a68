import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('a job by quick line and keyboard alone', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await page.getByLabel('street, unit').focus()
  await page.keyboard.type('Mill Row 22')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Complaint', level: 1 })).toBeAttached()

  const line = async (text: string) => {
    await page.keyboard.press('/')
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('textbox', { name: 'quick line', exact: true })).toHaveValue('')
    await page.keyboard.press('Escape')
  }
  await page.keyboard.press('3')
  await expect(page.getByRole('heading', { name: 'Trace', level: 1 })).toBeAttached()
  await line('fuse blown')
  await line('breaker in')
  await line('holds on fan')
  await line('trip on cool')
  await expect(page.getByRole('banner')).toContainText('1 trip')
  await line('power off')
  await line('reset')
  await line('lift outdoor Y at indoor')
  await line('lift outdoor Y at outdoor')
  await line('lifted Y-gnd at indoor 0.4')
  await technician.waits()
  await expect(technician.leadingSuspect).toContainText('shorted to ground in the outdoor cable')

  // What is not understood is said, pointed at, and kept.
  await page.keyboard.press('/')
  await page.keyboard.type('Y-gnd twelve')
  await expect(page.getByText('A reading is a number or OL; "twelve" is neither.')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: 'quick line', exact: true })).toHaveValue('Y-gnd twelve')
  // One key keeps it as it was said.
  await page.keyboard.press('Shift+Enter')
  await expect(page.getByRole('textbox', { name: 'quick line', exact: true })).toHaveValue('')
  await page.keyboard.press('Escape')
  await expect(page.getByText('note: Y-gnd twelve').first()).toBeVisible()

  // What may mean two things is offered as each of them; one key takes it.
  await page.keyboard.press('/')
  await page.keyboard.type('lift C at indoor')
  const meanings = page.getByRole('list', { name: 'which of these' })
  await expect(meanings.getByRole('button')).toHaveText([/lift C \(white\) of the outdoor cable/, /lift C \(blue\) of the stat cable/])
  await page.keyboard.press('Alt+1')
  await expect(page.getByRole('textbox', { name: 'quick line', exact: true })).toHaveValue('')
  await page.keyboard.press('Escape')
  await line('undo')

  await line('repaired 1 because a fence post')
  for (const back of ['land outdoor Y at indoor', 'land outdoor Y at outdoor', 'fuse 3 in', 'power on']) await line(back)
  for (const [call, proof] of [
    ['fan', '0.6 A 26 V'],
    ['cool', '0.9 A 25.6 V'],
    ['heat', '0.7 A 25.9 V'],
  ]) {
    await line(`call ${call}`)
    await line(`proved ${call} ${proof}`)
  }
  await line('call off')
  await line('close')
  await page.keyboard.press('7')
  await expect(page.getByText('Closed.', { exact: false }).first()).toBeVisible()
})

test('probes by arrow keys, undo by key, the list of keys by question mark', async ({ page }) => {
  const technician = new Technician(page)
  await page.goto('/jobs/demo?step=trace')
  await technician.waits()
  await page.keyboard.press('m')
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Probes' })).toContainText('R to Y at the thermostat')
  await page.getByRole('textbox', { name: 'reading in V' }).fill('26.5')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText('after 8 readings')
  await page.keyboard.press('u')
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText('after 7 readings')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys and quick lines' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('t')
  await expect(page.getByRole('dialog', { name: 'Timeline' })).toContainText('undo: R to Y at the thermostat')
})
