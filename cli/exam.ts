import { execFileSync } from 'node:child_process'
import { mkdirSync, writeFileSync } from 'node:fs'
import { createEngine } from '@/src/core/diagnosis/engine'
import { calibrate, examineHouse, examineWrongReading, type Sitting, shareOf } from '@/src/core/practice/exam'
import { createRandom } from '@/src/core/units/random'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

/**
 * Simulated houses, each with a hidden fault and part values of its own, solved by the proposed checks.
 * `npm run exam -- --rounds 1 --seed 7 --system furnace-ac --verbose`; `--houses N` draws N houses of each system instead of
 * every fault once a round; `--save` writes docs/measurements/exam.json.
 */
const option = (name: string, fallback: string) => {
  const index = process.argv.indexOf(`--${name}`)
  return index < 0 ? fallback : process.argv[index + 1]
}
const flag = (name: string) => process.argv.includes(`--${name}`)
const rounds = Number(option('rounds', '1'))
const perSystem = Number(option('houses', '0'))
const seed = Number(option('seed', '1'))
const wanted = option('system', 'all')
const systems = catalogue.filter(({ id }) => wanted === 'all' || id === wanted)
if (systems.length === 0) throw new Error(`no such system: ${wanted}`)

const columns = ['houses', 'right', 'as group', 'checks', 'minutes', 'trips', 'fuses']
const mean = (list: readonly Sitting[], of: (sitting: Sitting) => number) =>
  list.reduce((sum, sitting) => sum + of(sitting), 0) / list.length
const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const line = (name: string, list: readonly Sitting[]) =>
  [
    name.padEnd(24),
    String(list.length).padStart(9),
    percent(mean(list, ({ right }) => Number(right))).padStart(9),
    percent(mean(list, ({ asGroup }) => Number(asGroup))).padStart(9),
    mean(list, ({ trial }) => trial.checks)
      .toFixed(1)
      .padStart(9),
    mean(list, ({ trial }) => trial.minutes)
      .toFixed(1)
      .padStart(9),
    mean(list, ({ trial }) => trial.trips)
      .toFixed(2)
      .padStart(9),
    mean(list, ({ trial }) => trial.fuses)
      .toFixed(2)
      .padStart(9),
  ].join(' ')

const all: Sitting[] = []
const summary = []
let wrongReading = { houses: 0, right: 0, named: 0 }
for (const system of systems) {
  const engine = createEngine(system)
  const random = createRandom(seed)
  const ids = [null, ...engine.faults.map(({ id }) => id)]
  const drawn = perSystem > 0 ? Array.from({ length: perSystem }, () => random.pick(ids)) : Array.from({ length: rounds }, () => ids).flat()
  const sittings = drawn.map((id) => examineHouse(engine, random, id))
  if (flag('verbose'))
    for (const { hidden, right, trial } of sittings)
      if (!right)
        console.log(
          `WRONG ${hidden}: ${JSON.stringify(trial.verdict)}\n${trial.observations.map(({ bench, probe, answer }) => `    ${JSON.stringify(probe)} ${JSON.stringify(answer)} ${bench.power ? `live ${bench.call}` : 'off'} ${bench.lifted.join()}`).join('\n')}`,
        )
  all.push(...sittings)
  console.log(`\n${system.name}, seed ${seed}`)
  console.log(['family'.padEnd(24), ...columns.map((name) => name.padStart(9))].join(' '))
  for (const family of [...new Set(sittings.map((sitting) => sitting.family))])
    console.log(
      line(
        family,
        sittings.filter((sitting) => sitting.family === family),
      ),
    )
  console.log(line('all', sittings))
  const right = shareOf(sittings.filter((sitting) => sitting.right).length, sittings.length)
  console.log(`right: ${percent(right.share)}, with 95 % confidence between ${percent(right.low)} and ${percent(right.high)}`)
  summary.push({
    id: system.id,
    houses: sittings.length,
    right: right.share,
    rightLow: right.low,
    rightHigh: right.high,
    minutes: mean(sittings, ({ trial }) => trial.minutes),
    checks: mean(sittings, ({ trial }) => trial.checks),
    trips: mean(sittings, ({ trial }) => trial.trips),
    fuses: mean(sittings, ({ trial }) => trial.fuses),
  })
  for (let house = 0; house < Math.ceil(drawn.length / 10); house++) {
    const sitting = examineWrongReading(engine, random, random.pick(engine.faults).id)
    if (sitting)
      wrongReading = {
        houses: wrongReading.houses + 1,
        right: wrongReading.right + Number(sitting.right),
        named: wrongReading.named + Number(sitting.named),
      }
  }
}

const calibration = calibrate(all)
console.log('\nclaimed   right   houses')
for (const { claimed, right, n } of calibration)
  console.log(`${percent(claimed).padStart(7)} ${percent(right).padStart(7)} ${String(n).padStart(8)}`)
console.log(
  `\none reading plainly wrong: ${wrongReading.houses} houses, right ${percent(wrongReading.right / wrongReading.houses)}, the reading named ${percent(wrongReading.named / wrongReading.houses)}`,
)
console.log(
  `\nall: ${all.length} houses, right ${percent(mean(all, ({ right }) => Number(right)))}, ${mean(all, ({ trial }) => trial.minutes).toFixed(1)} min, ${mean(all, ({ trial }) => trial.trips).toFixed(2)} trips`,
)

if (flag('save')) {
  const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).trim()
  mkdirSync('docs/measurements', { recursive: true })
  writeFileSync(
    'docs/measurements/exam.json',
    `${JSON.stringify({ commit, seed, systems: summary, calibration, wrongReading }, null, 1)}\n`,
  )
}
