import type { EntryDraft } from '@/src/core/job/entry'
import { readCall } from '@/src/core/quick-line/calls'
import { benchDraft } from '@/src/core/quick-line/drafts'
import type { Reader } from '@/src/core/quick-line/reader'

export function readTrip(reader: Reader, result: 'trips' | 'holds'): EntryDraft[] {
  const drafts: EntryDraft[] = []
  let heldBefore = false
  if (reader.accept('on') || reader.accept('at')) {
    if (reader.accept('power-up') || reader.accept('power')) {
      reader.accept('-')
      reader.accept('up')
    } else {
      const call = readCall(reader)
      const { bench } = reader.context.state
      if (bench.call !== call && bench.jumpers.length === 0) {
        drafts.push(benchDraft({ do: 'call', call }))
        // What trips on a call did not trip before it: that would have been said.
        heldBefore = result === 'trips' && bench.power && !bench.slot.open
      }
    }
  }
  return [...drafts, { kind: 'trip', result, ...(heldBefore && { heldBefore }) }]
}

/** A trip by one's own hand or tool. */
export const readSlip = (): EntryDraft[] => [{ kind: 'trip', result: 'trips', slip: true }]

/** `it trips on cool`, as it is spoken. */
export function readItTrips(reader: Reader): EntryDraft[] {
  const said = reader.oneOf(
    { trips: 'trips', trip: 'trips', tripped: 'trips', holds: 'holds', held: 'holds' },
    'Say whether it trips or holds.',
  )
  return readTrip(reader, said as 'trips' | 'holds')
}
