import { LruCache, Memo } from '@/src/core/units/cache'

describe('LruCache', () => {
  it('works a thing out once, and again only after it had to go', () => {
    const kept = new LruCache<string, string>(2)
    const made: string[] = []
    const ask = (key: string) =>
      kept.get(key, () => {
        made.push(key)
        return key.toUpperCase()
      })
    expect([ask('a'), ask('a'), ask('b')]).toEqual(['A', 'A', 'B'])
    expect(made).toEqual(['a', 'b'])
    ask('a')
    // No room for three: the one asked longest ago, b, goes; a was asked since.
    ask('c')
    expect(kept.size).toBe(2)
    ask('a')
    expect(made).toEqual(['a', 'b', 'c'])
    ask('b')
    expect(made).toEqual(['a', 'b', 'c', 'b'])
  })

  it('keeps what is falsy but there', () => {
    const kept = new LruCache<number, number>(3)
    let made = 0
    const ask = () =>
      kept.get(1, () => {
        made++
        return 0
      })
    expect([ask(), ask()]).toEqual([0, 0])
    expect(made).toBe(1)
  })
})

describe('Memo', () => {
  it('has one value for each owner', () => {
    const counts = new Memo((owner: { name: string }) => ({ of: owner.name }))
    const [a, b] = [{ name: 'a' }, { name: 'a' }]
    expect(counts.of(a)).toBe(counts.of(a))
    expect(counts.of(a)).not.toBe(counts.of(b))
    expect(counts.of(b)).toEqual({ of: 'a' })
  })
})
