import { stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobState } from '@/src/core/job/job-state'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'

const system = systemOf('heat-pump-o')
let count = 0
const stamp = { newId: () => `c${++count}`, now: () => '2026-05-04T09:10:00Z' }

/** Each thing said under each condition, before it and behind it: the lines that are entered, and where the job stands after them. */
function underConditions(said: readonly string[], conditions: readonly string[]) {
  const lines = said.flatMap((one) => conditions.flatMap((when) => [`${one} ${when}`, `${when}, ${one}`]))
  const entered = lines.flatMap((line) => {
    const read = readQuickLine(line, { system, entries: [], suspects: [], proposed: null })
    if (!read.ok) return []
    const state = foldJob(
      system,
      read.drafts.map((draft) => stampEntry(draft, stamp)),
    )
    // What is kept in words is not weighed.
    const isKept = read.drafts.some(({ kind }) => kind === 'note' || kind === 'complaint')
    return [{ line: `${line} => ${read.say}`, state, isKept }]
  })
  return { share: entered.length / lines.length, entered }
}

const without = (of: ReturnType<typeof underConditions>, holds: (state: JobState) => boolean) =>
  of.entered.flatMap(({ line, state, isKept }) => (isKept || holds(state) ? [] : [line]))

describe('a condition that is said with a reading is entered with it, or the line is asked after', () => {
  it('a call', () => {
    const of = underConditions(
      [
        'Y to C 24.6',
        '24.6 between Y and C',
        'contactor in',
        'compressor off',
        'it trips',
        'it holds',
        'valve chatters',
        '0.8 amps on R',
        'Y hot',
      ],
      [
        'on cool',
        'with cool called',
        'in cooling',
        'on a cool call',
        'while calling for cool',
        'when it calls for cool',
        'with cooling on',
      ],
    )
    expect(without(of, ({ bench }) => bench.call === 'cool')).toEqual([])
    expect(of.share).toBeGreaterThan(0.8)
  })

  it('the power off: what is read then is ohms', () => {
    const of = underConditions(
      [
        'Y to C 14.6',
        '14.6 between Y and C',
        'contactor 14.6',
        'Y to ground OL',
        'OL from Y to ground',
        'valve coil 38',
        'R to ground 0.4',
      ],
      ['with the power off', 'with power off', 'power off', 'with the power killed', 'with everything off', 'ohms with the power off'],
    )
    const isOhms = ({ bench, observations }: JobState) => !bench.power && observations.every(({ probe }) => probe.meter === 'ohms')
    expect(without(of, isOhms)).toEqual([])
    expect(of.share).toBeGreaterThan(0.5)
    const killed = readQuickLine('killed the power Y to C 14.6', { system, entries: [], suspects: [], proposed: null })
    expect(killed.ok && killed.drafts).toMatchObject([{ change: { do: 'power', on: false } }, { probe: { meter: 'ohms' } }])
  })

  it('something off its screw, off its plug, or joined', () => {
    const of = underConditions(
      ['trips', 'holds', 'Y to C 24.6', 'contactor out', 'compressor runs'],
      ['with outdoor Y off', 'with the outdoor cable off', 'with the valve unplugged', 'with the stat off the wall', 'with R and Y jumped'],
    )
    const isMoved = ({ bench }: JobState) => bench.lifted.length + bench.unplugged.length + bench.jumpers.length > 0
    expect(without(of, isMoved)).toEqual([])
    expect(of.share).toBeGreaterThan(0.6)
  })
})
