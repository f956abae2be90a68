import type { Sense } from '@/src/core/quick-line/lexicon'
import type { Meaning } from '@/src/core/quick-line/meaning'
import { isGroundWord } from '@/src/core/quick-line/names'
import type { Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'

/** One thing that a sentence may say, and the grammar's own line for it; null where it says something else. */
export type Reading = (meaning: Meaning, the: Sentence) => Said

export const has = ({ senses }: Meaning, ...wanted: Sense[]): boolean => wanted.some((sense) => senses.has(sense))
/** The sentence has no sense but these. */
export const only = ({ senses }: Meaning, ...allowed: Sense[]): boolean => [...senses].every((sense) => allowed.includes(sense))

export const placeOf = ({ places }: Meaning): string => (places.length > 0 ? ` at ${places[0]}` : '')

export const pairOf = ({ letters }: Meaning): string | null => {
  const [one, other, third] = letters
  if (!one || !other || third) return null
  // A cable that was named means its own wires, off their terminals.
  const point = ({ letter, cable }: Meaning['letters'][number]) => (cable ? `${cable} ${letter}` : letter)
  return isGroundWord(one.letter) ? `${point(other)}-${point(one)}` : `${point(one)}-${point(other)}`
}

export const onlyNumber = ({ numbers }: Meaning) => (numbers.length === 1 ? numbers[0] : null)

/** What runs says nothing while nobody knows what is called. */
export const NO_CALL = 'No call is on in the record. Say which one is: "call cool", then what runs.'

/** Neither a thermostat nor a jumper asks for anything. */
export const nothingCalls = ({ state }: Sentence): boolean => state.bench.call === 'off' && state.bench.jumpers.length === 0
