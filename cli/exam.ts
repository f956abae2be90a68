import { execFileSync } from 'node:child_process'
import { mkdirSync, writeFileSync } from 'node:fs'
import { createEngine, type Engine, type Observation } from '@/src/core/diagnosis/engine'
import { waysOfWorking } from '@/src/core/diagnosis/ways'
import {
  type Bound,
  calibrate,
  drawCase,
  equalCostSolver,
  leastChecks,
  meanOf,
  type Sitting,
  shareOf,
  sit,
  waySolver,
} from '@/src/core/practice/exam'
import { habitNames, habitSolver, MOST_HABIT_CHECKS } from '@/src/core/practice/habits'
import { examineDouble, examineOutside, examineWrongReading } from '@/src/core/practice/hard-cases'
import type { Solver } from '@/src/core/practice/trial'
import { probeKey } from '@/src/core/readings/check'
import { createRandom, type Random } from '@/src/core/units/random'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

/**
 * Simulated houses, each with a hidden fault and part values of its own, solved by free choice and, every so many of them,
 * by each way of working and by the habits of the trade on the very same house.
 * `npm run exam -- --houses 40 --seed 7 --system furnace-ac --verbose`; without `--houses`, every fault once;
 * `--only free` leaves the comparisons out, `--only hard` all but wrong readings, faults of no catalogue and pairs; `--save` writes docs/measurements/exam.json.
 */
const option = (name: string, fallback: string) => {
  const index = process.argv.indexOf(`--${name}`)
  return index < 0 ? fallback : process.argv[index + 1]
}
const flag = (name: string) => process.argv.includes(`--${name}`)
const perSystem = Number(option('houses', '0'))
const seed = Number(option('seed', '1'))
const wanted = option('system', 'all')
const onlyFree = option('only', '') === 'free'
const onlyHard = option('only', '') === 'hard'
const systems = catalogue.filter(({ id }) => wanted === 'all' || id === wanted)
if (systems.length === 0) throw new Error(`no such system: ${wanted}`)

/** One house in so many is also given to the other solvers, and one in twice as many to every way of working: `--compared 5`. */
const compared = Number(option('compared', '5'))

const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const of = (list: readonly Sitting[], value: (sitting: Sitting) => number) => meanOf(list.map(value))
const row = (name: string, list: readonly Sitting[]) => {
  const right = shareOf(list.filter((sitting) => sitting.right).length, list.length)
  const cells = [
    percent(right.share),
    `${percent(right.low)}-${percent(right.high)}`,
    ...[
      (sitting: Sitting) => sitting.trial.minutes,
      (sitting: Sitting) => sitting.trial.checks,
      (sitting: Sitting) => sitting.trial.trips,
      (sitting: Sitting) => sitting.trial.fuses,
      (sitting: Sitting) => sitting.trial.cooked,
    ].map((value) => {
      const { mean, half } = of(list, value)
      return `${mean.toFixed(2)} ±${half.toFixed(2)}`
    }),
  ]
  console.log([name.padEnd(26), String(list.length).padStart(6), ...cells.map((cell) => cell.padStart(16))].join(' '))
}
const head = () =>
  console.log(
    [
      ''.padEnd(26),
      'houses'.padStart(6),
      ...['right', '95 % interval', 'minutes', 'checks', 'trips', 'fuses', 'cooked'].map((name) => name.padStart(16)),
    ].join(' '),
  )

const sayReadings = (observations: readonly Observation[]) =>
  observations
    .map(
      ({ bench, probe, answer }) =>
        `    ${probeKey(probe)} ${JSON.stringify(answer)} ${bench.power ? `live ${bench.call}` : 'off'} ${[...bench.lifted, ...bench.unplugged, ...bench.jumpers.map(({ a, b }) => `${a}=${b}`)].join()}`,
    )
    .join('\n')

interface Comparison {
  readonly minutes: number
  readonly checks: number
  readonly trips: number
  readonly fuses: number
  readonly cooked: number
  readonly right: number
  readonly houses: number
}
/** What is told to the customer without a part in the hand. */
const NOTHING_BROKEN: readonly string[] = ['thermostat-not-called', 'delay-running']

const compare = (list: readonly Sitting[]): Comparison => ({
  minutes: of(list, ({ trial }) => trial.minutes).mean,
  checks: of(list, ({ trial }) => trial.checks).mean,
  trips: of(list, ({ trial }) => trial.trips).mean,
  fuses: of(list, ({ trial }) => trial.fuses).mean,
  cooked: of(list, ({ trial }) => trial.cooked).mean,
  right: list.filter(({ right }) => right).length / list.length,
  houses: list.length,
})

const all: Sitting[] = []
const summary = []
const wrongReading = { houses: 0, right: 0, named: 0 }
const outside = { houses: 0, led: 0, condemned: 0 }
const sound = { houses: 0, said: 0, condemned: 0, minutes: 0 }
const double = { houses: 0, bothAtOnce: 0, first: 0, secondLookedFor: 0, secondFound: 0 }

function examineSystem(engine: Engine, random: Random) {
  const ids = [null, ...engine.faults.map(({ id }) => id)]
  const hidden = perSystem > 0 ? Array.from({ length: perSystem }, () => random.pick(ids)) : ids
  const free: Sitting[] = []
  const equal: { checks: number; least: Bound }[] = []
  const others = new Map<string, Sitting[]>()
  const freeOf = new Map<string, Sitting[]>()
  const give = (name: string, mine: Sitting, other: Sitting) => {
    others.set(name, [...(others.get(name) ?? []), other])
    freeOf.set(name, [...(freeOf.get(name) ?? []), mine])
  }
  if (onlyHard) return { free, equal, others, freeOf, asked: hidden.length }
  hidden.forEach((id, house) => {
    const drawn = drawCase(engine, random, id)
    const mine = sit(engine, drawn)
    free.push(mine)
    if (onlyFree || house % compared !== 0) return
    const { solver, answerBits } = equalCostSolver()
    equal.push({ checks: sit(engine, drawn, solver).trial.checks, least: leastChecks(engine, drawn, answerBits) })
    for (const name of habitNames) give(name, mine, sit(engine, drawn, habitSolver(name), { mostChecks: MOST_HABIT_CHECKS }))
    if (house % (2 * compared) === 0)
      for (const way of waysOfWorking) if (way !== 'free') give(`way: ${way}`, mine, sit(engine, drawn, waySolver(way) as Solver))
  })
  return { free, equal, others, freeOf, asked: hidden.length }
}

for (const system of systems) {
  const engine = createEngine(system)
  const random = createRandom(seed)
  console.log(`\n${system.name}, seed ${seed}`)
  const { free, equal, others, freeOf, asked } = examineSystem(engine, random)
  all.push(...free)
  if (flag('verbose'))
    for (const { hidden, right, trial } of free)
      if (!right) console.log(`WRONG ${hidden}: lead ${trial.lead}; ${JSON.stringify(trial.verdict)}\n${sayReadings(trial.observations)}`)
  head()
  for (const family of [...new Set(free.map((sitting) => sitting.family))])
    row(
      family,
      free.filter((sitting) => sitting.family === family),
    )
  row('free choice', free)
  for (const [name, list] of others) row(name, list)
  const bound = equal.length > 0 ? meanOf(equal.map(({ least }) => least.ofThis)).mean : null
  const entropyBound = equal.length > 0 ? meanOf(equal.map(({ least }) => least.byEntropy)).mean : null
  const equalChecks = equal.length > 0 ? meanOf(equal.map(({ checks }) => checks)).mean : null
  if (bound !== null && entropyBound !== null && equalChecks !== null)
    console.log(
      `checks at equal cost ${equalChecks.toFixed(2)}, bound of the same checks for these houses ${bound.toFixed(2)}, by entropy alone ${entropyBound.toFixed(2)}`,
    )
  const habits = Object.fromEntries([...others].map(([name, list]) => [name, compare(list)]))
  const ratios = habitNames.flatMap((name) => {
    const mine = freeOf.get(name)
    return mine ? [compare(mine).minutes / habits[name].minutes] : []
  })
  if (ratios.length > 0) console.log(`minutes, free choice against the best habit on the same houses: ${Math.max(...ratios).toFixed(2)}`)
  const right = shareOf(free.filter((sitting) => sitting.right).length, free.length)
  const { houses: _, right: __, ...means } = compare(free)
  summary.push({
    id: system.id,
    houses: free.length,
    right: right.share,
    rightLow: right.low,
    rightHigh: right.high,
    ...means,
    equalChecks,
    bound,
    entropyBound,
    againstBestHabit: ratios.length > 0 ? Math.max(...ratios) : null,
    habits,
  })
  for (let house = 0; house < Math.ceil(asked / 8); house++) {
    const wrong = examineWrongReading(engine, random, random.pick(engine.faults).id)
    if (wrong) {
      wrongReading.houses++
      wrongReading.right += Number(wrong.right)
      wrongReading.named += Number(wrong.named)
    }
    const quiet = [null, ...engine.faults.filter(({ family }) => NOTHING_BROKEN.includes(family)).map(({ id }) => id)]
    const healthy = sit(engine, drawCase(engine, random, random.pick(quiet)))
    sound.houses++
    sound.said += Number(healthy.right)
    sound.condemned += Number(!healthy.right && healthy.trial.verdict !== null && healthy.trial.verdict.found !== 'nothing-wrong')
    sound.minutes += healthy.trial.minutes
    if (flag('verbose') && !healthy.right)
      console.log(`SOUND ${healthy.hidden}: ${JSON.stringify(healthy.trial.verdict)}\n${sayReadings(healthy.trial.observations)}`)
    const none = examineOutside(engine, random)
    outside.houses++
    outside.led += Number(none.led)
    outside.condemned += Number(none.condemned)
    const two = examineDouble(engine, random)
    double.houses++
    double.bothAtOnce += Number(two.bothAtOnce)
    double.first += Number(two.first)
    double.secondLookedFor += Number(two.secondAfterRepair !== null)
    double.secondFound += Number(two.secondAfterRepair === true)
    if (flag('verbose')) {
      if (!none.led) console.log(`OUTSIDE ${none.hidden} ${none.said}\n${sayReadings(none.readings)}`)
      if (!two.bothAtOnce && two.secondAfterRepair !== true)
        console.log(`DOUBLE ${two.hidden}: first ${two.first}, second ${two.secondAfterRepair}; ${two.said}\n${sayReadings(two.readings)}`)
    }
  }
}

const calibration = calibrate(all)
console.log('\nclaimed   right   houses')
for (const { claimed, right, n } of calibration)
  console.log(`${percent(claimed).padStart(7)} ${percent(right).padStart(7)} ${String(n).padStart(8)}`)
const share = (hits: number, houses: number) => `${hits} of ${houses}`
console.log(
  `\none reading plainly wrong: right ${share(wrongReading.right, wrongReading.houses)}, the reading named ${share(wrongReading.named, wrongReading.houses)}`,
)
console.log(
  `nothing broken (sound, not called, a delay running): said so ${share(sound.said, sound.houses)}, a part condemned ${share(sound.condemned, sound.houses)}, ${(sound.minutes / Math.max(1, sound.houses)).toFixed(0)} minutes`,
)
console.log(
  `a fault of no catalogue: "none of these" led ${share(outside.led, outside.houses)}, a part condemned ${share(outside.condemned, outside.houses)}`,
)
console.log(
  `two faults: both in one verdict ${share(double.bothAtOnce, double.houses)}, one of them first ${share(double.first, double.houses)}, the second after the first repair ${share(double.secondFound, double.secondLookedFor)}`,
)
console.log()
head()
row('all, free choice', all)

if (flag('save')) {
  const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).trim()
  mkdirSync('docs/measurements', { recursive: true })
  writeFileSync(
    'docs/measurements/exam.json',
    `${JSON.stringify({ commit, seed, systems: summary, calibration, wrongReading, sound, outside, double }, null, 1)}\n`,
  )
}
