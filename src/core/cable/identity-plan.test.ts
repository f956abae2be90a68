import fc from 'fast-check'
import { type ConductorFaults, hangTogether, metalEnd, readsClosed, secondEnd } from '@/src/core/cable/conductor-faults'
import type { ConductorReading } from '@/src/core/cable/conductor-plan'
import { planIdentity } from '@/src/core/cable/identity-plan'

const sound: ConductorFaults = { opens: [], touches: [], weight: 1 }

/** Follows the plan on a cable whose conductor `i` at the first end is `order[i]` at the second. */
function follow(order: readonly number[], reach: 'walk' | 'helper' = 'walk', hasMetal: readonly [boolean, boolean] = [true, true]) {
  const conductors = order.length
  // A second end by the color it has there is that of the conductor that it is.
  const real = (end: number) => (end <= metalEnd(conductors) ? end : secondEnd(conductors, order.indexOf(end - conductors - 1)))
  const readings: ConductorReading[] = []
  let here: 0 | 1 = 0
  let ties: readonly (readonly number[])[] = []
  let walks = 0
  let isOff = false
  for (let step = 0; step < 80; step++) {
    const plan = planIdentity({ conductors, hasMetal, here, ties, readings, mustCross: !isOff, reach })
    const { next } = plan
    if (next.do === 'done' || next.do === 'stuck') return { plan, readings: readings.length, walks }
    if (next.do === 'read') {
      const joins = [...ties, ...next.test.joins]
      const masks = hangTogether(
        conductors,
        sound,
        joins.map((group) => group.map(real)),
      )
      readings.push({ ...next.test, joins, isClosed: readsClosed(masks, [], real(next.test.a), real(next.test.b)) })
      continue
    }
    isOff = true
    ties = next.ties
    if (next.do === 'tie there') continue
    here = here === 0 ? 1 : 0
    walks++
  }
  throw new Error('The plan has no end.')
}

const shuffled = (most: number) =>
  fc.integer({ min: 3, max: most }).chain((count) =>
    fc.shuffledSubarray(
      Array.from({ length: count }, (_, one) => one),
      { minLength: count, maxLength: count },
    ),
  )

describe('which color is which, behind a splice', () => {
  it('is told for any order of up to six conductors, in two walks, with joins alone', () => {
    fc.assert(
      fc.property(shuffled(6), (order) => {
        const { plan, walks } = follow(order)
        expect(plan.same).toEqual(order)
        expect(walks).toBeLessThanOrEqual(2)
      }),
      { numRuns: 40, seed: 3 },
    )
  })

  it('is told of eight in two walks', () => {
    const { plan, walks, readings } = follow([3, 0, 7, 5, 1, 6, 2, 4])
    expect(plan.same).toEqual([3, 0, 7, 5, 1, 6, 2, 4])
    expect(walks).toBeLessThanOrEqual(2)
    expect(readings).toBeLessThan(28)
  })

  it('needs no walk while somebody stands at the other end', () => {
    const { plan, walks } = follow([2, 0, 1, 3, 4], 'helper')
    expect(plan.same).toEqual([2, 0, 1, 3, 4])
    expect(walks).toBe(0)
  })

  it('takes the metal as a third where there are only two, and says so where there is none', () => {
    expect(follow([1, 0]).plan.same).toEqual([1, 0])
    expect(follow([1, 0], 'walk', [true, false]).plan.next.do).toBe('stuck')
  })

  it('says that something is not sound where no order fits', () => {
    const read = (a: number, b: number): ConductorReading => ({ joins: [], a, b, isClosed: true })
    const plan = planIdentity({
      conductors: 3,
      hasMetal: [true, true],
      here: 0,
      ties: [],
      readings: [read(0, 1)],
      mustCross: false,
      reach: 'walk',
    })
    expect(plan.isMisfit).toBe(true)
  })
})
