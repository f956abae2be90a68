/** Numbers as they are spelled out. */

const ONES = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
const TEENS = ['eleven', 'twelve', 'thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen']
const TENS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety']

const values = new Map([
  ...ONES.map((word, value) => [word, value] as const),
  ...TEENS.map((word, at) => [word, 11 + at] as const),
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

const TENS_AND_ONES = new RegExp(`^(${TENS_WORD})(?:[ -](${DIGIT_WORD}))?$`, 'i')

/** A number below a hundred, in one word or two; null for any other words. */
const below100 = (words: string): number | null => {
  const found = TENS_AND_ONES.exec(words.trim())
  return found ? (numberIn(found[1]) ?? 0) + (numberIn(found[2] ?? 'zero') ?? 0) : numberIn(words.trim())
}

const SMALL = `(?:${ONES.join('|')}|${TEENS.join('|')})`
const DECIMAL = new RegExp(
  `(?<!\\b(?:set|test|access|high|low) )(?:\\b(oh|${TENS_WORD}(?:[ -]${DIGIT_WORD})?|${SMALL}) )?\\bpoint ((?:oh|${DIGIT_WORD})(?: (?:oh|${DIGIT_WORD}))*)\\b`,
  'gi',
)
const HUNDREDS = new RegExp(`\\b(one|two)(?:[ -]a)?[ -]hundred(?: and)?(?: (${TENS_WORD}(?:[ -]${DIGIT_WORD})?|${SMALL}))?\\b`, 'gi')
/** One twenty, two oh eight, two seventy seven: line volts as they are said. No minutes, and no count. */
const LINE =
  /\b(one|two)[ -](?:oh[ -](eight)|(ten|fifteen|twenty|thirty|forty)|(seventy)[ -](seven))\b(?! ?(?:min|sec|hour|day|year|degree|times))/gi
const WITH_UNIT = new RegExp(
  `\\b(${TENS_WORD}(?:[ -]${DIGIT_WORD})?|${SMALL})(?= ?-?(?:amps?|volts?|ohms?|milliamps?|microamps?)\\b)`,
  'gi',
)

/** Figures that were dictated, in digits: zero point four, two hundred eight, one twenty, five amp. A count is left in its words. */
export const figuresOf = (line: string): string =>
  /\b(?:point|hundred|one|two|amps?|volts?|ohms?|milliamps?|microamps?)\b/i.test(line)
    ? line
        .replace(DECIMAL, (_, whole: string | undefined, digits: string) => {
          const decimals = digits.split(' ').map((word) => (/^oh$/i.test(word) ? 0 : (numberIn(word) ?? 0)))
          return `${whole === undefined || /^oh$/i.test(whole) ? 0 : (below100(whole) ?? 0)}.${decimals.join('')}`
        })
        .replace(HUNDREDS, (_, hundreds: string, rest = '') => String(100 * (numberIn(hundreds) ?? 0) + (rest ? (below100(rest) ?? 0) : 0)))
        .replace(LINE, (_, hundreds: string, eight?: string, tens?: string, seventy?: string, seven?: string) => {
          const rest = eight ?? tens ?? `${seventy} ${seven}`
          return String(100 * (numberIn(hundreds) ?? 0) + (below100(rest) ?? 0))
        })
        .replace(WITH_UNIT, (words) => String(below100(words) ?? words))
    : line
