import { expect, test } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'

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
