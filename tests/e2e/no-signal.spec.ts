import { readFileSync } from 'node:fs'
import { type BrowserContext, expect, type Page } from '@playwright/test'
import { test } from '@/tests/e2e/test'

/** A new job, begun on the list as a technician begins it. */
async function begin(page: Page, title: string): Promise<void> {
  await page.getByRole('textbox', { name: 'street, unit' }).fill(title)
  await page.getByRole('button', { name: 'Start' }).click()
  await expect(page).toHaveURL(/\/jobs\/[\w-]+\?step=complaint/)
}

async function enter(page: Page, line: string): Promise<void> {
  const field = page.getByRole('textbox', { name: /quick line/i })
  await field.fill(line)
  await field.press('Enter')
  await expect(field).toHaveValue('')
}

const idOf = (page: Page): string => new URL(page.url()).pathname.split('/')[2]

/** The app is on the device once its service worker has everything and the page is under it. */
async function isKept(page: Page): Promise<void> {
  await page.goto('/')
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
}

const entriesOf = async (context: BrowserContext, id: string): Promise<{ id: string; kind: string }[]> =>
  (await (await context.request.get(`/api/v1/jobs/${id}/entries`)).json()).entries ?? []

test('a day without a signal: opened twice, a seen job and a new one, all of it there when the signal is back @long', async ({
  page,
  context,
}) => {
  await isKept(page)
  await begin(page, 'Cedar Row 4')
  const seen = idOf(page)
  await enter(page, 'R-C 26.4')
  await expect.poll(async () => (await entriesOf(context, seen)).length).toBe(2)
  // What the server has is kept on the device a moment later.
  await page.waitForTimeout(1500)

  await context.setOffline(true)
  await enter(page, 'breaker in')
  await expect(page.getByRole('button', { name: /on this device only/ })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('textbox', { name: /quick line/i })).toBeVisible()
  await enter(page, 'holds on fan')
  // The engine is in its worker here, too.
  await page.goto(`/jobs/${seen}?step=trace`)
  await expect(page.getByRole('heading', { name: 'Next check' })).toBeVisible()

  // Closed, and opened again on the list.
  await page.close()
  const again = await context.newPage()
  await again.goto('/')
  await expect(again.getByText('no answer from the server')).toBeVisible()
  await expect(again.getByText(/waiting to be sent/)).toBeVisible()
  await begin(again, 'Cedar Row 6, flat above')
  const fresh = idOf(again)
  await enter(again, 'note begun in the cellar')
  await again.reload()
  await enter(again, 'R-C 25.9')
  await again.close()

  // From any page: the list is enough.
  await context.setOffline(false)
  const back = await context.newPage()
  await back.goto('/')
  await expect
    .poll(async () => (await entriesOf(context, fresh)).map(({ kind }) => kind), { timeout: 30_000 })
    .toEqual(['complaint', 'note', 'reading'])
  await expect
    .poll(async () => (await entriesOf(context, seen)).map(({ kind }) => kind))
    .toEqual(['complaint', 'reading', 'bench', 'bench', 'trip'])
  await expect(back.getByText(/waiting to be sent/)).toBeHidden()
  await expect(back.locator(`a[href="/jobs/${fresh}"]`)).toContainText('Cedar Row 6')
})

test('two devices on one job see each other, and are asked where they contradict each other @long', async ({ browser, page }) => {
  await page.goto('/')
  await begin(page, 'Two Phones Lane 2')
  const id = idOf(page)
  const other = await (await browser.newContext()).newPage()
  await other.goto(`/jobs/${id}?step=trace`)
  await expect(other.getByRole('heading', { name: 'Next check' })).toBeVisible()
  await page.goto(`/jobs/${id}?step=trace`)
  await enter(page, 'breaker in')
  await expect(other.getByRole('button', { name: /Bench/ })).toContainText('1')

  // One turns the power off while the other, without a signal for a moment, reads volts.
  await other.context().setOffline(true)
  await enter(other, 'R-C 26.4')
  await enter(page, 'power off')
  await expect(page.getByText('power off').first()).toBeVisible()
  await other.context().setOffline(false)
  const asked = page.getByRole('region', { name: 'Two devices contradict each other' })
  await expect(asked).toContainText('power off', { timeout: 20_000 })
  await asked.getByRole('button', { name: 'before that' }).click()
  await expect(asked).toBeHidden()
  await expect(other.getByRole('region', { name: 'Two devices contradict each other' })).toBeHidden()
})

test('the page, the card, the file and the wiring are saved on the device, what was never sent in them @long', async ({
  page,
  context,
}) => {
  await isKept(page)
  await begin(page, 'Cedar Row 9')
  await context.setOffline(true)
  await enter(page, 'note squirrel in the soffit')
  await page.getByRole('navigation', { name: 'steps' }).getByRole('link', { name: 'Close' }).click()
  const saved = async (name: string): Promise<Buffer> => {
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name, exact: true }).click()
    return readFileSync(await (await download).path())
  }
  expect((await saved('Job file')).toString()).toContain('squirrel in the soffit')
  expect((await saved('Spreadsheet')).toString()).toContain('squirrel in the soffit')
  expect((await saved('Wiring drawing')).toString()).toMatch(/^<svg /)
  for (const printed of ['PDF', 'Card for the panel']) {
    const pdf = await saved(printed)
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
    expect(pdf.length).toBeGreaterThan(5_000)
  }
  await context.setOffline(false)
})

test('an undo says what falls with it, and what fell comes back with it', async ({ page }) => {
  await page.goto('/')
  await begin(page, 'Undo Way 1')
  await enter(page, 'power off; power on')
  await enter(page, 'R-C 26.4')
  await page.getByRole('button', { name: 'timeline' }).click()
  const rows = page.getByRole('dialog', { name: 'Timeline' }).getByRole('listitem')
  await rows
    .filter({ hasText: /^\d\d:\d\dpower on/ })
    .getByRole('button', { name: 'undo' })
    .click()
  await expect(page.getByText(/This also drops: R to C/)).toBeVisible()
  await page.getByRole('button', { name: 'undo anyway' }).click()
  const reading = rows.filter({ hasText: 'R to C at the indoor unit' })
  await expect(reading).toContainText(/Does not count: The power is off.*undo that, and it counts again/)
  // What was undone comes back by undoing that.
  await rows.first().getByRole('button', { name: 'undo' }).click()
  await expect(reading).not.toContainText('Does not count')
})
