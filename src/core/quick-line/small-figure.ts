import type { EntryDraft } from '@/src/core/job/entry'
import { conductorsAt } from '@/src/core/quick-line/hands'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { CHASSIS, parsePoint } from '@/src/core/wiring/point'

/** Below this a bare number to the metal could be ohms of a short or stray volts on a dead wire. */
const AMBIGUOUS_BELOW = 2

/** Read while something is called. */
const ON_A_CALL =
  /^(?:cool|heat(?! pump)|fan)(?:ing)?(?: call| on)?[,:]|\b(?:in|on|with|during) (?:the |a )?(?:cool|heat(?! pump)|fan|cooling|heating)\b/i

/**
 * Asks for the unit of `W1 wire to cabinet 0.2`, typed with the power on in the record and W1 off its screw, or the fuse open: in ohms it is a
 * short, in volts it is nothing. Null where a unit was said, or the wire is landed.
 */
export function smallFigure(line: string, drafts: readonly EntryDraft[], the: Sentence): string | null {
  const { bench } = the.state
  const isOhms = drafts.some((draft) => draft.kind === 'reading' && draft.probe.meter === 'ohms')
  if (!bench.power && isOhms && ON_A_CALL.test(line) && !/\d ?(?:k?ohms?|v|volts?)\b/i.test(line))
    return `The power is off in the record, and nothing is called then. Is it on again? Say "power on; ${line.trim()}".`
  if (!bench.power || /\d ?(?:m?v|volts?|vac|k?ohms?|a|amps?)\b/i.test(line)) return null
  const isAmbiguous = drafts.some((draft) => {
    if (draft.kind !== 'reading' || draft.probe.meter !== 'volts' || typeof draft.answer !== 'number') return false
    const { a, b } = draft.probe
    const [wire, metal] = (parsePoint(a).name === CHASSIS ? [b, a] : [a, b]).map(parsePoint)
    if (metal.name !== CHASSIS || draft.answer <= 0 || draft.answer >= AMBIGUOUS_BELOW) return false
    // Behind a fuse that is open nothing is live, and ohms are as likely.
    if (bench.slot.open || bench.slot.holds === 'nothing') return true
    const isOff = conductorsAt(the.at(wire.place), wire.name.toLowerCase()).some((end) => bench.lifted.includes(end))
    return isOff || /\b(?:wire|conductor)\b/i.test(line)
  })
  return isAmbiguous ? `Volts, or ohms with the power off? Say "${line.trim()} V", or "power off; ${line.trim()}".` : null
}
