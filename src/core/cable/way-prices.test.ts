import { hangTogether, statesOf } from '@/src/core/cable/conductor-faults'
import { planConductors } from '@/src/core/cable/conductor-plan'
import { ohmsBetween } from '@/src/core/cable/marks'
import { priceOfWay } from '@/src/core/cable/way-prices'
import { type CableWay, cableWays } from '@/src/core/job/run-schema'
import { followPlan } from '@/tests/cable/follow-plan'

const follow = (way: CableWay, conductors: number, opens: readonly number[] = []) =>
  followPlan(
    (stand) => planConductors({ conductors, hasMetal: [true, true], way, ...stand }),
    (joins, marks, a, b) => ohmsBetween(hangTogether(conductors, { opens, touches: [], weight: 1 }, joins), [], marks, a, b),
  )

describe('habits of telling the conductors of a cable apart', () => {
  it.each(cableWays.flatMap((way) => [3, 4, 5].map((conductors) => [way, conductors] as const)))(
    '%s costs what is said, of %d',
    (way, conductors) => {
      const { walks, readings, plan } = follow(way, conductors)
      expect({ walks, readings }).toEqual(priceOfWay(way, conductors))
      expect(plan.next.do).toBe('done')
    },
  )

  it('each finds the open one, and joins as it is named', () => {
    for (const way of cableWays) {
      const { plan } = follow(way, 4, [2])
      expect(plan.states).toEqual(statesOf(4, { opens: [2], touches: [], weight: 1 }))
    }
    const first = planConductors({
      conductors: 5,
      hasMetal: [true, true],
      way: 'all-to-one',
      here: 0,
      ties: [],
      readings: [],
      mustCross: true,
    })
    expect(first.next).toMatchObject({ do: 'cross', ties: [expect.arrayContaining([0, 1, 2, 3, 4])] })
    const pair = planConductors({ conductors: 5, hasMetal: [true, true], way: 'pairs', here: 0, ties: [], readings: [], mustCross: true })
    expect(pair.next).toMatchObject({ do: 'cross', ties: [expect.any(Array)] })
    expect('ties' in pair.next && pair.next.ties[0]).toHaveLength(2)
  })

  it('is not said of more conductors than were worked out', () => {
    expect(priceOfWay('pairs', 20)).toBeNull()
  })
})
