import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import { readPlace } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'

export function readPower(reader: Reader): EntryDraft[] {
  const on = reader.oneOf({ on: true, off: false }, 'Power is "on" or "off".')
  return [benchDraft({ do: 'power', on })]
}

export function readPanel(reader: Reader): EntryDraft[] {
  const place = readPlace(reader)
  return [benchDraft({ do: 'panel', place, on: reader.oneOf({ on: true, off: false }, 'A panel is "on" or "off".') })]
}
