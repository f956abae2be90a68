/** Density of the normal distribution. */
export function normalDensity(x: number, mean: number, sigma: number): number {
  const z = (x - mean) / sigma
  return Math.exp(-0.5 * z * z) / (sigma * Math.sqrt(2 * Math.PI))
}

/** Share of a normal distribution below x: Abramowitz and Stegun 26.2.17, error under 7.5e-8. */
export function normalBelow(x: number, mean: number, sigma: number): number {
  const z = (x - mean) / sigma
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  const tail = (poly * Math.exp(-0.5 * z * z)) / Math.sqrt(2 * Math.PI)
  return z >= 0 ? 1 - tail : tail
}
