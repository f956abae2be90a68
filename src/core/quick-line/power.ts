import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import { readPlace } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { placeById } from '@/src/core/wiring/system'

export function readPower(reader: Reader): EntryDraft[] {
  const on = reader.oneOf({ on: true, off: false }, 'Power is "on" or "off".')
  return [benchDraft({ do: 'power', on })]
}

export function readPanel(reader: Reader): EntryDraft[] {
  const place = readPlace(reader)
  return [benchDraft({ do: 'panel', place, on: reader.oneOf({ on: true, off: false }, 'A panel is "on" or "off".') })]
}

export const STAYS_LIVE =
  'The outdoor disconnect leaves the 24 V side live. Is all of it off? Say "power off" once all of it is off and proved dead.'

/** The outdoor unit has its own disconnect, which leaves the 24 V side live. */
export function leavesControlLive({ system, state }: Sentence, where: string): boolean {
  const isOutdoors =
    /^(?:condenser|condensing unit|outdoor unit|outside unit|compressor|heat pump|ac|outside|outdoors|outdoor disconnect)$/.test(where)
  const isHere = where === 'disconnect' && placeById(system, state.bench.place)?.kind === 'outdoor'
  return (isOutdoors || isHere) && system.places.some(({ kind }) => kind === 'outdoor')
}
