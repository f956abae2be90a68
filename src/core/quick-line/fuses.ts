import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import type { Reader } from '@/src/core/quick-line/reader'
import { readTrip } from '@/src/core/quick-line/trips'
import type { PartId } from '@/src/core/wiring/ids'
import { furtherFuses, isUnknown } from '@/src/core/wiring/system'

export function readBreaker(reader: Reader): EntryDraft[] {
  if (reader.accept('reset')) return [benchDraft({ do: 'reset' })]
  if (reader.peek()?.kind === 'number') {
    const ratingA = reader.number()
    reader.accept('A')
    reader.expect('in', 'Say "breaker 3 in" when it goes in.')
    return [benchDraft({ do: 'slot', holds: 'breaker', ratingA })]
  }
  return reader.oneOf<() => EntryDraft[]>(
    {
      in: () => [benchDraft({ do: 'slot', holds: 'breaker' })],
      out: () => [benchDraft({ do: 'slot', holds: 'nothing' })],
      trips: () => readTrip(reader, 'trips'),
      holds: () => readTrip(reader, 'holds'),
    },
    'Say "breaker in", "breaker out", "breaker reset", or "trips" and "holds".',
  )()
}

export function readSlotEmpty(reader: Reader): EntryDraft[] {
  reader.expect('empty', 'Say "slot empty", "breaker in" or "fuse 3 in".')
  return [benchDraft({ do: 'slot', holds: 'nothing' })]
}

/** `fuse 3 in`, `fuse in`, `fuse out`, `fuse blown`, `fuse good`. */
export function readFuse(reader: Reader): EntryDraft[] | null {
  if (reader.peek()?.text.toLowerCase() !== 'fuse') return null
  reader.at++
  const rating = reader.peek()?.kind === 'number' ? reader.number() : undefined
  reader.accept('A')
  if (rating !== undefined || reader.peek()?.text.toLowerCase() === 'in') {
    reader.expect('in', 'Say "fuse 3 in" when it goes in.')
    if (rating === undefined && isUnknown(reader.context.system, 'fuse'))
      reader.failAt('Say its size, which nobody has read off the label yet: "fuse 3 in" or "fuse 5 in".', reader.tokens[0])
    return [benchDraft(rating === undefined ? { do: 'slot', holds: 'fuse' } : { do: 'slot', holds: 'fuse', ratingA: rating })]
  }
  if (reader.accept('out')) return [benchDraft({ do: 'slot', holds: 'nothing' })]
  const word = reader.oneOf({ blown: 'blown', good: 'good', ok: 'good' }, 'A fuse is "good", "blown", "out", or goes in: "fuse 3 in".')
  return [{ kind: 'reading', probe: { meter: 'look', at: 'fuse' }, answer: { word } }]
}

/** The further fuse or breaker that the next words name, taken; nothing where they name none. */
export function readFurther(reader: Reader): { part?: PartId } {
  const found = furtherFuses(reader.context.system).find((fuse) => reader.acceptWords(fuse.id) || reader.acceptWords(fuse.name))
  return found ? { part: found.id } : {}
}

/** `panel-fuse blown`, `panel fuse 3 in`, `panel fuse breaker in`, `panel fuse out`, `panel fuse trips`. */
export function readFurtherFuse(reader: Reader): EntryDraft[] | null {
  const { part } = readFurther(reader)
  if (part === undefined) return null
  if (reader.accept('reset')) return [benchDraft({ do: 'reset', part })]
  if (reader.accept('breaker')) {
    reader.expect('in', 'Say "breaker in" when it goes in.')
    return [benchDraft({ do: 'slot', holds: 'breaker', part })]
  }
  const ratingA = reader.peek()?.kind === 'number' ? reader.number() : undefined
  reader.accept('A')
  if (reader.accept('in')) return [benchDraft({ do: 'slot', holds: 'fuse', part, ...(ratingA !== undefined && { ratingA }) })]
  if (reader.accept('out')) return [benchDraft({ do: 'slot', holds: 'nothing', part })]
  const said = reader.oneOf(
    { blown: 'blown', tripped: 'trips', trips: 'trips', good: 'good', ok: 'good', holds: 'good' },
    'It is "good", "blown", "trips", "out", or goes in: "3 in".',
  )
  if (said === 'trips') return [{ kind: 'trip', result: 'trips', on: part }]
  return [{ kind: 'reading', probe: { meter: 'look', at: part }, answer: { word: said } }]
}
