import { expect } from '@playwright/test'
import { codePicture } from '@/src/core/formats/page/card-document'
import { cardFacts, cardText } from '@/src/core/formats/page/card-facts'
import type { JobFile } from '@/src/core/job/job-file'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('the card in the panel is photographed: the next visit begins with its wiring, no server asked @long', async ({ page, context }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Dyer Lane 7', 'No heat.', 'heat pump, valve energized to cool (O)')
  await technician.says('power off; swap outdoor Y to black')
  const id = new URL(page.url()).pathname.split('/')[2]
  const first = async (): Promise<JobFile> => (await context.request.get(`/api/v1/jobs/${id}`)).json()
  await expect.poll(async () => (await first()).entries.length).toBe(3)
  // The printed code, photographed: a picture with white around it.
  const phone = await context.newPage()
  await phone.setContent(
    `<body style="margin:60px;background:#fff"><div style="width:420px">${codePicture(cardText(cardFacts(await first())))}</div></body>`,
  )
  const photo = { name: 'card.png', mimeType: 'image/png', buffer: await phone.screenshot() }
  await phone.close()

  await page.goto('/')
  const form = page.getByRole('form', { name: 'New job' })
  await form.locator('input[type=file]').setInputFiles(photo)
  await expect(form.getByRole('region', { name: 'Card' })).toContainText('Card of')
  await expect(form.getByLabel('street, unit')).toHaveValue('Dyer Lane 7')
  await form.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByRole('heading', { name: 'Complaint', level: 1 })).toBeAttached()
  const next = new URL(page.url()).pathname.split('/')[2]
  const again: JobFile = await (await context.request.get(`/api/v1/jobs/${next}`)).json()
  expect(again.system.cables.find((cable) => cable.id === 'outdoor-cable')?.conductors.find((wire) => wire.id === 'Y')?.colour).toBe(
    'black',
  )
  expect(again.entries.map((entry) => (entry.kind === 'note' ? entry.text : ''))).toEqual(['', expect.stringMatching(/^card of /)])
})

test('a picture without a code, and the code of something else, are refused in a sentence', async ({ page, context }) => {
  const phone = await context.newPage()
  await phone.setContent(
    `<body style="margin:60px;background:#fff"><div style="width:420px">${codePicture('https://example.org/menu')}</div></body>`,
  )
  const menu = await phone.screenshot()
  await phone.close()
  await page.goto('/')
  const form = page.getByRole('form', { name: 'New job' })
  const take = (buffer: Buffer) => form.locator('input[type=file]').setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer })
  await take(menu)
  await expect(form.getByRole('alert')).toContainText('not the code of a card')
  await take(await page.screenshot())
  await expect(form.getByRole('alert')).toContainText('No code was found')
})
