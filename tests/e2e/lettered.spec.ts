import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('a strip outdoors on which B is common, a long walk: told by taps, read so, and so again at the next visit @long', async ({
  page,
}) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  const form = page.getByRole('form', { name: 'New job' })
  await form.getByLabel('street, unit').fill('9 Weir Lane')
  await form.getByLabel('type of system').selectOption({ label: 'heat pump, valve energized to cool (O)' })
  await form.getByText('letters on a strip differ').click()
  await form.getByRole('button', { name: /^C at the heat pump/ }).click()
  await form.getByRole('button', { name: 'marked B', exact: true }).click()
  await expect(form.getByText('C is marked B')).toBeVisible()
  await form.getByText('walking times here').click()
  await form.getByRole('button', { name: 'air handler to heat pump: 8 minutes' }).click()
  await form.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByRole('heading', { name: 'Complaint', level: 1 })).toBeAttached()
  await technician.goesTo('Trace')
  for (const line of ['complaint no cool', 'call cool', 'walk outdoor', 'Y-B 0 V', 'R-B 26 V', 'landings outdoor B off']) {
    const field = page.getByRole('textbox', { name: 'quick line', exact: true })
    await field.fill(line)
    await field.press('Enter')
    await page.waitForTimeout(100)
  }
  await expect(page.getByText('to B at the heat pump', { exact: false }).first()).toBeVisible()

  await page.goto('/')
  await form.getByLabel('street, unit').fill('9 weir')
  await form.getByRole('button', { name: /You were at 9 Weir Lane: .*as it is here/ }).click()
  await form.getByRole('button', { name: 'Start' }).click()
  await technician.goesTo('Trace')
  await technician.says('Y-B 24.5 V at outdoor')
})
