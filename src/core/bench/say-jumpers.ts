import { isResistor, type Jumper } from '@/src/core/bench/bench'
import { sayPoint } from '@/src/core/bench/points'
import { sayPair } from '@/src/core/bench/say'
import { sayOhms } from '@/src/core/units/quantity'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { placeById, type System } from '@/src/core/wiring/system'

/** A clip lead, or a resistor with its value, and where it is. */
const sayOne = (system: System, { a, b, ohm }: Jumper): string =>
  `${ohm === undefined ? '' : `${sayOhms(ohm)} from `}${sayPair(system, a, b)}`

/** Jumpers as they are said: those from one point together. */
export function sayJumpers(system: System, jumpers: readonly Jumper[]): string {
  const [first] = jumpers
  const hub = [first.a, first.b].find((point) => jumpers.every(({ a, b }) => a === point || b === point))
  if (jumpers.length === 1 || hub === undefined) return jumpers.map((jumper) => sayOne(system, jumper)).join(', ')
  if (jumpers.some(isResistor) && !jumpers.every(isResistor)) return listed(jumpers.map((jumper) => sayOne(system, jumper)))
  const others = jumpers.map(({ a, b }) => (a === hub ? b : a))
  const { place } = parsePoint(hub)
  if (!others.every((point) => parsePoint(point).place === place)) return jumpers.map(({ a, b }) => sayPair(system, a, b)).join(', ')
  const at = ` at the ${placeById(system, place)?.name ?? place}`
  const plain = (point: Point) => sayPoint(system, point).replace(at, '')
  if (jumpers.every(isResistor)) {
    const values = jumpers.map(({ a, b, ohm = 0 }) => `${parsePoint(a === hub ? b : a).name} ${sayOhms(ohm)}`)
    return `resistors to ${sayPoint(system, hub)}: ${values.join(', ')}`
  }
  return `${plain(hub)} to ${listed(others.map(plain))}${at}`
}

export const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`
