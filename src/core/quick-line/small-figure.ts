import type { EntryDraft } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { CHASSIS, conductorEnd, parsePoint } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'

/** Less than this to the metal is a touch in ohms as often as it is a wire without volts. */
const AMBIGUOUS_BELOW = 2

/**
 * `W1 wire to cabinet 0.2` with the power on in the record and W1 off its screw: in ohms it is the short, in volts it is nothing. The question
 * that is asked then; null where a unit was said, or the wire is on.
 */
export function smallFigure(line: string, drafts: readonly EntryDraft[], { bench }: JobState, { cables }: System): string | null {
  if (!bench.power || /\d ?(?:m?v|volts?|vac|k?ohms?|a|amps?)\b/i.test(line)) return null
  const isOff = (point: string): boolean =>
    cables.some(({ id, between, conductors }) =>
      conductors.some(({ id: name, lands }) =>
        between.some((place, side) => `${lands[side]}@${place}` === point && bench.lifted.includes(conductorEnd(id, name, place))),
      ),
    )
  const asked = drafts.some((draft) => {
    if (draft.kind !== 'reading' || draft.probe.meter !== 'volts' || typeof draft.answer !== 'number') return false
    const { a, b } = draft.probe
    const [wire, metal] = parsePoint(a).name === CHASSIS ? [b, a] : [a, b]
    const isSmall = draft.answer > 0 && draft.answer < AMBIGUOUS_BELOW
    return (
      isSmall && parsePoint(metal).name === CHASSIS && (/\b(?:wire|conductor)\b/i.test(line) || bench.lifted.includes(wire) || isOff(wire))
    )
  })
  return asked ? `Volts, or ohms with the power off? Say "${line.trim()} V", or "power off; ${line.trim()}".` : null
}
