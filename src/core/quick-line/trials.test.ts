import { drafts, standing } from '@/tests/setup/standing'

const withBreaker = standing('heat-pump-o', 'indoor', 'on', { do: 'slot', holds: 'breaker', ratingA: 3 })
const withFuse = standing('heat-pump-o', 'indoor', 'on')

it.each([
  ['trips on heat and cool, not fan', 'trips on heat; trips on cool; holds on fan'],
  ['fan and heat hold, cool pops it', 'holds on fan; holds on heat; trips on cool'],
  ['trips on cool but not on heat or fan', 'trips on cool; holds on heat; holds on fan'],
  ["cool pops it, heat pops it, fan doesn't", 'trips on cool; trips on heat; holds on fan'],
  ['everything holds except cool', 'holds on fan; holds on heat; trips on cool'],
  ['trips on everything except fan', 'trips on cool; trips on heat; holds on fan'],
  ['cool trips, the rest hold', 'trips on cool; holds on fan; holds on heat'],
  ["it won't trip on heat or fan but cool kills it right away", 'holds on heat; holds on fan; trips on cool'],
  ["heat trips cool doesn't", 'trips on heat; holds on cool'],
  ['heat trips cool holds em holds', 'trips on heat; holds on cool; holds on emergency'],
  ['em heat holds, heat trips', 'holds on emergency; trips on heat'],
  ['trips in cooling, fine in heat', 'trips on cool; holds on heat'],
  ['holds on all calls now', 'holds on fan; holds on cool; holds on heat'],
])('%s', (said, meant) => {
  expect(drafts(withBreaker, said)).toEqual(drafts(withBreaker, meant))
})

it('behind something that was done they come after it', () => {
  expect(drafts(withFuse, 'breaker in, trips on heat and cool, not fan')).toEqual(
    drafts(withFuse, 'breaker in; trips on heat; trips on cool; holds on fan'),
  )
  expect(drafts(withBreaker, 'outdoor cable off, holds on everything')).toEqual(
    drafts(withBreaker, 'lift outdoor cable; holds on fan; holds on cool; holds on heat'),
  )
})

it('where nothing tripped or held, "works" and "does not" are no trials', () => {
  expect(drafts(withBreaker, "heat works, cool doesn't")).toMatchObject([
    { kind: 'complaint', complaint: { symptoms: ['mode-dead'], call: 'cool' } },
  ])
})

it('a call that is said to do both is asked after', () => {
  expect(withBreaker('trips on cool and fan, fan holds')).toMatchObject({
    ok: false,
    problem: expect.stringContaining('trip or hold on fan'),
  })
})
