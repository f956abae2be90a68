import type { JobState } from '@/src/core/job/job-state'
import type { Sense } from '@/src/core/quick-line/lexicon'
import type { Meaning } from '@/src/core/quick-line/meaning'
import { isGroundWord } from '@/src/core/quick-line/names'
import type { Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import type { CallName } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { callerOf, callsOf, placeById } from '@/src/core/wiring/system'

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

/** A call that runs the compressor of a house. */
export const runsCompressor = ({ system }: Sentence, call: CallName): boolean =>
  (callerOf(system, call).calls[call] ?? []).some((letter) => /^Y1?$/.test(letter))

const QUITS = /\b(?:quits?|stops|stopped|shuts? (?:off|down)|shut (?:off|down)|went off|goes off|dies|died)\b/i

/** A unit as a whole runs, or stands still: as called, or not. An outdoor unit rests on a call for the fan or the furnace, and is to. */
export function unitDoes(the: Sentence, place: PlaceId, how: 'as called' | 'not as called'): Said {
  // What quits as a wire comes off, with nothing called, is as it should be.
  if (nothingCalls(the) && the.state.bench.lifted.length > 0 && the.says(QUITS)) return `${place} as called`
  if (nothingCalls(the)) return askWhichCall(the, place, how)
  const { call, jumpers } = the.state.bench
  const isToRest = call !== 'off' && jumpers.length === 0 && placeById(the.system, place)?.kind === 'outdoor' && !runsCompressor(the, call)
  return `${place} ${isToRest === (how === 'as called') ? 'not as called' : 'as called'}`
}

/** What runs says nothing while nobody knows what is called: asked with each call that may bring it on. */
function askWhichCall(the: Sentence, place: PlaceId, how: 'as called' | 'not as called'): string | { readonly asks: string } {
  const { system } = the
  // Whoever has just set it to off says that it runs all the same.
  if (how === 'as called' && the.says(/\b(?:still|anyway|all the same)\b/i) && isSetOff(the.state)) return `${place} not as called`
  const isOutdoor = placeById(system, place)?.kind === 'outdoor'
  const calls = callsOf(system).filter((call) => !/-/.test(call) && (!isOutdoor || runsCompressor(the, call)))
  const lines = calls.map((call) => `"call ${call}; ${place} ${how}"`)
  const uncalled = how === 'as called' ? `, or "${place} not as called" where it runs with nothing called` : ''
  return { asks: `No call is on in the record: which one is it? Say ${lines.join(', ')}${uncalled}.` }
}

/** The thermostat was set to off on this visit, and nothing since. */
export const isSetOff = ({ standing }: JobState): boolean => {
  const last = standing.findLast((entry) => entry.kind === 'bench' && entry.change.do === 'call')
  return last?.kind === 'bench' && last.change.do === 'call' && last.change.call === 'off'
}

/** Neither a thermostat nor a jumper asks for anything. */
export const nothingCalls = ({ state }: Sentence): boolean => state.bench.call === 'off' && state.bench.jumpers.length === 0

/** Nothing was read, called or moved: what it does was told. */
export const nothingDone = ({ state: { observations, bench } }: Sentence): boolean =>
  observations.length === 0 && bench.call === 'off' && bench.jumpers.length + bench.lifted.length + bench.unplugged.length === 0
