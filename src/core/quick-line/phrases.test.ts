import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const read = (line: string) => {
  const understood = readQuickLine(line, { system: furnaceAc, entries: [], suspects: [], proposed: null })
  if (!understood.ok) throw new Error(`${line}: ${understood.problem}`)
  return understood.drafts
}
const look = (at: string, word: string) => ({ kind: 'reading', probe: { meter: 'look', at }, answer: { word } })

describe('what is said in whole sentences', () => {
  it.each(['empty holder', 'the fuse holder is empty', 'no fuse in it', 'fuse is missing'])('%s: the slot is empty', (line) => {
    expect(read(line)).toEqual([{ kind: 'bench', change: { do: 'slot', holds: 'nothing' } }])
  })

  it.each(['fuse popped', 'the fuse blew', 'fuse is blown'])('%s: it was found blown', (line) => {
    expect(read(line)).toEqual([look('fuse', 'blown')])
  })

  it('a thermostat that reboots chatters; one that goes blank on a call is blank on that call', () => {
    expect(read('thermostat reboots')).toEqual([look('stat', 'chatters')])
    expect(read('stat goes blank on cool')).toEqual([{ kind: 'bench', change: { do: 'call', call: 'cool' } }, look('stat', 'blank')])
  })

  it('what the display says is kept in its own words beside what it means', () => {
    expect(read('thermostat is on and calls for nothing')).toEqual([
      look('stat', 'alive'),
      { kind: 'note', text: 'thermostat is on and calls for nothing' },
    ])
    expect(read('call cool; stat shows a call')[1]).toEqual(look('stat', 'shows a call'))
    expect(read('call cool; stat is not calling')[1]).toEqual(look('stat', 'shows no call'))
    expect(read('stat shows the wrong temperature')[1]).toMatchObject({ kind: 'note' })
  })

  it('a needle that jumps is the stretch it runs through', () => {
    expect(read('Y-C jumps between 3 and 20')).toMatchObject([{ kind: 'reading', probe: { meter: 'volts' }, answer: { low: 3, high: 20 } }])
    expect(read('R-C wanders from 18 to 12 V')).toMatchObject([{ answer: { low: 12, high: 18 } }])
  })
})
