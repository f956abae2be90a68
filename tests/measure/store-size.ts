/**
 * Ten thousand jobs of thirty entries in one store: what list, search, opening and appending take over loopback while the list is
 * read, in one run. As built: tsx tests/measure/store-size.ts [JOBS]; prints a table for docs/measurements/store.md.
 */
import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import type { Entry } from '@/src/core/job/entry'
import { writeJobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'
import { createRandom } from '@/src/core/units/random'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

const PORT = 3398
const BASE = `http://127.0.0.1:${PORT}/api/v1`
const ENTRIES = 30
const jobs = Number(process.argv[2] ?? 10_000)
const random = createRandom(14)
const json = { 'content-type': 'application/json' }
const STREETS = ['Alder', 'Birch', 'Cedar', 'Mill', 'Ferry', 'Quarry', 'Rowan', 'Station']
const pick = <T>(items: readonly T[]): T => items[Math.floor(random.uniform() * items.length)]

const entriesOf = (job: string, count: number): Entry[] =>
  Array.from({ length: count }, (_, index) => ({
    id: `${job}-${index}`,
    at: '2026-05-04T09:10:00Z',
    ...(index % 3 === 0
      ? { kind: 'reading' as const, probe: { meter: 'volts' as const, a: 'R@indoor', b: 'C@indoor' }, answer: 24 + (index % 5) }
      : { kind: 'note' as const, text: `what was seen and said, line ${index}` }),
  }))

async function post(where: string, body: unknown): Promise<number> {
  const text = typeof body === 'string' ? body : JSON.stringify(body)
  const begun = performance.now()
  const response = await fetch(`${BASE}${where}`, { method: 'POST', headers: json, body: text })
  await response.text()
  if (!response.ok) throw new Error(`${where}: ${response.status}`)
  return performance.now() - begun
}
async function get(where: string): Promise<number> {
  const begun = performance.now()
  const response = await fetch(`${BASE}${where}`)
  await response.text()
  if (!response.ok) throw new Error(`${where}: ${response.status}`)
  return performance.now() - begun
}

function line(name: string, times: number[], allowed: number | null): void {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
  console.log(
    `| ${name} | ${sorted.length} | ${at(0.5).toFixed(1)} | ${at(0.95).toFixed(1)} | ${sorted.at(-1)?.toFixed(1)} | ${allowed ?? ''} |`,
  )
}

async function times(count: number, work: (index: number) => Promise<number>): Promise<number[]> {
  const all: number[] = []
  for (let index = 0; index < count; index++) all.push(await work(index))
  return all
}

async function main(): Promise<void> {
  const folder = path.join(mkdtempSync(path.join(tmpdir(), 'nest-trace-size-')), 'data')
  const begin = async () => {
    const begun = performance.now()
    const server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)], {
      env: { ...process.env, NEST_TRACE_DATA: folder, NEXT_TELEMETRY_DISABLED: '1' },
      stdio: 'ignore',
    })
    while (!(await fetch(`${BASE}/jobs`).catch(() => null))?.ok) await new Promise((resolve) => setTimeout(resolve, 100))
    return { server, seconds: (performance.now() - begun) / 1000 }
  }
  let { server } = await begin()
  const end = () => new Promise((resolve) => server.on('exit', resolve) && server.kill('SIGKILL'))
  try {
    const filled = performance.now()
    let made = 0
    const worker = async () => {
      while (made < jobs) {
        const number = made++
        const id = `job-${number}`
        const createdAt = new Date(Date.UTC(2025, 0, 1) + number * 3_600_000).toISOString()
        await post('/jobs', {
          id,
          title: `${1 + (number % 180)} ${pick(STREETS)} ${pick(['Row', 'Lane', 'Court'])}`,
          createdAt,
          systemId: pick(catalogue).id,
          entries: entriesOf(id, ENTRIES),
        })
        if (made % 2000 === 0) console.error(`${made} jobs, ${((performance.now() - filled) / 1000).toFixed(0)} s`)
      }
    }
    await Promise.all(Array.from({ length: 4 }, worker))
    console.log(`${jobs} jobs of ${ENTRIES} entries in ${((performance.now() - filled) / 1000).toFixed(0)} s, one request a job`)
    await end()
    const again = await begin()
    server = again.server
    console.log(
      `killed and started again: answers after ${again.seconds.toFixed(1)} s, journal put into a copy ${existsSync(path.join(folder, 'store-copy'))}`,
    )
    console.log('\n| request | times | middle ms | 95 % ms | longest ms | allowed 95 % ms |\n|---|---|---|---|---|---|')
    await times(20, () => get('/jobs'))
    line('list, first page', await times(200, () => get('/jobs')), 50)
    line(
      'list, a page further back',
      await times(100, (index) =>
        get(
          `/jobs?createdAt=${new Date(Date.UTC(2025, 0, 1) + (jobs - 500 - index) * 3_600_000).toISOString()}&id=job-${jobs - 500 - index}`,
        ),
      ),
      50,
    )
    line(
      'search, two words',
      await times(100, () => get(`/jobs?words=${1 + Math.floor(random.uniform() * 180)}+${pick(STREETS).toLowerCase()}`)),
      100,
    )
    line('search, nothing fits', await times(50, () => get('/jobs?words=nowhere+at+all')), 100)
    line('open a job', await times(200, () => get(`/jobs/job-${Math.floor(random.uniform() * jobs)}`)), 100)
    line('append, alone', await times(200, (index) => post(`/jobs/job-${index}/entries`, { entries: entriesOf(`late-${index}`, 1) })), 30)
    let isReading = true
    const reader = (async () => {
      while (isReading) await get('/jobs')
    })()
    line(
      'append, while the list is read without a pause',
      await times(200, (index) => post(`/jobs/job-${300 + index}/entries`, { entries: entriesOf(`later-${index}`, 1) })),
      30,
    )
    isReading = false
    await reader
    for (const many of [10_000, 70_000]) {
      const demo = createDemoJob(`many-${many}`, new Date('2026-05-04T09:10:00Z'))
      const file = writeJobFile({ ...demo, entries: entriesOf(`many-${many}`, many) })
      let isOpening = true
      const waits: number[] = []
      const others = (async () => {
        while (isOpening) waits.push(await get('/jobs/demo'))
      })()
      const took = await post('/job-files', file)
      isOpening = false
      await others
      line(`import of ${many} entries (${(file.length / 1e6).toFixed(1)} MB)`, [took], null)
      line('  others meanwhile: open a job', waits, null)
      line(
        `  append to it after`,
        await times(20, (index) => post(`/jobs/many-${many}/entries`, { entries: entriesOf(`after-${many}-${index}`, 1) })),
        null,
      )
    }
    const memory = Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024
    console.log(`\nmemory of the server at the end: ${memory.toFixed(0)} MB`)
  } finally {
    await end()
  }
}

main().catch((error: Error) => {
  console.error(error)
  process.exitCode = 1
})
