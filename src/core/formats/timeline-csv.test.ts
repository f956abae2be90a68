import Papa from 'papaparse'
import { timelineCsv } from '@/src/core/formats/timeline-csv'
import type { Entry } from '@/src/core/job/entry'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const at = '2026-05-04T09:10:00Z'
const entries: Entry[] = [
  { id: 'a', at, by: 'Wren', kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 26.4 },
  { id: 'b', at, kind: 'note', text: '=SUM(A1), "wasps" in the\ncabinet' },
  { id: 'c', at, kind: 'note', text: 'wrong house' },
  { id: 'd', at, kind: 'undo', target: 'c' },
]
const rows = () =>
  Papa.parse<Record<string, string>>(timelineCsv({ system: furnaceAc, entries }), { header: true, skipEmptyLines: true }).data

describe('the timeline for a spreadsheet', () => {
  it('has a row for each entry: when, by whom, where, what was found, and on which bench', () => {
    expect(rows()).toHaveLength(4)
    expect(rows()[0]).toMatchObject({ time: at, 'entered by': 'Wren', counts: 'yes' })
    expect(rows()[0].entry).toContain('26.4 V')
    expect(rows()[0].at).not.toBe('')
    expect(rows()[0]['bench then']).not.toBe('')
  })

  it('says of an entry that was undone that it does not count', () => {
    expect(rows()[2]).toMatchObject({ counts: 'no: undone' })
    expect(rows()[2].entry).toContain('wrong house')
  })

  it('keeps commas, quotes and lines, and lets no note become a formula', () => {
    const { entry } = rows()[1]
    expect(entry).toContain(', "wasps" in the\ncabinet')
    expect(timelineCsv({ system: furnaceAc, entries: [{ id: 'b', at: '=1+1', kind: 'note', text: 'x' }] })).toContain("'=1+1")
  })
})
