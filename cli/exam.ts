import { execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { type ExamOptions, examineSystem, type HardCases, noHardCases, type SystemResult } from '@/cli/exam-system'
import { calibrate, shareOf } from '@/src/core/practice/exam'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

/**
 * Simulated houses, each with a hidden fault and part values of its own, solved by free choice and, every so many of them,
 * by each way of working and by the habits of the trade on the very same house.
 * `npm run exam -- --houses 40 --seed 7 --system furnace-ac --verbose`; without `--houses`, every fault once; `--beside 2` examines
 * two systems at a time; `--only free` leaves the comparisons and hard cases out, `--only hard` all but those; `--compared 10` and
 * `--hard 16` say for how many houses one is compared, and one of each hard kind drawn; `--save` writes docs/measurements/exam.json.
 * With `--kept DIR` each system's result stays in that directory, and a run that was ended goes on with the systems that are not there.
 */
const option = (name: string, fallback: string) => {
  const index = process.argv.indexOf(`--${name}`)
  return index < 0 ? fallback : process.argv[index + 1]
}
const flag = (name: string) => process.argv.includes(`--${name}`)
const only = option('only', 'all')
if (only !== 'all' && only !== 'free' && only !== 'hard') throw new Error(`--only is free or hard, not ${only}`)
const options: ExamOptions = {
  houses: Number(option('houses', '0')),
  seed: Number(option('seed', '1')),
  only,
  compared: Number(option('compared', '5')),
  hard: Number(option('hard', '8')),
  verbose: flag('verbose'),
}
const wanted = option('system', 'all')
const beside = Number(option('beside', '1'))
const kept = option('kept', '')
const systems = catalogue.filter(({ id }) => wanted === 'all' || id === wanted)
if (systems.length === 0) throw new Error(`no such system: ${wanted}`)

const PARENTS_OWN = ['--save', '--beside', '--kept']

/** A process of its own examines one system and leaves its result in a file. */
async function examineBeside(id: string, folder: string): Promise<SystemResult> {
  const file = path.join(folder, `${id}.json`)
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8')) as SystemResult
  const args = process.argv
    .slice(2)
    .filter((word, index, all) => !PARENTS_OWN.includes(word) && !['--beside', '--kept'].includes(all[index - 1]))
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [...process.execArgv, process.argv[1], ...args, '--system', id, '--result', file])
    const said: Buffer[] = []
    child.stdout.on('data', (text) => said.push(text))
    child.stderr.pipe(process.stderr)
    child.on('close', (code) => {
      process.stdout.write(Buffer.concat(said))
      if (code === 0) resolve(JSON.parse(readFileSync(file, 'utf8')) as SystemResult)
      else reject(new Error(`the exam of ${id} ended with ${code}`))
    })
  })
}

async function examineAll(): Promise<SystemResult[]> {
  if (beside === 1 && kept === '') return systems.map((system) => examineSystem(system, options))
  const folder = kept || mkdtempSync(path.join(tmpdir(), 'nest-trace-exam-'))
  mkdirSync(folder, { recursive: true })
  const results = new Map<string, SystemResult>()
  // The largest take longest: they begin first, so that none of them is left over at the end.
  const waiting = [...systems].sort((a, b) => b.parts.length - a.parts.length)
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) results.set(next.id, await examineBeside(next.id, folder))
  }
  await Promise.all(Array.from({ length: beside }, work))
  if (kept === '') rmSync(folder, { recursive: true })
  return systems.flatMap(({ id }) => results.get(id) ?? [])
}

function addUp(all: readonly HardCases[]): HardCases {
  const sum = noHardCases()
  const kinds = Object.keys(sum) as (keyof HardCases)[]
  for (const one of all)
    for (const kind of kinds) {
      const [to, from] = [sum[kind], one[kind]] as Record<string, number>[]
      for (const count of Object.keys(to)) to[count] += from[count]
    }
  return sum
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const share = (hits: number, houses: number) => `${hits} of ${houses}`

function printAll(results: readonly SystemResult[], { wrongReading, sound, outside, double }: HardCases): void {
  console.log('\nclaimed   right   houses')
  for (const { claimed, right, n } of calibrate(results.flatMap(({ claims }) => claims)))
    console.log(`${percent(claimed).padStart(7)} ${percent(right).padStart(7)} ${String(n).padStart(8)}`)
  console.log(
    `\none reading plainly wrong: right ${share(wrongReading.right, wrongReading.houses)}, the reading named ${share(wrongReading.named, wrongReading.houses)}`,
  )
  console.log(
    `nothing broken (sound, not called, a delay running): said so ${share(sound.said, sound.houses)}, a part condemned ${share(sound.condemned, sound.houses)}, ${(sound.minutes / Math.max(1, sound.houses)).toFixed(0)} minutes`,
  )
  console.log(
    `a fault of no catalogue: "none of these" led ${share(outside.led, outside.houses)}, what mends it named ${share(outside.mended, outside.houses)}, another part condemned ${share(outside.condemned, outside.houses)}`,
  )
  console.log(
    `two faults: both in one verdict ${share(double.bothAtOnce, double.houses)}, one of them first ${share(double.first, double.houses)}, the second after the first repair ${share(double.secondFound, double.secondLookedFor)}, both by the end ${share(double.bothAtTheEnd, double.houses)}`,
  )
  const houses = results.reduce((sum, { summary }) => sum + summary.houses, 0)
  if (houses === 0) return
  const mean = (of: (summary: SystemResult['summary']) => number) =>
    results.reduce((sum, { summary }) => sum + of(summary) * summary.houses, 0) / houses
  const right = shareOf(Math.round(houses * mean((summary) => summary.right)), houses)
  console.log(
    `\nall, free choice: ${houses} houses, right ${percent(right.share)} (${percent(right.low)}-${percent(right.high)}), ${mean(({ minutes }) => minutes).toFixed(2)} minutes, ${mean(({ checks }) => checks).toFixed(2)} checks, ${mean(({ trips }) => trips).toFixed(3)} trips, ${mean(({ fuses }) => fuses).toFixed(3)} fuses, ${mean(({ cooked }) => cooked).toFixed(3)} burned out`,
  )
}

async function run(): Promise<void> {
  const results = await examineAll()
  const result = option('result', '')
  if (result !== '') {
    writeFileSync(result, JSON.stringify(results[0]))
    return
  }
  const hard = addUp(results.map((one) => one.hard))
  printAll(results, hard)
  if (!flag('save')) return
  const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).trim()
  const calibration = calibrate(results.flatMap(({ claims }) => claims))
  mkdirSync('docs/measurements', { recursive: true })
  writeFileSync(
    'docs/measurements/exam.json',
    `${JSON.stringify({ commit, seed: options.seed, systems: results.map(({ summary }) => summary), calibration, ...hard }, null, 1)}\n`,
  )
}

void run()
