import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** A pair of 18 AWG at 25 °C, ohm per metre of its loop. */
const LOOP = 2 * 0.02095 * (1 + 0.00393 * 5)

test('a short behind a fence post is placed within its band, from the customer’s words to the ruler', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('14 Rope Walk', 'It blows the fuse when the AC comes on, since they dug for the fence')
  const suggested = page.getByRole('group', { name: 'These words suggest' })
  await suggested.getByRole('button', { name: 'blows on a call: cool' }).click()
  await suggested.getByRole('button', { name: 'fence or garden work' }).click()
  await expect(suggested).toHaveCount(0)
  await expect(page.getByRole('checkbox', { name: 'blows on a call' })).toBeChecked()
  await expect(page.getByRole('checkbox', { name: 'fence or garden work' })).toBeChecked()

  await technician.goesTo('Trace')
  for (const line of ['at indoor', 'power off', 'lift outdoor Y', 'lift outdoor C', 'at outdoor', 'lift Y', 'lift C', 'nulled'])
    await technician.says(line)
  // 11.4 m from the indoor unit on a run of 18, through a contact of 0.2 ohm.
  await technician.says(`loop Y-C ${(LOOP * 6.6 + 0.2).toFixed(2)}`)
  await technician.goesTo('Cable')
  const run = page.getByRole('region', { name: 'outdoor cable', exact: true })
  await expect(run).toContainText('Read it from the other end too')
  await run.getByLabel('length of the run, m').fill('18')
  await run.getByRole('button', { name: 'set the length' }).click()
  for (const [metres, name] of [
    ['6', 'wall plate'],
    ['14', 'fence post'],
  ]) {
    await run.getByLabel('landmark at, m').fill(metres)
    await run.getByLabel('what stands there').fill(name)
    await run.getByRole('button', { name: 'add the landmark' }).click()
    await expect(run.getByLabel('what stands there')).toHaveValue('')
  }
  await technician.says('at indoor')
  await technician.says(`loop outdoor Y-C ${(LOOP * 11.4 + 0.2).toFixed(2)}`)
  await expect(run).toContainText(/C and Y shorted together: between the wall plate and the fence post, 11(\.\d)? m from the indoor unit/)

  // A number that is none is said, and what was told stays through a reload.
  await run.getByLabel('landmark at, m').fill('by the tree')
  await run.getByRole('button', { name: 'add the landmark' }).click()
  await expect(run.getByRole('alert')).toHaveText('Type a number, as on a tape: 6.5.')
  await page.reload()
  await expect(page.getByRole('region', { name: 'outdoor cable', exact: true })).toContainText('between the wall plate and the fence post')
})
