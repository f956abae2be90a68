import fc from 'fast-check'
import {
  type ConductorFaults,
  type ConductorOdds,
  firstEnd,
  hangTogether,
  metalEnd,
  secondEnd,
  statesOf,
  usualOdds,
} from '@/src/core/cable/conductor-faults'
import { type ConductorReading, planConductors } from '@/src/core/cable/conductor-plan'
import { MARK_OHMS, ohmsBetween } from '@/src/core/cable/marks'
import { followPlan } from '@/tests/cable/follow-plan'

/** Follows the plan on a cable with those troubles, until it has no further step. */
const follow = (conductors: number, faults: ConductorFaults, reach: 'walk' | 'helper' = 'walk', resistors: readonly number[] = []) =>
  followPlan(
    (stand) => planConductors({ conductors, hasMetal: [true, true], reach, resistors, ...stand }),
    (joins, marks, a, b) => ohmsBetween(hangTogether(conductors, faults, joins), [], marks, a, b),
  )

const sound: ConductorFaults = { opens: [], touches: [], weight: 1 }

/** Up to three troubles of a cable, a touch of a parted conductor on either side of its break. */
const anyFaults = (conductors: number): fc.Arbitrary<ConductorFaults> => {
  const conductor = fc.nat({ max: conductors - 1 })
  const trouble = fc.oneof(
    conductor.map((open) => ({ open })),
    fc.tuple(conductor, fc.nat({ max: conductors }), fc.boolean(), fc.boolean()).map(([a, b, farA, farB]) => ({ a, b, farA, farB })),
  )
  return fc.uniqueArray(trouble, { maxLength: 3, selector: (one) => JSON.stringify('open' in one ? one : [one.a, one.b]) }).map((all) => {
    const opens = all.flatMap((one) => ('open' in one ? [one.open] : []))
    const endOf = (one: number, isFar: boolean) =>
      one === conductors ? metalEnd(conductors) : isFar && opens.includes(one) ? secondEnd(conductors, one) : firstEnd(one)
    const touches = all.flatMap((one) => ('a' in one && one.a !== one.b ? [[endOf(one.a, one.farA), endOf(one.b, one.farB)] as const] : []))
    return { opens, touches, weight: 1 }
  })
}

describe('the plan for the conductors of a cable', () => {
  it('tells a sound cable of seven in one walk there and back, in eight readings, where pair by pair takes 21 and finds no open one @long', () => {
    const { plan, readings, walks } = follow(7, sound)
    expect(plan.states).toEqual(Array.from({ length: 7 }, () => ({ isOpen: false, touches: [] })))
    expect(readings).toBeLessThanOrEqual(8)
    expect(walks).toBeLessThanOrEqual(3)
  })

  it('names what is true, whatever up to three things are wrong, and leaves open what no join tells @long', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 5 }).chain((conductors) => fc.tuple(fc.constant(conductors), anyFaults(conductors))),
        ([conductors, faults]) => {
          const { plan } = follow(conductors, faults)
          const truth = statesOf(conductors, faults)
          plan.states.forEach((state, conductor) => {
            if (state) expect(state).toEqual(truth[conductor])
          })
          if (plan.next.do === 'done') expect(plan.states).toEqual(truth)
        },
      ),
      { numRuns: 60, seed: 7 },
    )
  })

  it('names what is true of up to nine, whatever up to three things are wrong, with joins or with resistors @long', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 9 }).chain((conductors) => fc.tuple(fc.constant(conductors), anyFaults(conductors), fc.boolean())),
        ([conductors, faults, hasResistors]) => {
          const { plan } = follow(conductors, faults, 'walk', hasResistors ? MARK_OHMS : [])
          const truth = statesOf(conductors, faults)
          plan.states.forEach((state, conductor) => {
            if (state) expect(state).toEqual(truth[conductor])
          })
          if (plan.next.do === 'done') expect(plan.states).toEqual(truth)
        },
      ),
      { numRuns: 12, seed: 9 },
    )
  })

  it('tells of a conductor that is parted and touches another on the far side of the break', () => {
    const faults: ConductorFaults = { opens: [1], touches: [[secondEnd(5, 1), firstEnd(3)]], weight: 1 }
    const { plan } = follow(5, faults)
    expect(plan.states[1]).toEqual({ isOpen: true, touches: [3] })
    expect(plan.states[3]).toEqual({ isOpen: false, touches: [1] })
  })

  it('walks nowhere while somebody stands at the other end', () => {
    const { plan, walks } = follow(5, { opens: [2], touches: [], weight: 1 }, 'helper')
    expect(walks).toBe(0)
    expect(plan.states[2]).toEqual({ isOpen: true, touches: [] })
  })

  it('cannot tell which of two is open, and says so', () => {
    const { plan } = follow(2, { opens: [0], touches: [], weight: 1 })
    expect(plan.next.do).toBe('stuck')
    expect(plan.states[0]).toBeNull()
  })

  it('names the one reading that fits no three troubles beside the others', () => {
    const { plan } = follow(4, sound)
    expect(plan.misfit).toBeNull()
    const read = (a: number, b: number, isClosed: boolean): ConductorReading => ({ joins: [], a, b, isClosed })
    const readings = [read(0, 1, true), read(1, 2, true), read(0, 2, false), read(0, 3, false), read(2, 3, false), read(0, 1, true)]
    const misfit = planConductors({ conductors: 4, hasMetal: [true, true], here: 0, ties: [], readings }).misfit
    expect(misfit?.reading).toBe(1)
  })

  it('takes fewer readings for what was suspected already, and still names what is true where that was wrong', () => {
    const faults: ConductorFaults = { opens: [4], touches: [], weight: 1 }
    const usual = usualOdds(5)
    const told = (odds: ConductorOdds) =>
      followPlan(
        (stand) => planConductors({ conductors: 5, hasMetal: [true, true], odds, ...stand }),
        (joins, marks, a, b) => ohmsBetween(hangTogether(5, faults, joins), [], marks, a, b),
      )
    const suspected = told({ ...usual, open: usual.open.map((one, at) => (at === 4 ? 9 : one)) })
    const misled = told({ ...usual, open: usual.open.map((one, at) => (at === 1 ? 9 : one)) })
    for (const { plan } of [suspected, misled]) expect(plan.states).toEqual(statesOf(5, faults))
    expect(suspected.readings).toBeLessThanOrEqual(told(usual).readings)
    expect(suspected.readings).toBeLessThan(misled.readings)
  })

  describe('with resistors of known values at the other end', () => {
    it('tells a sound cable of seven in one walk and six readings', () => {
      const { plan, readings, walks } = follow(7, sound, 'walk', MARK_OHMS)
      expect(plan.states).toEqual(Array.from({ length: 7 }, () => ({ isOpen: false, touches: [] })))
      expect(readings).toBeLessThanOrEqual(6)
      expect(walks).toBe(1)
    })

    it('names what is true, whatever up to three things are wrong @long', () => {
      fc.assert(
        fc.property(
          fc.integer({ min: 3, max: 5 }).chain((conductors) => fc.tuple(fc.constant(conductors), anyFaults(conductors))),
          ([conductors, faults]) => {
            const { plan } = follow(conductors, faults, 'walk', MARK_OHMS)
            const truth = statesOf(conductors, faults)
            plan.states.forEach((state, conductor) => {
              if (state) expect(state).toEqual(truth[conductor])
            })
          },
        ),
        { numRuns: 40, seed: 5 },
      )
    })

    it('does with three of them what three can', () => {
      const { plan, readings } = follow(5, { opens: [2], touches: [], weight: 1 }, 'walk', MARK_OHMS.slice(0, 3))
      expect(plan.states[2]).toEqual({ isOpen: true, touches: [] })
      expect(readings).toBeLessThanOrEqual(8)
    })
  })
})
