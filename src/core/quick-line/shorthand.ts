import { DIGIT_WORD, numberIn, TENS_WORD } from '@/src/core/quick-line/number-words'

/** What is shortened, or spelled out, in typing and dictating: the same in the words that everything else is read in. */

/** `twenty five point two`: a reading that was dictated. A word of ones alone may count things. */
const SPOKEN_NUMBER = new RegExp(`\\b(${TENS_WORD})(?:[ -](${DIGIT_WORD}))?(?: point (${DIGIT_WORD}))?\\b`, 'gi')

const shortened: readonly (readonly [RegExp, string])[] = [
  [/(?<=^|\s)w\/o (?=\S)/gi, 'without '],
  [/(?<=^|\s)w\/ ?(?=\S)/gi, 'with '],
  [/(?<!\bas )\bsoon as\b/gi, 'as soon as'],
  [/\bthru\b/gi, 'through'],
  [/\bright (?=(?:when|as|after|at|on|once)\b)/gi, ''],
  [/\btil\b/gi, 'until'],
  // What was off is said behind what came of it.
  [
    /^with (?:the )?(.+? (?:disconnected|off|lifted|unhooked|unplugged|loose|pulled|out)),? (?:the )?(?:breaker |fuse |it )?((?:still )?(?:holds|held|trips|tripped|pops|popped|blows|blew))$/i,
    '$2 with $1',
  ],
  [/\bb\/c\b/gi, 'because'],
  [/\bbtwn\b/gi, 'between'],
  [/(?<=\d) ?(?:vac|vdc)\b/gi, ' V'],
  [/\b(\w+) dont\b/gi, "$1 don't"],
]

/** The line in full: what it says is the same. */
export function inFull(line: string): string {
  const full = shortened.reduce((text, [says, as]) => text.replace(says, as), line)
  return full.replace(SPOKEN_NUMBER, (_, tens: string, ones = 'zero', tenths?: string) => {
    const whole = (numberIn(tens) ?? 0) + (numberIn(ones) ?? 0)
    return tenths === undefined ? String(whole) : `${whole}.${numberIn(tenths)}`
  })
}
