/**
 * The ways of working by the book, each on simulated houses of every system where something blows the fuse, which is what they are meant
 * for: how often the right repair is named, with what checks and minutes, beside the free choice on the same houses. Writes
 * docs/measurements/ways.md.
 */
import { writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { createEngine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { entropyOfRepair } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import type { WayOfWorking } from '@/src/core/job/ways'
import { type Sitting, sit } from '@/src/core/practice/exam'
import { isMeantFor } from '@/src/core/practice/habits'
import type { Solver } from '@/src/core/practice/trial'
import { firstPart } from '@/src/core/wiring/system'
import { catalogue } from '@/src/core/wiring/systems/catalogue'
import { drawMeant } from '@/tests/measure/meant-houses'

const { values: options } = parseArgs({
  options: { houses: { type: 'string', default: '20' }, seed: { type: 'string', default: '1' }, out: { type: 'string' } },
})
const HOUSES = Number(options.houses)
const ways: readonly WayOfWorking[] = ['free', 'take-off', 'add-on', 'halve', 'ohms']

/** A way by the book that keeps what each of its steps left to be decided: bits before and after it, steps that only confirm left out. */
function narrowing(way: WayOfWorking): { readonly solver: Solver; readonly steps: { readonly before: number; readonly after: number }[] } {
  const steps: { before: number; after: number }[] = []
  let open: number | null = null
  return {
    steps,
    solver: (engine, evidence, bench) => {
      const { engine: weighed, posterior } = weigh(engine, evidence)
      const bits = entropyOfRepair(weighed, posterior)
      if (open !== null) steps.push({ before: open, after: bits })
      const proposed = propose(engine, evidence, bench, { way })
      open = proposed.next && !proposed.confirms ? bits : null
      return proposed
    },
  }
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length
const share = (sittings: readonly Sitting[]): string => `${Math.round(100 * mean(sittings.map(({ right }) => Number(right))))} %`
const cell = (sittings: readonly Sitting[]): string =>
  `${share(sittings)}, ${mean(sittings.map(({ trial }) => trial.checks)).toFixed(1)}, ${mean(sittings.map(({ trial }) => trial.minutes)).toFixed(1)}`

const all = new Map<WayOfWorking, Sitting[]>(ways.map((way) => [way, []]))
const steps = new Map<WayOfWorking, { readonly before: number; readonly after: number }[]>(ways.map((way) => [way, []]))

/** Fewer repairs were in the running after a step than before it. */
const narrowed = (way: WayOfWorking): string => {
  const made = steps.get(way) ?? []
  return `${Math.round(100 * mean(made.map(({ before, after }) => Number(after < before))))} % of ${made.length}, ${mean(made.map(({ before, after }) => before - after)).toFixed(2)} bits`
}
// Where no fuse or breaker sits in the line none blows.
const fused = catalogue.filter((system) => firstPart(system, 'fuse').holds !== 'none')
const rows = fused.map((system, index) => {
  const engine = createEngine(system)
  const houses = drawMeant(engine, Number(options.seed) + 1000 * index, HOUSES, (complaint) => isMeantFor('take off', complaint))
  const cells = ways.map((way) => {
    const sittings = houses.map((house) => {
      const { solver, steps: made } = narrowing(way)
      const sitting = sit(engine, house, solver)
      steps.get(way)?.push(...made)
      return sitting
    })
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
  'What a step leaves to be decided, in bits of the repair: of the steps that decide something, those after which less was left, and how',
  'much less on the mean. An answer that was not expected opens what seemed decided, and leaves more.',
  '',
  `| | ${ways.join(' | ')} |`,
  `| --- | ${ways.map(() => '---').join(' | ')} |`,
  `| **narrowed** | ${ways.map(narrowed).join(' | ')} |`,
  '',
].join('\n')
writeFileSync(options.out ?? 'docs/measurements/ways.md', page)
