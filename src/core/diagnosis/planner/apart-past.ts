import { type Bench, createBench } from '@/src/core/bench/bench'
import { type ApartReading, isOneOf, type Probes, type Separation, whole } from '@/src/core/diagnosis/planner/apart'
import { withJumper } from '@/src/core/diagnosis/planner/with-jumper'
import type { Fault } from '@/src/core/faults/fault'
import { type Probe, probeKey, wordOf } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { runsAt } from '@/src/core/readings/look-target'
import { SHOWS_CALL } from '@/src/core/readings/looks'
import type { Observation } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import type { CallName } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { callsOf, partsOf, type System } from '@/src/core/wiring/system'
import { feedOf } from '@/src/core/wiring/thermostat'
import { PLATE_VOLTS } from '@/src/core/wiring/values'

/** What should pass a call on, a thermostat's contact or a board's output: jumped past, and read on its own call. */

/** The hot side joined to a terminal, and what it reads then to common: full volts, or it trips on the short that a contact had let go of. */
function jumpedPast(system: System, bench: Bench, hot: string, name: string, place: PlaceId): ApartReading[] {
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
  const shows = ({ probe, answer }: Observation) => probe.meter === 'look' && probe.at === stat.id && wordOf(answer) === SHOWS_CALL
  return calls.some(shows) && calls.some(({ probe }) => probeKey(probe) === across)
}

/** The contact of a thermostat jumped past, at the unit or at the wall. */
export function ofContact(system: System, { part, touches }: Fault): Separation | null {
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

/**
 * What a thermostat does on its own call, by the meter: all runs well with it jumped past in a sound house, too. Volts on its terminal, or
 * across its contact, while a call is on that closes it.
 */
export function ofOpenContact(system: System, { part, touches }: Fault): Separation | null {
  const stat = partsOf(system, 'thermostat').find(({ id }) => id === part)
  if (!stat || touches.length === 0) return null
  const { name } = parsePoint(touches[0])
  const hot = feedOf(stat, name)
  const calls = callsOf(system).filter((call) => stat.calls[call]?.includes(name))
  const across: Probe = { meter: 'volts', a: terminalPoint(hot, stat.place), b: terminalPoint(name, stat.place) }
  return {
    ways: (bench) => calls.map((call) => ({ bench: { ...whole(system, bench), call }, probe: across, place: stat.place })),
    isMade: (observations) =>
      observations.some(
        ({ bench, probe }) =>
          bench.power &&
          bench.jumpers.length === 0 &&
          calls.some((call) => call === bench.call) &&
          probe.meter === 'volts' &&
          [probe.a, probe.b].some((point) => parsePoint(point).name === name),
      ),
  }
}

/**
 * A contact that stays in with nothing on its coil is welded; with volts there, something holds it in. Both are seen with nothing called:
 * one that is in on another call than its own may be fed by that.
 */
export function ofWeld(system: System, { part }: Fault): Separation[] {
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  if (!coil) return []
  const [a, b] = coil.between.map((name) => terminalPoint(name, coil.place))
  const across: Probe = { meter: 'volts', a, b }
  const fed = partsOf(system, 'load').filter(
    ({ place, between }) => place === coil.place && between.some((name) => name === coil.contact?.[1]),
  )
  const seenAt = [coil.id, runsAt(coil.place), ...fed.map(({ id }) => id)]
  const isIdle = (bench: Bench) => bench.power && bench.call === 'off' && bench.jumpers.length === 0
  return [
    {
      ways: (bench) => [{ bench: whole(system, bench), probe: across, place: coil.place }],
      // Unplugged, the coil has no volts either.
      isMade: (observations) =>
        observations.some(
          ({ bench, probe }) =>
            isIdle(bench) && (probeKey(probe) === probeKey(across) || (bench.unplugged.includes(coil.id) && probe.meter === 'look')),
        ),
    },
    {
      ways: (bench) => [{ bench: whole(system, bench), probe: { meter: 'look', at: coil.id }, place: coil.place }],
      isMade: (observations) =>
        observations.some(({ bench, probe }) => isIdle(bench) && probe.meter === 'look' && seenAt.includes(probe.at)),
    },
  ]
}

/** The thermostat off the wall, or its wire off: what is still live then is not the thermostat's doing. */
export function ofStuck(system: System, { part, touches }: Fault): Separation | null {
  const stat = partsOf(system, 'thermostat').find(({ id }) => id === part)
  if (!stat || touches.length === 0) return null
  const { name } = parsePoint(touches[0])
  const units = system.places.filter(({ id, terminals }) => id !== stat.place && terminals.includes(name))
  const isOff = (bench: Bench) =>
    bench.unplugged.includes(stat.id) || bench.lifted.some((end) => parsePoint(end).place === stat.place && parsePoint(end).name === name)
  return {
    ways: (bench) =>
      units.flatMap(({ id: place }): ApartReading[] => {
        const point = terminalPoint(name, place)
        const common = commonBeside(system, point)
        const bare = { ...whole(system, bench), unplugged: [stat.id] }
        return common ? [{ bench: bare, probe: { meter: 'volts', a: point, b: common }, place }] : []
      }),
    isMade: (observations) =>
      observations.some(
        ({ bench, probe }) => isOff(bench) && 'a' in probe && [probe.a, probe.b].some((point) => parsePoint(point).name === name),
      ),
  }
}

/** What a board puts out fed from its own supply, or with a gas valve on it, which nothing but its ignition may open, read with that unplugged. */
export function ofOutput(system: System, { part, effects }: Fault): Separation | null {
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

/**
 * An output that is said to come and go, with the call left on: what the board is given there, and what it gives. A switch ahead of it that
 * opens with the heat takes the first away, and what hangs on it lets go with the second still there.
 */
export function ofToggle(laboratory: Laboratory, { part, touches }: Fault): Separation[] {
  const { system } = laboratory
  const board = partsOf(system, 'board').find(({ id }) => id === part)
  if (!board) return []
  const leftOn = (bench: Bench, call: CallName): Bench => ({ ...whole(system, bench), call, since: { call: 'long', power: 'long' } })
  return touches.flatMap((point): Separation[] => {
    const common = commonBeside(system, point)
    // What an ignition opens is closed again as its flame goes out, whoever took that away.
    if (!common || (board.ignites && point === terminalPoint(board.ignites.opens, board.place))) return []
    const probe: Probe = { meter: 'volts', a: point, b: common }
    const calls = callsOf(system).filter((call) => {
      const [{ at }] = predict(laboratory, leftOn(createBench(system), call), healthy, probe)
      return typeof at === 'number' && at > PLATE_VOLTS / 2
    })
    if (calls.length === 0) return []
    return [
      {
        ways: (bench) => calls.map((call) => ({ bench: leftOn(bench, call), probe, place: board.place })),
        isMade: (observations) =>
          observations.some(
            ({ bench, probe: known }) =>
              probeKey(known) === probeKey(probe) && bench.power && bench.call !== 'off' && bench.since?.call === 'long',
          ),
      },
    ]
  })
}
