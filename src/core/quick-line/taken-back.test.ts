import { drafts, standing } from '@/tests/setup/standing'

const indoors = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' })

describe('a slip of the tongue', () => {
  it.each([
    ['Y-C 24, no wait 26.4', 'Y-C 26.4'],
    ['Y-C 24 sorry 26.4', 'Y-C 26.4'],
    ['R-C 24, I mean Y-C 24', 'Y-C 24'],
    ['R-C 24... no, Y-C 24', 'Y-C 24'],
    ['R-C 24 scratch that, R-C 0', 'R-C 0'],
    ['contactor out, correction: contactor in', 'contactor in'],
  ])('%s: what was said first was not read', (line, meant) => {
    expect(drafts(indoors, line)).toEqual(drafts(indoors, meant))
  })

  it.each(['contactor pulled in... no, just 5', 'outside Y-C 24, no wait, R-C 24', 'Y to C, sorry 26'])(
    '%s: what is left says less than the whole, and is asked for anew',
    (line) => {
      expect(indoors(line)).toMatchObject({ ok: false, problem: expect.stringContaining('Say it once') })
    },
  )

  it.each([
    ['R-C 24, no Y-C', 'R-C 24; Y-C 0'],
    ['note rubbed, no, chewed', 'note rubbed, no, chewed'],
    ['call cool, wait 5 min, trips', 'call cool; trips; note wait 5 min'],
  ])('%s takes nothing back', (line, meant) => {
    expect(drafts(indoors, line)).toEqual(drafts(indoors, meant))
  })
})
