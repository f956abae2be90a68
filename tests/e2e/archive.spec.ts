import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect } from '@playwright/test'
import { answers, endServers, serve } from '@/tests/e2e/own-server'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test.afterAll(endServers)

/** An empty store on a server of its own: what the archive is taken into. */
const PORT = 3197

test('a job goes out as an archive, photo and all, and comes into an empty store as it was @long', async ({ page, context }) => {
  serve(mkdtempSync(path.join(tmpdir(), 'nest-trace-archive-')), PORT)
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Brook Lane 8', 'No cooling.')
  await technician.says('R-C 26.4; note wasps in the contactor')
  await technician.goesTo('Close')
  const photos = page.getByRole('region', { name: 'Photos' })
  const picture = await page.screenshot({ type: 'jpeg' })
  await photos.locator('input[type=file]').setInputFiles({ name: 'strip.jpg', mimeType: 'image/jpeg', buffer: picture })
  await expect(photos.getByRole('img')).toBeVisible()
  const id = new URL(page.url()).pathname.split('/')[2]
  const record = async (address: string) =>
    (await (await context.request.get(`${address}/api/v1/jobs/${id}`)).json()) as { entries: { digest?: string }[] }
  const home = new URL(page.url()).origin
  await expect.poll(async () => (await record(home)).entries.filter(({ digest }) => digest).length).toBe(1)
  const { digest } = (await record(home)).entries.find((entry) => entry.digest) ?? {}
  await expect.poll(async () => (await context.request.get(`${home}/api/v1/photos/${digest}`)).status()).toBe(200)
  const saved = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Archive with photos' }).click()
  const archive = await (await saved).path()

  await answers(PORT)
  const away = `http://127.0.0.1:${PORT}`
  await page.goto(away)
  const opened = page.getByRole('region', { name: 'Open a job file' })
  const take = () =>
    opened.locator('input[type=file]').setInputFiles({ name: 'a.zip', mimeType: 'application/zip', buffer: readFileSync(archive) })
  await take()
  await expect(opened.getByRole('status')).toContainText('Restored: 1 job, 4 entries, 1 photo.')
  expect(await record(away)).toEqual(await record(home))
  // Taken in again it changes nothing; the job is on the list, and its photo is seen on a device that never took it.
  await take()
  await expect(opened.getByRole('status')).toContainText('0 jobs, 0 entries, 0 photos')
  await page.getByRole('link', { name: /Brook Lane 8/ }).click()
  await technician.goesTo('Close')
  await expect(page.getByRole('region', { name: 'Photos' }).getByRole('img')).toBeVisible()
})

test('a file that is no archive is refused in a sentence', async ({ page }) => {
  await page.goto('/')
  const opened = page.getByRole('region', { name: 'Open a job file' })
  await opened
    .locator('input[type=file]')
    .setInputFiles({ name: 'a.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip at all') })
  await expect(opened.getByRole('alert')).toContainText('no zip file')
})
