import { NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import { NO_VOLTS } from '@/src/core/quick-line/rules-by-name'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { NOT_24_V } from '@/src/core/quick-line/units'
import { across } from '@/src/core/quick-line/volts'
import { wordsOfLook } from '@/src/core/readings/looks'
import { partById, placeById } from '@/src/core/wiring/system'

/** What is read where a wire goes to: Y to the contactor is across its coil, Y to a board on the screw there. */

/** Volts of a letter at the part that it feeds; null where that is no coil and no board, or the power is off. */
function atItsEnd(the: Sentence, letter: string, name: string, volts: string): string | null {
  const part = partById(the.system, the.part(name) ?? '')
  if (!part || !the.state.bench.power || Number(volts) >= NOT_24_V) return null
  if (part.kind === 'coil') return across(the, part.id, volts)
  if (part.kind !== 'board' && part.kind !== 'electronics') return null
  const screw = the.letter(letter)
  return placeById(the.system, part.place)?.terminals.includes(screw)
    ? `${screw}-${the.commonOf(screw, part.place)} ${volts} V at ${part.place}`
    : null
}

/** The same, and what a board gives of that letter. */
function throughBoard(the: Sentence, letter: string, name: string, into: string, out: string): string | null {
  const part = partById(the.system, the.part(name) ?? '')
  const before = part?.kind === 'board' ? atItsEnd(the, letter, name, into) : null
  const lead = `${the.letter(letter)}-out`
  return before && part && the.isLetter(lead) ? `${before}; ${lead}-C ${out || '0'} V at ${part.place}` : null
}

/** A switch that was found open by its button and pushed in again; one that shows none is mended by it. */
function resetByHand(the: Sentence, name: string, wasTripped: boolean): Said {
  const part = partById(the.system, the.part(name) ?? '')
  if (part?.kind !== 'switch') return null
  if (wordsOfLook(the.system, part.id).includes('set')) return `${wasTripped ? `${part.id} tripped; ` : ''}${part.id} set`
  return the.asRepair()
}

/** What is read at the end of a wire, and switches that a hand resets. */
export const towardsRules: readonly Rule[] = [
  rule(
    `([ywgob]\\d?)(?: wire| lead)? (?:to|into|going to|feeding)(?: the)? ([a-z][a-z -]+?) (?:is |has |reads )?${NUMBER} ?${VOLTS}?`,
    atItsEnd,
  ),
  rule(
    `([ywgob]\\d?)(?: wire| lead)? (?:to|into|going to|feeding)(?: the)? ([a-z][a-z -]+?) (?:is |has )?(?:dead|${NO_VOLTS})`,
    (the, letter, name) => atItsEnd(the, letter, name, '0'),
  ),
  rule(
    `([ywgob]\\d?) (?:to|into|at|in to|in on)(?: the)? ([a-z][a-z -]*board) ${NUMBER} ?${VOLTS}?,? (?:and |but )?(?:coming |going )?out(?: of| at)?(?: the| its)?(?: board| it)? (?:${NUMBER} ?${VOLTS}?|${NO_VOLTS})`,
    throughBoard,
  ),
  rule(
    '([a-z][a-z -]+?) (?:is |was |had |has )?(?:tripped|popped|open),? (?:and |so |but )?(?:i )?(?:reset|pushed|pressed)(?: it)?(?: back)?(?: in)?(?: now)?',
    (the, name) => resetByHand(the, name, true),
  ),
  rule('([a-z][a-z -]+?) (?:is |was )?reset(?: now| again)?', (the, name) => resetByHand(the, name, false)),
]
