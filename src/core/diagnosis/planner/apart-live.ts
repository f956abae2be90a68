import { type Bench, createBench } from '@/src/core/bench/bench'
import { isOneOf, type Probes, readsShorted, type Separation, whole } from '@/src/core/diagnosis/planner/apart'
import { withJumper } from '@/src/core/diagnosis/planner/with-jumper'
import type { Effect } from '@/src/core/faults/effect'
import type { Fault } from '@/src/core/faults/fault'
import { HUMMING } from '@/src/core/readings/capacitor-looks'
import { type Probe, probeKey, wordOf } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { flameOf, flameSignalOf, runsAt } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import { modelValue } from '@/src/core/units/model-value'
import type { CallName } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { landingLink } from '@/src/core/wiring/links'
import { CHASSIS, conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside, houseHot } from '@/src/core/wiring/supply'
import { cableById, callsOf, firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { hotTerminals } from '@/src/core/wiring/thermostat'

/** What only shows while it is called: read or looked at live, by itself or jumped past. */

/** The calls on which a part of a sound house is seen to do something else than at rest. */
function callsThatMove(laboratory: Laboratory, probe: Probe): CallName[] {
  const { system } = laboratory
  const atRest = whole(system, createBench(system))
  const seenOn = (bench: Bench) => JSON.stringify(predict(laboratory, bench, healthy, probe).map(({ at }) => at))
  return callsOf(system).filter((call) => seenOn({ ...atRest, call }) !== seenOn(atRest))
}

/** An armature that is said not to move, looked at itself on a call that feeds it: what draws too much may be anything that was called. */
export function ofArmature(laboratory: Laboratory, { part }: Fault): Separation | null {
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

/**
 * A coil of a few shorted turns, which another sound one reads as well: the call made with it unplugged. What still pulls the supply down then
 * is something else.
 */
export function ofItsLoad(laboratory: Laboratory, { part }: Fault): Separation | null {
  const { system } = laboratory
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  if (!coil) return null
  const [a, b] = coil.between.map((name) => terminalPoint(name, coil.place))
  const calls = callsThatMove(laboratory, { meter: 'look', at: coil.id })
  const isOff = ({ unplugged }: Bench) => unplugged.includes(coil.id)
  return {
    ways: (bench) =>
      calls.map((call) => ({
        bench: { ...whole(system, bench), call, unplugged: [coil.id] },
        probe: { meter: 'volts', a, b },
        place: coil.place,
      })),
    isMade: (observations) =>
      observations.some(({ bench }) => isOff(bench) && bench.power && (bench.call !== 'off' || bench.jumpers.length > 0)) ||
      readsShorted(observations, coil),
  }
}

/** A flame that is said not to be sensed: its current while it burns. With a good one something else takes the fire away. */
export function ofSignal(laboratory: Laboratory, { part, zone }: Fault): Separation | null {
  const { system } = laboratory
  if (part === null) return null
  const probe: Probe = { meter: 'look', at: flameSignalOf(part) }
  const calls = callsThatMove(laboratory, { meter: 'look', at: flameOf(part) })
  return {
    ways: (bench) => calls.map((call) => ({ bench: { ...whole(system, bench), call }, probe, place: zone })),
    isMade: (observations) => observations.some(({ bench, probe: known }) => bench.power && probeKey(known) === probeKey(probe)),
  }
}

/** From this on an electromagnet closes, whatever else is wrong: 85 % of 24 V. */
const MUST_CLOSE_V = modelValue({ value: 20.4, unit: 'V', source: 'IEC 60947-4-1, limits of operation of electromagnetic contactors' })

/**
 * The volts across a coil whose armature stays out: with all of them it is the armature. On a supply that something else pulls down a
 * sound one stays out as well, and is fed alone to tell.
 */
export function ofItsVolts(laboratory: Laboratory, { part }: Fault): Separation | null {
  const { system } = laboratory
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  if (!coil) return null
  const [a, b] = coil.between.map((name) => terminalPoint(name, coil.place))
  const across: Probe = { meter: 'volts', a, b }
  const seen: Probe = { meter: 'look', at: coil.id }
  const calls = callsThatMove(laboratory, seen)
  const atRest = JSON.stringify(predict(laboratory, whole(system, createBench(system)), healthy, seen))
  const fedAlone = (bench: Bench): Bench[] =>
    hotsAt(system, coil.place).flatMap((hot) =>
      (placeById(system, coil.place)?.terminals ?? []).flatMap((name) => {
        const jumped = withJumper(system, whole(system, bench), hot, terminalPoint(name, coil.place))
        return jumped && JSON.stringify(predict(laboratory, jumped, healthy, seen)) !== atRest ? [jumped] : []
      }),
    )
  return {
    ways: (bench) => [
      ...calls.map((call) => ({ bench: { ...whole(system, bench), call }, probe: across, place: coil.place })),
      ...fedAlone(bench).map((alone) => ({ bench: alone, probe: seen, place: coil.place })),
    ],
    isMade: (observations) =>
      observations.some(
        ({ bench, probe, answer }) =>
          bench.power &&
          (probeKey(probe) === probeKey(across)
            ? typeof answer === 'number' && answer >= MUST_CLOSE_V
            : probeKey(probe) === probeKey(seen) && bench.call === 'off' && bench.jumpers.length > 0),
      ),
  }
}

/**
 * Volts across a motor or an element on a call that runs it: with them it is dead itself, without them what feeds it is. Both are one fact
 * only on one bench: volts that a jumper brought yesterday say nothing of a motor that stands still on a call, when a relay lets go warm.
 */
export function ofLoad(laboratory: Laboratory, { part }: Fault): Separation | null {
  const { system } = laboratory
  const load = partsOf(system, 'load').find(({ id }) => id === part)
  if (!load) return null
  const [a, b] = load.between.map((name) => terminalPoint(name, load.place))
  const probes: Probes = [{ probe: { meter: 'volts', a, b }, place: load.place }]
  const calls = callsThatMove(laboratory, { meter: 'look', at: load.id })
  const isStill = ({ probe, answer }: Observation) =>
    probe.meter === 'look' && [load.id, runsAt(load.place)].includes(probe.at) && STILL.has(wordOf(answer) ?? '')
  return {
    ways: (bench) => calls.flatMap((call) => probes.map((one) => ({ ...one, bench: { ...whole(system, bench), call } }))),
    isMade: (observations) => {
      const stills = observations.filter(isStill).map(({ bench }) => actsOn(bench))
      return observations.some(
        ({ bench, probe }) =>
          isOneOf(probes, probe) &&
          bench.power &&
          (bench.jumpers.length > 0 || calls.some((call) => call === bench.call)) &&
          (stills.length === 0 || stills.includes(actsOn(bench))),
      )
    },
  }
}

/**
 * Of a run of two wires, that the common is bonded: at its far end which of them is broken shows against the metal alone, and there only
 * where the metal is common.
 */
export function ofBond({ system }: Laboratory, { zone }: Fault): Separation | null {
  const used = cableById(system, zone)?.conductors.filter(({ lands }) => lands.every((terminal) => terminal !== null)) ?? []
  const { place } = firstPart(system, 'transformer')
  if (used.length !== 2 || partsOf(system, 'bond').length === 0 || !placeById(system, place)?.metal) return null
  const probes: Probes = [{ probe: { meter: 'volts', a: terminalPoint(houseHot(system), place), b: terminalPoint(CHASSIS, place) }, place }]
  return {
    ways: (bench) => probes.map((one) => ({ ...one, bench: whole(system, bench) })),
    isMade: (observations) => observations.some(({ bench, probe }) => isOneOf(probes, probe) && bench.power),
  }
}

/** Volts across a line contact whose armature is in: a sound one has none there. */
export function ofFaces(laboratory: Laboratory, { part }: Fault): Separation | null {
  const { system } = laboratory
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  if (!coil?.contact) return null
  const [a, b] = coil.contact.map((name) => terminalPoint(name, coil.place))
  const probes: Probes = [{ probe: { meter: 'volts', a, b }, place: coil.place }]
  const calls = callsThatMove(laboratory, { meter: 'look', at: coil.id })
  return {
    ways: (bench) => calls.flatMap((call) => probes.map((one) => ({ ...one, bench: { ...whole(system, bench), call } }))),
    isMade: (observations) =>
      observations.some(
        ({ bench, probe }) =>
          isOneOf(probes, probe) && bench.power && (bench.jumpers.length > 0 || calls.some((call) => call === bench.call)),
      ),
  }
}

const STILL: ReadonlySet<string> = new Set(['still', HUMMING, 'not as called'])

/** What a bench makes run, wherever one stands on it and since when. */
const actsOn = ({ call, jumpers, lifted, unplugged }: Bench): string =>
  JSON.stringify([call, jumpers, [...lifted].sort(), [...unplugged].sort()])

/** Between what a broken conductor and one that came off its screw leave on the bare end there. */
const TELLS_APART_V = modelValue({ value: 8, unit: 'V', source: 'assumption' })

/**
 * A broken conductor read on its own bare ends, not on the screws: a wire that only came off its screw has its volts on the copper at the
 * far end, and none at the near one. Each end is told by a reading of its own.
 */
export function ofCopper(laboratory: Laboratory, { id, zone, touches, effects }: Fault): Separation[] {
  const { system } = laboratory
  const cable = cableById(system, zone)
  if (!cable) return []
  const atRest = whole(system, createBench(system))
  const voltsWith = (opened: readonly Effect[], bench: Bench, probe: Probe) => {
    const [{ at, floating }] = predict(laboratory, bench, { ...healthy, id, effects: opened }, probe)
    return { volts: typeof at === 'number' ? at : 0, floating }
  }
  const names = [...new Set(touches.filter((point) => parsePoint(point).cable === zone).map((point) => parsePoint(point).name))]
  return names.flatMap((name) =>
    cable.between.flatMap((place, side): Separation[] => {
      const terminal = cable.conductors.find((one) => one.id === name)?.lands[side]
      if (!terminal) return []
      const end = conductorEnd(zone, name, place)
      const cameOff: readonly Effect[] = [{ do: 'open', link: landingLink(zone, name, place) }]
      const readingsAgainst = (b: Point) => {
        const probe: Probe = { meter: 'volts', a: end, b }
        const calls = (['off', ...callsOf(system)] as const).filter((call) => {
          const [low, high] = [effects, cameOff]
            .map((opened) => voltsWith(opened, { ...atRest, call }, probe))
            .sort((one, other) => one.volts - other.volts)
          return high.volts - low.volts > TELLS_APART_V && !high.floating
        })
        return calls.map((call) => ({ call, probe }))
      }
      // To common, as everything else there is read; a common itself to the hot side.
      const common = commonBeside(system, terminalPoint(terminal, place))
      const toCommon = common ? readingsAgainst(common) : []
      const readings = toCommon.length > 0 ? toCommon : hotsAt(system, place).flatMap(readingsAgainst)
      const probes: Probes = readings.map(({ probe }) => ({ probe, place }))
      const isLoose = ({ lifted }: Bench) => cable.between.every((one) => lifted.includes(conductorEnd(zone, name, one)))
      const isOnEnd = (probe: Probe) => 'a' in probe && [probe.a, probe.b].includes(end)
      return readings.length === 0
        ? []
        : [
            {
              ways: (bench) => readings.map(({ call, probe }) => ({ bench: { ...whole(system, bench), call }, probe, place })),
              // Off at both ends and read there, it was read by itself, too.
              isMade: (observations) =>
                observations.some(({ bench, probe }) => (isOneOf(probes, probe) && bench.power) || (isLoose(bench) && isOnEnd(probe))),
            },
          ]
    }),
  )
}

/** The hot terminals of a place. */
const hotsAt = (system: System, place: PlaceId): Point[] =>
  [...new Set(partsOf(system, 'thermostat').flatMap((part) => hotTerminals(part)))].flatMap((name) =>
    placeById(system, place)?.terminals.includes(name) ? [terminalPoint(name, place)] : [],
  )

/** A delay that is over is none: the call left on for its minutes, and what should have come on by then. */
export function ofDelay(system: System, { part, touches }: Fault): Separation | null {
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
          since: { call: 'long', power: 'long' },
        },
        probe: { meter: 'volts', a: point, b: common },
        place,
      },
    ],
    isMade: (observations) =>
      observations.some(
        ({ bench, probe }) =>
          // What was seen elsewhere says nothing of what the board gives out.
          bench.place === place &&
          bench.power &&
          bench.call !== 'off' &&
          bench.since?.call === 'long' &&
          !(probe.meter === 'look' && probe.at === part),
      ),
  }
}
