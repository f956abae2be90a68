import { type BenchChange, isResistor, type Jumper } from '@/src/core/bench/bench'
import { sayChange } from '@/src/core/bench/say'
import { listed, sayJumpers } from '@/src/core/bench/say-jumpers'
import type { PlaceId } from '@/src/core/wiring/ids'
import { conductorEnd, parsePoint } from '@/src/core/wiring/point'
import { cableById, placeById, type System } from '@/src/core/wiring/system'

/** Changes as a hand makes them, in their order: a cable is one thing, taken off in one act, and so is a bundle of jumpers from one point. */
export function sayChanges(system: System, changes: readonly BenchChange[]): string[] {
  const said: string[] = []
  // A walk is said with what is done at its end.
  let place: PlaceId | null = null
  for (let at = 0; at < changes.length; ) {
    const change = changes[at]
    let next = at + 1
    while (next < changes.length && isOneAct(change, changes[next])) next++
    const acts = sayAct(system, changes.slice(at, next))
    at = next
    if (change.do === 'walk' && at < changes.length) {
      place = placeById(system, change.place)?.name ?? change.place
      continue
    }
    said.push(...(place === null ? acts : acts.map((act) => `at the ${place}: ${act.replace(` at the ${place}`, '')}`)))
    place = null
  }
  return said
}

function isOneAct(one: BenchChange, other: BenchChange): boolean {
  if (one.do === 'lift' || one.do === 'land') {
    if (other.do !== one.do) return false
    const [a, b] = [parsePoint(one.end), parsePoint(other.end)]
    return a.cable === b.cable && a.place === b.place
  }
  if (one.do === 'jumper' || one.do === 'unjumper')
    return (
      other.do === one.do &&
      isResistorAct(one) === isResistorAct(other) &&
      [other.a, other.b].some((point) => point === one.a || point === one.b)
    )
  return false
}

function sayAct(system: System, act: readonly BenchChange[]): string[] {
  const [first] = act
  if (act.length === 1) return [sayChange(system, first)]
  if (first.do === 'lift' || first.do === 'land') {
    const { cable: id, place } = parsePoint(first.end)
    const cable = cableById(system, id ?? '')
    if (!cable) return act.map((change) => sayChange(system, change))
    const side = cable.between.indexOf(place)
    const landed = cable.conductors.filter(({ lands }) => lands[side] !== null)
    const ends = act.flatMap((change) => (change.do === first.do && 'end' in change ? [change.end] : []))
    const isWhole = landed.every((conductor) => ends.includes(conductorEnd(cable.id, conductor.id, place)))
    const letters = listed(ends.map((end) => parsePoint(end).name))
    const at = `at the ${placeById(system, place)?.name ?? place}`
    if (isWhole) return [`${first.do === 'lift' ? 'take off' : 'put back'} the ${cable.name} ${at}: ${letters}`]
    return [`${first.do} ${letters} of the ${cable.name} ${at}`]
  }
  const jumpers = act.flatMap((change): Jumper[] =>
    change.do === 'jumper'
      ? [{ a: change.a, b: change.b, ...(change.ohm !== undefined && { ohm: change.ohm }) }]
      : change.do === 'unjumper'
        ? [change]
        : [],
  )
  return [
    `${first.do === 'jumper' ? (jumpers.every(isResistor) ? 'clip in' : 'jumper') : 'take out the jumpers'} ${sayJumpers(system, jumpers)}`,
  ]
}

const isResistorAct = (change: BenchChange): boolean => change.do === 'jumper' && change.ohm !== undefined
