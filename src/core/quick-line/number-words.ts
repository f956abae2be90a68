/** Numbers as they are spelled out. */

const ONES = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
const TENS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety']

const values = new Map([
  ...ONES.map((word, value) => [word, value] as const),
  ['fifteen', 15] as const,
  ...TENS.map((word, at) => [word, 10 * (at + 2)] as const),
])

/** What follows the tens: twenty-five. */
export const DIGIT_WORD = `(?:${ONES.slice(0, 10).join('|')})`
export const TENS_WORD = `(?:${TENS.join('|')})`

/** A number in a word or in digits; null for any other word. */
export function numberIn(word: string): number | null {
  const known = values.get(word.toLowerCase())
  if (known !== undefined) return known
  return /^\d+$/.test(word) ? Number(word) : null
}
