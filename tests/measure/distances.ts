/**
 * Distances along a run: readings are drawn (meter noise and its last digit, lead resistance, clips, the copper's temperature, the contact,
 * the length), and each band is held against where the fault is; beside its width the best that any method could do with those readings
 * (the square root of the Cramer-Rao bound, priors of length, temperature and leads among the information). Writes
 * docs/measurements/distances.md.
 */
import { writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { distanceToOpen, distanceToShort, lengthOf, ohmPerMetre } from '@/src/core/cable/distance'
import type { CapacitanceReading, Distance, LoopReading, Run } from '@/src/core/cable/run'
import { createRandom, type Random } from '@/src/core/units/random'
import { copperOhm } from '@/src/core/wiring/copper'

const { values: options } = parseArgs({
  options: { readings: { type: 'string', default: '10000' }, seed: { type: 'string', default: '1' }, out: { type: 'string' } },
})

interface Case {
  readonly name: string
  readonly of: 'short' | 'to-metal' | 'open'
  readonly ends: readonly (0 | 1)[]
  readonly hasSound: boolean
  readonly isPaced: boolean
  readonly isNulled: boolean
  readonly step: number
}

const cases: readonly Case[] = [
  {
    name: 'short, both ends, hundredths, nulled, paced',
    of: 'short',
    ends: [0, 1],
    hasSound: false,
    isPaced: true,
    isNulled: true,
    step: 0.01,
  },
  {
    name: 'short, both ends and a sound loop, thousandths, nulled',
    of: 'short',
    ends: [0, 1],
    hasSound: true,
    isPaced: false,
    isNulled: true,
    step: 0.001,
  },
  {
    name: 'short, both ends, tenths, not nulled, paced',
    of: 'short',
    ends: [0, 1],
    hasSound: false,
    isPaced: true,
    isNulled: false,
    step: 0.1,
  },
  { name: 'short, one end, hundredths, nulled, paced', of: 'short', ends: [0], hasSound: false, isPaced: true, isNulled: true, step: 0.01 },
  {
    name: 'to metal, both ends, hundredths, nulled, paced',
    of: 'to-metal',
    ends: [0, 1],
    hasSound: false,
    isPaced: true,
    isNulled: true,
    step: 0.01,
  },
  {
    name: 'open, both ends, hundredths of a nF, nulled, paced',
    of: 'open',
    ends: [0, 1],
    hasSound: false,
    isPaced: true,
    isNulled: true,
    step: 0.01,
  },
  {
    name: 'open, one end against a sound conductor, paced',
    of: 'open',
    ends: [0],
    hasSound: true,
    isPaced: true,
    isNulled: false,
    step: 0.01,
  },
]

const rounded = (value: number, step: number): number => Math.round(value / step) * step

/** A run and a fault on it, and what a meter shows. */
function draw(one: Case, random: Random) {
  const drawnM = 6 * 6 ** random.uniform()
  const lengthM = drawnM * Math.exp((one.isPaced ? 0.04 : 0.4) * random.normal())
  const run: Run = { gaugeAwg: 18, toldM: one.isPaced ? drawnM : null, drawnM, isNulled: one.isNulled, copperC: null }
  const atM = lengthM * random.uniform()
  const contact = 0.05 * 400 ** random.uniform() - 0.05
  const perMetre = copperOhm(18, 1) * (1 + 0.00393 * (25 + 12 * random.normal() - 20)) * (1 + 0.01 * random.normal())
  const leads = one.isNulled ? 0.01 * random.normal() : Math.max(0, 0.2 + 0.1 * random.normal())
  const gain = 1 + 0.01 * (2 * random.uniform() - 1)
  const shows = (ohm: number) => Math.max(0, rounded(gain * (ohm + leads + 0.015 * random.normal()), one.step))
  const away = (end: 0 | 1) => (end === 0 ? atM : lengthM - atM)
  if (one.of !== 'open') {
    const times = one.of === 'short' ? 2 : 1
    const { of, step } = one
    const loops: LoopReading[] = one.ends.map((end) => ({ of, end, ohm: shows(times * perMetre * away(end) + contact), step }))
    if (one.hasSound) loops.push({ of: 'sound', end: 0, ohm: shows(2 * perMetre * lengthM), step })
    return { run, atM, lengthM, distance: distanceToShort(run, loops), best: bestOfLoops(run, loops, atM, lengthM) }
  }
  const perM = 0.05 + 0.05 * random.uniform()
  const offset = one.isNulled ? 0.005 * random.normal() : Math.max(0, 0.05 + 0.03 * random.normal())
  const farads = (metres: number) => rounded(gain * (perM * metres * (1 + 0.02 * random.normal()) + offset), one.step)
  const readings: CapacitanceReading[] = one.ends.map((end) => ({ of: 'open', end, nF: farads(away(end)), step: one.step }))
  if (one.hasSound) readings.push({ of: 'sound', end: 0, nF: farads(lengthM), step: one.step })
  return { run, atM, lengthM, distance: distanceToOpen(run, readings), best: bestOfOpen(run, readings, atM, lengthM, perM) }
}

/** The bound on the first of some unknowns, from what each row tells and what is known before. */
function bound(rows: readonly { readonly by: readonly number[]; readonly sd: number }[], size: number): number {
  const information = Array.from({ length: size }, (_, row) =>
    Array.from({ length: size }, (_, column) => rows.reduce((sum, { by, sd }) => sum + (by[row] * by[column]) / sd ** 2, 0)),
  )
  return Math.sqrt(inverseCorner(information))
}

/** The first element of an inverse, by elimination of all the others. */
function inverseCorner(matrix: number[][]): number {
  for (let pivot = matrix.length - 1; pivot > 0; pivot--)
    for (let row = 0; row < pivot; row++) {
      const factor = matrix[pivot][pivot] === 0 ? 0 : matrix[row][pivot] / matrix[pivot][pivot]
      for (let column = 0; column < pivot; column++) matrix[row][column] -= factor * matrix[pivot][column]
    }
  return 1 / matrix[0][0]
}

/** Unknowns: the distance, the length, the copper (as a share), the contact, the leads. */
function bestOfLoops(run: Run, readings: readonly LoopReading[], atM: number, lengthM: number): number {
  const { mean: r, sd: rSd } = ohmPerMetre(run)
  const length = lengthOf(run)
  const own = readings.map(({ of, end, ohm, step }) => {
    const times = (of === 'to-metal' ? 1 : 2) * r
    const sd = Math.hypot(step / Math.sqrt(12), 0.005 * ohm, 0.015)
    return of === 'sound'
      ? { by: [0, times, times * lengthM, 0, 1], sd }
      : end === 0
        ? { by: [times, 0, times * atM, 1, 1], sd }
        : { by: [-times, times, times * (lengthM - atM), 1, 1], sd }
  })
  return bound(
    [
      ...own,
      { by: [0, 1, 0, 0, 0], sd: length.sd * length.mean },
      { by: [0, 0, 1, 0, 0], sd: rSd },
      { by: [0, 0, 0, 0, 1], sd: run.isNulled ? 0.01 : 0.1 },
      // It lies on the run, and a contact has no more than some tens of ohm.
      { by: [1, 0, 0, 0, 0], sd: lengthM / Math.sqrt(12) },
      { by: [0, 0, 0, 1, 0], sd: 20 },
    ],
    5,
  )
}

/** Unknowns: the distance, the length, what the run has per metre, the leads. */
function bestOfOpen(run: Run, readings: readonly CapacitanceReading[], atM: number, lengthM: number, perM: number): number {
  const length = lengthOf(run)
  const own = readings.map(({ of, end, nF, step }) => {
    const sd = Math.hypot(step / Math.sqrt(12), Math.hypot(0.01, 0.02) * nF)
    return of === 'sound'
      ? { by: [0, perM, lengthM, 1], sd }
      : end === 0
        ? { by: [perM, 0, atM, 1], sd }
        : { by: [-perM, perM, lengthM - atM, 1], sd }
  })
  return bound(
    [
      ...own,
      { by: [0, 1, 0, 0], sd: length.sd * length.mean },
      { by: [0, 0, 0, 1], sd: run.isNulled ? 0.005 : 0.03 },
      { by: [1, 0, 0, 0], sd: lengthM / Math.sqrt(12) },
    ],
    4,
  )
}

const of = Number(options.readings)
const isHeld = ({ distance, atM }: { distance: Distance | null; atM: number }) =>
  distance !== null && distance.lowM <= atM && atM <= distance.highM
const middle = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]
const rows = cases.map((one, index) => {
  const random = createRandom(Number(options.seed) + 1000 * index)
  const drawn = Array.from({ length: of }, () => draw(one, random))
  const widths = drawn.flatMap(({ distance }) => (distance ? [(distance.highM - distance.lowM) / 2] : []))
  const times = drawn.flatMap(({ distance, best }) => (distance ? [(distance.highM - distance.lowM) / 2 / (1.96 * best)] : []))
  const useful = drawn.filter(({ distance }) => distance?.isUseful).length
  const row = `| ${one.name} | ${((100 * drawn.filter(isHeld).length) / of).toFixed(1)} % | ± ${middle(widths).toFixed(2)} m | ${middle(times).toFixed(2)} | ${((100 * useful) / of).toFixed(0)} % |`
  console.log(row)
  return row
})
if (options.out)
  writeFileSync(
    options.out,
    `# Distances along a run

${of} drawn readings a row (seed ${options.seed}), runs of 6 to 36 m of 18 AWG: how often the stated 95 % band holds the fault, half the band's width (median), that over 1.96 times the Cramer-Rao bound of the same readings (median), and how often the band is narrow enough to be called useful. Made by \`npm run measure:distances -- --out docs/measurements/distances.md\`.

| readings | in the band | half the band | of the best possible | useful |
| --- | ---: | ---: | ---: | ---: |
${rows.join('\n')}
`,
  )
