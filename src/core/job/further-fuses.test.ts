import { formOpinion, proposeCheck } from '@/src/core/advice/advise'
import { owedBy } from '@/src/core/bench/owed'
import { sayBench } from '@/src/core/bench/say'
import { createEngine } from '@/src/core/diagnosis/engine'
import { namesRepair } from '@/src/core/diagnosis/inference/verdict'
import { emptyComplaint } from '@/src/core/job/complaint'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { createRandom } from '@/src/core/units/random'
import { templateValues } from '@/src/core/wiring/values'
import { furnaceWithInlineFuse } from '@/tests/setup/inline-fuse'

const system = furnaceWithInlineFuse()
const engine = createEngine(system)

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-03-02T09:00:00Z' }
const read = (line: string, entries: readonly Entry[]) => readQuickLine(line, { system, entries, suspects: [], proposed: null })

/** The job after these lines, each typed on the job as it then stands. */
function typed(...lines: string[]) {
  let entries: Entry[] = []
  for (const line of lines) {
    const understood = read(line, entries)
    if (!understood.ok) throw new Error(`${line}: ${understood.problem}`)
    entries = [...entries, ...understood.drafts.map((draft) => stampEntry(draft, stamp))]
  }
  return foldJob(system, entries)
}

describe('a second fuse in a job', () => {
  it('is looked at, replaced, reset and owed by its name', () => {
    const blown = typed('inline fuse blown')
    expect(sayBench(system, blown.bench)).toContain('inline fuse blown')
    expect(owedBy(system, blown.bench).map(({ say }) => say)).toContain('inline fuse blown: a 2 A fuse belongs there')
    const onBreaker = typed('inline fuse blown', 'inline fuse breaker in')
    expect(onBreaker.bench.further).toEqual([{ part: 'inline-fuse', holds: 'breaker', ratingA: 2, open: false }])
    expect(onBreaker.bench.slot.holds).toBe('as-found')
    expect(owedBy(system, onBreaker.bench)).toHaveLength(1)
    expect(owedBy(system, typed('inline fuse breaker in', 'inline fuse 2 in').bench)).toEqual([])
  })

  it('that trips is counted, costs a fuse, and is reset by itself', () => {
    const tripped = typed('inline fuse trips')
    expect([tripped.trips, tripped.fusesSpent, tripped.bench.slot.open]).toEqual([1, 1, false])
    const reset = typed('inline fuse breaker in', 'inline fuse trips', 'reset inline fuse')
    expect(reset.bench.further?.[0].open).toBe(false)
    expect(reset.fusesSpent).toBe(0)
  })

  it('of a size that is not on its label is owed; one that is not there is refused', () => {
    expect(owedBy(system, typed('inline fuse 5 in').bench).map(({ say }) => say)).toEqual(['new 5 A inline fuse: a 2 A fuse belongs there'])
    expect(read('cellar fuse blown', []).ok).toBe(false)
  })

  it('blown, with the first good, points past the first: what it fed is suspected, and it alone is named when nothing is left', () => {
    const { suspects } = formOpinion(engine, typed('fuse good', 'R-C 0 V', 'inline fuse blown'))
    expect(suspects[0].id).not.toMatch(/^transformer-dead|^supply-off/)
    expect(suspects.some(({ id }) => id === 'fuse-only:inline-fuse')).toBe(true)
  })

  it('seen blown and replaced is not looked at once more', () => {
    const { next } = proposeCheck(engine, typed('inline fuse blown', 'inline fuse breaker in'))
    expect(next).not.toBeNull()
    expect(next?.probe).not.toEqual({ meter: 'look', at: 'inline-fuse' })
  })

  it.each([
    ['conductor-to-chassis:outdoor-cable.Y', 'cable-short:outdoor-cable.Y'],
    ['coil-shorted:contactor', 'replace:contactor'],
  ])('a short that opens it is found behind it: %s', (id, repair) => {
    const hypothesis = engine.hypotheses.find((one) => one.fault?.id === id && one.foundOpen === 'inline-fuse')
    if (!hypothesis) throw new Error(`no hypothesis in which ${id} opened the inline fuse`)
    const house = createHouse(system, hypothesis, templateValues, createRandom(4))
    const { verdict } = runTrial(engine, house, { complaint: { ...emptyComplaint, symptoms: ['blank-thermostat'] } })
    expect(namesRepair(verdict) && verdict.repair.id).toBe(repair)
  })
})
