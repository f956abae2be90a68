import { createBench } from '@/src/core/bench/bench'
import { computePosterior, type Evidence, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { engineOf } from '@/tests/setup/engines'

describe('what a suspect expected of a reading', () => {
  const engine = engineOf('furnace-ac')
  const read = 23.06
  const evidence: Evidence = {
    ...noEvidence,
    observations: [{ id: 'r1', bench: createBench(engine.system), probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: read }],
  }
  const suspects = listSuspects(engine, evidence, computePosterior(engine, evidence), 40)

  it.each(['fuse-clip-loose:fuse', 'transformer-weak:transformer'])(
    'is of as much damage as the readings say, and not of the usual amount: %s',
    (id) => {
      const [row] = suspects.find((suspect) => suspect.id === id)?.evidence ?? []
      expect(row.fits).toBe(true)
      expect(Math.abs(Number.parseFloat(row.expected) - read)).toBeLessThan(1)
    },
  )
})
