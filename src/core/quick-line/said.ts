import type { JobState } from '@/src/core/job/job-state'
import { capacitorRules } from '@/src/core/quick-line/capacitor'
import { flameRules } from '@/src/core/quick-line/flame'
import { isRemark, type Rule, type Said } from '@/src/core/quick-line/rule'
import { rules } from '@/src/core/quick-line/rules'
import { apartRules } from '@/src/core/quick-line/rules-apart'
import { bundleRules } from '@/src/core/quick-line/rules-bundles'
import { byNameRules } from '@/src/core/quick-line/rules-by-name'
import { complaintRules } from '@/src/core/quick-line/rules-complaint'
import { contactRules } from '@/src/core/quick-line/rules-contacts'
import { courseRules } from '@/src/core/quick-line/rules-course'
import { disconnectRules } from '@/src/core/quick-line/rules-disconnects'
import { exchangedRules } from '@/src/core/quick-line/rules-exchanged'
import { followedRules } from '@/src/core/quick-line/rules-followed'
import { foundOffRules } from '@/src/core/quick-line/rules-found-off'
import { fuseRules } from '@/src/core/quick-line/rules-fuses'
import { handRules } from '@/src/core/quick-line/rules-hands'
import { impliedRules } from '@/src/core/quick-line/rules-implied'
import { lastRules } from '@/src/core/quick-line/rules-last'
import { listedRules } from '@/src/core/quick-line/rules-listed'
import { looseRules } from '@/src/core/quick-line/rules-loose'
import { mendedRules } from '@/src/core/quick-line/rules-mended'
import { oneHereRules } from '@/src/core/quick-line/rules-one-here'
import { partRules } from '@/src/core/quick-line/rules-parts'
import { passingRules } from '@/src/core/quick-line/rules-passing'
import { putBackRules } from '@/src/core/quick-line/rules-put-back'
import { remarkRules } from '@/src/core/quick-line/rules-remarks'
import { runningRules } from '@/src/core/quick-line/rules-running'
import { runRules } from '@/src/core/quick-line/rules-runs'
import { sagRules } from '@/src/core/quick-line/rules-sags'
import { seenRules } from '@/src/core/quick-line/rules-seen'
import { spokenRules } from '@/src/core/quick-line/rules-spoken'
import { stripRules } from '@/src/core/quick-line/rules-strip'
import { supplyRules } from '@/src/core/quick-line/rules-supply'
import { thermostatRules } from '@/src/core/quick-line/rules-thermostat'
import { throughRules } from '@/src/core/quick-line/rules-through'
import { toldRules } from '@/src/core/quick-line/rules-told'
import { towardsRules } from '@/src/core/quick-line/rules-towards'
import { transformerRules } from '@/src/core/quick-line/rules-transformer'
import { visitRules } from '@/src/core/quick-line/rules-visit'
import { whereRules } from '@/src/core/quick-line/rules-where'
import { whileRules } from '@/src/core/quick-line/rules-while'
import { wireRules } from '@/src/core/quick-line/rules-wires'
import { zoneRules } from '@/src/core/quick-line/rules-zones'
import { Sentence } from '@/src/core/quick-line/sentence'
import { Sieve } from '@/src/core/quick-line/sieve'
import { thermostatCodeRules } from '@/src/core/quick-line/thermostat-codes'
import { LruCache } from '@/src/core/units/cache'
import type { System } from '@/src/core/wiring/system'

/**
 * Sentences as they come over the shoulder, put into the words of the grammar (docs/quick-line.md): "took the outdoor Y off" is
 * `lift outdoor Y`. Only asked for what the grammar does not read by itself; what comes back is read, shown and entered like anything else.
 *
 * @param typed the words as they were typed, where `said` is another form of them: what is kept as a note
 * @param isReadable whether a line of the grammar can be entered now
 */
export function inTheGrammar(
  said: string,
  system: System,
  state: JobState,
  typed = said,
  isReadable: (command: string) => boolean = () => true,
): Said {
  const text = plain(said)
  const command = bySentence(text, typed, system, state, isReadable)
  if (command) return command
  // What is said of a place that stands at the end of the sentence.
  const found = / at (\S+)$/.exec(text)
  const place = found && system.places.find(({ id }) => id === found[1])
  const standing = place && { ...state, bench: { ...state.bench, place: place.id } }
  const there = standing ? bySentence(text.slice(0, found.index), typed, system, standing, isReadable) : null
  if (typeof there !== 'string' || / at |;|^note |^complaint |^walk /.test(there)) return null
  // Points that carry their place need no other.
  return there.includes('@') ? there : `${there} at ${place?.id}`
}

/** Every rule, in the order in which they are asked. */
const asked: readonly Rule[] = [
  ...capacitorRules,
  ...exchangedRules,
  ...contactRules,
  ...sagRules,
  ...towardsRules,
  ...looseRules,
  ...transformerRules,
  ...oneHereRules,
  ...passingRules,
  ...courseRules,
  ...whereRules,
  ...listedRules,
  ...lastRules,
  ...impliedRules,
  ...putBackRules,
  ...whileRules,
  ...wireRules,
  ...runningRules,
  ...mendedRules,
  ...zoneRules,
  ...complaintRules,
  ...runRules,
  ...flameRules,
  ...thermostatCodeRules,
  ...throughRules,
  ...stripRules,
  ...disconnectRules,
  ...supplyRules,
  ...apartRules,
  ...partRules,
  ...thermostatRules,
  ...fuseRules,
  ...toldRules,
  ...bundleRules,
  ...handRules,
  ...seenRules,
  ...followedRules,
  ...rules,
  ...visitRules,
  ...foundOffRules,
  ...spokenRules,
  ...byNameRules,
  ...remarkRules,
]
const sieve = new Sieve(asked.map(({ says }) => says.source))

/** What a sentence is by each rule that it fits, in their order: by its words alone, so that it is looked for once. */
const fitting = new LruCache<string, readonly { readonly rule: Rule; readonly found: readonly string[] }[]>(500)

const fits = (text: string) =>
  fitting.get(text, () => {
    const mayMatch = sieve.of(text)
    return asked.flatMap((rule, index) => {
      const found = mayMatch[index] === 1 ? rule.says.exec(text) : null
      return found ? [{ rule, found: found.slice(1).map((part) => part ?? '') }] : []
    })
  })

const OF_A_WIRE = /^(?:lift|land|landings|jumper|swap)\b/

function bySentence(text: string, typed: string, system: System, state: JobState, isReadable: (command: string) => boolean): Said {
  let first: Said = null
  for (const { rule, found } of fits(text)) {
    const command = rule.as(new Sentence(system, state, typed), ...found)
    // What cannot be entered as it stands is told only where no other way to understand it is left.
    if (typeof command === 'object' && command) return first ?? command
    // What is of a wire, but for which one, is asked after, and no note.
    if (command && isRemark(command) && typeof first === 'string' && OF_A_WIRE.test(first)) return first
    if (command && isReadable(command)) return command
    if (command) first ??= command
  }
  return first
}

/** Small letters, one space between words, no full stop, and none of the words that only lead up to what is said. */
export const plain = (said: string): string =>
  said
    .toLowerCase()
    .replace(IS_SO, '$1 is ')
    .replace(/[’']/g, '')
    .replace(/\s+/g, ' ')
    .replace(/[.!]+$/, '')
    .trim()
    .replace(/^(ok|so|and|well|now|just|then|i|ive|we|weve|it|its)\s+/g, '')
    .replace(/^(ive|im|just|now|already)\s+/g, '')
    .replace(/^(got|getting|have|had|get|reading|read|reads|measured|showing|found|see|seeing)\s+(?=\S)/g, '')
    .replace(/(?<=\w),? (?:too|also|as well)$/, '')
    .replace(/\b(about|around|roughly|exactly|and change|or so|still just)\s?/g, '')
    .replace(
      /\b(?:that|this|those|these) (?=(?:jumper|wire|wires|fuse|switch|valve|board|relay|contactor|coil|breaker|cable|lead|screw)s?\b)/g,
      '',
    )
    // An A behind a number is amps.
    .replace(/(?<!\d\s?)\b(the|a|an|my|its|of)\s+/g, '')

/** `the float's tripped`: an apostrophe that stands for "is". */
const IS_SO =
  /(\w)[’']s (?=(?:too|warm|cold|full|wet|dry|off|on|out|open|closed|shut|blank|dead|dark|shorted|bad|good|hot|tripped|stuck|running|calling|back|in|down|up|loose|blown|gone|not|still|welded|pulled|sucked|kicked|snapped|clicked|picked|dropped|energized|buzzing|chattering|humming|flashing|blinking|clicking)\b)/g
