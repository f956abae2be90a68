import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { predictionIn, UNREAD } from '@/src/core/diagnosis/likelihood/chain'
import { listCandidates } from '@/src/core/diagnosis/planner/candidates'
import { probesAsked } from '@/src/core/diagnosis/planner/question'
import { STORIES_TO_A_PIECE, tableFrom } from '@/src/core/diagnosis/planner/table'
import type { Probe } from '@/src/core/readings/check'
import { predictAll } from '@/src/core/readings/predict'
import { isAlike } from '@/src/core/readings/prediction'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change } from '@/tests/setup/furnace'

describe('the prediction table', () => {
  const engine = createEngine(furnaceAc)
  const bench = createBench(furnaceAc)
  const pieces = tableFrom(engine, bench)
  const toABench = Math.ceil(engine.hypotheses.length / STORIES_TO_A_PIECE)

  it('has its pieces, none of more than a few hypotheses, for every bench worth reaching', () => {
    expect(toABench).toBeGreaterThan(1)
    expect(pieces).toHaveLength(toABench * listCandidates(furnaceAc, bench).length)
  })

  it('solves nothing again for what the pieces of a bench have worked out', () => {
    const [candidate] = listCandidates(furnaceAc, bench)
    for (const piece of pieces.slice(0, toABench)) piece()
    const solve = jest.spyOn(engine.laboratory.kernel, 'set')
    const predictionsOf = engine.store.predictions(candidate.bench, probesAsked(candidate))
    for (const hypothesis of [0, 7, engine.hypotheses.length - 1])
      expect(predictionsOf(hypothesis, 0)).toHaveLength(probesAsked(candidate).length)
    expect(solve).not.toHaveBeenCalled()
    predictionsOf(7, 1)
    expect(solve).toHaveBeenCalled()
  })

  it('foretells what each hypothesis by itself would, whatever is shared: also with a breaker in place of a fuse that was found blown', () => {
    const blown = engine.hypotheses.flatMap(({ foundFuse }, hypothesis) => (foundFuse === 'blown' ? [hypothesis] : []))
    expect(blown.length).toBeGreaterThan(20)
    const fuse: Probe = { meter: 'look', at: 'fuse' }
    const asked: readonly Probe[] = [{ meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, { meter: 'trip' }]
    for (const [on, probes] of [
      [bench, [...asked, fuse]],
      [benchWith(change.breaker, change.cool), asked],
      [benchWith(change.breaker), [...asked, fuse]],
    ] as const) {
      const predictionsOf = engine.store.predictions(on, probes)
      for (const hypothesis of [0, ...blown]) {
        const alone = predictAll(engine.laboratory, on, engine.hypotheses[hypothesis], probes, true)
        predictionsOf(hypothesis, 0).forEach((prediction, index) => {
          expect(isAlike(predictionIn(UNREAD, prediction), predictionIn(UNREAD, alone[index]))).toBe(true)
        })
      }
    }
  })

  it('keeps one prediction for all hypotheses that leave a reading as a sound house shows it', () => {
    const live = listCandidates(furnaceAc, bench).find(({ bench: one }) => one.power && one.call === 'cool')
    if (!live) throw new Error('no live candidate that calls for cooling')
    const predictionsOf = engine.store.predictions(live.bench, probesAsked(live))
    const rows = engine.hypotheses.map((_, hypothesis) => predictionsOf(hypothesis, 0))
    const distinct = rows[0].reduce((sum, _, probe) => sum + new Set(rows.map((row) => row[probe])).size, 0)
    expect(distinct).toBeGreaterThan(rows[0].length)
    expect(distinct).toBeLessThan((2 * rows.length * rows[0].length) / 3)
  })
})
