/**
 * The habits of the trade, each as a good technician follows it, on simulated houses of the kind that it is meant for: twenty of every system
 * where something blows the fuse for those that hunt shorts, twenty where something does not run for the one that follows the call. The free
 * choice searches the same houses. Writes docs/measurements/habits.md; `--beside 2` measures two systems at a time.
 */
import { execFile } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { parseArgs, promisify } from 'node:util'
import { createEngine } from '@/src/core/diagnosis/engine'
import { type Sitting, sit } from '@/src/core/practice/exam'
import { type HabitName, habitNames, habitSolver, isMeantFor, MOST_HABIT_CHECKS } from '@/src/core/practice/habits'
import { firstPart, type System } from '@/src/core/wiring/system'
import { catalogue } from '@/src/core/wiring/systems/catalogue'
import { drawMeant } from '@/tests/measure/meant-houses'

const { values: options } = parseArgs({
  options: {
    houses: { type: 'string', default: '20' },
    seed: { type: 'string', default: '1' },
    beside: { type: 'string', default: '1' },
    only: { type: 'string' },
    out: { type: 'string', default: 'docs/measurements/habits.md' },
  },
})

/** What came of one solver on the houses of one system. */
interface Result {
  readonly right: number
  readonly checks: number
  readonly minutes: number
}
type Row = Readonly<Record<string, Result>>

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length
const resultOf = (sittings: readonly Sitting[]): Result => ({
  right: mean(sittings.map(({ right }) => Number(right))),
  checks: mean(sittings.map(({ trial }) => trial.checks)),
  minutes: mean(sittings.map(({ trial }) => trial.minutes)),
})

const HUNTERS: readonly HabitName[] = habitNames.filter((name) => name !== 'follow the call')
const groups = [
  { free: 'free choice, it blows the fuse', habits: HUNTERS },
  { free: 'free choice, it does not run', habits: ['follow the call'] },
] as const

/** Where no fuse or breaker sits in the line none blows. */
const isMet = (system: System, free: string): boolean => free !== groups[0].free || firstPart(system, 'fuse').holds !== 'none'

function measure(system: System, seed: number): Row {
  const engine = createEngine(system)
  const results: Record<string, Result> = {}
  for (const { free, habits } of groups) {
    if (!isMet(system, free)) continue
    const houses = drawMeant(engine, seed, Number(options.houses), (complaint) => isMeantFor(habits[0], complaint))
    results[free] = resultOf(houses.map((house) => sit(engine, house)))
    for (const name of habits)
      results[name] = resultOf(houses.map((house) => sit(engine, house, habitSolver(name), { mostChecks: MOST_HABIT_CHECKS })))
  }
  return results
}

/** A process of its own measures one system. */
async function measureBeside(id: string): Promise<Row> {
  const words = ['--houses', options.houses, '--seed', options.seed, '--only', id]
  const { stdout } = await promisify(execFile)(process.execPath, [...process.execArgv, process.argv[1], ...words], { maxBuffer: Infinity })
  return JSON.parse(stdout) as Row
}

const cell = (result: Result | undefined): string =>
  result ? `${Math.round(100 * result.right)} %, ${result.checks.toFixed(1)}, ${result.minutes.toFixed(1)}` : '-'

/** Minutes of the free choice against those of the quickest habit on the same houses. */
function ratio(row: Row, { free, habits }: (typeof groups)[number]): string {
  const given = habits.flatMap((name) => row[name] ?? [])
  return given.length === 0 ? '-' : (row[free].minutes / Math.min(...given.map(({ minutes }) => minutes))).toFixed(2)
}

function page(rows: ReadonlyMap<string, Row>): string {
  const columns = groups.flatMap(({ free, habits }) => [free, ...habits])
  const line = (name: string, row: Row) =>
    `| ${[name, ...groups.flatMap((group) => [...[group.free, ...group.habits].map((column) => cell(row[column])), ratio(row, group)])].join(' | ')} |`
  const all = Object.fromEntries(
    columns.map((column) => {
      const given = [...rows.values()].flatMap((row) => row[column] ?? [])
      return [
        column,
        {
          right: mean(given.map(({ right }) => right)),
          checks: mean(given.map(({ checks }) => checks)),
          minutes: mean(given.map(({ minutes }) => minutes)),
        },
      ]
    }),
  )
  const heads = groups.flatMap(({ free, habits }) => [free, ...habits, 'minutes, free against the quickest habit'])
  return [
    '# Habits of the trade',
    '',
    `Each habit ([the steps](../../src/core/practice/habits.ts)) on ${options.houses} simulated houses of every system, of the complaints that it is meant for: what blows the fuse for the four that hunt`,
    'shorts, what does not run for the one that follows the call. Faults are drawn by how often they are met, part values wider than the engine assumes, one house in ten wired otherwise. A habit stops',
    "when its technician would be convinced (one repair holds 80 %); the judgement of its readings is the engine's own, which no hand has: habits come out better here than in an attic. Share of right",
    'repairs, checks and minutes on the mean; the free choice searches the same houses, and goes on until it is sure. Written by `npm run measure:habits`.',
    '',
    `| system | ${heads.join(' | ')} |`,
    `| --- | ${heads.map(() => '---').join(' | ')} |`,
    ...catalogue.flatMap(({ id, name }) => (rows.has(id) ? [line(name, rows.get(id) as Row)] : [])),
    line('**all**', all),
    '',
    ...(rows.size < catalogue.length ? [`Measured on ${rows.size} of ${catalogue.length} systems: the run was ended there.`, ''] : []),
  ].join('\n')
}

async function measureAll(): Promise<void> {
  const rows = new Map<string, Row>()
  const waiting = [...catalogue].sort((a, b) => b.parts.length - a.parts.length)
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      rows.set(next.id, await measureBeside(next.id))
      process.stdout.write(
        `${next.id}: ${Object.entries(rows.get(next.id) ?? {})
          .map(([name, result]) => `${name} ${cell(result)}`)
          .join('; ')}\n`,
      )
      writeFileSync(options.out, page(rows))
    }
  }
  await Promise.all(Array.from({ length: Number(options.beside) }, work))
}

const one = catalogue.findIndex(({ id }) => id === options.only)
if (one >= 0) process.stdout.write(JSON.stringify(measure(catalogue[one], Number(options.seed) + 1000 * one)))
else void measureAll()
