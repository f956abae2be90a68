import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('a callback: the earlier visit stands beside the new complaint, with what was found, read and repaired', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Quarry Bank 6', 'The fuse blows when it cools.')
  await expect(page.getByRole('region', { name: 'Last time here' })).toHaveCount(0)
  await technician.says('fuse blown; power off; Y-C 0.3; repaired spliced the red wire by the fence post')
  await expect.poll(() => page.getByText('on this device only').count()).toBe(0)

  await page.goto('/')
  await technician.beginsAJob('Quarry Bank 6', 'It blows again.')
  const last = page.getByRole('region', { name: 'Last time here' })
  await expect(last).toContainText('Visit 2 of 2 at this address')
  await last.getByText('spliced the red wire').click()
  await expect(last).toContainText('The fuse blows when it cools.')
  await expect(last.getByRole('row', { name: /Y to C at the indoor unit/ })).toContainText('0.3 ohm !')
})

test('a callback begins with the wiring as it was left: the spare serves under its own color, and the wire that was given up is no spare', async ({
  page,
}) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Quarry Bank 9', 'No cooling.')
  await technician.says('power off; swap stat Y to brown; swap stat G to orange between attic hatch and wall plate')
  await technician.says('repaired stat cable, both moved to spares')
  await expect.poll(() => page.getByText('on this device only').count()).toBe(0)

  await page.goto('/')
  const form = page.getByRole('form', { name: 'New job' })
  await form.getByLabel('street, unit').fill('quarry bank 9')
  await form.getByRole('button', { name: /You were at Quarry Bank 9/ }).click()
  await form.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByRole('heading', { name: 'Complaint', level: 1 })).toBeAttached()
  await expect(page.getByRole('banner')).toContainText('furnace with A/C, as it is here')
  await technician.goesTo('Cable')
  await expect(page.getByRole('row', { name: /brown/ }).first()).toContainText('Y')
  await expect(page.getByRole('row', { name: /yellow/ })).toHaveCount(0)
  await expect(page.getByText('Spare in the stat cable: black.')).toBeVisible()
  await expect(page.getByRole('row', { name: /green runs on orange between attic hatch and wall plate/ })).toBeVisible()
  await technician.goesTo('Close')
  await expect(page.getByRole('article')).toContainText('G (green) of the stat cable runs on orange between attic hatch and wall plate')
})
