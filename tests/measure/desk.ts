import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { type Browser, chromium, type Page } from '@playwright/test'
import browser from '@/playwright.config'
import { quantile } from '@/src/core/units/quantile'
import { catalogue } from '@/src/core/wiring/systems/catalogue'
import { serveBuilt } from '@/tests/measure/own-server'
import { measurePages } from '@/tests/measure/pages'

/**
 * What the technician waits for, in the real interface on loopback, for every system: taps and seconds from opening the app to the first proposed check,
 * and milliseconds from a tap on an answer to new suspects and to the next check; then how long each page takes until it is of use, which `--pages` alone
 * measures. Needs a build. `npm run measure` writes docs/measurements/desk.md, or its part on pages; `-- --systems a,b` prints the
 * rows of those alone, and writes nothing.
 */
const ANSWERS = 9
const only = process.argv.includes('--systems') ? (process.argv[process.argv.indexOf('--systems') + 1]?.split(',') ?? []) : null
/** Enough to see what waiting ahead is worth. */
const ANSWERS_AT_ONCE = 4
/** What a hand takes at the least to set up and read. */
const HAND_MS = 3000
/** The jobs of each system: two at a hand's pace, and one whose answers are tapped as soon as a card is ready. */
const jobs = [
  { symptom: 'nothing runs', isAtOnce: false, withLoom: true },
  { symptom: 'never stops', isAtOnce: false, withLoom: false },
  { symptom: 'nothing runs', isAtOnce: true, withLoom: false },
] as const
const LOOM_MOVES = 30
const { server, origin, isUp } = serveBuilt(3198, mkdtempSync(path.join(tmpdir(), 'nest-trace-measure-')))

/** Resolves in the page, so that nothing but the page is timed: from the next tap to a changed count of readings, and to a card that is ready. */
async function answerOnce(page: Page): Promise<{ suspectsMs: number; nextMs: number } | null> {
  // A picture of the strip may be offered before them.
  const answers = page.getByRole('region', { name: 'Next check' }).getByRole('button').filter({ hasText: ' %' })
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

interface Answered {
  readonly suspectsMs: number
  readonly nextMs: number
  readonly isAtOnce: boolean
}

interface Measured {
  readonly taps: number
  readonly firstS: number
  readonly loomMs: readonly number[]
  readonly answered: readonly Answered[]
  /** The job's address, without a step. */
  readonly address: string
}

/** One job from the empty page: first check, loom, then answer after answer. */
async function runJob(page: Page, system: string, { symptom, isAtOnce, withLoom }: (typeof jobs)[number]): Promise<Measured> {
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
  await tap(form.getByLabel('type of system').selectOption({ label: system }))
  await tap(form.getByLabel("complaint in the customer's words").fill('Dead.'))
  await tap(form.getByRole('button', { name: 'Start' }).click())
  await tap(page.getByRole('checkbox', { name: symptom, exact: true }).click())
  await tap(page.getByRole('navigation', { name: 'steps' }).getByRole('link', { name: 'Trace' }).click())
  await page.getByRole('region', { name: 'Next check' }).getByRole('button', { name: 'why this one' }).waitFor()
  const firstS = (performance.now() - begun) / 1000
  await page.waitForFunction(() => document.querySelector('[aria-busy="true"]') === null)
  const loomMs = withLoom ? await redrawLoom(page) : []
  const answered: Answered[] = []
  for (let answer = 0; answer < (isAtOnce ? ANSWERS_AT_ONCE : ANSWERS); answer++) {
    if (!isAtOnce) await page.waitForTimeout(HAND_MS)
    const once = await answerOnce(page)
    if (!once) break
    answered.push({ ...once, isAtOnce })
  }
  return { taps, firstS, loomMs, answered, address: new URL(page.url()).pathname }
}

const PAGE = 'docs/measurements/desk.md'
const PAGES_TITLE = '## Until a page is of use'

/** The jobs page, and every step of a job that is begun for it. */
async function writePages(chrome: Browser): Promise<void> {
  const page = await (await chrome.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  const { address } = await runJob(page, catalogue[0].name, { symptom: 'nothing runs', isAtOnce: true, withLoom: false })
  await page.context().close()
  const rows = await measurePages(chrome, origin, address)
  const [before] = readFileSync(PAGE, 'utf8').split(PAGES_TITLE)
  writeFileSync(
    PAGE,
    `${before.trimEnd()}

${PAGES_TITLE}

Milliseconds from opening an address until its controls take a tap, over five openings each: in a browser that has nothing kept, and opened again.

| page | first, middle | first, worst | again, middle | again, worst |
| --- | ---: | ---: | ---: | ---: |
${rows.join('\n')}
`,
  )
}

async function measure(): Promise<void> {
  const rows: string[] = []
  const all: Answered[] = []
  try {
    await isUp()
    const chrome = await chromium.launch(browser.use?.launchOptions)
    if (process.argv.includes('--pages')) {
      await writePages(chrome)
      await chrome.close()
      return
    }
    for (const system of catalogue.filter(({ id }) => only === null || only.includes(id))) {
      const measured: Measured[] = []
      for (const job of jobs) {
        const page = await (await chrome.newContext({ viewport: { width: 390, height: 844 } })).newPage()
        measured.push(await runJob(page, system.name, job))
        await page.context().close()
      }
      const answered = measured.flatMap((one) => one.answered)
      all.push(...answered)
      const cells = (isAtOnce: boolean) => {
        const some = answered.filter((one) => one.isAtOnce === isAtOnce)
        const suspects = some.map(({ suspectsMs }) => suspectsMs)
        const next = some.map(({ nextMs }) => nextMs)
        return some.length === 0
          ? '- | - | - | -'
          : [some.length, quantile(suspects, 0.5), quantile(suspects, 0.95), quantile(next, 0.5)]
              .map((value) => value.toFixed(0))
              .join(' | ')
      }
      const loomMs = measured.flatMap((one) => one.loomMs)
      const firstS = quantile(
        measured.map((one) => one.firstS),
        0.5,
      )
      rows.push(
        `| ${system.name} | ${measured[0].taps} | ${firstS.toFixed(1)} | ${cells(false)} | ${cells(true)} | ${quantile(loomMs, 0.5).toFixed(1)} | ${quantile(loomMs, 0.95).toFixed(1)} |`,
      )
      console.log(rows[rows.length - 1])
    }
    if (only === null) {
      writeAnswers(rows, all)
      await writePages(chrome)
    } else console.log(`suspects, 95th percentile: ${p95Of(all, false)} ms as on a job, ${p95Of(all, true)} ms at once`)
    await chrome.close()
  } finally {
    server.kill()
  }
}

const p95Of = (all: readonly Answered[], isAtOnce: boolean): string =>
  quantile(
    all.filter((one) => one.isAtOnce === isAtOnce).map(({ suspectsMs }) => suspectsMs),
    0.95,
  ).toFixed(0)

function writeAnswers(rows: readonly string[], all: readonly Answered[]): void {
  writeFileSync(
    PAGE,
    `# What the technician waits for

\`npm run measure\`: the real interface on loopback in headless Chromium, three jobs of each system at 390x844, the first offered answer tapped ${ANSWERS} times each (or until a verdict). In two of
them (${jobs[0].symptom}; ${jobs[1].symptom}) every answer is tapped after ${HAND_MS / 1000} s, which is the least that a hand takes for a reading and in which the worker thinks ahead; in the third at once, with nothing
thought through and ${ANSWERS_AT_ONCE} answers. Taps and seconds run from opening the app to the first proposed check; the times are from a tap on an answer to the frame that shows it, in milliseconds. The loom is redrawn by
moving from point to point on it at 1280x800: script, style and layout of the page's main thread.

Over all systems the new suspects stand after ${p95Of(all, false)} ms (95th percentile) as on a job, and after ${p95Of(all, true)} ms when tapped at once.

| system | taps to the first check | seconds | answers as on a job | suspects, middle | suspects, 95th percentile | next check, middle | answers at once | suspects, middle | suspects, 95th percentile | next check, middle | loom redrawn, middle | loom, 95th percentile |
| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${rows.join('\n')}
`,
  )
}

void measure()
