import { answerTo, standingAfter } from '@/tests/setup/standing'

/** Where a reading leaves the one who took it. */
describe('who looks at something that one has to stand before', () => {
  it('stands there, and reads there what is read next', () => {
    const after = standingAfter('furnace-ac', 'indoor', ['call cool', 'contactor out'])
    expect(answerTo(after, 'Y-C 24.5')).toBe('Y to C at the outdoor unit: 24.5 V')
  })

  it('stays where it was for what is heard from afar, or told', () => {
    const after = standingAfter('furnace-ac', 'indoor', ['call cool', 'outdoor not as called', 'stat blank'])
    expect(answerTo(after, 'Y-C 24.5')).toBe('Y to C at the indoor unit: 24.5 V')
  })
})
