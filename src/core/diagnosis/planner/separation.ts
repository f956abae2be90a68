import { type Bench, createBench } from '@/src/core/bench/bench'
import { anyTime } from '@/src/core/bench/since'
import { readyFuses } from '@/src/core/diagnosis/planner/candidates'
import { withJumper } from '@/src/core/diagnosis/planner/with-jumper'
import { faultFamilies } from '@/src/core/faults/families'
import type { Fault } from '@/src/core/faults/fault'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { SHOWS_CALL } from '@/src/core/readings/looks'
import type { Observation } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import type { CallName } from '@/src/core/wiring/call'
import type { PartOf } from '@/src/core/wiring/part'
import { CHASSIS, conductorEnd, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { cableById, callsOf, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf } from '@/src/core/wiring/thermostat'

/**
 * Found means that the separating check was made. What is blamed is read by itself: a cable with its wires off at both ends, a lead with
 * all that hangs on it off, a coil with its leads off. What should pass a call on is jumped past, live: nothing else tells a contact that
 * stays open from one that lets go of a short. A delay is waited out.
 */
export interface Separation {
  /** Any one of these readings says it. */
  readonly ways: (bench: Bench) => readonly ApartReading[]
  /** The readings have said it already. */
  readonly isMade: (observations: readonly Observation[]) => boolean
}

interface ApartReading {
  readonly bench: Bench
  readonly probe: Probe
  readonly place: string
}

/** How what a fault blames is read by itself; null where nothing stands to be. */
export function separationOf(laboratory: Laboratory, fault: Fault): Separation | null {
  const { system } = laboratory
  switch (faultFamilies[fault.family].readApart) {
    case 'cable':
      return ofCable(system, fault)
    case 'lead':
      return ofLead(system, fault)
    case 'line':
      return ofLine(system, fault)
    case 'across':
      return ofBranch(system, fault)
    case 'coil':
      return ofCoil(system, fault)
    case 'contact':
      return ofContact(system, fault)
    case 'output':
      return ofOutput(system, fault)
    case 'delay':
      return ofDelay(system, fault)
    case 'armature':
      return ofArmature(laboratory, fault)
    case 'load':
      return ofLoad(laboratory, fault)
    case undefined:
      return null
  }
}

type Probes = readonly Omit<ApartReading, 'bench'>[]

/** Read with the power off, with at the least these off. */
const deadApart = (lifted: readonly Point[], unplugged: readonly string[], probes: Probes): Separation => ({
  ways: (bench) => {
    const apart: Bench = {
      ...bench,
      power: false,
      call: 'off',
      jumpers: [],
      lifted: [...new Set([...bench.lifted, ...lifted])],
      unplugged: [...new Set([...bench.unplugged, ...unplugged])],
    }
    return probes.map((one) => ({ ...one, bench: apart }))
  },
  isMade: (observations) =>
    observations.some(
      ({ bench, probe }) =>
        isOneOf(probes, probe) &&
        !bench.power &&
        bench.jumpers.length === 0 &&
        lifted.every((end) => bench.lifted.includes(end)) &&
        unplugged.every((part) => bench.unplugged.includes(part)),
    ),
})

/** Read with the power on and nothing called: whatever else is off makes no difference to a line. */
const liveAt = (probes: Probes): Separation => ({
  ways: (bench) => probes.map((one) => ({ ...one, bench: { ...bench, power: true, call: 'off' } })),
  isMade: (observations) => observations.some(({ bench, probe }) => isOneOf(probes, probe) && bench.power),
})

const isOneOf = (probes: Probes, wanted: Probe): boolean => probes.some(({ probe }) => probeKey(probe) === probeKey(wanted))

/** Its wires off at both ends, each against the other, or against the metal that it runs along. */
function ofCable(system: System, { zone, touches }: Fault): Separation | null {
  const cable = cableById(system, zone)
  if (!cable) return null
  const names = [...new Set(touches.filter((point) => parsePoint(point).cable === zone).map((point) => parsePoint(point).name))]
  const lifted = names.flatMap((name) => {
    const lands = cable.conductors.find(({ id }) => id === name)?.lands ?? [null, null]
    return cable.between.flatMap((place, side) => (lands[side] === null ? [] : [conductorEnd(zone, name, place)]))
  })
  const probes = cable.between.flatMap((place): Probes => {
    const ends = names.map((name) => conductorEnd(zone, name, place))
    if (ends.length === 2) return [{ probe: { meter: 'ohms', a: ends[0], b: ends[1] }, place }]
    return placeById(system, place)?.metal ? [{ probe: { meter: 'ohms', a: ends[0], b: terminalPoint(CHASSIS, place) }, place }] : []
  })
  return probes.length === 0 ? null : deadApart(lifted, [], probes)
}

/** The wires on its terminal off, and the parts that hang on it: then it reads to the metal by itself. */
function ofLead(system: System, { zone: place, touches }: Fault): Separation | null {
  const lead = touches.find((point) => parsePoint(point).place === place)
  if (!lead) return null
  const name = lead.slice(0, lead.indexOf('@'))
  const lifted = system.cables.flatMap((cable) =>
    cable.between.flatMap((where, side) =>
      where === place ? cable.conductors.flatMap(({ id, lands }) => (lands[side] === name ? [conductorEnd(cable.id, id, place)] : [])) : [],
    ),
  )
  const unplugged = [...partsOf(system, 'switch'), ...partsOf(system, 'coil')]
    .filter((part) => part.place === place && part.between.includes(name))
    .map(({ id }) => id)
  if (lifted.length + unplugged.length === 0) return null
  return deadApart(lifted, unplugged, [{ probe: { meter: 'ohms', a: lead, b: terminalPoint(CHASSIS, place) }, place }])
}

/** A line that is dead across its legs or its neutral is read to ground: an open neutral reads nothing across, and all of it to ground. */
function ofLine(system: System, { touches }: Fault): Separation | null {
  const [leg] = touches
  const { place } = parsePoint(leg)
  if (!placeById(system, place)?.metal) return null
  return liveAt([{ probe: { meter: 'volts', a: leg, b: terminalPoint(CHASSIS, place) }, place }])
}

/** A leg or a neutral that is gone leaves nothing, or a part, across what hangs on it: the primary of a transformer, else leg to leg. */
function ofBranch(system: System, { touches }: Fault): Separation | null {
  const [point] = touches
  const { name, place } = parsePoint(point)
  const pairs = [
    ...partsOf(system, 'transformer').flatMap((part) => (part.place === place ? [part.primary] : [])),
    ...partsOf(system, 'disconnect').flatMap((part) => (part.place === place ? [part.poles.map(([, after]) => after)] : [])),
  ]
  const pair = pairs.find((names) => names.length === 2 && names.includes(name))
  if (!pair) return null
  const [a, b] = pair.map((one) => terminalPoint(one, place))
  return liveAt([{ probe: { meter: 'volts', a, b }, place }])
}

/** A coil across its own two leads. */
function ofCoil(system: System, { part }: Fault): Separation | null {
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  if (!coil) return null
  return deadApart([], [coil.id], [{ probe: { meter: 'ohms', a: pinPoint(coil, 0), b: pinPoint(coil, 1) }, place: coil.place }])
}

/** An armature that is said not to move, looked at itself on a call that feeds it: what draws too much may be anything that was called. */
function ofArmature(laboratory: Laboratory, { part }: Fault): Separation | null {
  const { system } = laboratory
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  if (!coil) return null
  const probe: Probe = { meter: 'look', at: coil.id }
  const calls = callsThatMove(laboratory, probe)
  return {
    ways: (bench) => calls.map((call) => ({ bench: { ...whole(system, bench), call }, probe, place: coil.place })),
    isMade: (observations) =>
      observations.some(
        ({ bench, probe: known }) =>
          probeKey(known) === probeKey(probe) && bench.power && (calls.some((call) => call === bench.call) || bench.jumpers.length > 0),
      ),
  }
}

/** The calls on which a part of a sound house is seen to do something else than at rest. */
function callsThatMove(laboratory: Laboratory, probe: Probe): CallName[] {
  const { system } = laboratory
  const atRest = whole(system, createBench(system))
  const seenOn = (bench: Bench) => JSON.stringify(predict(laboratory, bench, healthy, probe).map(({ at }) => at))
  return callsOf(system).filter((call) => seenOn({ ...atRest, call }) !== seenOn(atRest))
}

/** Volts across a motor or an element on a call that runs it: with them it is dead itself, without them what feeds it is. */
function ofLoad(laboratory: Laboratory, { part }: Fault): Separation | null {
  const { system } = laboratory
  const load = partsOf(system, 'load').find(({ id }) => id === part)
  if (!load) return null
  const [a, b] = load.between.map((name) => terminalPoint(name, load.place))
  const probes: Probes = [{ probe: { meter: 'volts', a, b }, place: load.place }]
  const calls = callsThatMove(laboratory, { meter: 'look', at: load.id })
  return {
    ways: (bench) => calls.flatMap((call) => probes.map((one) => ({ ...one, bench: { ...whole(system, bench), call } }))),
    isMade: (observations) =>
      observations.some(
        ({ bench, probe }) =>
          isOneOf(probes, probe) && bench.power && (bench.jumpers.length > 0 || calls.some((call) => call === bench.call)),
      ),
  }
}

/** Nothing lifted or unplugged, the power on, ready to trip. */
const whole = (system: System, bench: Bench): Bench => ({
  ...anyTime(bench),
  lifted: [],
  jumpers: [],
  unplugged: [],
  power: true,
  call: 'off',
  ...readyFuses(system, bench),
})

/** The hot side joined to a terminal, and what it reads then to common: full volts, or it trips on the short that a contact had let go of. */
function jumpedPast(system: System, bench: Bench, hot: string, name: string, place: string): ApartReading[] {
  const point = terminalPoint(name, place)
  const common = commonBeside(system, point)
  const jumped = common && withJumper(system, whole(system, bench), terminalPoint(hot, place), point)
  return jumped ? [{ bench: jumped, probe: { meter: 'volts', a: point, b: common }, place }] : []
}

const wasJumped = (observations: readonly Observation[], hot: string, name: string): boolean =>
  observations.some(
    ({ bench, probe }) =>
      bench.power &&
      probe.meter !== 'ohms' &&
      bench.jumpers.some(({ a, b }) => [a, b].every((point) => [hot, name].includes(parsePoint(point).name))),
  )

/** The display shows that it calls, and the volts across the contact stay: one that lets go of a short would show it. */
function wasSeenOpen(observations: readonly Observation[], stat: PartOf<'thermostat'>, hot: string, name: string): boolean {
  const across = probeKey({ meter: 'volts', a: terminalPoint(hot, stat.place), b: terminalPoint(name, stat.place) })
  const calls = observations.filter(({ bench }) => bench.power && bench.call !== 'off' && stat.calls[bench.call]?.includes(name))
  const shows = ({ probe, answer }: Observation) =>
    probe.meter === 'look' && probe.at === stat.id && typeof answer === 'object' && 'word' in answer && answer.word === SHOWS_CALL
  return calls.some(shows) && calls.some(({ probe }) => probeKey(probe) === across)
}

/** The contact of a thermostat jumped past, at the unit or at the wall. */
function ofContact(system: System, { part, touches }: Fault): Separation | null {
  const stat = partsOf(system, 'thermostat').find(({ id }) => id === part)
  if (!stat || touches.length === 0) return null
  const { name } = parsePoint(touches[0])
  const hot = feedOf(stat, name)
  const places = system.places.filter(({ terminals }) => [hot, name].every((one) => terminals.includes(one)))
  return {
    ways: (bench) => places.flatMap(({ id }) => jumpedPast(system, bench, hot, name, id)),
    isMade: (observations) => wasJumped(observations, hot, name) || wasSeenOpen(observations, stat, hot, name),
  }
}

/** What a board puts out fed from its own supply, or with a gas valve on it, which nothing but its ignition may open, read with that unplugged. */
function ofOutput(system: System, { part, effects }: Fault): Separation | null {
  const board = partsOf(system, 'board').find(({ id }) => id === part)
  const to = effects.flatMap((effect) => (effect.do === 'output' ? [effect.to] : []))[0]
  if (!board || to === undefined) return null
  const { place } = board
  const [hot] = board.between
  const valves = partsOf(system, 'coil').filter((coil) => coil.role === 'gas-valve' && coil.place === place && coil.between.includes(to))
  if (valves.length === 0)
    return {
      ways: (bench) => jumpedPast(system, bench, hot, to, place),
      isMade: (observations) => wasJumped(observations, hot, to),
    }
  const point = terminalPoint(to, place)
  const common = commonBeside(system, point)
  const call = callsOf(system).find((one) => one.startsWith('heat'))
  if (!common || !call) return null
  const unplugged = valves.map(({ id }) => id)
  const probes: Probes = [{ probe: { meter: 'volts', a: point, b: common }, place }]
  return {
    ways: (bench) => probes.map((one) => ({ ...one, bench: { ...whole(system, bench), call, unplugged } })),
    isMade: (observations) =>
      observations.some(
        ({ bench, probe }) => isOneOf(probes, probe) && bench.power && unplugged.every((id) => bench.unplugged.includes(id)),
      ),
  }
}

/** A delay that is over is none: the call left on for its minutes, and what should have come on by then. */
function ofDelay(system: System, { part, touches }: Fault): Separation | null {
  const point = touches[touches.length - 1]
  const { place } = parsePoint(point)
  const common = commonBeside(system, point)
  const call = callsOf(system).find((one) => one.startsWith('cool'))
  if (!common || !call) return null
  return {
    ways: (bench) => [
      {
        bench: {
          ...whole(system, bench),
          call: bench.call === 'off' ? call : bench.call,
          since: { call: 'minutes', power: 'long' },
        },
        probe: { meter: 'volts', a: point, b: common },
        place,
      },
    ],
    isMade: (observations) =>
      observations.some(
        ({ bench, probe }) =>
          bench.power && bench.call !== 'off' && bench.since?.call === 'minutes' && !(probe.meter === 'look' && probe.at === part),
      ),
  }
}
