/**
 * Requests as nobody sends them, against a server of its own: none may end in 5xx, and the server may not grow. As built:
 * tsx tests/measure/fuzz.ts [REQUESTS]
 */
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { request as httpRequest } from 'node:http'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { createDemoJob } from '@/src/core/practice/demo'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const PORT = 3397
const total = Number(process.argv[2] ?? 20_000)
const random = createRandom(14)
const pick = <T>(items: readonly T[]): T => items[Math.floor(random.uniform() * items.length)]

const STRINGS = [
  '',
  ' ',
  '\0',
  '\uD83D',
  '\uDC00x',
  'constructor',
  '__proto__',
  'a'.repeat(5000),
  '😀'.repeat(100),
  '../..',
  '%00',
  '%zz',
  "'; drop table jobs;--",
  '0000-01-01T00:00:00Z',
  '9999-99-99',
  'R@nowhere',
  'NaN',
  '\u202e',
  '{"a":1}',
]
const VALUES: unknown[] = [
  ...STRINGS,
  0,
  -1,
  1e308,
  1.5,
  Number.MAX_SAFE_INTEGER,
  true,
  null,
  [],
  {},
  [[]],
  { do: 'power' },
  Array(600).fill('x'),
]
const PATHS = [
  '/',
  '/jobs/demo',
  '/jobs/%00',
  '/jobs/%zz',
  '/jobs/..%2f..',
  '/jobs/%F0%9F',
  '/report/demo',
  '/report/%zz',
  '/shell',
  '/sw.js',
  '/icon.svg',
  '/nothing',
  '/%zz',
  '/_next/static/%zz',
  '/_next/data/x',
  '/_next/image?url=%2F',
  '/jobs/demo?step=%zz',
  '/?_rsc=x',
  '/api/v1/jobs',
  '/api/v1/jobs?words=%00',
  '/api/v1/jobs?words=%25_%5C',
  '/api/v1/jobs?createdAt=0000-01-01T00:00:00Z&id=demo',
  '/api/v1/jobs?show=x',
  '/api/v1/jobs/demo',
  '/api/v1/jobs/%00',
  '/api/v1/jobs/demo/entries',
  '/api/v1/jobs/demo/entries?from=-1',
  '/api/v1/jobs/demo/entries?from=1e9',
  '/api/v1/jobs/demo/file',
  '/api/v1/jobs/demo/shares',
  '/api/v1/jobs/%F0%9F%98%80/entries',
  '/api/v1/systems',
  '/api/v1/systems/%00',
  '/api/v1/systems/furnace-ac',
  '/api/v1/codes',
  '/api/v1/job-files',
  '/api/v1/job-files?as=%00',
  '/api/v1/job-files?as=../x',
  '/api/v1/job-files?keep=whole',
  '/api/v1/nothing',
]
const METHODS = ['GET', 'POST', 'POST', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS']
const TYPES = [
  'application/json',
  'application/json',
  'application/json',
  'application/json; charset=utf-16',
  'text/plain',
  'multipart/form-data',
  '',
]

const demo = createDemoJob('demo', new Date('2026-05-04T09:10:00Z'))
const bodies = (): unknown[] => [
  { entries: demo.entries.slice(0, 3) },
  {
    id: `f${Math.floor(random.uniform() * 1e6)}`,
    title: 'Fuzz Lane',
    createdAt: '2026-05-04T09:10:00Z',
    systemId: 'furnace-ac',
    entries: demo.entries.slice(0, 2),
  },
  furnaceAc,
  { ...demo, job: { ...demo.job, id: `g${Math.floor(random.uniform() * 1e6)}` } },
  { rows: [{ board: 'b', code: '1', means: 'm', points: 'float' }] },
  { entries: 12, shares: [{ zone: 'indoor', share: 0.5 }] },
]

/** The same with something somewhere replaced, dropped or added. */
function spoil(value: unknown, depth = 0): unknown {
  if (random.uniform() < 0.12 || depth > 8) return pick(VALUES)
  if (Array.isArray(value)) {
    const at = Math.floor(random.uniform() * Math.max(1, value.length))
    return value.map((item, index) => (index === at ? spoil(item, depth + 1) : item))
  }
  if (typeof value !== 'object' || value === null) return random.uniform() < 0.5 ? pick(VALUES) : value
  const keys = Object.keys(value)
  const key = pick(keys)
  const next = { ...value, [key]: spoil((value as Record<string, unknown>)[key], depth + 1) } as Record<string, unknown>
  if (random.uniform() < 0.1) delete next[key]
  if (random.uniform() < 0.1) next[pick(['constructor', '__proto__', 'extra', ''])] = pick(VALUES)
  return next
}

const text = (): string => {
  const json = JSON.stringify(spoil(pick(bodies())))
  const dice = random.uniform()
  if (dice < 0.05) return json.slice(0, Math.floor(random.uniform() * json.length))
  if (dice < 0.08) return pick(['', 'null', '[', '"', '\uFEFF{}', '1'.repeat(2000), '['.repeat(3000)])
  return json
}

function send(): Promise<{ status: number; what: string }> {
  const method = pick(METHODS)
  const where = pick(PATHS)
  const body = method === 'GET' || method === 'HEAD' ? '' : text()
  const headers: Record<string, string> = { connection: 'close' }
  const type = pick(TYPES)
  if (type && body) headers['content-type'] = type
  if (random.uniform() < 0.03) headers.host = pick(['evil.example', '[::1', '', '127.0.0.1:99999999'])
  if (random.uniform() < 0.03) headers.origin = pick(['null', 'http://evil.example', 'x', `http://127.0.0.1:${PORT}`])
  if (random.uniform() < 0.002) headers['content-length'] = '99999999999'
  return new Promise((resolve) => {
    const request = httpRequest({ host: '127.0.0.1', port: PORT, method, path: where, headers, timeout: 3_000 }, (response) => {
      response.resume()
      response.on('end', () => resolve({ status: response.statusCode ?? 0, what: `${method} ${where} ${body.slice(0, 300)}` }))
      response.on('error', () => resolve({ status: 0, what: where }))
    })
    request.on('error', () => resolve({ status: 0, what: where }))
    request.on('timeout', () => request.destroy())
    // Some break off in the middle.
    if (random.uniform() < 0.02) {
      request.write(body.slice(0, 10))
      setTimeout(() => request.destroy(), 5)
    } else request.end(body)
  })
}

const memoryMb = (pid: number): number => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024

async function main(): Promise<void> {
  const server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)], {
    env: {
      ...process.env,
      NEST_TRACE_DATA: path.join(mkdtempSync(path.join(tmpdir(), 'nest-trace-fuzz-')), 'data'),
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  let log = ''
  server.stderr?.on('data', (chunk) => (log += chunk))
  try {
    for (let wait = 0; wait < 120; wait++) {
      if ((await fetch(`http://127.0.0.1:${PORT}/api/v1/jobs`).catch(() => null))?.ok) break
      await new Promise((resolve) => setTimeout(resolve, 500))
    }
    const counts = new Map<number, number>()
    const failed: string[] = []
    const run = async (requests: number) => {
      let left = requests
      const worker = async () => {
        while (left-- > 0) {
          const { status, what } = await send()
          counts.set(status, (counts.get(status) ?? 0) + 1)
          if (status >= 500) failed.push(`${status} ${what}`)
          if (left % 4000 === 0) console.error(`${requests - left} requests, ${memoryMb(server.pid ?? 0).toFixed(0)} MB`)
          if (process.env.SHOW === String(status)) console.error(what.slice(0, 90))
        }
      }
      await Promise.all(Array.from({ length: 8 }, worker))
    }
    // A server that has met everything once has its code and its caches.
    await run(Math.min(5000, total))
    const before = memoryMb(server.pid ?? 0)
    const begun = Date.now()
    await run(total)
    const after = memoryMb(server.pid ?? 0)
    console.log(
      JSON.stringify({
        requests: total,
        seconds: (Date.now() - begun) / 1000,
        byStatus: Object.fromEntries(counts),
        memoryMbBefore: before,
        memoryMbAfter: after,
      }),
    )
    for (const line of failed.slice(0, 20)) console.log(line)
    const spilled = ['Fuzz Lane', 'drop table', '14 Alder'].filter((word) => log.includes(word))
    console.log(`${failed.length} of 5xx; words of requests in the log: ${spilled.length === 0 ? 'none' : spilled.join()}`)
    if (log) console.log(`log, first lines:\n${log.slice(0, 1500)}`)
    if (failed.length > 0 || spilled.length > 0) process.exitCode = 1
  } finally {
    server.kill('SIGKILL')
  }
}

main().catch((error: Error) => {
  console.error(error)
  process.exitCode = 1
})
