import type { JobState } from '@/src/core/job/job-state'
import { type Expected, expectedRange, isExpected, sayExpected } from '@/src/core/readings/expected'
import { createLaboratory } from '@/src/core/readings/laboratory'
import type { Observation } from '@/src/core/readings/observations'
import { sayAnswer, sayBenchShort, sayProbe } from '@/src/core/readings/say'
import { Memo } from '@/src/core/units/cache'
import { capital } from '@/src/core/units/capital'
import { workLimit } from '@/src/core/units/work-limit'
import type { System } from '@/src/core/wiring/system'
import { templateValues } from '@/src/core/wiring/values'

/** A reading on the page: what, with what, what it read, and what a sound house of this kind reads. */
export interface MeasuredRow {
  readonly check: string
  readonly with: string
  readonly read: string
  readonly sound: string
  /** It is not what a sound house reads. */
  readonly isOff: boolean
}

/** As many as a page of paper has room for. */
const MOST_ROWS = workLimit(14)

const laboratoryOf = new Memo((system: System) => createLaboratory(system, templateValues))

/** The readings that tell: those that a sound house does not show first to be kept, in the order in which they were taken. */
export function measuredRows(system: System, { observations }: JobState): { rows: MeasuredRow[]; further: number } {
  const taken = observations.filter(({ probe }) => probe.meter !== 'look' || probe.at.startsWith('runs@'))
  const rows = taken.map((observation) => rowOf(system, observation))
  const byWorth = [...rows.keys()].sort((a, b) => Number(rows[b].isOff) - Number(rows[a].isOff) || b - a)
  const kept = new Set(byWorth.slice(0, MOST_ROWS))
  return { rows: rows.filter((_, index) => kept.has(index)), further: rows.length - kept.size }
}

/** Whether a reading is what a sound house shows. */
export const isSound = (system: System, { bench, probe, answer }: Observation): boolean =>
  !isOff(answer, expectedRange(laboratoryOf.of(system), bench, probe))

function rowOf(system: System, { bench, probe, answer }: Observation): MeasuredRow {
  const row = {
    check: capital(sayProbe(system, probe)),
    with: sayBenchShort(system, bench) || 'as found',
    read: sayAnswer(answer, probe),
  }
  if (probe.meter === 'trip') return { ...row, sound: 'holds', isOff: row.read !== 'holds' }
  if (probe.meter === 'look') return { ...row, sound: 'as called', isOff: row.read !== 'as called' }
  const expected = expectedRange(laboratoryOf.of(system), bench, probe)
  return { ...row, sound: sayExpected(expected), isOff: isOff(answer, expected) }
}

function isOff(answer: Observation['answer'], expected: Expected): boolean {
  if (answer === 'OL') return !expected.overload
  if (typeof answer === 'number') return !Number.isFinite(expected.low) || !isExpected(answer, expected)
  return 'low' in answer && (answer.high < expected.low || answer.low > expected.high)
}
