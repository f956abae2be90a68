import fc from 'fast-check'
import type { Scored } from '@/src/core/diagnosis/planner/scored'
import { Shortlist } from '@/src/core/diagnosis/planner/shortlist'

/** All that a shortlist looks at. */
const offered = (score: number, meter: string, wanted: number) => ({ score, meter, wanted }) as Scored

describe('Shortlist', () => {
  it('is what sorting all of them would give: the best first, equals in the order offered, without those that say again', () => {
    const offersArb = fc.array(fc.record({ score: fc.integer({ min: 0, max: 9 }), meter: fc.constantFrom('volts', 'again') }), {
      maxLength: 40,
    })
    fc.assert(
      fc.property(offersArb, fc.integer({ min: 1, max: 6 }), (offers, most) => {
        const all = offers.map(({ score, meter }, place) => offered(score, meter, place))
        const best = new Shortlist(most, (meter) => meter === 'again')
        for (const one of all) best.offer(one)
        const sorted = all.filter(({ meter }) => meter !== 'again').sort((a, b) => b.score - a.score)
        expect(best.list).toEqual(sorted.slice(0, most))
        // Nothing that was left off could have had a place.
        for (const one of sorted.slice(most)) expect(one.score).toBeLessThanOrEqual(best.least)
      }),
      { seed: 4, numRuns: 200 },
    )
  })
})
