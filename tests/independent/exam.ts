/**
 * The independent exam: houses of another model (circuit simulator, parts as they are sold, real time, structures that the catalogue
 * lacks) searched by the product. tsx tests/independent/exam.ts [--houses N a system] [--seed S] [--only system,...] [--out FILE]
 * [--sound], where nothing is wrong with any house, or --merge LOG,LOG to count several runs as one.
 */
import { fork } from 'node:child_process'
import { appendFileSync, readFileSync, writeFileSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { createEngine } from '@/src/core/diagnosis/engine'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { pageOf, partsOf, summarise } from '@/tests/independent/page'
import { type IndependentSitting, sitIndependently } from '@/tests/independent/sitting'
import { startSpice } from '@/tests/independent/spice-session'

const { values: options } = parseArgs({
  options: {
    houses: { type: 'string', default: '10' },
    seed: { type: 'string', default: '1' },
    only: { type: 'string' },
    log: { type: 'string', default: path.join(tmpdir(), 'independent.jsonl') },
    out: { type: 'string' },
    parts: { type: 'boolean', default: false },
    sound: { type: 'boolean', default: false },
    merge: { type: 'string' },
    from: { type: 'string', default: '0' },
    worker: { type: 'boolean', default: false },
  },
})

/** What an engine has worked out for a house is kept for a while: 400 MB for one of a heat pump, and a full heap collects more than it searches. */
const IN_ONE_PROCESS = 4
/** Most of what a search allocates is short-lived: a larger young generation took a fifth off the run. */
const ROOM_FOR_THE_YOUNG = ['--max-semi-space-size=64']

async function work(): Promise<void> {
  const systems = (options.only ?? '').split(',')
  const spice = startSpice()
  for (const id of systems) {
    const system = systemById(id)
    if (!system) throw new Error(`no system ${id}`)
    const engine = createEngine(system)
    const first = Number(options.from)
    for (let house = first; house < first + Number(options.houses); house++) {
      // No two systems have the same houses.
      const seed = Number(options.seed) * 100_000 + 1_000 * catalogue.findIndex((one) => one.id === id) + house
      try {
        const sitting = await sitIndependently(engine, spice, seed, { byParts: options.parts, onlySound: options.sound })
        appendFileSync(options.log, `${JSON.stringify(sitting)}\n`)
      } catch (error) {
        appendFileSync(options.log, `${JSON.stringify({ system: id, seed, failed: (error as Error).stack })}\n`)
      }
    }
  }
  spice.end()
}

async function main(): Promise<void> {
  if (options.worker) return work()
  if (options.merge) return report(options.merge.split(',').flatMap(linesOf))
  writeFileSync(options.log, '')
  const ids = options.only?.split(',') ?? catalogue.map(({ id }) => id)
  const houses = Number(options.houses)
  // All systems in turn, so that a run that is cut short has houses of each.
  const waiting = Array.from({ length: Math.ceil(houses / IN_ONE_PROCESS) }, (_, batch) => batch * IN_ONE_PROCESS).flatMap((from) =>
    ids.map((id) => ({ id, from, count: Math.min(IN_ONE_PROCESS, houses - from) })),
  )
  const next = async (): Promise<void> => {
    const batch = waiting.shift()
    if (!batch) return
    await new Promise<void>((resolve) => {
      const of = ['--only', batch.id, '--from', String(batch.from), '--houses', String(batch.count)]
      const as = [
        '--seed',
        options.seed,
        '--log',
        options.log,
        ...(options.parts ? ['--parts'] : []),
        ...(options.sound ? ['--sound'] : []),
      ]
      fork(process.argv[1], ['--worker', ...of, ...as], { execArgv: ROOM_FOR_THE_YOUNG }).on('exit', () => resolve())
    })
    return next()
  }
  await Promise.all(Array.from({ length: availableParallelism() }, next))
  report(linesOf(options.log))
}

const linesOf = (file: string): (IndependentSitting | { system: string; seed: number; failed: string })[] =>
  readFileSync(file, 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line))

/** Prints what some logs hold, and writes the page where one is asked for. */
function report(lines: ReturnType<typeof linesOf>): void {
  const sittings = lines.filter((line): line is IndependentSitting => 'outcome' in line)
  for (const line of lines)
    if ('failed' in line) console.log(`${line.system} ${line.seed}: ${line.failed.split('\n').slice(0, 3).join(' | ')}`)
  console.log(JSON.stringify(summarise(sittings), null, 1))
  for (const [name, some] of Object.entries(partsOf(sittings))) {
    const { houses, right, rightOrGroup, wrong, wrongWhileCertain, checks } = summarise(some)
    console.log(name, JSON.stringify({ houses, right, rightOrGroup, wrong, wrongWhileCertain, checks }))
  }
  if (!options.out) return
  const seed = Number(options.seed)
  const byPart = Object.fromEntries(Object.entries(partsOf(sittings)).map(([name, some]) => [name, summarise(some)]))
  const bySystem = Object.fromEntries(catalogue.map(({ id }) => [id, summarise(sittings.filter(({ system }) => system === id))]))
  writeFileSync(options.out, `${JSON.stringify({ seed, ...summarise(sittings), byPart, bySystem }, null, 1)}\n`)
  writeFileSync(options.out.replace(/\.json$/, '.md'), pageOf(sittings, seed))
}

main().catch((error: Error) => {
  console.error(error)
  process.exitCode = 1
})
