import { readFileSync, writeFileSync } from 'node:fs'
import { z } from 'zod'
import { systemById } from '@/src/core/wiring/systems/catalogue'

/** Draws docs/measurements/exam.json as a page: two charts in SVG and the tables. `npm run exam:page`, after an exam that was saved. */
const comparison = z.object({
  minutes: z.number(),
  checks: z.number(),
  trips: z.number(),
  fuses: z.number(),
  cooked: z.number().optional(),
  right: z.number(),
  houses: z.number(),
})
const examSchema = z.object({
  commit: z.string(),
  seed: z.number(),
  systems: z.array(
    z.object({
      id: z.string(),
      houses: z.number(),
      right: z.number(),
      rightLow: z.number(),
      rightHigh: z.number(),
      minutes: z.number(),
      checks: z.number(),
      trips: z.number(),
      fuses: z.number(),
      cooked: z.number().optional(),
      equalChecks: z.number().nullable(),
      bound: z.number().nullable(),
      entropyBound: z.number().nullable().optional(),
      againstBestHabit: z.number().nullable(),
      habits: z.record(z.string(), comparison),
    }),
  ),
  calibration: z.array(z.object({ claimed: z.number(), right: z.number(), n: z.number() })),
  wrongReading: z.object({ houses: z.number(), right: z.number(), named: z.number() }),
  sound: z.object({ houses: z.number(), said: z.number(), condemned: z.number(), minutes: z.number() }),
  outside: z.object({ houses: z.number(), led: z.number(), mended: z.number().default(0), condemned: z.number() }),
  double: z.object({
    houses: z.number(),
    bothAtOnce: z.number(),
    first: z.number(),
    secondLookedFor: z.number(),
    secondFound: z.number(),
    bothAtTheEnd: z.number(),
  }),
})
type Exam = z.infer<typeof examSchema>

const folder = 'docs/measurements'
const exam = examSchema.parse(JSON.parse(readFileSync(`${folder}/exam.json`, 'utf8')))
const nameOf = (id: string) => systemById(id)?.name ?? id
const percent = (share: number) => `${(100 * share).toFixed(1)} %`
const text = (x: number, y: number, what: string, more = '') =>
  `<text x="${x}" y="${y}" ${more}>${what.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</text>`
const svg = (width: number, height: number, title: string, inside: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" role="img" font-family="sans-serif" font-size="13">\n<title>${title}</title>\n<rect width="${width}" height="${height}" fill="#fff"/>\n${inside}\n</svg>\n`

const isHabit = (name: string) => !name.startsWith('way: ')
const bestOf = (system: Exam['systems'][number], wanted: (name: string) => boolean) =>
  Object.entries(system.habits)
    .filter(([name]) => wanted(name))
    .sort((a, b) => a[1].minutes - b[1].minutes)[0]

/** Minutes to the repair: free choice, the best way of working, the best habit; a bar each, labelled, told apart by hatching too. */
function minutesChart({ systems }: Exam): string {
  const rows = systems.map((system) => ({
    name: nameOf(system.id),
    bars: [
      { label: 'free choice', minutes: system.minutes, fill: '#1b1b1b' },
      {
        label: bestOf(system, (name) => !isHabit(name))?.[0] ?? '',
        minutes: bestOf(system, (name) => !isHabit(name))?.[1].minutes ?? 0,
        fill: '#8a8a8a',
      },
      { label: bestOf(system, isHabit)?.[0] ?? '', minutes: bestOf(system, isHabit)?.[1].minutes ?? 0, fill: '#d9d9d9' },
    ].filter(({ minutes }) => minutes > 0),
  }))
  const longest = Math.max(...rows.flatMap(({ bars }) => bars.map(({ minutes }) => minutes)))
  const left = 350
  const scale = (920 - left - 170) / longest
  let y = 44
  const parts = [
    text(12, 24, 'Minutes to the repair: free choice, the best way of working, the best habit', 'font-weight="700" font-size="15"'),
  ]
  for (const { name, bars } of rows) {
    parts.push(text(left - 12, y + 22, name, 'text-anchor="end"'))
    for (const { label, minutes, fill } of bars) {
      parts.push(
        `<rect x="${left}" y="${y}" width="${Math.max(1, minutes * scale).toFixed(1)}" height="14" fill="${fill}" stroke="#1b1b1b"/>`,
      )
      parts.push(text(left + minutes * scale + 8, y + 12, `${minutes.toFixed(1)} ${label}`, 'font-size="12"'))
      y += 17
    }
    y += 12
  }
  return svg(920, y + 8, 'Minutes to the repair by system', parts.join('\n'))
}

/** What was claimed against what was right, each band as large as the houses in it. */
function calibrationChart({ calibration }: Exam): string {
  const [left, top, size] = [70, 44, 360]
  const at = (share: number) => [left + size * share, top + size * (1 - share)]
  const ticks = [0, 0.25, 0.5, 0.75, 1]
  const parts = [
    text(12, 24, 'Claimed against right', 'font-weight="700" font-size="15"'),
    `<rect x="${left}" y="${top}" width="${size}" height="${size}" fill="none" stroke="#1b1b1b"/>`,
    `<line x1="${at(0)[0]}" y1="${at(0)[1]}" x2="${at(1)[0]}" y2="${at(1)[1]}" stroke="#8a8a8a" stroke-dasharray="6 5"/>`,
    ...ticks.flatMap((tick) => [
      text(at(tick)[0], top + size + 18, percent(tick), 'text-anchor="middle" font-size="11"'),
      text(left - 8, at(tick)[1] + 4, percent(tick), 'text-anchor="end" font-size="11"'),
    ]),
    ...calibration.map(({ claimed, right, n }, index) => {
      const [x, y] = [at(claimed)[0], at(right)[1]]
      return `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="${Math.max(4, Math.min(12, Math.sqrt(n) / 2)).toFixed(1)}" fill="#1b1b1b" fill-opacity="0.35" stroke="#1b1b1b"/>${text(x - 14, y + (index % 2 === 0 ? 4 : 22), `${n}`, 'text-anchor="end" font-size="11"')}`
    }),
    text(
      left + size / 2,
      top + size + 38,
      'claimed by the verdict; the number of houses at each point',
      'text-anchor="middle" font-size="12"',
    ),
  ]
  return svg(470, top + size + 52, 'Calibration', parts.join('\n'))
}

function page(): string {
  const { systems, calibration, wrongReading, sound, outside, double } = exam
  const sum = (of: (system: Exam['systems'][number]) => number) => systems.reduce((total, system) => total + of(system), 0)
  const houses = sum((system) => system.houses)
  const mean = (of: (system: Exam['systems'][number]) => number) => sum((system) => of(system) * system.houses) / houses
  const share = (hits: number, count: number) => `${hits} of ${count} (${percent(hits / Math.max(1, count))})`
  const solvers = [...new Set(systems.flatMap(({ habits }) => Object.keys(habits)))]
  return `# The exam

${houses} simulated houses over ${systems.length} systems (seed ${exam.seed}, commit ${exam.commit}). Faults are drawn evenly over the catalogue and their forms by rate; part values
from spreads 1.4 times wider than those the engine integrates over; one house in ten is wired differently from its template (a bond less or more, a board that
switches where its template passes on). The simulated meter has noise, resolution and its own load. The houses come from the same circuit model as the engine: the
best case, apart from what is drawn wider. Made by \`npm run exam -- --houses N --seed S --save\` and \`npm run exam:page\`; the figures are in [exam.json](exam.json).

Right: ${percent(mean((system) => system.right))}; ${mean((system) => system.minutes).toFixed(1)} minutes and ${mean((system) => system.checks).toFixed(1)} checks a house; ${mean((system) => system.trips).toFixed(2)} trips, ${mean((system) => system.fuses).toFixed(2)} fuses, ${mean((system) => system.cooked ?? 0).toFixed(3)} transformers burned out.

![Minutes to the repair](exam-minutes.svg)

| system | houses | right | 95 % interval | minutes | checks | trips | fuses | burned out | checks at equal cost / bound for these houses / entropy bound | minutes against the best habit |
| --- | ---: | ---: | --- | ---: | ---: | ---: | ---: | ---: | --- | ---: |
${systems
  .map(
    (system) =>
      `| ${nameOf(system.id)} | ${system.houses} | ${percent(system.right)} | ${percent(system.rightLow)}-${percent(system.rightHigh)} | ${system.minutes.toFixed(1)} | ${system.checks.toFixed(1)} | ${system.trips.toFixed(2)} | ${system.fuses.toFixed(2)} | ${system.cooked?.toFixed(2) ?? '-'} | ${system.equalChecks?.toFixed(1) ?? '-'} / ${system.bound?.toFixed(1) ?? '-'} / ${system.entropyBound?.toFixed(1) ?? '-'} | ${system.againstBestHabit?.toFixed(2) ?? '-'} |`,
  )
  .join('\n')}

A habit is a fixed order of checks ([habits](../../src/core/practice/habits.ts)), followed as a good technician follows it: on the complaints that it is meant for (four hunt what blows a fuse, the
fifth follows a call that does nothing), on the first twenty such houses of each system; what it has just read narrows what it reads next, and it stops at 80 % on one repair. The judgement is the engine's own.
The last column of the first table holds the free choice against the best of the habits, minutes on the same houses. A way of working keeps to its order but skips what tells nothing.

| solver, on the same houses | houses | right | minutes | checks | trips |
| --- | ---: | ---: | ---: | ---: | ---: |
${solvers
  .map((name) => {
    const given = systems.flatMap(({ habits }) => (habits[name] ? [habits[name]] : []))
    const count = given.reduce((total, { houses: n }) => total + n, 0)
    const over = (of: (given: z.infer<typeof comparison>) => number) =>
      given.reduce((total, one) => total + of(one) * one.houses, 0) / count
    return `| ${name} | ${count} | ${percent(over(({ right }) => right))} | ${over(({ minutes }) => minutes).toFixed(1)} | ${over(({ checks }) => checks).toFixed(1)} | ${over(({ trips }) => trips).toFixed(2)} |`
  })
  .join('\n')}

What is not reached, and why: [limits](limits.md). What suspects and next checks cost: [speed](speed.md).

## Claimed against right

![Claimed against right](exam-calibration.svg)

| claimed | right | houses |
| ---: | ---: | ---: |
${calibration.map(({ claimed, right, n }) => `| ${percent(claimed)} | ${percent(right)} | ${n} |`).join('\n')}

A verdict that names a group which nothing at hand splits counts as not right here.

## Hard cases

| | |
| --- | --- |
| one reading plainly wrong: the repair still right | ${share(wrongReading.right, wrongReading.houses)} |
| the wrong reading named | ${share(wrongReading.named, wrongReading.houses)} |
| nothing broken (sound, nobody called, a delay running): said so | ${share(sound.said, sound.houses)} |
| named all the same what mends it | ${share(outside.mended, outside.houses)} |
| another part condemned | ${share(sound.condemned, sound.houses)} |
| a fault of no catalogue: "none of these" led at the end | ${share(outside.led, outside.houses)} |
| named all the same what mends it | ${share(outside.mended, outside.houses)} |
| another part condemned | ${share(outside.condemned, outside.houses)} |
| two faults at once: one of them named first | ${share(double.first, double.houses)} |
| both named by the end of the visit, the second after the first was mended | ${share(double.bothAtTheEnd, double.houses)} |
| both in one verdict | ${share(double.bothAtOnce, double.houses)} |
| the second named after the first was mended | ${share(double.secondFound, double.secondLookedFor)} |
`
}

writeFileSync(`${folder}/exam-minutes.svg`, minutesChart(exam))
writeFileSync(`${folder}/exam-calibration.svg`, calibrationChart(exam))
writeFileSync(`${folder}/README.md`, page())
console.log(`${folder}/README.md`)
