/**
 * Writes docs/model-values.md from the source: every constant made by `modelValue`, with the comment above it, and the rate of every
 * fault family. `--check` tells instead whether the page is what the source says.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { readConstants } from '@/cli/read-constants'
import { faultFamilies } from '@/src/core/faults/families'

const PAGE = 'docs/model-values.md'
const CORE = 'src/core'

/** Rooms of the core whose every number is one of the model or a limit of work; of the others those are listed that say so. */
const modelRooms = [
  'advice',
  'bench',
  'cable',
  'diagnosis',
  'faults',
  'operation',
  'practice',
  'protection',
  'prove',
  'readings',
  'repair',
  'wiring',
]

const filesOf = (room: string): string[] =>
  readdirSync(join(CORE, room), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => join(room, file))
    .sort()

const cell = (text: string): string => text.replaceAll('|', '\\|')

function page(): { text: string; problems: string[] } {
  const others = readdirSync(CORE).filter((room) => !modelRooms.includes(room) && !/\.\w+$/.test(room))
  const rooms = [...modelRooms, ...others].map((room) => {
    const read = filesOf(room).map((file) => readConstants(file, readFileSync(join(CORE, file), 'utf8')))
    return { room, lines: read.flatMap(({ lines }) => lines), bare: others.includes(room) ? [] : read.flatMap(({ bare }) => bare) }
  })
  const problems = [
    ...rooms.flatMap(({ bare }) => bare.map((one) => `${one} is a plain number: modelValue with unit and source, or workLimit.`)),
    ...rooms.flatMap(({ lines }) => lines.filter(({ what }) => what === '').map(({ file, name }) => `${file}: ${name} has no comment.`)),
  ]
  const table = ({ room, lines }: (typeof rooms)[number]) => [
    `## ${room}`,
    '',
    '| constant | what | value | unit | source |',
    '| --- | --- | --- | --- | --- |',
    ...lines.map(
      ({ name, what, value, unit, source, file }) =>
        `| \`${name}\`, \`${file.slice(room.length + 1)}\` | ${cell(what)} | ${cell(value)} | ${unit} | ${cell(source)} |`,
    ),
    '',
  ]
  const text = [
    '# Where the numbers come from',
    '',
    'Values of parts stand in the systems themselves, each with its `source`; minutes of a walk too. This page has the rest, by room of `src/core`. "Assumption" means that a value was chosen from what is common in the trade and has not been measured by us. It is written by `npm run values` from the constants themselves, and `./check` fails when they differ.',
    '',
    ...rooms.filter(({ lines }) => lines.length > 0).flatMap(table),
    '## Rates of faults',
    '',
    'Relative, before the complaint; all assumptions, in the order that the trade gives. What wears outdoors counts `OUTDOOR_TIMES` there.',
    '',
    '| family | rate | wears outdoors | comes and goes | burns out transformers |',
    '| --- | ---: | --- | --- | --- |',
    ...Object.entries(faultFamilies).map(
      ([family, { rate, wearsOutdoors, comesAndGoes, burnsOutTransformers }]) =>
        `| ${family} | ${rate} | ${wearsOutdoors ? 'yes' : ''} | ${comesAndGoes?.replaceAll('-', ' ') ?? ''} | ${burnsOutTransformers ? 'yes' : ''} |`,
    ),
    '',
  ].join('\n')
  return { text, problems }
}

const { text, problems } = page()
if (process.argv.includes('--check') && readFileSync(PAGE, 'utf8') !== text)
  problems.push(`${PAGE} is not what the source says: npm run values.`)
for (const problem of problems) console.error(problem)
if (problems.length > 0) process.exitCode = 1
else if (!process.argv.includes('--check')) writeFileSync(PAGE, text)
