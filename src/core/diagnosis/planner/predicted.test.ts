import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { predictionIn, UNREAD } from '@/src/core/diagnosis/likelihood/chain'
import { listCandidates } from '@/src/core/diagnosis/planner/candidates'
import { probesAsked } from '@/src/core/diagnosis/planner/question'
import type { Probe } from '@/src/core/readings/check'
import { predictAll } from '@/src/core/readings/predict'
import { isAlike } from '@/src/core/readings/prediction'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change } from '@/tests/setup/furnace'

describe('the predictions of a bench', () => {
  const engine = createEngine(furnaceAc)
  const bench = createBench(furnaceAc)

  it('are not solved for again once they were asked for', () => {
    const [candidate] = listCandidates(furnaceAc, bench)
    const predictionsOf = engine.store.predictions(candidate.bench, probesAsked(candidate))
    for (const hypothesis of engine.hypotheses.keys()) predictionsOf(hypothesis, 0)
    const solve = jest.spyOn(engine.laboratory.kernel, 'set')
    for (const hypothesis of [0, 7, engine.hypotheses.length - 1])
      expect(predictionsOf(hypothesis, 0)).toHaveLength(probesAsked(candidate).length)
    expect(solve).not.toHaveBeenCalled()
    predictionsOf(7, 1)
    expect(solve).toHaveBeenCalled()
  })

  it('are what each hypothesis by itself would foretell, whatever is shared: also with a breaker in place of a fuse that was found blown', () => {
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

  it('are one for all hypotheses that leave a reading as a sound house shows it', () => {
    const live = listCandidates(furnaceAc, bench).find(({ bench: one }) => one.power && one.call === 'cool')
    if (!live) throw new Error('no live candidate that calls for cooling')
    const predictionsOf = engine.store.predictions(live.bench, probesAsked(live))
    const rows = engine.hypotheses.map((_, hypothesis) => predictionsOf(hypothesis, 0))
    const distinct = rows[0].reduce((sum, _, probe) => sum + new Set(rows.map((row) => row[probe])).size, 0)
    expect(distinct).toBeGreaterThan(rows[0].length)
    expect(distinct).toBeLessThan((2 * rows.length * rows[0].length) / 3)
  })
})
