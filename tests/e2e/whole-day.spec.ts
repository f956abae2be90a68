import { readFileSync } from 'node:fs'
import { expect } from '@playwright/test'
import { foldJob } from '@/src/core/job/fold'
import { readJobFile } from '@/src/core/job/job-file'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { followsTheChecks, hiddenFault, Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('the whole day: complaint, power, trips, halving, ohms, repair, prove, put back, close, report', async ({ page }) => {
  const technician = new Technician(page)
  const house = hiddenFault('conductor-to-chassis:outdoor-cable.Y', 'blown', 4)
  await technician.opensTheApp()
  await technician.beginsAJob('3 Quarry Lane, rear flat', 'The fuse goes as soon as it cools.')

  await technician.ticks('blows on a call')
  await technician.taps('cool')
  await technician.ticks('fence or garden work')
  await expect(page.getByRole('row', { name: /outdoor cable .* up \d+ fence or garden work/ })).toBeVisible()
  await technician.taps('board fuse, 3 A on the label: blown')
  await technician.taps('On to Power')

  const line = house.ask({ meter: 'volts', a: 'L1@indoor', b: 'N@indoor' }).answer
  await expect(page.getByRole('region', { name: 'Next reading' })).toContainText('L1 to N')
  await technician.types(String(line))
  await expect(page.getByRole('row', { name: /L1 to N.*✓/ })).toBeVisible()

  await technician.goesTo('Trace')
  const checks = await followsTheChecks(technician, house, furnaceAc)
  expect(checks).toBeGreaterThan(1)
  await expect(page.getByRole('region', { name: 'Found' })).toContainText('Clear the short to ground on Y (red) of the outdoor cable')
  await technician.taps('On to Repair')

  await page.getByRole('button', { name: /^Clear the short to ground on Y \(red\) of the outdoor cable/ }).click()
  await page.getByLabel('Cause, and how it was removed').fill('A fence post; the cable is rerouted in a sleeve.')
  await technician.taps('Record the repair')
  await expect(page.getByRole('heading', { name: 'Prove', level: 1 })).toBeAttached()

  // Whatever the search left on the bench is put back, but the breaker stays for the proving.
  await technician.goesTo('Close')
  await expect(page.getByRole('button', { name: /^Close the job: \d+ things left to do/ })).toBeDisabled()
  const owed = page.getByRole('list', { name: 'to put back' })
  for (let left = await owed.getByRole('button').count(); left > 0; left = await owed.getByRole('button').count()) {
    await owed.getByRole('button').first().click()
    await expect(owed.getByRole('button')).toHaveCount(left - 1)
  }
  await expect(page.getByText('Nothing to put back.')).toBeVisible()

  await technician.goesTo('Prove')
  for (const [call, amps] of [
    ['fan', '0.64'],
    ['cool', '0.92'],
    ['heat', '0.75'],
  ]) {
    const card = page.getByRole('region', { name: `Run ${call}` })
    await card.getByLabel('amps on R').fill(amps)
    await card.getByRole('button', { name: `${call} held` }).click()
    await expect(page.getByRole('row', { name: new RegExp(`^${call}.*held`) })).toBeVisible()
  }
  await expect(page.getByRole('timer')).toHaveText(/^(20:00|19:[45]\d)$/)
  await technician.taps('On to Close')
  await technician.taps('put back: thermostat is set to heat')
  await technician.taps('Close the job')
  await expect(page.getByText('Closed.', { exact: false }).first()).toBeVisible()

  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Job file' }).click()
  const read = readJobFile(readFileSync(await (await download).path(), 'utf8'))
  expect(read.ok && foldJob(read.file.system, read.file.entries).closedAt).toBeTruthy()

  await page.getByRole('link', { name: 'Print' }).click()
  const report = page.getByRole('article')
  await expect(report).toContainText('3 Quarry Lane, rear flat')
  await expect(report).toContainText('rerouted in a sleeve')
  await expect(report).toContainText('fan: held (0.64 A)')
  await expect(report).toContainText('Nothing: everything is put back.')
})
