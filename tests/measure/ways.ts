/**
 * The ways of working by the book, each on simulated houses of every system where something blows the fuse, which is what they are meant
 * for: how often the right repair is named, with what checks and minutes, beside the free choice on the same houses. Writes
 * docs/measurements/ways.md.
 */
import { writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import type { WayOfWorking } from '@/src/core/job/ways'
import { drawByRate, drawCase, type ExamCase, type Sitting, sit, waySolver } from '@/src/core/practice/exam'
import { isMeantFor } from '@/src/core/practice/habits'
import { createRandom } from '@/src/core/units/random'
import { firstPart } from '@/src/core/wiring/system'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

const { values: options } = parseArgs({
  options: { houses: { type: 'string', default: '20' }, seed: { type: 'string', default: '1' }, out: { type: 'string' } },
})
const HOUSES = Number(options.houses)
const ways: readonly WayOfWorking[] = ['free', 'take-off', 'add-on', 'halve', 'ohms']

/** Houses of faults drawn by how often they are met, of which the complaint speaks of a fuse that blows. */
function drawHouses(engine: Engine, seed: number): ExamCase[] {
  const random = createRandom(seed)
  const houses: ExamCase[] = []
  while (houses.length < HOUSES) {
    const { fault } = engine.hypotheses[drawByRate(engine, [...engine.hypotheses.keys()], random)]
    if (!fault) continue
    const drawn = drawCase(engine, random, fault.id)
    if (isMeantFor('take off', drawn.complaint)) houses.push(drawn)
  }
  return houses
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length
const share = (sittings: readonly Sitting[]): string => `${Math.round(100 * mean(sittings.map(({ right }) => Number(right))))} %`
const cell = (sittings: readonly Sitting[]): string =>
  `${share(sittings)}, ${mean(sittings.map(({ trial }) => trial.checks)).toFixed(1)}, ${mean(sittings.map(({ trial }) => trial.minutes)).toFixed(1)}`

const all = new Map<WayOfWorking, Sitting[]>(ways.map((way) => [way, []]))
// Where no fuse or breaker sits in the line none blows.
const fused = catalogue.filter((system) => firstPart(system, 'fuse').holds !== 'none')
const rows = fused.map((system, index) => {
  const engine = createEngine(system)
  const houses = drawHouses(engine, Number(options.seed) + 1000 * index)
  const cells = ways.map((way) => {
    const sittings = houses.map((house) => sit(engine, house, way === 'free' ? undefined : waySolver(way)))
    all.get(way)?.push(...sittings)
    for (const { right, hidden, trial } of sittings)
      if (!right) process.stderr.write(`${system.id} ${way}: ${hidden}, told ${JSON.stringify(trial.verdict)?.slice(0, 160)}\n`)
    return cell(sittings)
  })
  process.stdout.write(`${system.id}: ${cells.join(' | ')}\n`)
  return `| ${system.name} | ${cells.join(' | ')} |`
})

const page = [
  '# Ways of working',
  '',
  `Each way as the book has it, on ${HOUSES} simulated houses of every system in which something blows the fuse (faults by how often they are met, part values`,
  'drawn wider than the engine assumes, one house in ten wired otherwise): share of right repairs, checks and minutes on the mean. The free choice',
  'searches the same houses. Written by `npm run measure:ways`.',
  '',
  `| system | ${ways.join(' | ')} |`,
  `| --- | ${ways.map(() => '---').join(' | ')} |`,
  ...rows,
  `| **all** | ${ways.map((way) => `**${cell(all.get(way) ?? [])}**`).join(' | ')} |`,
  '',
].join('\n')
writeFileSync(options.out ?? 'docs/measurements/ways.md', page)
