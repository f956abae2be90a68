import type { BenchChange } from '@/src/core/bench/bench'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { completeLine } from '@/src/core/quick-line/complete'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const done = (...changes: BenchChange[]): Entry[] =>
  changes.map((change) => stampEntry({ kind: 'bench', change }, { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }))
const context = (entries: Entry[] = []) => ({ system: furnaceAc, entries, suspects: [], proposed: null })
const complete = (line: string, entries: Entry[] = []) => completeLine(line, context(entries))

describe('completion of a quick line', () => {
  it.each([
    ['wal', 'walk'],
    ['walk out', 'walk outdoor'],
    ['unplug con', 'unplug contactor'],
    ['call coo', 'call cool'],
    ['power of', 'power off'],
    ['lift outdoor-cable.Y at ind', 'lift outdoor-cable.Y at indoor'],
    ['power off; unplug gas', 'power off; unplug gas-valve'],
  ])('%s becomes %s', (typed, made) => {
    expect(complete(typed)).toContain(made)
  })

  it('offers nothing that would be refused at that word', () => {
    for (const typed of ['walk c', 'unplug l', 'call h', 'power o', 'lift o'])
      for (const made of complete(typed)) {
        const read = readQuickLine(made, context())
        if (!read.ok) expect([made, read.start]).toEqual([made, made.length])
      }
    expect(complete('walk contac')).toEqual([])
    expect(complete('xyzzy')).toEqual([])
  })

  it('knows what stands on the bench: only what is unplugged can be plugged in', () => {
    expect(complete('plug con')).toEqual([])
    expect(complete('plug con', done({ do: 'unplug', part: 'contactor' }))).toEqual(['plug contactor'])
  })

  it('leaves a word alone that is whole, and an empty line', () => {
    expect(complete('walk outdoor')).toEqual([])
    expect(complete('')).toEqual([])
    expect(complete('walk ')).toEqual([])
  })
})
