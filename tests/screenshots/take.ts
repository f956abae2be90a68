import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import browser from '@/playwright.config'

/** A heat pump with strips, a float in R and a fuse of 5 A; the rest not looked at. */
async function tickTogether(page: Page): Promise<void> {
  await page.getByLabel('type of system').selectOption({ label: 'not listed: check what is there' })
  await page.getByRole('button', { name: 'Check what is there' }).click()
  for (const [question, answer] of [
    ['a heat pump (reversing valve)', 'yes'],
    ['electric heat strips', 'yes'],
    ['a gas furnace', 'no'],
    ['float switch', 'in R'],
    ['fuse on the 24 V side', '5 A'],
  ])
    await page.getByRole('group', { name: question }).getByRole('button', { name: answer, exact: true }).click()
}

/** Takes the README's pictures from the demo job, on a server and a store of its own. Needs a build. */
const views = [
  { name: 'jobs', address: '/', theme: 'attic', width: 1280, height: 800 },
  { name: 'complaint', address: '/jobs/demo?step=complaint', theme: 'attic', width: 1280, height: 800 },
  { name: 'power', address: '/jobs/demo?step=power', theme: 'attic', width: 1280, height: 800 },
  { name: 'trace-attic', address: '/jobs/demo?step=trace', theme: 'attic', width: 1280, height: 800 },
  { name: 'trace-roof', address: '/jobs/demo?step=trace', theme: 'roof', width: 1280, height: 800 },
  { name: 'trace-phone', address: '/jobs/demo?step=trace', theme: 'attic', width: 390, height: 844 },
  { name: 'trace-ways', address: '/jobs/demo?step=trace', theme: 'attic', width: 1280, height: 800, press: ['w'] },
  {
    name: 'trace-past',
    address: '/jobs/demo?step=trace',
    theme: 'roof',
    width: 1280,
    height: 800,
    press: ['t', 'Tab', 'Home', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'Escape'],
  },
  { name: 'cable', address: '/jobs/demo?step=cable', theme: 'attic', width: 1280, height: 800 },
  { name: 'repair', address: '/jobs/demo?step=repair', theme: 'attic', width: 1280, height: 800 },
  { name: 'prove', address: '/jobs/demo?step=prove', theme: 'attic', width: 1280, height: 800 },
  { name: 'close', address: '/jobs/demo?step=close', theme: 'roof', width: 1280, height: 800 },
  {
    name: 'what-is-there',
    address: '/',
    theme: 'roof',
    width: 1280,
    height: 800,
    act: tickTogether,
  },
] as const

const port = 3197
const origin = `http://127.0.0.1:${port}`
const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
  env: { ...process.env, NEST_TRACE_DATA: mkdtempSync(path.join(tmpdir(), 'nest-trace-pictures-')), NEXT_TELEMETRY_DISABLED: '1' },
  stdio: 'ignore',
})

/** What leaves as a PDF, as a picture. */
async function takePaper(name: string): Promise<void> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'nest-trace-paper-')), `${name}.pdf`)
  writeFileSync(file, Buffer.from(await (await fetch(`${origin}/api/v1/jobs/demo/${name}`)).arrayBuffer()))
  execFileSync('pdftoppm', ['-r', '90', '-png', '-singlefile', file, `docs/screenshots/${name}`])
  console.log(name)
}

async function takeAll(): Promise<void> {
  try {
    for (let tries = 0; ; tries++) {
      if (
        await fetch(`${origin}/api/v1/jobs`).then(
          ({ ok }) => ok,
          () => false,
        )
      )
        break
      if (tries > 60) throw new Error('the server did not come up; is there a build?')
      await new Promise((resolve) => setTimeout(resolve, 1000))
    }
    const { launchOptions } = browser.use ?? {}
    const chrome = await chromium.launch(launchOptions)
    for (const view of views) {
      const { name, address, theme, width, height } = view
      const context = await chrome.newContext({ viewport: { width, height } })
      await context.addCookies([{ name: 'theme', value: theme, url: origin }])
      const page = await context.newPage()
      await page.goto(`${origin}${address}`)
      await page.waitForLoadState('networkidle')
      // Charts and the worker's first answers: there is nothing on the page that tells when the last of them is drawn.
      await page.waitForTimeout(3000)
      for (const key of 'press' in view ? view.press : []) {
        await page.keyboard.press(key)
        await page.waitForTimeout(700)
      }
      if ('act' in view) await view.act(page)
      if ('press' in view || 'act' in view) await page.waitForTimeout(2500)
      await page.screenshot({ path: `docs/screenshots/${name}.png` })
      await context.close()
      console.log(name)
    }
    await chrome.close()
    for (const paper of ['page', 'card']) await takePaper(paper)
  } finally {
    server.kill()
  }
}

void takeAll()
