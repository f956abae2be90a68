import { expect } from '@playwright/test'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

test('a reload in the middle loses nothing: what is entered, what is typed, where one is', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await page.getByLabel('street, unit').fill('9 Ferry Steps')
  await page.reload()
  await expect(page.getByLabel('street, unit')).toHaveValue('9 Ferry Steps')
  await technician.beginsAJob('9 Ferry Steps', 'Blank since the storm.')
  await page.getByLabel('What the last visitor said').fill('Needs a new board')
  await page.reload()
  await expect(page.getByLabel('What the last visitor said')).toHaveValue('Needs a new board')
  await technician.ticks('blank thermostat')
  await technician.goesTo('Trace')
  await technician.says('fuse good')
  await technician.says('R-C 0.2')
  await page.getByRole('textbox', { name: 'quick line', exact: true }).fill('sec-C 26')
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Trace', level: 1 })).toBeAttached()
  await expect(page.getByRole('textbox', { name: 'quick line', exact: true })).toHaveValue('sec-C 26')
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText('after 2 readings')
  await technician.goesTo('Complaint')
  await expect(page.getByRole('checkbox', { name: 'blank thermostat' })).toBeChecked()
  await expect(page.getByLabel("In the customer's words")).toHaveValue('Blank since the storm.')
})

test('where the signal goes as soon as the desk is there, it goes on, and all is sent and drawn when it is back @long', async ({
  page,
  context,
}) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('2 Quay Row, basement', 'Dead.')
  const job = new URL(page.url()).pathname
  const entriesInStore = async () => (await (await context.request.get(`/api/v1${job}`)).json()).entries.length
  const before = await entriesInStore()
  await page.goto(`${job}?step=trace`)
  await expect(technician.nextCheck.getByRole('button', { name: 'why this one' })).toBeVisible()

  await context.setOffline(true)
  await technician.says('breaker in')
  await technician.says('R-C 26.4')
  await technician.waits()
  await technician.goesTo('Power')
  await expect(page.getByRole('table', { name: /^Supply readings/ })).toBeVisible()
  await technician.goesTo('Complaint')
  await technician.goesTo('Cable')
  await expect(page.getByRole('banner')).toContainText('2 on this device only')

  await context.setOffline(false)
  await expect(page.getByText('on this device only')).toHaveCount(0, { timeout: 15_000 })
  expect(await entriesInStore()).toBe(before + 2)
  await technician.goesTo('Power')
  await expect(page.getByRole('img', { name: /A fuse/ })).toBeVisible()
})

test('without a signal entries stay on the device, survive a reload, and go out when it is back @long', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  await technician.beginsAJob('Heron House, roof unit 2', 'Half works.')
  await technician.goesTo('Trace')
  const jobId = new URL(page.url()).pathname.split('/').at(-1)
  const entriesInStore = async () => (await (await page.request.get(`/api/v1/jobs/${jobId}`)).json()).entries.length
  const before = await entriesInStore()

  await page.route('**/api/v1/jobs/*/entries', (route) => route.abort())
  await technician.says('breaker in')
  await technician.says('holds on fan')
  await expect(page.getByRole('banner')).toContainText('3 on this device only')
  await page.reload()
  await expect(page.getByRole('banner')).toContainText('3 on this device only')
  expect(await entriesInStore()).toBe(before)

  await page.unroute('**/api/v1/jobs/*/entries')
  await expect(page.getByText('on this device only')).toHaveCount(0)
  expect(await entriesInStore()).toBe(before + 3)
  await technician.waits()
})

test('a step opens before the scripts of the page have come', async ({ page }) => {
  await page.route('**/_next/static/chunks/*.js', () => undefined)
  await page.goto('/jobs/demo?step=prove', { waitUntil: 'commit' })
  await expect(page.getByRole('heading', { name: 'Prove', level: 1 })).toBeAttached()
  await page.getByRole('navigation', { name: 'steps' }).getByRole('link', { name: 'Close' }).click({ noWaitAfter: true })
  await expect(page.getByRole('heading', { name: 'Close', level: 1 })).toBeAttached()
})

const ZONE_OF_DEVICE = 'Pacific/Auckland'
const minuteThere = (at: string): string =>
  new Date(at)
    .toLocaleTimeString('en', { hour: 'numeric', minute: '2-digit', hourCycle: 'h23', timeZone: ZONE_OF_DEVICE })
    .replace(/^0/, '')

test.describe('on a device whose clock and time zone are not those of the server', () => {
  test.use({ timezoneId: ZONE_OF_DEVICE })

  test('every page is taken over as it was sent', async ({ page }) => {
    await page.clock.install({ time: Date.now() + 7 * 60_000 })
    const technician = new Technician(page)
    await technician.opensTheApp()
    await technician.beginsAJob('14 Ferry Steps', 'Off and on.')
    await technician.goesTo('Prove')
    for (const line of ['call cool', 'proved fan', 'proved cool 0.9 A', 'proved heat']) await technician.says(line)
    for (const step of ['prove', 'complaint', 'trace', 'close']) {
      await page.goto(`${page.url().replace(/\?.*/, '')}?step=${step}`)
      await expect(page.getByText(/ on site$/)).toBeVisible()
    }
    const { pathname } = new URL(page.url())
    const { entries } = await (await page.request.get(`/api/v1${pathname}`)).json()
    await page.goto(pathname.replace('jobs', 'report'))
    await expect(page.getByRole('article')).toContainText(` ${minuteThere(entries[0].at)} to `)
    await page.goto('/')
    await expect(page.getByRole('link', { name: /14 Ferry Steps/ })).toContainText('today')
  })
})
