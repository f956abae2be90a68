import { conductorOdds } from '@/src/core/advice/conductor-odds'
import { usualOdds } from '@/src/core/cable/conductor-faults'
import { createEngine } from '@/src/core/diagnosis/engine'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const engine = createEngine(furnaceAc)
let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
function oddsAfter(...lines: string[]) {
  const entries: Entry[] = []
  for (const line of lines) {
    const read = readQuickLine(line, { system: furnaceAc, entries, suspects: [], proposed: null })
    if (!read.ok) throw new Error(`${line}: ${read.problem}`)
    entries.push(...read.drafts.map((draft) => stampEntry(draft, stamp)))
  }
  return conductorOdds(engine, foldJob(furnaceAc, entries), 'outdoor-cable')
}
const found = ['call cool', 'Y-C 26 V at indoor', 'walk outdoor', 'Y-C 0 V']

describe('what the search suspects of a cable', () => {
  it('goes before what its plan reads: Y has its volts at one end alone', () => {
    const odds = oddsAfter(...found)
    const [y, c] = ['Y', 'C'].map((id) => furnaceAc.cables[1].conductors.findIndex((one) => one.id === id))
    expect(odds?.open[y]).toBeGreaterThan(5 * usualOdds(2).open[0])
    expect(odds?.metal[y]).toBeLessThan(odds?.open[y] ?? 0)
    expect(odds?.open[c]).toBeGreaterThan(0)
  })

  it('does not count what is read of the cable by itself: that is for the plan', () => {
    const free = [...found, 'power off', 'lift Y', 'lift C', 'walk indoor', 'lift outdoor Y', 'lift outdoor C']
    expect(oddsAfter(...free, 'ohms lifted outdoor Y-lifted outdoor C OL')).toEqual(oddsAfter(...free))
  })

  it('is nothing for a cable that is not there', () => {
    expect(conductorOdds(engine, foldJob(furnaceAc, []), 'no-cable')).toBeUndefined()
  })
})
