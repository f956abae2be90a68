import { type Bench, type FurtherSlot, type Slot, slotOf, withoutResistors } from '@/src/core/bench/bench'
import { leadNames } from '@/src/core/bench/points'
import { anyTime } from '@/src/core/bench/since'
import type { Candidate } from '@/src/core/diagnosis/planner/candidate'
import { ohmsCandidates } from '@/src/core/diagnosis/planner/ohms-candidates'
import { withJumper } from '@/src/core/diagnosis/planner/with-jumper'
import { lowVoltageNodes } from '@/src/core/faults/low-voltage'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { seenContacts } from '@/src/core/readings/contact-looks'
import { capacitorAt, contactsOf, flameOf, flameSignalOf, landingsAt, parseLook } from '@/src/core/readings/look-target'
import { isLinePoint } from '@/src/core/readings/predict'
import { seenSwitches } from '@/src/core/readings/switch-looks'
import { wholeLooks } from '@/src/core/readings/working'
import { modelValue } from '@/src/core/units/model-value'
import type { PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside, commonNodes, hotOfCalls, houseCommon, houseHot } from '@/src/core/wiring/supply'
import { callsOf, firstPart, furtherFuses, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf, switchedTerminals } from '@/src/core/wiring/thermostat'

/** All checks worth weighing from a bench: generated from the wiring, live ones and ohms with the power off. */
export function listCandidates(system: System, stands: Bench): Candidate[] {
  const bench = withoutResistors(stands)
  const rest: Bench = { ...anyTime(bench), lifted: [], jumpers: [], unplugged: [], call: 'off' }
  const isClean = bench.lifted.length + bench.jumpers.length + bench.unplugged.length === 0
  const bases = isClean ? [rest] : [{ ...rest, lifted: bench.lifted, jumpers: bench.jumpers, unplugged: bench.unplugged }, rest]
  return [...asFound(system, bench), ...bases.flatMap((base) => [...liveCandidates(system, base), ...ohmsCandidates(system, base)])]
}

/** Looks that need nothing: what stands open to the eye on the bench as it is. */
function asFound(system: System, bench: Bench): Candidate[] {
  const fuse = firstPart(system, 'fuse')
  const probes: { probe: Probe; place: PlaceId }[] = system.places.map((place) => ({
    probe: { meter: 'look', at: landingsAt(place.id) },
    place: place.id,
  }))
  if (fuse.holds !== 'none' && bench.slot.holds !== 'fuse' && !(bench.slot.holds === 'as-found' && bench.slot.open))
    probes.push({ probe: { meter: 'look', at: 'fuse' }, place: fuse.place })
  for (const { id, place, holds } of furtherFuses(system))
    if (holds !== 'none' && slotOf(system, bench, id).holds === 'as-found' && !slotOf(system, bench, id).open)
      probes.push({ probe: { meter: 'look', at: id }, place })
  for (const { id, place } of seenSwitches(system)) probes.push({ probe: { meter: 'look', at: id }, place })
  if (!bench.power) for (const { id, place } of seenContacts(system)) probes.push({ probe: { meter: 'look', at: contactsOf(id) }, place })
  const candidates: Candidate[] = [{ bench, probes }]
  if (bench.power) candidates.push({ bench, probes: wholeLive(system) })
  // Its own disconnect is enough to read it: nobody walks to the thermostat for that.
  const capacitors = partsOf(system, 'capacitor').map(({ id, place }) => ({
    probe: { meter: 'look' as const, at: capacitorAt(id) },
    place,
  }))
  if (capacitors.length > 0) candidates.push({ bench: { ...bench, power: false }, probes: capacitors })
  return candidates
}

/** Up to so many VA a breaker of 3 A carries all that a house calls for; one of 5 A lets the winding carry three times its plate. */
const SMALL_VA = modelValue({ value: 50, unit: 'VA', source: 'assumption' })
/** The breaker for those. */
const SMALL_BREAKER_A = modelValue({ value: 3, unit: 'A', source: 'assumption' })

/**
 * The slot made ready for a live check: the pocket breaker in it, set. A slot that holds is left alone, and so is the size of a breaker
 * that is in it or built in.
 */
export function readySlot(system: System, bench: Bench): Slot {
  const { slot } = bench
  if (slot.holds === 'fuse' && !slot.open) return slot
  const isOwn = slot.holds !== 'breaker' && firstPart(system, 'fuse').holds !== 'breaker'
  const most = isOwn && firstPart(system, 'transformer').va <= SMALL_VA ? SMALL_BREAKER_A : Number.POSITIVE_INFINITY
  return { holds: 'breaker', ratingA: Math.min(slot.ratingA, most), open: false }
}

/** Every fuse position ready for a live check: another fuse than the first that is open is replaced by a breaker of its rating. */
export function readyFuses(system: System, bench: Bench): Pick<Bench, 'slot' | 'further'> {
  const further = bench.further?.map((slot): FurtherSlot => (slot.open ? { ...slot, holds: 'breaker', open: false } : slot))
  return { slot: readySlot(system, bench), ...(further && { further }) }
}

function liveCandidates(system: System, base: Bench): Candidate[] {
  const live: Bench = { ...base, power: true, ...readyFuses(system, base) }
  const thermostats = partsOf(system, 'thermostat')
  const supplyPlace = firstPart(system, 'fuse').place
  const candidates: Candidate[] = [{ bench: live, probes: [...wholeLive(system), tripAt(supplyPlace)] }]
  if (thermostats.some(({ id }) => base.unplugged.includes(id))) return candidates
  for (const call of callsOf(system)) {
    candidates.push({ bench: { ...live, call }, probes: [...wholeLive(system), tripAt(supplyPlace)] })
    // What opens with the heat is waited for, the call on.
    candidates.push({
      bench: { ...live, call, since: { call: 'minutes', power: 'long' } },
      probes: wholeLooks(system).map((probe) => ({ probe, place: parseLook(probe.at).of })),
    })
  }
  for (const [thermostat, place] of [[thermostats[0], supplyPlace] as const, ...thermostats.map((part) => [part, part.place] as const)]) {
    for (const terminal of switchedTerminals(thermostat)) {
      const jumped = withJumper(system, live, terminalPoint(feedOf(thermostat, terminal), place), terminalPoint(terminal, place))
      if (!jumped) continue
      candidates.push({ bench: jumped, probes: [...wholeLive(system), tripAt(place)] })
      if (place !== supplyPlace) continue
      for (const end of endsOn(system, terminal, place))
        if (!jumped.lifted.includes(end))
          candidates.push({ bench: { ...jumped, lifted: [...jumped.lifted, end] }, probes: [tripAt(place)] })
    }
  }
  for (const { id } of thermostats)
    candidates.push({ bench: { ...live, unplugged: [...live.unplugged, id] }, probes: [tripAt(supplyPlace)] })
  for (const end of endsOn(system, thermostats[0].hot, supplyPlace))
    if (!live.lifted.includes(end))
      candidates.push({ bench: { ...live, lifted: [...live.lifted, end] }, probes: [tripAt(supplyPlace), ...supplyVolts(system)] })
  return candidates
}

export const tripAt = (place: PlaceId): { probe: Probe; place: PlaceId } => ({ probe: { meter: 'trip' }, place })

function supplyVolts(system: System): { probe: Probe; place: PlaceId }[] {
  const { place } = firstPart(system, 'transformer')
  return [{ probe: { meter: 'volts', a: terminalPoint(houseHot(system), place), b: terminalPoint(houseCommon(system), place) }, place }]
}

/** Volts, amps and looks on a live bench, at every place. */
function wholeLive(system: System): { probe: Probe; place: PlaceId }[] {
  const probes: { probe: Probe; place: PlaceId }[] = []
  const thermostats = partsOf(system, 'thermostat')
  const common = commonNodes(system)
  const volts = (a: Point, b: Point, place: PlaceId) => probes.push({ probe: { meter: 'volts', a, b }, place })
  for (const place of system.places) {
    for (const name of lowVoltageNodes(system, place)) {
      const point = terminalPoint(name, place.id)
      const against = common.has(point) ? null : commonBeside(system, point)
      if (against) volts(point, against, place.id)
    }
    for (const [terminal, hot] of hotOfCalls(system)) {
      if (place.terminals.includes(hot) && place.terminals.includes(terminal))
        volts(terminalPoint(hot, place.id), terminalPoint(terminal, place.id), place.id)
    }
    const commons = [...common].filter((node) => parsePoint(node).place === place.id && place.terminals.includes(parsePoint(node).name))
    if (place.metal) for (const node of commons) volts(node, terminalPoint(CHASSIS, place.id), place.id)
  }
  probes.push(...lineProbes(system))
  const fuse = firstPart(system, 'fuse')
  probes.push({ probe: { meter: 'amps', on: fuse.id }, place: fuse.place })
  for (const probe of wholeLooks(system)) probes.push({ probe, place: parseLook(probe.at).of })
  for (const coil of partsOf(system, 'coil')) probes.push({ probe: { meter: 'look', at: coil.id }, place: coil.place })
  for (const load of partsOf(system, 'load')) probes.push({ probe: { meter: 'look', at: load.id }, place: load.place })
  for (const board of partsOf(system, 'board')) probes.push({ probe: { meter: 'look', at: board.id }, place: board.place })
  for (const { id, place, ignites } of partsOf(system, 'board'))
    if (ignites) for (const at of [flameOf(id), flameSignalOf(id)]) probes.push({ probe: { meter: 'look', at }, place })
  // A bimetal has no display that could be blank.
  for (const { id, place, power } of thermostats) if (power !== 'mechanical') probes.push({ probe: { meter: 'look', at: id }, place })
  return probes
}

/** Line side: each primary, across each motor and element, across the legs behind each disconnect, and one leg against ground, which an open neutral cannot fool. */
function lineProbes(system: System): { probe: Probe; place: PlaceId }[] {
  const probes: { probe: Probe; place: PlaceId }[] = []
  const volts = (a: string, b: string, place: PlaceId) =>
    probes.push({ probe: { meter: 'volts', a: terminalPoint(a, place), b: terminalPoint(b, place) }, place })
  for (const { primary, place } of partsOf(system, 'transformer')) volts(primary[0], primary[1], place)
  for (const { poles, place } of partsOf(system, 'disconnect')) {
    const [first, second] = poles.map(([, after]) => after)
    const neutral = partsOf(system, 'supply').find((supply) => supply.place === place)?.neutral
    if (second !== undefined) volts(first, second, place)
    else if (neutral !== undefined) volts(first, neutral, place)
    if (placeById(system, place)?.metal) for (const [, after] of poles) volts(after, CHASSIS, place)
  }
  for (const { between, place } of partsOf(system, 'load')) volts(between[0], between[1], place)
  const seen = new Set<string>()
  return probes.filter(({ probe }) => {
    const key = probeKey(probe)
    return seen.has(key) ? false : seen.add(key)
  })
}

/** Live benches at a unit with no call joined to its hot side, with the first, the first two, and so on; the thermostat calls nothing. */
export function joinedCalls(system: System, bench: Bench, place: PlaceId): Bench[] {
  const thermostat = firstPart(system, 'thermostat')
  const rest: Bench = { ...bench, power: true, call: 'off', lifted: [], jumpers: [], unplugged: [], ...readyFuses(system, bench) }
  const benches = [rest]
  for (const terminal of switchedTerminals(thermostat)) {
    const joined = withJumper(
      system,
      benches[benches.length - 1],
      terminalPoint(feedOf(thermostat, terminal), place),
      terminalPoint(terminal, place),
    )
    if (joined) benches.push(joined)
  }
  return benches
}

function endsOn(system: System, terminal: string, place: PlaceId): Point[] {
  return system.cables.flatMap((cable) => {
    const side = cable.between.indexOf(place)
    if (side < 0) return []
    return cable.conductors
      .filter((conductor) => conductor.lands[side] === terminal)
      .map((conductor) => conductorEnd(cable.id, conductor.id, place))
  })
}

/** Points that can be tapped at a place: terminals and leads on the low-voltage side, chassis, and every conductor's end. */
export function probePoints(system: System, place: PlaceId): Point[] {
  const names = leadNames(system, place).map((name) => terminalPoint(name, place))
  const ends = system.cables.flatMap((cable) =>
    cable.between.includes(place) ? cable.conductors.map((conductor) => conductorEnd(cable.id, conductor.id, place)) : [],
  )
  return [...names.filter((point) => !isLinePoint(system, point)), ...ends]
}
