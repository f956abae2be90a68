import { type Bench, standingKey } from '@/src/core/bench/bench'
import { wiredNow } from '@/src/core/bench/swaps'
import type { Candidate } from '@/src/core/diagnosis/planner/candidate'
import { joinedCalls, listCandidates, tripAt } from '@/src/core/diagnosis/planner/candidates'
import type { WayOfWorking } from '@/src/core/job/ways'
import { LruCache, Memo } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'
import { conductorEnd } from '@/src/core/wiring/point'
import { firstPart, partsOf, type System } from '@/src/core/wiring/system'

/** All checks worth weighing from a bench; the same objects for the same bench, since keys, routes and what is predicted hang on them. */
export const candidatesFrom = (system: System, bench: Bench): readonly Candidate[] =>
  candidatesOf.of(system).get(standingKey(bench), () =>
    // A spare that serves in a conductor's place is lifted and read in its place, too.
    listCandidates(wiredNow(system, bench.swaps), bench),
  )

/** Benches whose checks are kept: where a job stands, and where its likely answers would leave it. */
const KEPT_BENCHES = workLimit(12)
const candidatesOf = new Memo((_: System) => new LruCache<string, readonly Candidate[]>(KEPT_BENCHES))

/**
 * The checks of a way of working, stage after stage: a stage is only reached when nothing in those before it tells more.
 * Every way ends with the ohmmeter and then with the free choice, so that none of them stops short of an answer.
 */
export function stagesOf(system: System, bench: Bench, way: WayOfWorking): readonly (readonly Candidate[])[] {
  const all = candidatesFrom(system, bench)
  if (way === 'free') return [all]
  const wired = wiredNow(system, bench.swaps)
  const ohms = all.filter((candidate) => !candidate.bench.power)
  // What is to be seen where one stands; no way of working walks for a look before its own steps.
  const looks = all.slice(0, 1).map((look) => ({ ...look, probes: look.probes.filter(({ place }) => place === bench.place) }))
  const own = (): (readonly Candidate[])[] => {
    switch (way) {
      case 'take-off':
        return [looks, ...tripRuns(wired, bench).reverse()]
      case 'add-on':
        return [looks, ...tripRuns(wired, bench)]
      case 'halve':
        return [looks, ...sections(wired, bench)]
      case 'ohms':
        return [looks, ...byHands(ohms)]
      case 'numbers':
        return [looks, ...byNumbers(wired, all)]
    }
  }
  return [...own(), ...byHands(ohms), all]
}

/** Trip or hold with no call joined, with the first, with the first two, ... all of them, at the unit. */
function tripRuns(system: System, bench: Bench): Candidate[][] {
  const { place } = firstPart(system, 'fuse')
  return joinedCalls(system, bench, place).map((joined) => [{ bench: joined, probes: [tripAt(place)] }])
}

/** Everything joined, and one section after another taken off. */
function sections(system: System, bench: Bench): Candidate[][] {
  const { place } = firstPart(system, 'fuse')
  const thermostats = partsOf(system, 'thermostat').map(({ id }) => id)
  const joined = joinedCalls(system, bench, place).at(-1)
  if (!joined) return []
  const cables = [...system.cables].filter((cable) => cable.between.includes(place)).reverse()
  const stages: Candidate[][] = [[{ bench: joined, probes: [tripAt(place)] }]]
  let lifted = joined.lifted
  for (const cable of cables) {
    const side = cable.between.indexOf(place)
    const ends = cable.conductors
      .filter((conductor) => conductor.lands[side] !== null)
      .map((conductor) => conductorEnd(cable.id, conductor.id, place))
    lifted = [...new Set([...lifted, ...ends])]
    stages.push([{ bench: { ...joined, lifted }, probes: [tripAt(place)] }])
  }
  const off = { ...joined, unplugged: [...new Set([...joined.unplugged, ...thermostats])] }
  return [...stages, [{ bench: off, probes: [tripAt(place)] }]]
}

/** Ohms with nothing moved, then with one thing moved, then with more. */
function byHands(ohms: readonly Candidate[]): Candidate[][] {
  const handsOf = ({ bench }: Candidate) => Math.min(3, bench.lifted.length + bench.unplugged.length + bench.jumpers.length)
  return [0, 1, 2, 3].map((hands) => ohms.filter((candidate) => handsOf(candidate) === hands))
}

/** Live readings as the terminals stand: the unit with the transformer first, then the far end of each cable, then with each call. */
function byNumbers(system: System, all: readonly Candidate[]): Candidate[][] {
  const { place } = firstPart(system, 'fuse')
  const order = [place, ...system.places.map(({ id }) => id).filter((id) => id !== place)]
  const live = all.filter(({ bench }) => bench.power && bench.jumpers.length + bench.lifted.length + bench.unplugged.length === 0)
  const volts = (candidates: readonly Candidate[]) =>
    order.map((at) =>
      candidates
        .map(({ bench, probes }) => ({ bench, probes: probes.filter((probe) => probe.place === at && probe.probe.meter === 'volts') }))
        .filter(({ probes }) => probes.length > 0),
    )
  return [...volts(live.filter(({ bench }) => bench.call === 'off')), ...volts(live.filter(({ bench }) => bench.call !== 'off'))]
}
