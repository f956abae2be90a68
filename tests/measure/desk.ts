import { spawn } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import browser from '@/playwright.config'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

/**
 * What the technician waits for, in the real interface on loopback, for every system: taps and seconds from opening the app to the first proposed check,
 * and milliseconds from a tap on an answer to new suspects and to the next check. Needs a build. `npm run measure` writes docs/measurements/desk.md.
 */
const ANSWERS = 8
const port = 3198
const origin = `http://127.0.0.1:${port}`
const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
  env: { ...process.env, NEST_TRACE_DATA: mkdtempSync(path.join(tmpdir(), 'nest-trace-measure-')), NEXT_TELEMETRY_DISABLED: '1' },
  stdio: 'ignore',
})

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))]

async function serverIsUp(): Promise<void> {
  for (let tries = 0; tries < 60; tries++) {
    const isUp = await fetch(`${origin}/api/v1/jobs`).then(
      ({ ok }) => ok,
      () => false,
    )
    if (isUp) return
    await new Promise((resolve) => setTimeout(resolve, 1000))
  }
  throw new Error('the server did not come up; is there a build?')
}

/** Resolves in the page, so that nothing but the page is timed: from the next tap to a changed count of readings, and to a card that is ready. */
async function answerOnce(page: Page): Promise<{ suspectsMs: number; nextMs: number } | null> {
  const answers = page.getByRole('region', { name: 'Next check' }).getByRole('button')
  if ((await page.getByRole('region', { name: 'Next check' }).count()) === 0) return null
  await page.evaluate(() => {
    const region = (name: string) => document.querySelector(`section[aria-label="${name}"]`)
    const before = region('Suspects')?.textContent
    const timing: { tapped?: number; suspects?: number } = {}
    const waiting = new Promise<{ suspectsMs: number; nextMs: number }>((resolve) => {
      document.addEventListener(
        'click',
        () => {
          timing.tapped = performance.now()
        },
        { capture: true, once: true },
      )
      const look = () => {
        const now = performance.now()
        if (timing.tapped !== undefined) {
          if (
            timing.suspects === undefined &&
            region('Suspects')?.textContent !== before &&
            region('Suspects')?.getAttribute('aria-busy') !== 'true'
          )
            timing.suspects = now
          const isReady = document.querySelector('[aria-busy="true"]') === null && (region('Next check') ?? region('Found')) !== null
          if (timing.suspects !== undefined && isReady)
            return resolve({ suspectsMs: timing.suspects - timing.tapped, nextMs: now - timing.tapped })
        }
        requestAnimationFrame(look)
      }
      look()
    })
    Object.assign(window, { waiting })
  })
  await answers.first().click()
  return page.evaluate(() => (window as unknown as { waiting: Promise<{ suspectsMs: number; nextMs: number }> }).waiting)
}

async function measure(): Promise<void> {
  const rows: string[] = []
  try {
    await serverIsUp()
    const chrome = await chromium.launch(browser.use?.launchOptions)
    for (const system of catalogue) {
      const page = await (await chrome.newContext({ viewport: { width: 390, height: 844 } })).newPage()
      // The loader names functions with a helper that the page does not have.
      await page.addInitScript('globalThis.__name = (named) => named')
      let taps = 0
      const tap = async (act: Promise<unknown>) => {
        taps++
        await act
      }
      const begun = performance.now()
      await page.goto(origin)
      const form = page.getByRole('form', { name: 'New job' })
      await tap(form.getByLabel('street, unit').fill('Measured Lane 1'))
      await tap(form.getByLabel('kind of system').selectOption({ label: system.name }))
      await tap(form.getByLabel("complaint in the customer's words").fill('Dead.'))
      await tap(form.getByRole('button', { name: 'Start' }).click())
      await tap(page.getByRole('checkbox', { name: 'nothing runs', exact: true }).click())
      await tap(page.getByRole('navigation', { name: 'steps' }).getByRole('button', { name: 'Trace' }).click())
      await page.getByRole('region', { name: 'Next check' }).getByRole('button', { name: 'why this one' }).waitFor()
      const firstS = (performance.now() - begun) / 1000
      await page.waitForFunction(() => document.querySelector('[aria-busy="true"]') === null)
      const times: { suspectsMs: number; nextMs: number }[] = []
      for (let answer = 0; answer < ANSWERS; answer++) {
        const once = await answerOnce(page)
        if (!once) break
        times.push(once)
      }
      const suspects = times.map(({ suspectsMs }) => suspectsMs)
      const next = times.map(({ nextMs }) => nextMs)
      rows.push(
        `| ${system.name} | ${taps} | ${firstS.toFixed(1)} | ${times.length} | ${quantile(suspects, 0.5).toFixed(0)} | ${Math.max(...suspects).toFixed(0)} | ${quantile(next, 0.5).toFixed(0)} | ${Math.max(...next).toFixed(0)} |`,
      )
      console.log(rows[rows.length - 1])
      await page.context().close()
    }
    await chrome.close()
  } finally {
    server.kill()
  }
  writeFileSync(
    'docs/measurements/desk.md',
    `# What the technician waits for

\`npm run measure\`: the real interface on loopback in headless Chromium at 390x844, one job of each system, the first offered answer tapped ${ANSWERS} times (or until a verdict). Taps and
seconds run from opening the app to the first proposed check; the times are from a tap on an answer to the frame that shows it.

| system | taps to the first check | seconds | answers | suspects, middle ms | worst ms | next check, middle ms | worst ms |
| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${rows.join('\n')}
`,
  )
}

void measure()
