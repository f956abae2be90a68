import { isSameJumper } from '@/src/core/bench/bench'
import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import { inTheHand, readTwoPoints, resolveBoth } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'
import { type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'

export function readJumper(reader: Reader): EntryDraft[] {
  if (reader.accept('out')) return readUnjumper(reader)
  const [a, b] = resolveBoth(reader, inTheHand(reader, readTwoPoints(reader)), null)
  return [benchDraft({ do: 'jumper', a, b })]
}

export function readUnjumper(reader: Reader): EntryDraft[] {
  const { jumpers } = reader.context.state.bench
  if (reader.at >= reader.tokens.length) {
    if (jumpers.length === 1) return [benchDraft({ do: 'unjumper', ...jumpers[0] })]
    reader.fail(jumpers.length === 0 ? 'There is no jumper in.' : 'More than one jumper is in: say which, as in jumper out R Y at indoor.')
  }
  const [a, b] = resolveBoth(reader, readTwoPoints(reader), null)
  if (jumpers.some((jumper) => isSameJumper(jumper, a, b))) return [benchDraft({ do: 'unjumper', a, b })]
  // One that was put on two wires in the hand comes out by their letters as well.
  const nameOf = (point: Point) => terminalPoint(parsePoint(point).name, parsePoint(point).place)
  const [meant, ...others] = jumpers.filter((jumper) => isSameJumper({ a: nameOf(jumper.a), b: nameOf(jumper.b) }, nameOf(a), nameOf(b)))
  return [benchDraft({ do: 'unjumper', ...(meant && others.length === 0 ? meant : { a, b }) })]
}
