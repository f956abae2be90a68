/** A seeded source of randomness, so that every draw can be repeated. */
export interface Random {
  uniform(): number
  normal(): number
  pick<T>(items: readonly T[]): T
}

/** mulberry32: a small public-domain generator; good enough for scenario draws, not for secrets. */
export function createRandom(seed: number): Random {
  let state = seed >>> 0
  const uniform = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    uniform,
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    pick: (items) => items[Math.floor(uniform() * items.length)],
  }
}
