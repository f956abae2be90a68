import type { Check } from '@/src/core/diagnosis/planner/next-check'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { type Answer, FIRST_FUSE, openedBy } from '@/src/core/readings/check'

/** What is entered when a proposed check is answered: what was set up for it, then the reading or the trip. */
export function entriesOfAnswer({ setup, probe }: Pick<Check, 'setup' | 'probe'>, answer: Answer): EntryDraft[] {
  return [
    ...setup.map((change): EntryDraft => ({ kind: 'bench', change })),
    probe.meter === 'trip' ? tripOf(answer, callsLive(setup)) : { kind: 'reading', probe, answer },
  ]
}

/** The call is all that is made for the check: it stood live before, and a trip would have been seen. */
const callsLive = (setup: Check['setup']): boolean =>
  setup.some((change) => change.do === 'call' && change.call !== 'off') &&
  setup.every((change) => change.do === 'call' || change.do === 'walk')

/** The entry that an answer to a trip check is. */
export function tripOf(answer: Answer, heldBefore = false): EntryDraft {
  const opened = openedBy(answer)
  if (opened === null) return { kind: 'trip', result: 'holds' }
  return { kind: 'trip', result: 'trips', ...(opened !== FIRST_FUSE && { on: opened }), ...(heldBefore && { heldBefore }) }
}

/**
 * The timeline as it would be with an answer that has not been given: for thinking ahead, never kept.
 *
 * @param minutes from the last entry to the answer; an act takes its own minutes at the least
 */
export function asIfAnswered(entries: readonly Entry[], check: Pick<Check, 'setup' | 'probe'>, answer: Answer, minutes = 0): Entry[] {
  const at = entries[entries.length - 1]?.at ?? '2000-01-01T00:00:00Z'
  const later = new Date(Date.parse(at) + minutes * 60_000).toISOString()
  const drafts = entriesOfAnswer(check, answer)
  return [
    ...entries,
    ...drafts.map(
      (draft, index): Entry => ({ ...draft, id: `as-if-${entries.length + index}`, at: index === drafts.length - 1 ? later : at }),
    ),
  ]
}
