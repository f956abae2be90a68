import fc from 'fast-check'
import { rewriter, Sieve } from '@/src/core/quick-line/sieve'

const word = fc.constantFrom('fuse', 'breaker', 'Y wire', 'outdoor', 'trips', 'holds', 'pulled in', 'L1')
/** An expression of the kinds that the rules are made of, and a text that it matches. */
const matching = fc
  .tuple(fc.array(word, { minLength: 1, maxLength: 4 }), fc.array(word, { maxLength: 2 }), fc.nat(), fc.boolean(), fc.boolean())
  .map(([either, then, pick, hasOptional, isSmall]) => {
    const source = `^(?:${either.join('|')})(?: really)?(?: (?:${then.length > 0 ? then.join(' ') : 'on|off'}))(?:,? (\\S+))?$`
    const said = `${either[pick % either.length]}${hasOptional ? ' really' : ''} ${then.length > 0 ? then.join(' ') : 'off'}${hasOptional ? ', now' : ''}`
    return { source, text: isSmall ? said.toLowerCase() : said }
  })

it('passes over no expression that matches, whatever the case of its letters', () => {
  fc.assert(
    fc.property(fc.array(matching, { minLength: 1, maxLength: 6 }), (all) => {
      const sieve = new Sieve(all.map(({ source }) => source))
      for (const { text } of all)
        for (const [index, { source }] of all.entries())
          if (new RegExp(source, 'i').test(text)) expect([source, text, sieve.of(text)[index]]).toEqual([source, text, 1])
    }),
  )
})

it('passes over what lacks a string that is needed', () => {
  const sieve = new Sieve(['^(?:fuse|breaker) (?:is )?blown$', '^(.+) \\d+$'])
  expect([...sieve.of('the fuse is good')]).toEqual([0, 1])
  expect([...sieve.of('fuse blown')]).toEqual([1, 1])
})

it('forms follow each other as they would one by one, each on what those before it left', () => {
  const forms: [RegExp, string][] = [
    [/\bxfmr\b/g, 'transformer'],
    [/\btransformer sec\b/g, 'secondary'],
    [/\bsecondary (\d+)/g, 'volts $1'],
    [/\bpri\b/g, 'primary'],
  ]
  const put = (text: string, [says, as]: [RegExp, string]) => text.replace(says, as)
  for (const text of ['xfmr sec 27, pri 120', 'pri 120', 'nothing of it', 'secondary 26'])
    expect(rewriter(forms)(text, put)).toBe(forms.reduce(put, text))
})
