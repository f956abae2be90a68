import { isResettable } from '@/src/core/bench/apply'
import type { Bench } from '@/src/core/bench/bench'
import { bypassedBy } from '@/src/core/bench/caution'
import type { EntryDraft } from '@/src/core/job/entry'
import { ampsOfTripTime } from '@/src/core/protection/trip-time'
import { readCall } from '@/src/core/quick-line/calls'
import { benchDraft } from '@/src/core/quick-line/drafts'
import type { Reader } from '@/src/core/quick-line/reader'
import { callerOf, firstPart, isUnknown } from '@/src/core/wiring/system'

/** What opened is closed again by: the breaker's reset, or one more fuse of what the slot takes. */
function renewal({ context: { system, state } }: Reader): EntryDraft[] {
  const { bench } = state
  if (!bench.slot.open || bench.slot.holds === 'nothing') return []
  if (isResettable(system, bench)) return [benchDraft({ do: 'reset' })]
  // Nobody says for the technician which size went in, nor that a house built without a fuse has one now.
  const hasNone = firstPart(system, 'fuse').holds === 'none' && bench.slot.holds === 'as-found'
  if (hasNone || isUnknown(system, 'fuse')) return []
  return [benchDraft({ do: 'slot', holds: 'fuse', ratingA: bench.slot.ratingA })]
}

/**
 * What opened was reset or replaced before it can hold, or trip on something else: nobody says so. What is said again of the same trial is no
 * second one.
 */
function renewFirst(reader: Reader, result: 'trips' | 'holds'): EntryDraft[] {
  const { bench, observations } = reader.context.state
  const last = observations.findLast(({ probe }) => probe.meter === 'trip' || (probe.meter === 'look' && probe.at === 'fuse'))?.bench
  const setUp = ({ lifted, unplugged, jumpers, swaps, call }: Bench) =>
    JSON.stringify([[...lifted].sort(), [...unplugged].sort(), jumpers, swaps, call])
  return result === 'holds' || (last && setUp(last) !== setUp(bench)) ? renewal(reader) : []
}

export function readTrip(reader: Reader, result: 'trips' | 'holds'): EntryDraft[] {
  const drafts = renewFirst(reader, result)
  let heldBefore = false
  if (reader.accept('on') || reader.accept('at')) {
    if (reader.accept('power-up') || reader.accept('power')) {
      reader.accept('-')
      reader.accept('up')
    } else {
      const call = readCall(reader)
      const { bench } = reader.context.state
      const { system } = reader.context
      const stat = callerOf(system, call)
      // A jumper past a switch calls for nothing.
      const isJumped = bench.jumpers.some((jumper) => bypassedBy(system, jumper).length === 0)
      if (bench.unplugged.includes(stat.id) && !isJumped)
        reader.fail(
          `The ${stat.name} is off in the record, and makes no call. Which was it? Say "jumper R Y; ${result}", or "plug ${stat.id}; ${result} on ${call}".`,
        )
      if (bench.call !== call && !isJumped) {
        // On another call than the one it tripped on: it was made good before.
        if (drafts.length === 0) drafts.push(...renewal(reader))
        drafts.push(benchDraft({ do: 'call', call }))
        // What trips on a call did not trip before it: that would have been said.
        heldBefore = result === 'trips' && bench.power && !bench.slot.open
      }
    }
  }
  const trip: EntryDraft = { kind: 'trip', result, ...(heldBefore && { heldBefore }) }
  const after = result === 'trips' && reader.accept('after') ? readSeconds(reader) : null
  return [...drafts, trip, ...(after === null ? [] : flowedFor(reader, after))]
}

function readSeconds(reader: Reader): number {
  const seconds = reader.number()
  for (const unit of ['s', 'sec', 'secs', 'second', 'seconds']) if (reader.accept(unit)) return seconds
  for (const unit of ['min', 'mins', 'minute', 'minutes']) if (reader.accept(unit)) return 60 * seconds
  return seconds
}

/** How long it took says what flowed: as a reading of the highest amps, which it is. */
function flowedFor(reader: Reader, seconds: number): EntryDraft[] {
  const { system, state } = reader.context
  const { slot } = state.bench
  const { id } = firstPart(system, 'fuse')
  const kind = isResettable(system, state.bench) ? 'breaker' : 'fuse'
  if (seconds <= 0) reader.fail('After how many seconds did it open?')
  const amps = ampsOfTripTime(kind, slot.ratingA, seconds)
  if (!amps) return []
  const tenths = (value: number) => Math.round(10 * value) / 10
  return [{ kind: 'reading', probe: { meter: 'amps', on: id, hold: 'max' }, answer: { low: tenths(amps.low), high: tenths(amps.high) } }]
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
