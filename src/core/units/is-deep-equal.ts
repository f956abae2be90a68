/** Whether two JSON values say the same; the order of an object's keys says nothing. */
export function isDeepEqual(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null || Array.isArray(a) !== Array.isArray(b)) return false
  const [keysA, keysB] = [Object.keys(a), Object.keys(b)]
  return keysA.length === keysB.length && keysA.every((key) => Object.hasOwn(b, key) && isDeepEqual((a as never)[key], (b as never)[key]))
}
