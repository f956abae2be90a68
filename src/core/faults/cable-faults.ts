import type { Effect } from '@/src/core/faults/effect'
import type { AddFault } from '@/src/core/faults/fault-list'
import { SOLID_SHORT_OHM } from '@/src/core/faults/rates'
import { modelValue } from '@/src/core/units/model-value'
import { conductorLink, conductorMiddle, landingLink } from '@/src/core/wiring/links'
import { CHASSIS, conductorEnd, terminalPoint } from '@/src/core/wiring/point'
import { commonNodes } from '@/src/core/wiring/supply'
import { type Cable, type Conductor, placeById, type System } from '@/src/core/wiring/system'

/** A wire under a screw: as a landing in `wiring/values.ts`. */
const LANDED_OHM = modelValue({ value: 0.01, unit: 'ohm', source: 'assumption' })

/** Along a cable: open, shorted to each other, rubbed through to metal; at its ends: not landed. */
export function addCableFaults(system: System, add: AddFault, cable: Cable): void {
  const used = cable.conductors.filter((conductor) => conductor.lands[0] !== null && conductor.lands[1] !== null)
  const metal = metalNear(system, cable)
  const common = commonNodes(system)
  const isCommon = (conductor: Conductor) =>
    conductor.lands.some((terminal, side) => terminal !== null && common.has(terminalPoint(terminal, cable.between[side])))
  used.forEach((conductor, position) => {
    const name = sayConductor(conductor)
    const ends = cable.between.map((place) => conductorEnd(cable.id, conductor.id, place))
    add(
      'conductor-open',
      `${cable.id}.${conductor.id}`,
      cable.id,
      `${name} is open in the ${cable.name}`,
      [`conductor:${cable.id}.${conductor.id}`, `Splice ${name} of the ${cable.name}, or swap it to a spare`],
      [{ do: 'open', link: conductorLink(cable.id, conductor.id) }],
      ends,
    )
    if (metal && !isCommon(conductor))
      add(
        'conductor-to-chassis',
        `${cable.id}.${conductor.id}`,
        cable.id,
        `${name} is shorted to ground in the ${cable.name}`,
        [
          `cable-short:${cable.id}.${conductor.id}`,
          `Clear the short to ground on ${name} of the ${cable.name}: repair the insulation, swap to a spare or run new cable, and keep it off metal`,
        ],
        [{ do: 'short', a: conductorMiddle(cable.id, conductor.id), b: metal, ohm: SOLID_SHORT_OHM }],
        ends,
      )
    for (const other of used.slice(position + 1)) {
      const pair = [conductor.id, other.id]
      add(
        'conductor-short',
        `${cable.id}.${pair.join('+')}`,
        cable.id,
        `${name} and ${sayConductor(other)} are shorted in the ${cable.name}`,
        [
          `cable-short:${cable.id}.${pair.join('+')}`,
          `Separate and repair ${name} and ${sayConductor(other)} of the ${cable.name}, or swap one to a spare, or run new cable`,
        ],
        [{ do: 'short', a: conductorMiddle(cable.id, conductor.id), b: conductorMiddle(cable.id, other.id), ohm: SOLID_SHORT_OHM }],
        [...ends, ...cable.between.map((place) => conductorEnd(cable.id, other.id, place))],
      )
    }
    addSpareInPlace(add, cable, conductor)
    conductor.lands.forEach((terminal, side) => {
      if (terminal === null) return
      const place = cable.between[side]
      add(
        'not-landed',
        `${cable.id}.${conductor.id}@${place}`,
        place,
        `${name} of the ${cable.name} is not landed on ${terminal} at the ${placeById(system, place)?.name}`,
        [
          `land:${cable.id}.${conductor.id}@${place}`,
          `Land ${name} of the ${cable.name} on ${terminal} at the ${placeById(system, place)?.name}`,
        ],
        [{ do: 'open', link: landingLink(cable.id, conductor.id, place) }],
        [ends[side]],
      )
    })
  })
}

/** No fault: a conductor was given up earlier, and a spare of its cable does its work. Its wire hangs off at both ends. */
function addSpareInPlace(add: AddFault, cable: Cable, conductor: Conductor): void {
  const spare = cable.conductors.find(({ lands }) => lands[0] === null && lands[1] === null)
  if (!spare) return
  const effects = cable.between.flatMap((place, side): Effect[] => {
    const terminal = conductor.lands[side]
    if (terminal === null) return []
    return [
      { do: 'open', link: landingLink(cable.id, conductor.id, place) },
      { do: 'short', a: conductorEnd(cable.id, spare.id, place), b: terminalPoint(terminal, place), ohm: LANDED_OHM },
    ]
  })
  add(
    'spare-serves',
    `${cable.id}.${conductor.id}`,
    cable.id,
    `${sayConductor(conductor)} was moved to a spare in the ${cable.name} earlier: its own wire is dead`,
    [
      `spare:${cable.id}.${conductor.id}`,
      `Nothing to repair: record which wire of the ${cable.name} carries ${conductor.id}, and mark the dead one at both ends`,
    ],
    effects,
    cable.between.map((place) => conductorEnd(cable.id, conductor.id, place)),
  )
}

/** At one end of a cable: a conductor on another's terminal, and two conductors on each other's. */
export function addMiswires(system: System, add: AddFault, cable: Cable, side: 0 | 1): void {
  const place = cable.between[side]
  const landed = cable.conductors.flatMap((conductor) => {
    const terminal = conductor.lands[side]
    return terminal === null ? [] : [{ conductor, terminal, end: conductorEnd(cable.id, conductor.id, place) }]
  })
  const placeName = placeById(system, place)?.name ?? place
  const move = (from: (typeof landed)[number], terminal: string): Effect[] => [
    { do: 'open', link: landingLink(cable.id, from.conductor.id, place) },
    { do: 'short', a: from.end, b: terminalPoint(terminal, place), ohm: LANDED_OHM },
  ]
  landed.forEach((one, index) => {
    const name = `${sayConductor(one.conductor)} of the ${cable.name}`
    for (const other of landed)
      if (other !== one)
        add(
          'landed-wrong',
          `${cable.id}.${one.conductor.id}@${place}>${other.terminal}`,
          place,
          `${name} is landed on ${other.terminal} instead of ${one.terminal} at the ${placeName}`,
          [`land:${cable.id}.${one.conductor.id}@${place}`, `Land ${name} on ${one.terminal} at the ${placeName}`],
          move(one, other.terminal),
          [one.end],
        )
    for (const other of landed.slice(index + 1))
      add(
        'ends-swapped',
        `${cable.id}.${one.conductor.id}+${other.conductor.id}@${place}`,
        place,
        `${sayConductor(one.conductor)} and ${sayConductor(other.conductor)} of the ${cable.name} are swapped at the ${placeName}`,
        [
          `swap:${cable.id}.${one.conductor.id}+${other.conductor.id}@${place}`,
          `Swap ${sayConductor(one.conductor)} and ${sayConductor(other.conductor)} of the ${cable.name} back at the ${placeName}`,
        ],
        [...move(one, other.terminal), ...move(other, one.terminal)],
        [one.end, other.end],
      )
  })
}

/** The metal that a cable runs along: outdoors its unit's lines, else the cabinet it enters. */
function metalNear(system: System, cable: Cable): string | null {
  const places = cable.between.map((place) => placeById(system, place)).filter((place) => place?.metal)
  const metal = places.find((place) => place?.kind === 'outdoor') ?? places[0]
  return metal ? terminalPoint(CHASSIS, metal.id) : null
}
const sayConductor = (conductor: Conductor): string =>
  conductor.colour === conductor.id ? conductor.id : `${conductor.id} (${conductor.colour})`
