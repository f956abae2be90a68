import { type Bench, isSameJumper } from '@/src/core/bench/bench'
import { joinedCalls, tripAt } from '@/src/core/diagnosis/planner/candidates'
import type { WayOfWorking } from '@/src/core/job/ways'
import { openedBy, type Probe } from '@/src/core/readings/check'
import { landingsAt } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import type { PlaceId } from '@/src/core/wiring/ids'
import { conductorEnd } from '@/src/core/wiring/point'
import { firstPart, partsOf, type System } from '@/src/core/wiring/system'

/** What a way of working asks next: a bench, and what is asked there. */
export interface WayStep {
  readonly bench: Bench
  readonly probe: Probe
  readonly place: PlaceId
}

/**
 * The next step of a live way of working, by the book: it follows its own answers and nothing else, until one of them ends it. Null for
 * the ways that only choose among checks, and when this one has said what it can say.
 */
export function nextOfWay(system: System, from: Bench, way: WayOfWorking | 'which-call', asked: readonly Observation[]): WayStep | null {
  const { place } = firstPart(system, 'fuse')
  const runs = joinedCalls(system, from, place)
  const told = toldBy(asked)
  const ask = (bench: Bench): WayStep => ({ bench, ...tripAt(place) })
  switch (way) {
    case 'take-off': {
      if (!sawLandings(asked, place)) return { bench: from, probe: { meter: 'look', at: landingsAt(place) }, place }
      const held = [...runs].reverse().findIndex((run) => told(run) !== 'trips')
      // It trips with nothing joined: what is left to take off are the cables.
      if (held < 0) return off(system, runs[0], told, ask)
      const at = runs.length - 1 - held
      if (told(runs[at]) === null) return ask(runs[at])
      return at === runs.length - 1 ? null : off(system, onlyLast(runs, at + 1), told, ask)
    }
    case 'add-on': {
      if (!sawLandings(asked, place)) return { bench: from, probe: { meter: 'look', at: landingsAt(place) }, place }
      const at = runs.findIndex((run) => told(run) !== 'holds')
      if (at < 0) return null
      if (told(runs[at]) === null) return ask(runs[at])
      return off(system, at === 0 ? runs[0] : onlyLast(runs, at), told, ask)
    }
    case 'which-call': {
      const at = runs.findIndex((run) => told(run) !== 'holds')
      return at >= 0 && told(runs[at]) === null ? ask(runs[at]) : null
    }
    case 'halve': {
      const joined = runs[runs.length - 1]
      if (told(joined) === null) return ask(joined)
      return told(joined) === 'holds' ? null : off(system, joined, told, ask)
    }
    case 'free':
    case 'ohms':
    case 'numbers':
      return null
  }
}

type Told = (bench: Bench) => 'trips' | 'holds' | null

/** What a trial on a bench has shown, whenever it was made and whatever the breaker. */
function toldBy(asked: readonly Observation[]): Told {
  const trials = new Map(
    asked.flatMap(({ bench, probe, answer }) =>
      probe.meter === 'trip' ? [[wiredAs(bench), openedBy(answer) === null ? 'holds' : 'trips'] as const] : [],
    ),
  )
  return (bench) => trials.get(wiredAs(bench)) ?? null
}

const wiredAs = ({ call, lifted, unplugged, jumpers }: Bench): string =>
  JSON.stringify([call, [...lifted].sort(), [...unplugged].sort(), jumpers.map(({ a, b }) => [a, b].sort().join('+')).sort()])

const sawLandings = (asked: readonly Observation[], place: PlaceId): boolean =>
  asked.some(({ probe }) => probe.meter === 'look' && probe.at === landingsAt(place))

/** The call that was added last, joined alone. */
function onlyLast(runs: readonly Bench[], at: number): Bench {
  const before = runs[at - 1].jumpers
  return { ...runs[at], jumpers: runs[at].jumpers.filter(({ a, b }) => !before.some((jumper) => isSameJumper(jumper, a, b))) }
}

/** With that joined: the outdoor cable off, then each other cable, then the thermostat, one on top of the other, until it holds. */
function off(system: System, joined: Bench, told: Told, ask: (bench: Bench) => WayStep): WayStep | null {
  const { place } = firstPart(system, 'fuse')
  if (told(joined) === null) return ask(joined)
  let bench = joined
  for (const cable of [...system.cables].filter(({ between }) => between.includes(place)).reverse()) {
    const side = cable.between.indexOf(place)
    const ofThis = cable.conductors.flatMap(({ id, lands }) => (lands[side] === null ? [] : [conductorEnd(cable.id, id, place)]))
    bench = { ...bench, lifted: [...new Set([...bench.lifted, ...ofThis])] }
    const answer = told(bench)
    if (answer === null) return ask(bench)
    if (answer === 'trips') continue
    // The cable is landed again, and what hangs at its far end comes off the wall: the one or the other.
    const ends = partsOf(system, 'thermostat').filter((part) => cable.between.includes(part.place) && part.place !== place)
    const landed = bench.lifted.filter((end) => !ofThis.includes(end))
    const alone: Bench = { ...bench, lifted: landed, unplugged: [...bench.unplugged, ...ends.map(({ id }) => id)] }
    return ends.length > 0 && told(alone) === null ? ask(alone) : null
  }
  return null
}
