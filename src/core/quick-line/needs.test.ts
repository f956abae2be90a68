import { neededBy } from '@/src/core/quick-line/needs'

describe('what an expression cannot match without', () => {
  it.each([
    ['^(?:fuse (?:is )?blown)$', [['fuse '], ['blown']]],
    ['^(?:(.+?) (?:in|out))$', [['in', 'out']]],
    ['^(?:(?:took|pulled) (\\S+) off|lift (\\S+))$', [['pulled', 'took', 'lift '].sort()]],
    ['^(?:(\\S+) \\d+ ?(?:v|volts)?)$', []],
    ['^(?:(?!note).+ trips)$', [[' trips']]],
    ['^(?:breakers? out)$', [['breaker'], [' out']]],
  ])('%s', (source, needed) => {
    expect(neededBy(source).map((some) => [...some].sort())).toEqual(needed)
  })

  it.each(['took outdoor Y off', 'lift Y', 'pulled G off'])('never passes over what matches: %s', (text) => {
    const source = '^(?:(?:took|pulled) (.+) off|lift (\\S+))$'
    expect(new RegExp(source).test(text)).toBe(true)
    expect(neededBy(source).every((some) => some.some((needed) => text.includes(needed)))).toBe(true)
  })
})
