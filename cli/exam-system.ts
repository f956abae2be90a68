import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import { waysOfWorking } from '@/src/core/job/ways'
import {
  type Bound,
  type Claim,
  claimOf,
  drawCase,
  equalCostSolver,
  isMet,
  leastChecks,
  meanOf,
  type Sitting,
  shareOf,
  sit,
  waySolver,
} from '@/src/core/practice/exam'
import { habitNames, habitSolver, isMeantFor, MOST_HABIT_CHECKS } from '@/src/core/practice/habits'
import { examineDouble, examineOutside, examineWrongReading } from '@/src/core/practice/hard-cases'
import type { Solver } from '@/src/core/practice/trial'
import { probeKey } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom, type Random } from '@/src/core/units/random'
import { workLimit } from '@/src/core/units/work-limit'
import type { System } from '@/src/core/wiring/system'

/** How one system is examined. */
export interface ExamOptions {
  /** Houses; 0: every fault once. */
  readonly houses: number
  readonly seed: number
  readonly only: 'free' | 'hard' | 'all'
  /** One house in so many is also given to the other solvers, and one in twice as many to every way of working. */
  readonly compared: number
  /** One hard case of each kind for so many houses. */
  readonly hard: number
  readonly verbose: boolean
}

/** Each habit is followed in the first so many houses of a system that it is meant for. */
const HABIT_HOUSES = workLimit(20)

export interface Comparison {
  readonly minutes: number
  readonly checks: number
  readonly trips: number
  readonly fuses: number
  readonly cooked: number
  readonly right: number
  readonly houses: number
}

/** What came of one system, as it is kept. */
export interface SystemResult {
  readonly summary: Omit<Comparison, 'right'> & {
    readonly id: string
    readonly right: number
    readonly rightLow: number
    readonly rightHigh: number
    readonly equalChecks: number | null
    readonly bound: number | null
    readonly entropyBound: number | null
    readonly againstBestHabit: number | null
    readonly habits: Readonly<Record<string, Comparison>>
  }
  readonly claims: readonly Claim[]
  readonly hard: HardCases
}

/** Counts of the hard cases, by kind. */
export interface HardCases {
  readonly wrongReading: { houses: number; right: number; named: number }
  readonly sound: { houses: number; said: number; condemned: number; minutes: number }
  readonly outside: { houses: number; led: number; mended: number; condemned: number }
  readonly double: { houses: number; bothAtOnce: number; first: number; secondLookedFor: number; secondFound: number; bothAtTheEnd: number }
}

export const noHardCases = (): HardCases => ({
  wrongReading: { houses: 0, right: 0, named: 0 },
  sound: { houses: 0, said: 0, condemned: 0, minutes: 0 },
  outside: { houses: 0, led: 0, mended: 0, condemned: 0 },
  double: { houses: 0, bothAtOnce: 0, first: 0, secondLookedFor: 0, secondFound: 0, bothAtTheEnd: 0 },
})

/** What is told to the customer without a part in the hand. */
const NOTHING_BROKEN: readonly string[] = ['thermostat-not-called', 'delay-running']

const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const of = (list: readonly Sitting[], value: (sitting: Sitting) => number) => meanOf(list.map(value))

const compare = (list: readonly Sitting[]): Comparison => ({
  minutes: of(list, ({ trial }) => trial.minutes).mean,
  checks: of(list, ({ trial }) => trial.checks).mean,
  trips: of(list, ({ trial }) => trial.trips).mean,
  fuses: of(list, ({ trial }) => trial.fuses).mean,
  cooked: of(list, ({ trial }) => trial.cooked).mean,
  right: list.filter(({ right }) => right).length / list.length,
  houses: list.length,
})

function row(name: string, list: readonly Sitting[]): void {
  const right = shareOf(list.filter((sitting) => sitting.right).length, list.length)
  const cells = [
    percent(right.share),
    `${percent(right.low)}-${percent(right.high)}`,
    ...(['minutes', 'checks', 'trips', 'fuses', 'cooked'] as const).map((what) => {
      const { mean, half } = of(list, ({ trial }) => trial[what])
      return `${mean.toFixed(2)} ±${half.toFixed(2)}`
    }),
  ]
  console.log([name.padEnd(26), String(list.length).padStart(6), ...cells.map((cell) => cell.padStart(16))].join(' '))
}

const head = () =>
  console.log(
    [
      ''.padEnd(26),
      'houses',
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

/** Examines one system and prints it family by family. */
export function examineSystem(system: System, options: ExamOptions): SystemResult {
  const engine = createEngine(system)
  const random = createRandom(options.seed)
  console.log(`\n${system.name}, seed ${options.seed}`)
  const { free, equal, others, freeOf, asked } = giveHouses(engine, random, options)
  if (options.verbose)
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
  const meanOfEqual = (value: (one: (typeof equal)[number]) => number) => (equal.length > 0 ? meanOf(equal.map(value)).mean : null)
  const equalChecks = meanOfEqual(({ checks }) => checks)
  const bound = meanOfEqual(({ least }) => least.ofThis)
  const entropyBound = meanOfEqual(({ least }) => least.byEntropy)
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
  const hard = noHardCases()
  if (options.only !== 'free')
    for (let house = 0; house < Math.ceil(asked / options.hard); house++) addHardCases(hard, engine, random, options.verbose)
  return {
    summary: {
      id: system.id,
      ...compare(free),
      right: right.share,
      rightLow: right.low,
      rightHigh: right.high,
      equalChecks,
      bound,
      entropyBound,
      againstBestHabit: ratios.length > 0 ? Math.max(...ratios) : null,
      habits,
    },
    claims: free.flatMap((sitting) => claimOf(sitting) ?? []),
    hard,
  }
}

function giveHouses(engine: Engine, random: Random, { houses, only, compared }: ExamOptions) {
  const ids = [null, ...engine.faults.filter((fault) => isMet(engine, fault)).map(({ id }) => id)]
  const hidden = houses > 0 ? Array.from({ length: houses }, () => random.pick(ids)) : ids
  const free: Sitting[] = []
  const equal: { checks: number; least: Bound }[] = []
  const others = new Map<string, Sitting[]>()
  const freeOf = new Map<string, Sitting[]>()
  const give = (name: string, mine: Sitting, other: Sitting) => {
    others.set(name, [...(others.get(name) ?? []), other])
    freeOf.set(name, [...(freeOf.get(name) ?? []), mine])
  }
  if (only === 'hard') return { free, equal, others, freeOf, asked: hidden.length }
  hidden.forEach((id, house) => {
    const drawn = drawCase(engine, random, id)
    const mine = sit(engine, drawn)
    free.push(mine)
    if (only === 'free') return
    for (const name of habitNames)
      if (isMeantFor(name, drawn.complaint) && (others.get(name)?.length ?? 0) < HABIT_HOUSES)
        give(name, mine, sit(engine, drawn, habitSolver(name), { mostChecks: MOST_HABIT_CHECKS }))
    if (house % compared !== 0) return
    const { solver, answerBits } = equalCostSolver()
    equal.push({ checks: sit(engine, drawn, solver).trial.checks, least: leastChecks(engine, drawn, answerBits) })
    if (house % (2 * compared) === 0)
      for (const way of waysOfWorking) if (way !== 'free') give(`way: ${way}`, mine, sit(engine, drawn, waySolver(way) as Solver))
  })
  return { free, equal, others, freeOf, asked: hidden.length }
}

/** One case of each hard kind, counted; those that went wrong are told when asked for. */
function addHardCases({ wrongReading, sound, outside, double }: HardCases, engine: Engine, random: Random, isTold: boolean): void {
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
  const none = examineOutside(engine, random)
  outside.houses++
  outside.led += Number(none.led)
  outside.mended += Number(none.mended)
  outside.condemned += Number(none.condemned)
  const two = examineDouble(engine, random)
  double.houses++
  double.bothAtOnce += Number(two.bothAtOnce)
  double.first += Number(two.first)
  double.secondLookedFor += Number(two.secondAfterRepair !== null)
  double.secondFound += Number(two.secondAfterRepair === true)
  double.bothAtTheEnd += Number(two.bothAtOnce || two.secondAfterRepair === true)
  if (!isTold) return
  if (!healthy.right)
    console.log(`SOUND ${healthy.hidden}: ${JSON.stringify(healthy.trial.verdict)}\n${sayReadings(healthy.trial.observations)}`)
  if (!none.led) console.log(`OUTSIDE ${none.hidden} ${none.said}\n${sayReadings(none.readings)}`)
  if (!two.bothAtOnce && two.secondAfterRepair !== true)
    console.log(`DOUBLE ${two.hidden}: first ${two.first}, second ${two.secondAfterRepair}; ${two.said}\n${sayReadings(two.readings)}`)
}
