/** The same value with the keys of every object in one order, whatever made it: two that are equal are written alike. */
export function sortedKeys<T>(value: T): T {
  if (Array.isArray(value)) return value.map(sortedKeys) as T
  if (value === null || typeof value !== 'object') return value
  const entries = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))
  return Object.fromEntries(entries.map(([key, one]) => [key, sortedKeys(one)])) as T
}
