import { type Entry, stampEntry } from '@/src/core/job/entry'
import { eitherOf } from '@/src/core/quick-line/either'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { drafts, standing } from '@/tests/setup/standing'

const inside = standing('furnace-ac', 'indoor', 'off')
const context = {
  system: furnaceAc,
  entries: [{ do: 'walk', place: 'indoor' } as const, { do: 'power', on: false } as const].map(
    (change, index): Entry => stampEntry({ kind: 'bench', change }, { newId: () => `b${index}`, now: () => '2026-05-04T09:10:00Z' }),
  ),
  suspects: [],
  proposed: null,
}

describe('a wire that is taken off and a reading of its letter, in one line', () => {
  it('is asked after: the wires and the screws say the opposite, and each is one key away', () => {
    const line = 'outdoor pair off, Y to C OL'
    const read = readQuickLine(line, context)
    expect(read.ok).toBe(false)
    const offered = eitherOf(line, read.ok ? '' : read.problem, context)
    expect(offered.map(({ drafts: made }) => made.at(-1))).toMatchObject([
      { probe: { a: 'outdoor-cable.Y@indoor', b: 'outdoor-cable.C@indoor' }, answer: 'OL' },
      { probe: { a: 'Y@indoor', b: 'C@indoor' }, answer: 'OL' },
    ])
  })

  it.each([
    ['what is left once it is off', 'Y to C OL with the outdoor wires off', 'lift outdoor Y; lift outdoor C; Y-C OL'],
    ['what was read before and is still there', 'stat Y off, still 1 ohm Y to C', 'lift stat Y; Y-C 1'],
    ['a wire that is named as one', 'pulled outdoor Y, to ground 0.3', 'lift outdoor Y; outdoor Y-gnd 0.3'],
    ['the words of the grammar', 'lift outdoor Y; Y-gnd OL', 'lift outdoor Y; ohms Y@indoor to chassis@indoor OL'],
  ])('is not where it is told: %s', (_, line, means) => {
    expect(drafts(inside, line)).toEqual(drafts(inside, means))
  })
})
