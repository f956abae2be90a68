import { asideCsv, type CsvTable, guessColumns, problemWithColumns, readCsvTable, readRows } from '@/src/core/formats/readings-csv'
import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { furnaceAc as system } from '@/src/core/wiring/systems/catalogue'

let count = 0
const entered = (draft: EntryDraft) => stampEntry(draft, { newId: () => `c${++count}`, now: () => '2026-05-04T09:10:00Z' })

function tableOf(text: string): CsvTable {
  const read = readCsvTable(text)
  if (!read.ok) throw new Error(read.problem)
  return read.table
}
const rowsOf = (text: string) => {
  const table = tableOf(text)
  return readRows(table, guessColumns(table.header), { system, entries: [] }, entered)
}

describe('a table of readings of another kind', () => {
  it('is read by its headings, whatever parts its columns', () => {
    for (const text of [
      'Points,Value,Unit,Where\nR-C,26.4,V,furnace\n',
      '\uFEFFpoints;value;unit;where\r\nR-C;26.4;V;furnace\r\n',
      'points\tvalue\tunit\twhere\nR-C\t26.4\tV\tfurnace',
    ])
      expect(rowsOf(text)).toMatchObject({
        taken: [{ line: 2, say: 'R to C at the indoor unit: 26.4 V', drafts: [{ kind: 'reading', answer: 26.4 }] }],
        aside: [],
      })
  })

  it('takes whole lines, each where those before it have led', () => {
    const { taken, aside } = rowsOf('entry\npower off\nlift outdoor Y at indoor\nlifted outdoor Y to ground 0.4\n')
    expect(aside).toEqual([])
    expect(taken.map(({ say }) => say)).toEqual([
      'power off',
      'lift Y (red) of the outdoor cable at the indoor unit',
      'Y (red) of the outdoor cable to chassis at the indoor unit: 0.4 ohm',
    ])
  })

  it('keeps bad rows aside with their line and why, and takes the others', () => {
    const text = 'points,value,unit\nR-C,26.4,V\nR-Q,3,V\n,12,V\nY-C,14,ohm\nY-C,24.1,V\n'
    const { taken, aside } = rowsOf(text)
    expect(taken.map(({ line }) => line)).toEqual([2, 6])
    expect(aside.map(({ line }) => line)).toEqual([3, 4, 5])
    expect(aside[0].problem).toMatch(/no "Q"/)
    expect(aside[2].problem).toMatch(/power off/)
    expect(asideCsv(tableOf(text), aside).split('\r\n')[1]).toMatch(/^3,.*R-Q,3,V$/)
  })

  it('asks which column is which where the headings do not say', () => {
    expect(guessColumns(['time', 'A', 'B'])).toEqual(['ignored', 'ignored', 'ignored'])
    expect(problemWithColumns(['ignored', 'points', 'ignored'])).toMatch(/which its value/)
    expect(problemWithColumns(['value', 'points', 'value'])).toMatch(/keep one/)
    expect(problemWithColumns(['ignored', 'points', 'value'])).toBeNull()
  })

  it.each([
    ['is empty', ''],
    ['has a heading alone', 'points,value\n'],
    ['is no text', 'PK\u0000\u0001,\u0000\nx,y\n'],
    ['goes on for ever', `points,value\n${'R-C,24\n'.repeat(3000)}`],
  ])('one that %s is refused in a sentence, and nothing is taken', (_, text) => {
    expect(readCsvTable(text)).toMatchObject({ ok: false, problem: expect.stringMatching(/Nothing was taken/) })
  })
})
