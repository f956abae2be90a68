import type { Bench } from '@/src/core/bench/bench'
import {
  deadApart,
  isOneOf,
  liveAt,
  loadedAt,
  type Probes,
  readsShorted,
  type Separation,
  unloadedAt,
} from '@/src/core/diagnosis/planner/apart'
import {
  ofArmature,
  ofBond,
  ofCopper,
  ofDelay,
  ofFaces,
  ofItsLoad,
  ofItsVolts,
  ofLoad,
  ofSignal,
} from '@/src/core/diagnosis/planner/apart-live'
import { ofContact, ofOpenContact, ofOutput, ofStuck, ofToggle, ofWeld } from '@/src/core/diagnosis/planner/apart-past'
import { faultFamilies } from '@/src/core/faults/families'
import type { Fault } from '@/src/core/faults/fault'
import { HUMMING } from '@/src/core/readings/capacitor-looks'
import { type Probe, probeKey, wordOf } from '@/src/core/readings/check'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { capacitorAt, wiringOf } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import { unplugs } from '@/src/core/wiring/part-kinds'
import { CHASSIS, conductorEnd, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById, firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** How what a fault blames is read by itself: each of these has to be made; none where nothing stands to be. */
export const separationsOf = (laboratory: Laboratory, fault: Fault): readonly Separation[] =>
  readApart(laboratory, fault).flatMap((one) => (one ? [one] : []))

function readApart(laboratory: Laboratory, fault: Fault): readonly (Separation | null)[] {
  const { system } = laboratory
  switch (faultFamilies[fault.family].readApart) {
    case 'cable':
      return [ofCable(system, fault)]
    case 'copper':
      return [...ofCopper(laboratory, fault), ofBond(laboratory, fault)]
    case 'lead':
      return [ofLead(system, fault), ofAccessory(system, fault)]
    case 'line':
      return [ofLine(system, fault)]
    case 'across':
      return [ofBranch(system, fault)]
    case 'winding':
      return ofWinding(system, fault)
    case 'coil':
      return [ofCoil(system, fault)]
    case 'turns':
      return [ofCoil(system, fault), ofItsLoad(laboratory, fault), ofItsLine(system, fault)]
    case 'armature':
      return [ofArmature(laboratory, fault), ofItsVolts(laboratory, fault)]
    case 'faces':
      return [ofArmature(laboratory, fault), ofFaces(laboratory, fault)]
    case 'weld':
      return ofWeld(system, fault)
    case 'contact':
      return [ofContact(system, fault), ofOpenContact(system, fault)]
    case 'stuck':
      return [ofStuck(system, fault)]
    case 'output':
      // What is said to give nothing may give it into a short: its lead is read to the metal.
      return [ofOutput(system, fault), ofLead(system, ofItsOutput(fault))]
    case 'toggle':
      return ofToggle(laboratory, fault)
    case 'delay':
      return [ofDelay(system, fault)]
    case 'load':
      return [ofLoad(laboratory, fault), ofMicrofarads(system, fault)]
    case 'microfarads':
      return [ofMicrofarads(system, fault), ...ofStalled(laboratory, fault)]
    case 'joint':
      return [ofJoints(system, fault)]
    case 'signal':
      return [ofSignal(laboratory, fault)]
    case 'spade':
      return [ofSpade(system, fault)]
    case 'clip':
      return [ofClip(system, fault)]
    case undefined:
      return []
  }
}

/** A board's fault, with the terminal that it gives out as all that it touches. */
const ofItsOutput = (fault: Fault): Fault => ({
  ...fault,
  touches: fault.effects.flatMap((effect) => (effect.do === 'output' ? [terminalPoint(effect.to, fault.zone)] : [])),
})

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
  const { name } = parsePoint(lead)
  const lifted = system.cables.flatMap((cable) =>
    cable.between.flatMap((where, side) =>
      where === place ? cable.conductors.flatMap(({ id, lands }) => (lands[side] === name ? [conductorEnd(cable.id, id, place)] : [])) : [],
    ),
  )
  const unplugged = [
    ...[...partsOf(system, 'switch'), ...partsOf(system, 'coil')].filter((part) => part.place === place && part.between.includes(name)),
    // Through its winding the hot side reads to common as a short does.
    ...partsOf(system, 'transformer').filter((part) => part.place === place && part.secondary[0] === name),
  ].map(({ id }) => id)
  const passing = partsOf(system, 'board')
    .filter((part) => part.place === place && unplugs(system, part))
    .filter(({ outputs }) => outputs.some(({ call, to, style }) => style === 'passes' && (call === name || to === name)))
    .map(({ id }) => id)
  if (lifted.length + unplugged.length + passing.length === 0) return null
  return deadApart(lifted, [...unplugged, ...passing], [{ probe: { meter: 'ohms', a: lead, b: terminalPoint(CHASSIS, place) }, place }])
}

/**
 * A lead on the metal, where the common is bonded to it: what was wired in across the coil that it feeds reads the same, and stays there
 * with all that hangs on the lead off. The eye tells.
 */
function ofAccessory(system: System, { zone: place, touches }: Fault): Separation | null {
  if (partsOf(system, 'bond').length === 0) return null
  if (!partsOf(system, 'coil').some((coil) => coil.place === place)) return null
  const look: Probe = { meter: 'look', at: wiringOf(place) }
  const isDeadShort = ({ probe, answer }: Observation) =>
    probe.meter === 'ohms' &&
    [probe.a, probe.b].some((end) => touches.includes(end)) &&
    typeof answer === 'number' &&
    answer < NO_WINDING_OHM
  return {
    ways: (bench) => [{ bench: { ...bench, power: false, call: 'off' }, probe: look, place }],
    isMade: (observations) => observations.some((known) => probeKey(known.probe) === probeKey(look) || isDeadShort(known)),
  }
}

/** Nothing that is wired across 24 V on purpose has so little. */
const NO_WINDING_OHM = modelValue({ value: 4, unit: 'ohm', source: 'assumption: a coil of 40 VA, the largest on such a circuit' })

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
  return loadedAt(system, [{ probe: { meter: 'volts', a, b }, place }])
}

/** A transformer live: what goes in, and what comes out of its own leads; one that only sags is read so under a load. */
function ofWinding(system: System, { part, effects }: Fault): Separation[] {
  const transformer = partsOf(system, 'transformer').find(({ id }) => id === part)
  if (!transformer) return []
  const [into, outOf] = [transformer.primary, transformer.secondary].map((leads): Probes => {
    const [a, b] = leads.map((lead) => terminalPoint(lead, transformer.place))
    return [{ probe: { meter: 'volts', a, b }, place: transformer.place }]
  })
  const isDead = effects.some((effect) => effect.do === 'open')
  // On another lead of the primary it gives too little with nothing on it, too; one that sags does not.
  const isOnTap = effects.some((effect) => effect.do === 'close')
  const fuse = firstPart(system, 'fuse')
  const hasFuse = fuse.holds !== 'none' && fuse.place === transformer.place
  const unloaded = isOnTap && hasFuse ? [unloadedAt(outOf)] : []
  // What reads low is not left on to read its line: that is read with the fuse out as well.
  const line = liveAt(into)
  const lineEitherWay: Separation = { ...line, ways: (bench) => [...line.ways(bench), ...(hasFuse ? unloadedAt(into).ways(bench) : [])] }
  return [lineEitherWay, isDead ? liveAt(outOf) : loadedAt(system, outOf), ...unloaded]
}

/**
 * A coil that is said to pull the supply down: a loose leg ahead of the transformer sags under a sound one, too, and makes it chatter. The line
 * is read under the load; what reads as a short by itself needs no more.
 */
function ofItsLine(system: System, { part }: Fault): Separation | null {
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  const [transformer, another] = partsOf(system, 'transformer')
  if (!coil || another) return null
  const [a, b] = transformer.primary.map((lead) => terminalPoint(lead, transformer.place))
  const line = loadedAt(system, [{ probe: { meter: 'volts', a, b }, place: transformer.place }])
  return { ...line, isMade: (observations) => line.isMade(observations) || readsShorted(observations, coil) }
}

/** What the screws of a strip lose under a load: from the copper of a wire to the terminal that it is on. */
function ofJoints(system: System, { zone: place }: Fault): Separation | null {
  const probes = system.cables.flatMap((cable): Probes => {
    const side = cable.between.indexOf(place)
    return cable.conductors.flatMap(({ id, lands }) => {
      const terminal = lands[side]
      return terminal === null || terminal === undefined
        ? []
        : [{ probe: { meter: 'volts' as const, a: conductorEnd(cable.id, id, place), b: terminalPoint(terminal, place) }, place }]
    })
  })
  return probes.length === 0 ? null : loadedAt(system, probes)
}

/** What a fuse holder loses under a load, read across it: a transformer that gives too little loses nothing there. */
function ofClip(system: System, { part }: Fault): Separation | null {
  const fuse = partsOf(system, 'fuse').find(({ id }) => id === part)
  if (!fuse) return null
  const [a, b] = fuse.between.map((name) => terminalPoint(name, fuse.place))
  return loadedAt(system, [{ probe: { meter: 'volts', a, b }, place: fuse.place }])
}

/**
 * A spade that is said to be off: the part through its leads, cold. With a path there it is the part that lets go while it runs, and the
 * spade is on.
 */
function ofSpade(system: System, { part: id }: Fault): Separation | null {
  const part = [...partsOf(system, 'coil'), ...partsOf(system, 'switch')].find((one) => one.id === id)
  if (!part) return null
  const [a, b] = part.between.map((name) => terminalPoint(name, part.place))
  const probes: Probes = [{ probe: { meter: 'ohms', a, b }, place: part.place }]
  const isPlugged = ({ unplugged }: Bench) => !unplugged.includes(part.id)
  return {
    ways: (bench) =>
      probes.map((one) => ({
        ...one,
        bench: { ...bench, power: false, call: 'off', jumpers: [], unplugged: bench.unplugged.filter((other) => other !== part.id) },
      })),
    isMade: (observations) =>
      observations.some(({ bench, probe }) => isOneOf(probes, probe) && !bench.power && bench.jumpers.length === 0 && isPlugged(bench)),
  }
}

/** A capacitor by itself, power off: before its motor is condemned, and before it is. */
function ofMicrofarads(system: System, { part }: Fault): Separation | null {
  const capacitor = partsOf(system, 'capacitor').find(({ id, starts }) => id === part || starts.some(({ load }) => load === part))
  if (!capacitor) return null
  const probe: Probe = { meter: 'look', at: capacitorAt(capacitor.id) }
  return {
    ways: (bench) => [{ bench: { ...bench, power: false }, probe, place: capacitor.place }],
    isMade: (observations) => observations.some((known) => probeKey(known.probe) === probeKey(probe)),
  }
}

/** The volts across each motor that is said not to start; one that was heard to hum has them. */
const ofStalled = (laboratory: Laboratory, fault: Fault): (Separation | null)[] =>
  fault.effects.flatMap((effect) => {
    if (effect.do !== 'stall') return []
    const across = ofLoad(laboratory, { ...fault, part: effect.load })
    const isHum = ({ probe, answer }: Observation) => probe.meter === 'look' && probe.at === effect.load && wordOf(answer) === HUMMING
    return across ? { ...across, isMade: (observations) => across.isMade(observations) || observations.some(isHum) } : null
  })

/** A coil across its own two leads. */
function ofCoil(system: System, { part }: Fault): Separation | null {
  const coil = partsOf(system, 'coil').find(({ id }) => id === part)
  if (!coil) return null
  return deadApart([], [coil.id], [{ probe: { meter: 'ohms', a: pinPoint(coil, 0), b: pinPoint(coil, 1) }, place: coil.place }])
}
