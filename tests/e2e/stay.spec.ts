import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test.use({ timezoneId: 'America/New_York' })

test('the stay is counted by the clock: over the end of daylight saving, a reload, midnight and an hour of sleep @long', async ({
  page,
}) => {
  const technician = new Technician(page)
  const at = (time: string) => page.clock.setSystemTime(new Date(time))
  // Ten minutes before the clocks go back.
  await page.clock.install({ time: new Date('2026-11-01T05:50:00Z') })
  await technician.opensTheApp()
  await technician.beginsAJob('2 Ropewalk', 'Ran, then quit at night.')
  for (const line of ['proved fan', 'proved cool', 'proved heat']) await technician.says(line)
  await technician.goesTo('Prove')
  const timer = page.getByRole('region', { name: 'the stay' }).getByRole('timer')
  await expect(timer).toHaveText(/^(20:00|19:[45]\d)$/)
  await at('2026-11-01T06:05:00Z')
  await expect(timer).toHaveText(/^(5:00|4:[345]\d)$/)
  await page.reload()
  await at('2026-11-01T06:06:00Z')
  await expect(timer).toHaveText(/^(4:00|3:[345]\d)$/)
  // The phone slept for an hour.
  await at('2026-11-01T07:06:00Z')
  await expect(page.getByText('Watched for twenty minutes')).toBeVisible()
  // Once more, over midnight.
  await at('2026-11-02T04:50:00Z')
  await technician.says('proved cool')
  await expect(timer).toHaveText(/^(20:00|19:[45]\d)$/)
  await at('2026-11-02T05:05:00Z')
  await expect(timer).toHaveText(/^(5:00|4:[345]\d)$/)
})

test('a trip while proving opens Trace again, with the mode as not held', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('17 Cooper Street', 'No cooling')
  for (const line of ['repaired contactor', 'proved fan']) await technician.says(line)
  await technician.goesTo('Prove')
  const card = page.getByRole('region', { name: 'Run cool' })
  await card.getByRole('button', { name: 'call for cool' }).click()
  await card.getByRole('button', { name: 'it tripped' }).click()
  await expect(page.getByRole('heading', { name: 'Trace', level: 1 })).toBeAttached()
  await expect(page.getByText('1 trip', { exact: true })).toBeVisible()
  await technician.goesTo('Prove')
  await expect(page.getByRole('row', { name: /^cool/ })).toContainText('did not hold')
  // What had run before the trip has to run again.
  await expect(page.getByRole('row', { name: /^fan/ })).toContainText('not run')
})
