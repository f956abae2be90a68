import { expect, test } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'

test('a nick is taped where only the insulation is rubbed, spliced where the copper is; the record has damage, repair and cause', async ({
  page,
}) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('8 Cooper Street', 'No cooling since the new fence')
  await technician.goesTo('Trace')
  for (const line of ['power off', 'lift outdoor Y', 'outdoor Y to ground 0.4']) await technician.says(line)
  await technician.goesTo('Repair')
  await page.getByRole('combobox', { name: 'Where' }).selectOption({ label: 'outdoor cable' })
  const how = page.getByRole('region', { name: 'How to repair it' })
  await how.getByRole('button', { name: 'insulation only' }).click()
  await how.getByRole('button', { name: 'inside a unit' }).click()
  await expect(how.getByRole('listitem').first()).toContainText('Tape or sleeve the insulation')

  // On a closer look the copper is nicked, and there is slack.
  await how.getByRole('button', { name: 'copper nicked' }).click()
  await how.getByText('there is slack to cut it out').click()
  const splice = how.getByRole('button', { name: /Cut out the damaged piece and splice/ })
  await expect(splice).toContainText('25 min')
  await how.getByText('Why not the others').click()
  await expect(how).toContainText('under tape it goes on corroding')
  await splice.click()
  await expect(page.getByRole('textbox', { name: 'What' })).toHaveValue(/Cut out the damaged piece and splice/)
  await expect(page.getByRole('textbox', { name: 'Cause, and how it was removed' })).toHaveValue(/off the edge and the hot pipe/)
  await page.getByRole('button', { name: 'Record the repair' }).click()

  await technician.goesTo('Close')
  await expect(page.getByRole('article')).toContainText('Cut out the damaged piece and splice')
  await page.reload()
  await technician.goesTo('Repair')
  await expect(page.getByText(/^✓ Cut out the damaged piece/)).toBeVisible()
})
