import { createBench } from '@/src/core/bench/bench'
import { listCandidates } from '@/src/core/diagnosis/candidates'
import { createEngine } from '@/src/core/diagnosis/engine'
import { probesAsked } from '@/src/core/diagnosis/next-check'
import { tableFrom } from '@/src/core/diagnosis/table'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

describe('the prediction table', () => {
  const engine = createEngine(furnaceAc)
  const bench = createBench(furnaceAc)
  const [asFound, ...rest] = tableFrom(engine, bench)

  it('has a piece for every bench worth reaching', () => {
    expect(rest).toHaveLength(listCandidates(furnaceAc, bench).length - 1)
  })

  it('solves nothing again for what a piece has worked out', () => {
    const [candidate] = listCandidates(furnaceAc, bench)
    asFound()
    const solve = jest.spyOn(engine.laboratory.kernel, 'set')
    const predictionsOf = engine.predictions(candidate.bench, probesAsked(candidate))
    for (const story of [0, 7, engine.hypotheses.length - 1]) expect(predictionsOf(story, 0)).toHaveLength(probesAsked(candidate).length)
    expect(solve).not.toHaveBeenCalled()
    predictionsOf(7, 1)
    expect(solve).toHaveBeenCalled()
  })

  it('keeps one prediction for all stories that leave a reading as a sound house shows it', () => {
    const live = listCandidates(furnaceAc, bench).find(({ bench: one }) => one.power && one.call === 'cool')
    if (!live) throw new Error('no live candidate that calls for cooling')
    const predictionsOf = engine.predictions(live.bench, probesAsked(live))
    const rows = engine.hypotheses.map((_, story) => predictionsOf(story, 0))
    const distinct = rows[0].reduce((sum, _, probe) => sum + new Set(rows.map((row) => row[probe])).size, 0)
    expect(distinct).toBeGreaterThan(rows[0].length)
    expect(distinct).toBeLessThan((2 * rows.length * rows[0].length) / 3)
  })
})
