/**
 * How long a PDF takes: written by the command line, process and all, and saved from the Close step, from the tap to the file, in the
 * browser's own worker. The demo job, and one with a hundred and eighty readings more. Needs a build. Writes docs/measurements/pdf.md.
 */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { chromium } from '@playwright/test'
import browser from '@/playwright.config'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'
import { quantile } from '@/src/core/units/quantile'
import { serveBuilt } from '@/tests/measure/own-server'

const TIMES = 5
const MORE_READINGS = 180
const folder = mkdtempSync(path.join(tmpdir(), 'nest-trace-measure-'))

let count = 0
const stamp = { newId: () => `m${++count}`, now: () => '2026-05-04T11:10:00Z' }

/** A long visit: the same voltage read again and again. */
function longJob(): JobFile {
  const job = createDemoJob('long', new Date('2026-05-04T09:10:00Z'))
  const readings = Array.from(
    { length: MORE_READINGS },
    (_, index): Entry =>
      stampEntry({ kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 24 + (index % 30) / 10 }, stamp),
  )
  return { ...job, entries: [...job.entries, ...readings] }
}

const jobs: readonly (readonly [name: string, job: JobFile])[] = [
  ['the demo job', createDemoJob('demo-pdf', new Date('2026-05-04T09:10:00Z'))],
  [`${MORE_READINGS} readings more`, longJob()],
]

const seconds = (values: readonly number[]): string => `${quantile(values, 0.5).toFixed(2)} s (${Math.max(...values).toFixed(2)})`

/** The command, from its start to its end. */
function byCommand(job: JobFile, command: 'report' | 'card'): { times: number[]; kb: number } {
  const [from, to] = ['job.json', 'out.pdf'].map((name) => path.join(folder, name))
  writeFileSync(from, JSON.stringify(job))
  const times = Array.from({ length: TIMES }, () => {
    const begun = performance.now()
    execFileSync(path.resolve('nest-trace'), [command, from, to])
    return (performance.now() - begun) / 1000
  })
  return { times, kb: statSync(to).size / 1000 }
}

/** From the tap to the file that is there, on a page that was opened anew each time. */
async function inBrowser(origin: string, job: JobFile): Promise<number[]> {
  const taken = await fetch(`${origin}/api/v1/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...job.job, system: job.system, entries: job.entries }),
  })
  if (!taken.ok) throw new Error(`the store did not take the job: ${await taken.text()}`)
  const chrome = await chromium.launch(browser.use?.launchOptions)
  const times: number[] = []
  for (let time = 0; time < TIMES; time++) {
    const page = await (await chrome.newContext({ viewport: { width: 390, height: 844 }, acceptDownloads: true })).newPage()
    await page.goto(`${origin}/jobs/${job.job.id}?step=close`)
    const button = page.getByRole('button', { name: 'PDF', exact: true })
    await button.waitFor()
    await page.waitForLoadState('networkidle')
    const download = page.waitForEvent('download')
    const begun = performance.now()
    await button.click()
    await (await download).path()
    times.push((performance.now() - begun) / 1000)
    await page.context().close()
  }
  await chrome.close()
  return times
}

async function main(): Promise<void> {
  const { server, origin, isUp } = serveBuilt(3196, path.join(folder, 'data'))
  try {
    await isUp()
    const rows: string[] = []
    for (const [name, job] of jobs) {
      const [page, card] = [byCommand(job, 'report'), byCommand(job, 'card')]
      rows.push(
        `| ${name} | ${seconds(page.times)} | ${page.kb.toFixed(0)} kB | ${seconds(card.times)} | ${seconds(await inBrowser(origin, job))} |`,
      )
      console.log(rows.at(-1))
    }
    writeFileSync(
      'docs/measurements/pdf.md',
      `# The page and the card as PDF

${TIMES} times each, the middle and, in brackets, the worst. By the command line a process of its own starts for each; in the browser it is from the tap to the file, on a
page that was opened anew, with the fonts fetched for the first time. Made by \`npm run measure:pdf\`.

| job | page, command line | its size | card, command line | page, browser |
| --- | ---: | ---: | ---: | ---: |
${rows.join('\n')}
`,
    )
  } finally {
    server.kill()
    rmSync(folder, { recursive: true, force: true })
  }
}

main().catch((error: Error) => {
  console.error(error)
  process.exitCode = 1
})
