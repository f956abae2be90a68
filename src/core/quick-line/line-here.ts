import { foldJob } from '@/src/core/job/fold'
import { eachAgainstCommon, withOwnCommon } from '@/src/core/quick-line/against-common'
import { eitherLetter } from '@/src/core/quick-line/either-letter'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { withWireInHand } from '@/src/core/quick-line/screw-or-wire'
import { isSetOff } from '@/src/core/quick-line/sense'
import { boardsOf, withTransformerHere } from '@/src/core/quick-line/which-part'
import { partById, partsOf } from '@/src/core/wiring/system'

/** A line with what its letters and names mean where one stands: which common, which transformer, the wire in the hand, O or B. */
export function lineHere(said: string, asked: QuickLineContext): string {
  const named = withTransformerHere(eitherLetter(atItsBoard(withStatOff(said, asked), asked), asked.system), asked)
  return withOwnCommon(eachAgainstCommon(withWireInHand(named, asked), asked), asked)
}

const STAT_OFF = /^(.*\d.*?),? with (?:the )?(?:thermostat|stat|tstat) off$/i

/** With the stat off says no more than the record, where it was set to off. */
const withStatOff = (line: string, { system, entries }: QuickLineContext): string =>
  STAT_OFF.test(line.trim()) && isSetOff(foldJob(system, entries)) ? line.trim().replace(STAT_OFF, '$1') : line

const PAIR_AT_BOARD = /^(.*\b[A-Z]\d?(?:-| to | and )(?:[A-Z]\d?|common)\b.*?) (?:at|on) (?:the )?(?:furnace |control |main )?board\b/i

/** Letters at the board are read where the board is: the one here, else the unit's own, else the only one. */
function atItsBoard(line: string, { system, entries }: QuickLineContext): string {
  if (!PAIR_AT_BOARD.test(line)) return line
  const { place } = foldJob(system, entries).bench
  const boards = boardsOf(system)
  const [only, another] = new Set((boards.length > 0 ? boards : partsOf(system, 'transformer')).map((part) => part.place))
  const at = boards.some((part) => part.place === place) ? place : (partById(system, 'board')?.place ?? (another ? undefined : only))
  return at === undefined || at === place ? line : line.replace(PAIR_AT_BOARD, `$1 at ${at}`)
}
