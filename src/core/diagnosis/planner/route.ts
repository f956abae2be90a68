import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, isSameJumper, slotOf, standingKey, withoutResistors } from '@/src/core/bench/bench'
import { type CostModel, defaultCost, walkMinutes } from '@/src/core/bench/cost'
import { anyTime, WAITED_OUT_MIN } from '@/src/core/bench/since'
import { servesElsewhere } from '@/src/core/bench/swaps'
import { LruCache, Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import type { PlaceId } from '@/src/core/wiring/ids'
import { inputsOf } from '@/src/core/wiring/part'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { callerOf, firstPart, furtherFuses, partById, partsOf, type System } from '@/src/core/wiring/system'

/** The way from one bench to another: changes in an order that keeps hands off live metal, walks included. */
export interface Route {
  readonly changes: readonly BenchChange[]
  readonly minutes: number
  readonly bench: Bench
  /** Minutes of waiting among them: for a delay that the power-off has started, or for what shows when it is warm. */
  readonly waits: number
}

/**
 * Plans the way. Wires are moved with the power off; it comes back, when it is wanted, after the last of them; then
 * the thermostat is set; then the technician goes where the reading is taken. A call that ends is set back first where that walks no
 * further: whoever stands before the thermostat does not leave it calling. Whoever stands at the switch throws it before any walk: a
 * call that may be burning the transformer does not go on for the way to the thermostat.
 */
export function planRoute(system: System, from: Bench, to: Bench, place: PlaceId, cost: CostModel = defaultCost): Route {
  const last = planInOrder(system, from, to, place, cost, false)
  if (from.call === 'off' || to.call !== 'off') return last
  const first = planInOrder(system, from, to, place, cost, true)
  const isAtSwitch = from.place === firstPart(system, 'fuse').place && last.changes.some(({ do: act }) => act === 'power')
  const saved = last.minutes - first.minutes
  return saved > ALIKE_MIN || (saved > -ALIKE_MIN && !isAtSwitch) ? first : last
}

/** Sums of the same minutes in another order. */
const ALIKE_MIN = workLimit(1e-6)

function planInOrder(system: System, from: Bench, wanted: Bench, place: PlaceId, cost: CostModel, isSetBackFirst: boolean): Route {
  const to = wanted.power ? withoutResistors(wanted) : wanted
  const supplyPlace = firstPart(system, 'fuse').place
  const wires = wireChanges(system, from, to)
  const changes: BenchChange[] = []
  let here = from.place
  let minutes = 0
  let bench = from
  const make = (change: BenchChange) => {
    const applied = applyChange(system, bench, change)
    if (!applied.ok) throw new Error(`planned an impossible change: ${applied.problem}`)
    bench = applied.bench
    changes.push(change)
  }
  const go = (there: string) => {
    if (there === here) return
    minutes += walkMinutes(system, here, there, cost)
    make({ do: 'walk', place: there })
    here = there
  }
  const act = (change: BenchChange, at: string) => {
    go(at)
    minutes += cost.handling[change.do]
    make(change)
  }
  const needsHands = wires.length > 0
  if (isSetBackFirst) act({ do: 'call', call: 'off' }, callerOf(system, from.call).place)
  if (from.power && (!to.power || needsHands)) act({ do: 'power', on: false }, supplyPlace)
  const left = [...wires]
  while (left.length > 0) {
    left.sort(
      (a, b) =>
        walkMinutes(system, here, placeOf(system, a, supplyPlace), cost) - walkMinutes(system, here, placeOf(system, b, supplyPlace), cost),
    )
    // The nearest that can be done now: a jumper may have to wait until another is out or a wire is lifted.
    const next = left.find((change) => applyChange(system, bench, change).ok)
    if (!next) throw new Error(`no order of these works: ${JSON.stringify(left)}`)
    left.splice(left.indexOf(next), 1)
    act(next, placeOf(system, next, supplyPlace))
  }
  if (to.power && (!from.power || needsHands)) act({ do: 'power', on: true }, supplyPlace)
  if (bench.call !== to.call) {
    const [last, next] = [from, to].map(({ call }) => callerOf(system, call).place)
    // A call at another zone's thermostat: the first one is set back before the second is set.
    if (from.call !== 'off' && to.call !== 'off' && last !== next) act({ do: 'call', call: 'off' }, last)
    act({ do: 'call', call: to.call }, to.call === 'off' ? last : next)
  }
  go(place)
  const isRestarted = to.power && changes.some((change) => change.do === 'power' && change.on)
  const isStillOn = !changes.some(({ do: act }) => act === 'power' || act === 'call')
  const isOnSince = isStillOn && waitsFor(from) >= waitsFor(to)
  const waits = Math.max(isRestarted ? delayMinutes(system, to, place) : 0, isOnSince ? 0 : waitsFor(to))
  return { changes, minutes: minutes + waits, bench: readAt(bench, to.since), waits }
}

/** The bench as it stands when it is read. */
const readAt = (bench: Bench, since: Bench['since']): Bench =>
  bench.since === since ? bench : since ? { ...bench, since } : anyTime(bench)

/** Minutes that a reading is put off for the call to have been on. */
const waitsFor = ({ since }: Bench): number => (since?.call === 'minutes' ? WARMS_IN_MIN : since?.call === 'long' ? WAITED_OUT_MIN : 0)

/** What opens with the heat of a call has mostly done so after this long. */
const WARMS_IN_MIN = modelValue({ value: 4, unit: 'minutes', source: 'assumption' })

/**
 * How long a board keeps an output that is called off after the power came back, minutes; 0 where nothing that is called hangs on one, and
 * where nothing of it is read: at the board, and where a wire takes its output.
 */
function delayMinutes(system: System, { call, jumpers }: Bench, place: PlaceId): number {
  if (call === 'off' && jumpers.length === 0) return 0
  const called = call === 'off' ? [] : (callerOf(system, call).calls[call] ?? [])
  const isCalled = (terminal: string) =>
    called.includes(terminal) || jumpers.some(({ a, b }) => [a, b].some((point) => parsePoint(point).name === terminal))
  return partsOf(system, 'board').reduce(
    (most, board) =>
      board.outputs.reduce(
        (longest, output) =>
          inputsOf(output).some(isCalled) && isReadAt(system, board.place, output.to, place)
            ? Math.max(longest, (output.minimumOffS ?? 0) / 60)
            : longest,
        most,
      ),
    0,
  )
}

/** What an output does is read at its board, and at the other end of each wire that is on it. */
const isReadAt = (system: System, atBoard: PlaceId, output: string, place: PlaceId): boolean =>
  place === atBoard ||
  system.cables.some(
    ({ between, conductors }) =>
      between.includes(atBoard) && between.includes(place) && conductors.some(({ lands }) => lands[between.indexOf(atBoard)] === output),
  )

/** The ways from a bench, kept: one ranking asks for each several times, and the next one again. */
export function routesFrom(system: System, from: Bench, cost: CostModel): (to: Bench, place: PlaceId) => Route {
  const kept = routesOf
    .of(system)
    .of(cost)
    .get(standingKey(from), () => new Memo(() => new Map()))
  return (to, place) => {
    const places = kept.of(to)
    const route = places.get(place) ?? planRoute(system, from, to, place, cost)
    places.set(place, route)
    return route
  }
}

/** Benches from which ways are kept: where a job stands, and where its likely answers would leave it. */
const KEPT_BENCHES = workLimit(12)
const routesOf = new Memo((_: System) => new Memo((_: CostModel) => new LruCache<string, Memo<Bench, Map<string, Route>>>(KEPT_BENCHES)))

/** Taking off first, then putting on: a bench never holds more than it needs. */
function wireChanges(system: System, from: Bench, to: Bench): BenchChange[] {
  const changes: BenchChange[] = []
  for (const { a, b } of from.jumpers) if (!to.jumpers.some((jumper) => isSameJumper(jumper, a, b))) changes.push({ do: 'unjumper', a, b })
  for (const part of from.unplugged) if (!to.unplugged.includes(part)) changes.push({ do: 'plug', part })
  for (const end of from.lifted) if (!to.lifted.includes(end)) changes.push({ do: 'land', end })
  // An end in whose place a spare serves is off already.
  const isOff = (end: Point) => from.lifted.includes(end) || servesElsewhere(from.swaps, end)
  for (const end of to.lifted) if (!isOff(end)) changes.push({ do: 'lift', end })
  for (const part of to.unplugged) if (!from.unplugged.includes(part)) changes.push({ do: 'unplug', part })
  for (const jumper of to.jumpers)
    if (!from.jumpers.some((other) => isSameJumper(other, jumper.a, jumper.b))) changes.push({ do: 'jumper', ...jumper })
  const isBuiltBreaker = firstPart(system, 'fuse').holds === 'breaker' && to.slot.holds === 'breaker'
  if (isBuiltBreaker && from.slot.holds === 'as-found') changes.push({ do: 'reset' })
  else if (to.slot.holds !== from.slot.holds && to.slot.holds !== 'as-found')
    changes.push({ do: 'slot', holds: to.slot.holds, ratingA: to.slot.ratingA })
  else if (to.slot.holds === 'breaker' && from.slot.open && !to.slot.open) changes.push({ do: 'reset' })
  for (const { id: part } of furtherFuses(system)) {
    const [was, will] = [slotOf(system, from, part), slotOf(system, to, part)]
    if (will.holds !== was.holds && will.holds !== 'as-found') changes.push({ do: 'slot', holds: will.holds, ratingA: will.ratingA, part })
    else if (was.open && !will.open) changes.push({ do: 'reset', part })
  }
  return changes
}

function placeOf(system: System, change: BenchChange, supplyPlace: string): string {
  switch (change.do) {
    case 'lift':
    case 'land':
      return parsePoint(change.end).place
    case 'jumper':
    case 'unjumper':
      return parsePoint(change.a).place
    case 'plug':
    case 'unplug':
      return partById(system, change.part)?.place ?? supplyPlace
    case 'slot':
    case 'reset':
      return (change.part === undefined ? undefined : partById(system, change.part)?.place) ?? supplyPlace
    default:
      return supplyPlace
  }
}
