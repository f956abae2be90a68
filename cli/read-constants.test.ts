import { readConstants } from '@/cli/read-constants'

const source = `
/** A clip lead,
 *  as it is sold. */
export const JUMPER_OHM = modelValue({ value: 0.05, unit: 'ohm', source: 'assumption' })
/** By how long. */
const SHOWS = modelValue({ value: { moment: 0.06, minutes: 0.9 } as const, unit: 'chance', source: 'assumption' })
const KEPT = workLimit(40)
const SECRET = 42
`

it('reads what a number stands for, its value as it is written, its unit and its source', () => {
  expect(readConstants('bench/changes.ts', source).lines).toEqual([
    { name: 'JUMPER_OHM', what: 'A clip lead, as it is sold.', value: '0.05', unit: 'ohm', source: 'assumption', file: 'bench/changes.ts' },
    {
      name: 'SHOWS',
      what: 'By how long.',
      value: 'moment 0.06, minutes 0.9',
      unit: 'chance',
      source: 'assumption',
      file: 'bench/changes.ts',
    },
  ])
})

it('names the numbers that say nothing of where they come from', () => {
  expect(readConstants('bench/changes.ts', source).bare).toEqual(['bench/changes.ts: SECRET'])
})

it('reads a field whose name is quoted, or a number: a gauge, a way of two words', () => {
  const table = `const OHM = modelValue({ value: { 18: 20.95, 'new cable': 60 }, unit: 'ohm', source: 'a table' })`
  expect(readConstants('wiring/copper.ts', table).lines[0].value).toBe('18 20.95, new cable 60')
})
