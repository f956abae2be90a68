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

const OUTDOORS = '(?:condenser|condensing unit|outdoor unit|outside unit|compressor|heat pump|ac|a/c|outside|outdoors|outdoor disconnect)'
const IS_OUTDOORS = new RegExp(`^${OUTDOORS}$`)

/** The outdoor unit has its own disconnect, which leaves the 24 V side live. */
export function leavesControlLive({ system, state }: Sentence, where: string): boolean {
  const isOutdoors = IS_OUTDOORS.test(where)
  const isHere = where === 'disconnect' && placeById(system, state.bench.place)?.kind === 'outdoor'
  return (isOutdoors || isHere) && system.places.some(({ kind }) => kind === 'outdoor')
}

/** Power that is said to be off, and where, in one breath. */
const OFF_OUTDOORS = new RegExp(
  `\\bpower\\b[^,;]{0,20}\\b${OUTDOORS}\\b|\\b${OUTDOORS} (?:unit )?power\\b|\\b(?:turned|switched|shut|killed|powered) (?:off|down) (?:the )?${OUTDOORS}\\b`,
  'i',
)

/** It is said of the rest as well. */
const ELSEWHERE_TOO = /\b(?:furnace|air handler|ahu|indoors?|inside|both)\b/i

/** A line by which the power would be off, and that says it of the outdoor unit alone: what it leaves live is asked after. */
export function isOffOutdoorsOnly(line: string, drafts: readonly EntryDraft[], { system }: Sentence): boolean {
  const isOff = drafts.some((draft) => draft.kind === 'bench' && draft.change.do === 'power' && !draft.change.on)
  return isOff && OFF_OUTDOORS.test(line) && !ELSEWHERE_TOO.test(line) && system.places.some(({ kind }) => kind === 'outdoor')
}
