import { isResistor, isSameJumper } from '@/src/core/bench/bench'
import { valuesIn } from '@/src/core/cable/resistor-values'
import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import { inTheHand, readTwoPoints, resolveBoth } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'
import { type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'

export function readJumper(reader: Reader): EntryDraft[] {
  if (reader.accept('out')) return readUnjumper(reader)
  const said = readTwoPoints(reader)
  // Said again of one that is in, whatever came off meanwhile: what it brings is told behind it.
  const [screw, other] = resolveBoth(reader, said, null)
  if (reader.context.state.bench.jumpers.some((jumper) => isSameJumper(jumper, screw, other))) return []
  const [a, b] = resolveBoth(reader, inTheHand(reader, said), null)
  return [benchDraft({ do: 'jumper', a, b })]
}

/** `resistor 2.2k Y C`: one of known value between two wires in the hand. */
export function readResistor(reader: Reader): EntryDraft[] {
  const value = reader.number()
  const unit = ['k', 'kohm', 'ohm', 'ohms', 'm', 'mohm'].find((one) => reader.accept(one)) ?? ''
  for (const filler of ['from', 'between']) reader.accept(filler)
  const [a, b] = resolveBoth(reader, inTheHand(reader, readTwoPoints(reader)), null)
  const factor = unit.startsWith('k') ? 1e3 : unit.startsWith('m') ? 1e6 : 1
  return [benchDraft({ do: 'jumper', a, b, ohm: Number((value * factor).toPrecision(6)) })]
}

/** `resistors 2.2k 4.7k 10k`: at hand for every cable that comes here; `resistors none`; `resistors out`. */
export function readResistors(reader: Reader): EntryDraft[] {
  const { system, state } = reader.context
  if (reader.accept('out')) {
    const resistors = state.bench.jumpers.filter(isResistor)
    if (resistors.length === 0) reader.fail('There is no resistor in.')
    return resistors.map(({ a, b }) => benchDraft({ do: 'unjumper', a, b }))
  }
  const isNone = reader.accept('none')
  const ohms = isNone ? [] : valuesIn(reader.words('Say their values: "resistors 2.2k 4.7k 10k".'))
  if (ohms === null) return reader.fail('Their values, each another one, from 1k to 1M: "resistors 2.2k 4.7k 10k".')
  return system.cables
    .filter(({ between }) => between.includes(state.bench.place))
    .map(({ id }) => ({ kind: 'run', cable: id, fact: { what: 'resistors', ohms: [...ohms] } }))
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
