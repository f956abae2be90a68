import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { OF_THE_CIRCUIT } from '@/src/core/quick-line/aside'
import { isCommandWord } from '@/src/core/quick-line/commands'
import { Sentence } from '@/src/core/quick-line/sentence'
import type { System } from '@/src/core/wiring/system'

/** What is said of a line that is no entry: what would fit, or that it is not understood. */

/** What is told where a line names nothing that a meter could be on: the grammar would ask for a number. */
export const NO_ENTRY =
  'I do not understand this as an entry. Say what was read, done or seen: "Y-C 24", "lift outdoor Y", "contactor out".'

/** A sentence without a figure in it is not mended by one: asking for the number of the meter is a riddle. */
export const isRiddle = (line: string, problem: string): boolean =>
  /^(?:A reading is a number or OL|What did the meter read|A number is missing)/.test(problem) &&
  !/\d|\bOL\b|\b[A-Z]\d? (?:to|and) [A-Z]\d?\b/.test(line) &&
  line.trim().split(/\s+/).length > 3

/** Nothing of it was understood: no question was asked back, and no reason given. */
export const isUnread = (line: string, problem: string): boolean =>
  problem === NO_ENTRY ||
  isRiddle(line, problem) ||
  /^I heard/.test(problem) ||
  /^(?:Name two points|Between which two points)/.test(problem) ||
  /^A reading is a number/.test(problem)

/** A sentence that names no terminal, no number, no command and nothing of the circuit. */
export function isPlainRemark(line: string, system: System): boolean {
  const words = line.trim().split(/\s+/)
  const letters = new Set(system.places.flatMap(({ terminals }) => terminals))
  const isPlain = words.length >= 3 && words.every((word) => /^[a-z][a-z'’,.-]*[.!]?$/i.test(word) && !letters.has(word.toUpperCase()))
  const isSentence = /\b(?:the|a|an|was|is|were|has|had|he|she|they|by|my|of)\b/i.test(line)
  return isPlain && isSentence && !isHandsOnWires(line) && !OF_THE_CIRCUIT.test(line) && !isCommandWord(words[0])
}

/** Work on wires changes the bench: a line about it that is not understood is asked after, never kept silently as a note. */
export const isHandsOnWires = (line: string): boolean =>
  /\bwhen (?:i|we) (?:lift|unhook|disconnect|pull|land|hook|unplug)\w*\b|\bwith (?:the )?\w+ (?:cable|wires?) (?:off|lifted|unhooked|disconnected)\b|^(?:i |we |just |then |ok,? )*(?:jump|jumped|jumpered|bypass|bypassed) |^(?:i |we |just |then |ok,? )*(?:lift|land|unhook|disconnect|reconnect|pull|hook|re-?land|unland|put|took|take)(?:ed|s|ing)?\b.*\b(?:cables?|conductors?|everything|(?:the|all) wires|[rygwcob]\d? wire|(?:red|yellow|green|white|blue|orange|brown|black) wire)\b/i.test(
    line,
  )

/** The line begins as a command does, or has a terminal, a part or a number in it: the grammar's own words say what would fit. */
export function isOfReading(line: string, { system, entries }: { readonly system: System; readonly entries: readonly Entry[] }): boolean {
  const the = new Sentence(system, foldJob(system, entries))
  const words = line
    .trim()
    .split(/[\s,;=/&-]+/)
    .filter(Boolean)
  return (
    words.length < 2 ||
    isCommandWord(words[0]) ||
    words.some(
      (word) => /\d/.test(word) || the.isLetter(word) || the.part(word.toLowerCase()) !== null || the.place(word.toLowerCase()) !== null,
    )
  )
}

/** "Jump red to ground", with several red wires, or with R off its screw: one of them is R, so it is refused and not asked after. */
export const isDeadShort = (line: string, problem: string): boolean =>
  /^Which red|^More than one conductor answers to (?:R|red)\b|^R[ch]? is off its screw/.test(problem) &&
  (JOINED_TO_COMMON.test(line) || LAID_ON_COMMON.test(line))

/** In words that are no other entry: the winding shorted, R grounded or flashed to common. It is refused, and no note. */
export const isShortedByHand = (line: string): boolean => SHORTED.test(line.trim())

const COMMON = '(?:the )?(?:common|ground|gnd|chassis|metal|cabinet|frame|C)\\b'
const JOINED_TO_COMMON = new RegExp(
  `\\b(?:jump\\w*|tie[sd]?|join\\w*|connect\\w*|touch\\w*|short\\w*|strap\\w*)\\b.*\\b(?:red|R)\\b.*\\b(?:to|and|with) .*${COMMON}`,
)
const SHORTED = new RegExp(
  `^(?:i |we |just )*(?:(?:short|shorted|jump|jumped|jumper|jumpered|bridge|bridged)(?: out| across)? (?:the )?(?:secondary|transformer|xfmr|24 ?v(?:olts?)?)(?: secondary)?|ground(?:ed)?(?: out)? (?:the )?R[ch]?|(?:spark|flash|wire|arc|dab|flick|clip lead|alligator clip)(?:ed)? (?:from )?R[ch]? (?:to|on|onto|against|across to) ${COMMON}|wire ?nut(?:ted)?(?: together)? R[ch]? (?:and|to|with) ${COMMON}|(?:hot|R[ch]?|24) to (?:common|C) (?:jumper|jump|clip))(?: .*)?$`,
)
/** R laid straight on common; "put red on R and blue on C" lands two wires. */
const LAID_ON_COMMON = new RegExp(
  `\\b(?:put|hold|held|lay|laid|touch\\w*|spark\\w*) (?:the )?(?:red|R)(?: wire)? (?:on|onto|to|against) ${COMMON}`,
)
