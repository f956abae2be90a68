import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import { readPair } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'

export function readJumper(reader: Reader): EntryDraft[] {
  if (reader.accept('out')) return readUnjumper(reader)
  const [a, b] = readPair(reader)
  return [benchDraft({ do: 'jumper', a, b })]
}

export function readUnjumper(reader: Reader): EntryDraft[] {
  const { jumpers } = reader.context.state.bench
  if (reader.at >= reader.tokens.length) {
    if (jumpers.length === 1) return [benchDraft({ do: 'unjumper', ...jumpers[0] })]
    reader.fail(jumpers.length === 0 ? 'There is no jumper in.' : 'More than one jumper is in: say which, as in jumper out R Y at indoor.')
  }
  const [a, b] = readPair(reader)
  return [benchDraft({ do: 'unjumper', a, b })]
}
