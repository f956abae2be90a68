import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

/** A camera's JPEG, which says where it was taken: a picture of the screen with an Exif segment behind its start. */
async function fromCamera(page: Page): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const picture = await page.screenshot({ type: 'jpeg', quality: 60 })
  const exif = Buffer.concat([Buffer.from([0xff, 0xe1, 0, 2 + 20]), Buffer.from('Exif\0\0place 51.0 7.0')])
  exif.writeUInt16BE(exif.length - 2, 2)
  return { name: 'strip.jpg', mimeType: 'image/jpeg', buffer: Buffer.concat([picture.subarray(0, 2), exif, picture.subarray(2)]) }
}

const idOf = (page: Page): string => new URL(page.url()).pathname.split('/')[2]

/** Digests of the photos on record in the store. */
async function photosOnRecord(page: Page): Promise<string[]> {
  const { entries } = await (await page.request.get(`/api/v1/jobs/${idOf(page)}/entries`)).json()
  return entries.flatMap((entry: { kind: string; digest?: string }) => (entry.kind === 'photo' ? [entry.digest] : []))
}

test('the strip is photographed before the first wire comes off, without its place, with no signal, and is on the page @long', async ({
  page,
  context,
}) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Tanner Row 3', 'The fuse blows when it cools.')
  await technician.goesTo('Trace')
  await technician.says('power off; Y-C 0.3')
  await technician.waits()
  const camera = await fromCamera(page)
  await context.setOffline(true)
  const asked = technician.nextCheck.getByText('picture of the strip at the indoor unit first')
  await expect(asked).toBeVisible()
  await technician.nextCheck.locator('input[type=file]').setInputFiles(camera)
  await expect(asked).toBeHidden()

  await technician.goesTo('Close')
  const photos = page.getByRole('region', { name: 'Photos' })
  await expect(photos.getByRole('img', { name: /the strip at the indoor unit before a wire came off/ })).toBeVisible()
  await photos.getByRole('button', { name: 'put on the page' }).click()
  await expect(photos.getByRole('button', { name: 'on the page ✓' })).toBeVisible()
  const saved = page.waitForEvent('download')
  await technician.taps('PDF')
  expect(readFileSync(await (await saved).path()).includes('/Subtype /Image')).toBe(true)

  await context.setOffline(false)
  await expect.poll(() => photosOnRecord(page), { timeout: 60_000 }).toHaveLength(1)
  const [digest] = await photosOnRecord(page)
  await expect.poll(async () => (await page.request.get(`/api/v1/photos/${digest}`)).status()).toBe(200)
  const kept = await (await page.request.get(`/api/v1/photos/${digest}`)).body()
  expect(kept.includes('Exif')).toBe(false)
  const printed = await (await page.request.get(`/api/v1/jobs/${idOf(page)}/page`)).body()
  expect(printed.includes('/Subtype /Image')).toBe(true)
  const { violations } = await new AxeBuilder({ page }).include('[aria-label="Photos"]').analyze()
  expect(violations.map(({ id }) => id)).toEqual([])
})

test('a file that is no picture is refused in a sentence, and nothing is entered', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Tanner Row 5', 'No cooling.')
  await technician.goesTo('Close')
  const photos = page.getByRole('region', { name: 'Photos' })
  await photos.locator('input[type=file]').setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') })
  await expect(photos.getByRole('alert')).toContainText('no picture that the browser can read')
  await expect(photos.getByRole('listitem')).toHaveCount(0)
})
