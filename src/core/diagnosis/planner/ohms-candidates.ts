import type { Bench } from '@/src/core/bench/bench'
import type { Candidate } from '@/src/core/diagnosis/planner/candidate'
import { withJumper } from '@/src/core/diagnosis/planner/with-jumper'
import { lowVoltageNodes } from '@/src/core/faults/low-voltage'
import type { Probe } from '@/src/core/readings/check'
import type { CableId, PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { unplugs } from '@/src/core/wiring/part-kinds'
import { CHASSIS, conductorEnd, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { cableById, firstPart, type Place, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/** Ohms with the power off: as it stands, each end lifted, each cable free at an end or both, each part unplugged, loops tied at the far end. */
export function ohmsCandidates(system: System, base: Bench): Candidate[] {
  const off: Bench = { ...base, power: false }
  const candidates: Candidate[] = [{ bench: off, probes: system.places.flatMap((place) => ohmsAtPlace(system, place)) }]
  const add = (bench: Bench, probes: { probe: Probe; place: PlaceId }[]) => {
    if (probes.length > 0) candidates.push({ bench, probes })
  }
  // The fuse out parts what is ahead of it, the winding with it, from what hangs behind.
  const fuse = firstPart(system, 'fuse')
  if (fuse.holds === undefined && off.slot.holds !== 'nothing')
    add({ ...off, slot: { ...off.slot, holds: 'nothing', open: true } }, sidesOfFuse(system, fuse))
  for (const cable of system.cables) {
    const used = cable.conductors.filter((conductor) => conductor.lands.some((terminal) => terminal !== null))
    cable.between.forEach((place, side) => {
      const ends = used.map((conductor) => conductorEnd(cable.id, conductor.id, place))
      const farEnds = used.map((conductor) => conductorEnd(cable.id, conductor.id, cable.between[1 - side]))
      for (const [index, end] of ends.entries()) {
        if (off.lifted.includes(end)) continue
        add({ ...off, lifted: [...off.lifted, end] }, endProbes(system, place, end, ends))
        const both = [end, farEnds[index]].filter((point) => !off.lifted.includes(point))
        if (both.length === 2) add({ ...off, lifted: [...off.lifted, ...both] }, endProbes(system, place, end, ends))
      }
      const free = ends.filter((end) => !off.lifted.includes(end))
      if (free.length > 1)
        add(
          { ...off, lifted: [...off.lifted, ...free] },
          ends.flatMap((end, index) => endProbes(system, place, end, ends.slice(index + 1))),
        )
      const far = farEnds.filter((end) => !off.lifted.includes(end))
      if (free.length > 1 && far.length > 1)
        add(
          { ...off, lifted: [...off.lifted, ...free, ...far] },
          ends.flatMap((end, index) => endProbes(system, place, end, ends.slice(index + 1))),
        )
      addLoops(
        cable.id,
        place,
        side,
        used.map((conductor) => conductor.id),
        used.map((conductor) => conductor.lands[1 - side]),
      )
    })
  }
  for (const part of [...partsOf(system, 'switch'), ...partsOf(system, 'coil')]) {
    if (off.unplugged.includes(part.id)) continue
    add({ ...off, unplugged: [...off.unplugged, part.id] }, partProbes(system, part))
  }
  // Off its leads, the winding hides no short between them.
  for (const part of partsOf(system, 'transformer')) {
    if (off.unplugged.includes(part.id)) continue
    add({ ...off, unplugged: [...off.unplugged, part.id] }, hotSideProbes(system, part))
  }
  // A board that passes a call makes its two leads one node: unplugged, each lead reads by itself.
  for (const part of partsOf(system, 'board')) {
    if (!unplugs(system, part) || off.unplugged.includes(part.id)) continue
    add({ ...off, unplugged: [...off.unplugged, part.id] }, passedProbes(system, part))
  }
  // Off the wall it joins nothing any more: what two of its wires still read is the cable's.
  for (const part of partsOf(system, 'thermostat')) {
    if (off.unplugged.includes(part.id)) continue
    const between = outputProbes(part)
    add(off, between)
    add({ ...off, unplugged: [...off.unplugged, part.id] }, between)
  }
  return candidates

  /** Two conductors joined at the far end read as a loop at this one, unless one of them is open. */
  function addLoops(cable: CableId, place: PlaceId, side: number, conductors: string[], farTerminals: (string | null)[]): void {
    const found = cableById(system, cable)
    if (!found) return
    const farPlace = found.between[1 - side]
    if (farPlace === firstPart(system, 'fuse').place) return
    conductors.forEach((conductor, index) => {
      const partner = (index + 1) % conductors.length
      const [a, b] = [farTerminals[index], farTerminals[partner]]
      if (a === null || b === null || partner === index) return
      const lifted = [conductorEnd(cable, conductor, place), conductorEnd(cable, conductors[partner], place)]
      const jumped = withJumper(
        system,
        { ...off, lifted: [...new Set([...off.lifted, ...lifted])] },
        terminalPoint(a, farPlace),
        terminalPoint(b, farPlace),
      )
      if (jumped) add(jumped, [{ probe: { meter: 'ohms', a: lifted[0], b: lifted[1] }, place }])
    })
  }
}

const groundAt = (system: System, place: PlaceId): Point | null => (placeById(system, place)?.metal ? terminalPoint(CHASSIS, place) : null)

/** A lifted end against metal, against its neighbours, and the terminal it left against common. */
function endProbes(system: System, place: PlaceId, end: Point, others: readonly Point[]): { probe: Probe; place: PlaceId }[] {
  const against = others.filter((other) => other !== end)
  const ground = groundAt(system, place)
  const { cable, name } = parsePoint(end)
  const found = cableById(system, cable)
  const terminal = found?.conductors.find((conductor) => conductor.id === name)?.lands[found.between.indexOf(place)]
  const common = terminal ? commonBeside(system, terminalPoint(terminal, place)) : null
  const probes: Probe[] = [...(ground ? [ground] : []), ...against].map((other) => ({ meter: 'ohms', a: end, b: other }))
  if (terminal && common && terminalPoint(terminal, place) !== common) {
    probes.push({ meter: 'ohms', a: terminalPoint(terminal, place), b: common })
    probes.push({ meter: 'ohms', a: end, b: common })
  }
  return probes.map((probe) => ({ probe, place }))
}

function partProbes(system: System, part: PartOf<'switch'> | PartOf<'coil'>): { probe: Probe; place: PlaceId }[] {
  const { place, between: leads } = part
  const ground = groundAt(system, place)
  const [a, b] = leads.map((lead) => terminalPoint(lead, place))
  // Across what was unplugged, and its body against the metal; then what its plug hangs on.
  const pins = [pinPoint(part, 0), pinPoint(part, 1)]
  const probes: Probe[] = [{ meter: 'ohms', a: pins[0], b: pins[1] }]
  if (ground) probes.push({ meter: 'ohms', a: pins[0], b: ground })
  probes.push({ meter: 'ohms', a, b })
  if (ground) for (const lead of [a, b]) probes.push({ meter: 'ohms', a: lead, b: ground })
  return probes.map((probe) => ({ probe, place }))
}

/** What hangs on the hot side of a transformer, to its common and to ground. */
function hotSideProbes(system: System, { place, secondary }: PartOf<'transformer'>): { probe: Probe; place: PlaceId }[] {
  const [hot, common] = secondary.map((lead) => terminalPoint(lead, place))
  const ground = groundAt(system, place)
  return [common, ...(ground ? [ground] : [])].map((other) => ({ probe: { meter: 'ohms', a: hot, b: other }, place }))
}

/** Both leads of each call that a board passes through, to ground. */
function passedProbes(system: System, { place, outputs }: PartOf<'board'>): { probe: Probe; place: PlaceId }[] {
  const ground = groundAt(system, place)
  const leads = outputs.flatMap(({ call, to, style }) => (style === 'passes' ? [call, to] : []))
  return ground === null
    ? []
    : leads.map((lead) => ({ probe: { meter: 'ohms' as const, a: terminalPoint(lead, place), b: ground }, place }))
}

/** Each two of a thermostat's hot terminal and its outputs. */
function outputProbes(part: PartOf<'thermostat'>): { probe: Probe; place: PlaceId }[] {
  const points = [part.hot, ...switchedTerminals(part)].map((terminal) => terminalPoint(terminal, part.place))
  return points.flatMap((a, index) => points.slice(index + 1).map((b) => ({ probe: { meter: 'ohms' as const, a, b }, place: part.place })))
}

/** Either side of a fuse against common, and against the metal. */
function sidesOfFuse(system: System, { between, place }: PartOf<'fuse'>): { probe: Probe; place: PlaceId }[] {
  const ground = groundAt(system, place)
  return between.flatMap((name) => {
    const point = terminalPoint(name, place)
    const others = [commonBeside(system, point), ground].filter((other): other is Point => other !== null && other !== point)
    return others.map((other) => ({ probe: { meter: 'ohms' as const, a: point, b: other }, place }))
  })
}

/** Everything against common at a place, and across each switch and coil, with nothing moved. */
function ohmsAtPlace(system: System, place: Place): { probe: Probe; place: PlaceId }[] {
  const probes: Probe[] = []
  for (const name of lowVoltageNodes(system, place)) {
    const point = terminalPoint(name, place.id)
    const common = commonBeside(system, point)
    if (common !== null && point !== common) probes.push({ meter: 'ohms', a: point, b: common })
  }
  for (const part of partsOf(system, 'switch'))
    if (part.place === place.id)
      probes.push({ meter: 'ohms', a: terminalPoint(part.between[0], place.id), b: terminalPoint(part.between[1], place.id) })
  return probes.map((probe) => ({ probe, place: place.id }))
}
