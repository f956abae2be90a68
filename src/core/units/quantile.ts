/** The smallest value that so large a share of them (0 to 1) does not exceed: nearest rank. NaN when there are none. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)] ?? Number.NaN
}
