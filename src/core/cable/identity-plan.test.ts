import fc from 'fast-check'
import { type ConductorFaults, hangTogether, metalEnd, secondEnd } from '@/src/core/cable/conductor-faults'
import type { ConductorReading } from '@/src/core/cable/conductor-plan'
import { planIdentity } from '@/src/core/cable/identity-plan'
import { MARK_OHMS, ohmsBetween } from '@/src/core/cable/marks'
import { followPlan } from '@/tests/cable/follow-plan'

const sound: ConductorFaults = { opens: [], touches: [], weight: 1 }

/** Follows the plan on a cable whose conductor `i` at the first end is `order[i]` at the second. */
function follow(
  order: readonly number[],
  reach: 'walk' | 'helper' = 'walk',
  hasMetal: readonly [boolean, boolean] = [true, true],
  resistors: readonly number[] = [],
) {
  const conductors = order.length
  // A second end by the color it has there is that of the conductor that it is.
  const real = (end: number) => (end <= metalEnd(conductors) ? end : secondEnd(conductors, order.indexOf(end - conductors - 1)))
  return followPlan(
    (stand) => planIdentity({ conductors, hasMetal, reach, resistors, ...stand }),
    (joins, marks, a, b) =>
      ohmsBetween(
        hangTogether(
          conductors,
          sound,
          joins.map((group) => group.map(real)),
        ),
        [],
        marks && { hub: real(marks.hub), of: marks.of.map(({ end, ohm }) => ({ end: real(end), ohm })) },
        real(a),
        real(b),
      ),
  )
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

  it('is told of eight in one walk, where each has a resistor of its own @long', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([0, 1, 2, 3, 4, 5, 6, 7], { minLength: 8, maxLength: 8 }), (order) => {
        const { plan, walks, readings } = follow(order, 'walk', [true, true], MARK_OHMS)
        expect(plan.same).toEqual(order)
        expect(walks).toBe(1)
        expect(readings).toBeLessThanOrEqual(8)
      }),
      { numRuns: 6, seed: 4 },
    )
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
