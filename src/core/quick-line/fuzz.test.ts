import fc from 'fast-check'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readEntry } from '@/src/core/job/entry-schema'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { completeLine } from '@/src/core/quick-line/complete'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

/** Lines as hands in gloves type them: the grammar's own words in any order, numbers of every kind, and what a thumb hits beside them. */
const word = fc.constantFrom(
  ...'R C Y Y1 G W O gnd indoor outdoor thermostat stat cable lift land jumper unjumper power on off call cool heat fan walk breaker fuse in out blown 3 26.4 12,000 0,27 1e9 -5 OL ohm kohm V mV A max at to then ; undo close skip way halve note repaired 1 proved trips holds reset swap back panel unplug plug contactor landings ok wrong rubbed blank look reads is constructor __proto__ toString prototype R-C Y-C R@indoor outdoor-cable.Y@indoor .'.split(
    ' ',
  ),
)
const known = [
  'R-C 26.4',
  'power off',
  'power on',
  'breaker in',
  'walk thermostat',
  'note wasps',
  'call cool',
  'holds on fan',
  'trips',
  'R-C OL',
  'thermostat blank',
  'undo',
  'reset',
  'landings ok',
  '0.27 A on R',
  'rubbed at thermostat',
]
const line = fc.oneof(
  { weight: 2, arbitrary: fc.array(fc.constantFrom(...known), { minLength: 1, maxLength: 4 }).map((lines) => lines.join('; ')) },
  { weight: 6, arbitrary: fc.array(word, { maxLength: 9 }).map((words) => words.join(' ')) },
  { weight: 2, arbitrary: fc.string({ unit: 'binary', maxLength: 40 }) },
  { weight: 1, arbitrary: fc.tuple(word, fc.string({ unit: 'grapheme' }), word).map((parts) => parts.join('')) },
)

/** Twenty thousand for the figure: NEST_TRACE_LINES=20000. */
const numRuns = Number(process.env.NEST_TRACE_LINES ?? 1500)

describe('any line at all', () => {
  it('is understood as something that can be entered, or answered with a sentence and a place in the line', () => {
    let understood = 0
    fc.assert(
      fc.property(line, fc.constantFrom(...catalogue), fc.boolean(), (typed, system, isOff) => {
        const stamp = { newId: () => `e${Math.random()}`, now: () => '2026-05-04T09:10:00Z' }
        const entries: Entry[] = isOff ? [stampEntry({ kind: 'bench', change: { do: 'power', on: false } }, stamp)] : []
        const context = { system, entries, suspects: [], proposed: null }
        const read = readQuickLine(typed, context)
        completeLine(typed, context)
        if (!read.ok) {
          expect(read.problem.length).toBeGreaterThan(5)
          expect(read.start).toBeGreaterThanOrEqual(0)
          expect(read.end).toBeLessThanOrEqual(Math.max(typed.length, read.start))
          return
        }
        understood++
        for (const draft of read.drafts) {
          const entry = stampEntry(draft, stamp, entries)
          expect(problemWithEntry(system, entries, entry)).toBeNull()
          // What the server would refuse is told by the desk: the line itself may be too long, no more.
          const kept = readEntry(JSON.parse(JSON.stringify(entry)))
          if (!kept.ok) expect(kept.problem).toMatch(/Keep this under|cannot be kept|expected|too (big|small)/i)
          entries.push(entry)
        }
        expect(() => foldJob(system, entries)).not.toThrow()
      }),
      { seed: 14, numRuns },
    )
    expect(understood).toBeGreaterThan(numRuns / 50)
  }, 600_000)
})
