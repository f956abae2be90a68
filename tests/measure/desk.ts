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
const ANSWERS = 12
/** What a hand takes at the least to set up and read: every other answer waits so long, as on a job. */
const HAND_MS = 4000
const LOOM_MOVES = 30
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
  const answered = page.evaluate(() => (window as unknown as { waiting: Promise<{ suspectsMs: number; nextMs: number }> }).waiting)
  const lost = new Promise<never>((_, reject) => {
    setTimeout(() => reject(new Error('an answer was tapped and nothing changed for a minute')), 60_000).unref()
  })
  return Promise.race([answered, lost])
}

/** Milliseconds of the main thread for each redraw of the loom: the marked point moves, and every wire and part is drawn anew. */
async function redrawLoom(page: Page): Promise<number[]> {
  await page.setViewportSize({ width: 1280, height: 800 })
  const chrome = await page.context().newCDPSession(page)
  await chrome.send('Performance.enable')
  const workMs = async () => {
    const { metrics } = await chrome.send('Performance.getMetrics')
    const of = (name: string) => metrics.find((metric) => metric.name === name)?.value ?? 0
    return 1000 * (of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration'))
  }
  await page.keyboard.press('m')
  await page.waitForTimeout(500)
  const times: number[] = []
  for (let move = 0; move < LOOM_MOVES; move++) {
    const before = await workMs()
    await page.keyboard.press(move % 2 === 0 ? 'ArrowRight' : 'ArrowLeft')
    await page.waitForTimeout(60)
    times.push((await workMs()) - before)
  }
  await page.keyboard.press('Escape')
  await page.setViewportSize({ width: 390, height: 844 })
  return times
}

async function measure(): Promise<void> {
  const rows: string[] = []
  const all: { suspectsMs: number; isAtOnce: boolean }[] = []
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
      const loomMs = await redrawLoom(page)
      const times: { suspectsMs: number; nextMs: number; isAtOnce: boolean }[] = []
      for (let answer = 0; answer < ANSWERS; answer++) {
        const isAtOnce = answer % 2 === 1
        if (!isAtOnce) await page.waitForTimeout(HAND_MS)
        const once = await answerOnce(page)
        if (!once) break
        times.push({ ...once, isAtOnce })
      }
      all.push(...times)
      const cells = (isAtOnce: boolean) => {
        const some = times.filter((one) => one.isAtOnce === isAtOnce)
        const suspects = some.map(({ suspectsMs }) => suspectsMs)
        const next = some.map(({ nextMs }) => nextMs)
        return some.length === 0
          ? '- | - | -'
          : `${quantile(suspects, 0.5).toFixed(0)} | ${Math.max(...suspects).toFixed(0)} | ${quantile(next, 0.5).toFixed(0)}`
      }
      rows.push(
        `| ${system.name} | ${taps} | ${firstS.toFixed(1)} | ${times.length} | ${cells(false)} | ${cells(true)} | ${quantile(loomMs, 0.5).toFixed(1)} | ${quantile(loomMs, 0.95).toFixed(1)} |`,
      )
      console.log(rows[rows.length - 1])
      await page.context().close()
    }
    await chrome.close()
  } finally {
    server.kill()
  }
  const p95 = (isAtOnce: boolean) =>
    quantile(
      all.filter((one) => one.isAtOnce === isAtOnce).map(({ suspectsMs }) => suspectsMs),
      0.95,
    ).toFixed(0)
  writeFileSync(
    'docs/measurements/desk.md',
    `# What the technician waits for

\`npm run measure\`: the real interface on loopback in headless Chromium, one job of each system, the first offered answer tapped ${ANSWERS} times (or until a verdict) at 390x844. Every other
answer is tapped after ${HAND_MS / 1000} s, which is the least that a hand takes for a reading and in which the worker thinks ahead; the others at once, with nothing thought through. Taps and seconds run from opening
the app to the first proposed check; the times are from a tap on an answer to the frame that shows it. The loom is redrawn by moving from point to point on it at 1280x800: script, style and
layout of the page's main thread.

Over all systems the new suspects stand after ${p95(false)} ms (95th percentile) as on a job, and after ${p95(true)} ms when tapped at once.

| system | taps to the first check | seconds | answers | suspects as on a job, middle ms | worst ms | next check, middle ms | suspects at once, middle ms | worst ms | next check, middle ms | loom redrawn, middle ms | 95th percentile |
| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${rows.join('\n')}
`,
  )
}

void measure()
