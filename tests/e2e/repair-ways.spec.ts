import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('a nick is taped where only the insulation is rubbed, spliced where the copper is; the record has damage, repair and cause @long', async ({
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

test('two options are put to the customer with the shop’s own prices, one is taken, and the page that stays says both', async ({
  page,
}) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('31 Dyer’s Yard', 'AC blows the fuse, mice in the crawlspace')
  await technician.goesTo('Repair')
  await page.getByRole('combobox', { name: 'Where' }).selectOption({ label: 'stat cable' })
  const how = page.getByRole('region', { name: 'How to repair it' })
  await how.getByRole('button', { name: 'copper parted' }).click()
  await how.getByRole('button', { name: 'in a wall' }).click()
  await expect(how.getByRole('listitem').first()).toContainText('Move it to a spare of the same cable')

  await page.getByText('Options for the customer').click()
  const form = page.getByRole('form', { name: 'Options to give' })
  await form.getByRole('button', { name: 'Use the repairs above' }).click()
  const second = form.getByRole('group', { name: 'option 2' })
  await expect(second.getByLabel('what is done')).toHaveValue('Run a new cable, with spares')
  await form.getByRole('group', { name: 'option 1' }).getByLabel('price').fill('95')
  await second.getByLabel('price').fill('a lot')
  await form.getByRole('button', { name: 'Save these options' }).click()
  await expect(form.getByRole('alert')).toHaveText('Type hours and price as numbers: 1.5.')
  // What was typed stays through a reload.
  await page.reload()
  await technician.goesTo('Repair')
  await page.getByText('Options for the customer').click()
  await second.getByLabel('price').fill('640')
  await form.getByRole('button', { name: 'Save these options' }).click()
  const given = page.getByRole('region', { name: 'Options given' })
  await given.getByRole('button', { name: 'customer takes option 1' }).click()
  await expect(given).toContainText('✓ taken')
  await expect(given).toContainText('declined')
  const id = new URL(page.url()).pathname.split('/')[2]
  await technician.goesTo('Close')
  await expect(page.getByRole('article')).toContainText('Run a new cable, with spares (2.5 h, 640.00): declined.')
  await expect(async () => {
    const answer = await page.request.get(`/api/v1/jobs/${id}/options`)
    expect(answer.headers()['content-type']).toBe('application/pdf')
  }).toPass()
})

test('a new transformer: its size by what the calls ask, the lead by the line that was read, what protects it', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Locust Row 5', 'Blank thermostat.')
  await technician.says('R-C 0; secondary 0; primary 118')
  await technician.goesTo('Repair')
  const matches = page.getByRole('region', { name: 'What a new transformer has to match' })
  await expect(matches).toContainText('40 VA')
  await expect(matches).toContainText('the line read 118 V')
  await expect(matches).toContainText('3 A fuse')
})

test('an open conductor in a wall runs on a spare between two places that can be reached; the page and the next look at the cable say so @long', async ({
  page,
}) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('3 Sawmill Lane', 'No cooling since the pictures were hung')
  await technician.goesTo('Trace')
  for (const line of [
    'call cool',
    'R-C 26',
    'Y-C 0',
    'walk thermostat; Y-C 26',
    'landmark stat 3 m attic hatch',
    'landmark stat 6 m wall plate',
  ])
    await technician.says(line)
  await technician.says('power off')
  await technician.goesTo('Repair')
  await page.getByRole('combobox', { name: 'Where' }).selectOption({ label: 'stat cable' })
  const how = page.getByRole('region', { name: 'How to repair it' })
  await how.getByRole('button', { name: 'copper parted' }).click()
  await how.getByRole('button', { name: 'in a wall' }).click()
  const way = how.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^Use a spare on the bad section only/ }) })
  await expect(way).toContainText('At attic hatch: cut Y (yellow) and brown.')
  await way.getByLabel('spare').selectOption('orange')
  await expect(way).toContainText('At wall plate: cut Y (yellow) and orange.')
  await way.getByRole('button', { name: /^Use a spare on the bad section only/ }).click()
  await way.getByRole('button', { name: /^It is done: swap Y/ }).click()
  await expect(how.getByRole('button', { name: /^It is done/ })).toHaveCount(0)
  await expect(page.getByRole('textbox', { name: 'What' })).toHaveValue(/Use a spare on the bad section only.*: Y/)
  await page.getByRole('button', { name: 'Record the repair' }).click()

  await technician.goesTo('Cable')
  await expect(page.getByRole('row', { name: /yellow .*on orange between attic hatch and wall plate/ })).toBeVisible()
  await technician.goesTo('Close')
  await expect(page.getByRole('article')).toContainText(
    'Y (yellow) of the stat cable runs on orange between attic hatch and wall plate: the color changes at both joints.',
  )
  await page.reload()
  await technician.goesTo('Cable')
  await expect(page.getByText('Spare in the stat cable: brown, black.')).toBeVisible()
})
