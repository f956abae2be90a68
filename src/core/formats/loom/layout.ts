import { chainsOf } from '@/src/core/formats/loom/chains'
import { type Lane, landingsOf, lanesOf, rowsOfLane } from '@/src/core/formats/loom/lanes'
import type { Loom, LoomEnd, LoomLine, LoomThread, LoomZone } from '@/src/core/formats/loom/shapes'
import { TAG } from '@/src/core/formats/loom/shapes'
import { drawThermostat } from '@/src/core/formats/loom/thermostat'
import { drawUnit, leadsThrough, widthOf } from '@/src/core/formats/loom/unit'
import type { Rows, UnitDrawing, Wire } from '@/src/core/formats/loom/unit-drawing'
import { drawZonePanel, PANEL_WIDTH } from '@/src/core/formats/loom/zone-panel'
import type { PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, conductorEnd, terminalPoint } from '@/src/core/wiring/point'
import { houseCommon } from '@/src/core/wiring/supply'
import { type Cable, firstPart, type Place, partsOf, placeById, type System, zonesOf } from '@/src/core/wiring/system'

const HEAD = 72
const GAP = 6
/** A cable's column: room for a colour's name at the least. */
const CABLE = { least: 44, most: 104 }
/** Of the width that is over, what the cables get before the units. */
const FOR_CABLES = 0.6
const SPARE_STEP = 40
const HOP = 6

/**
 * Lays the loom out from a system: zones as columns in the order of the wiring, one row for each letter, wires inside
 * the units with square corners, hops where they cross. The same system and size give the same drawing. A system that needs
 * more width gets a larger drawing of the same shape, to be shown smaller.
 */
export function layoutLoom(system: System, room: { width: number; height: number }): Loom {
  const lanes = lanesOf(system)
  const columns = measureColumns(system, lanes)
  const least = columns.reduce((sum, column) => sum + column.least, 0) + GAP * (columns.length - 1)
  const scale = Math.max(1, least / room.width)
  const size = { width: room.width * scale, height: room.height * scale }
  const zones = placeColumns(columns, size)
  const spares = Math.max(0, ...system.cables.map((cable) => cable.conductors.filter((conductor) => isSpare(cable, conductor.id)).length))
  const rowsAt = rowsByPlace(system, lanes, size.height, spares)
  const drawings = system.places.map((place) => drawPlace(system, place, zones, rowsAt(place.id), lanes, size.height))
  const railY = size.height - 22
  const wires = drawings.flatMap((drawing) => drawing.wires)
  const tags = drawings.flatMap((drawing) => drawing.tags)
  return {
    ...size,
    zones,
    tags,
    threads: system.cables.flatMap((cable) => threadsOf(cable, zones, rowsAt)),
    lines: wires.map((wire) => withHops(wire, wires)),
    parts: drawings.flatMap((drawing) => drawing.parts),
    leads: drawings.flatMap((drawing) => drawing.leads),
    rails: system.places
      .filter(({ metal }) => metal)
      .map((place) => {
        const zone = zoneOf(zones, place.id)
        return { point: terminalPoint(CHASSIS, place.id), x: zone.x + 12, width: zone.width - 24, y: railY }
      }),
    bonds: partsOf(system, 'bond').map((bond) => {
      const zone = zoneOf(zones, bond.place)
      const rows = rowsAt(bond.place)
      const node = bond.between.find((name) => name !== CHASSIS) ?? rows.common
      return { x: zone.x + 2 * TAG + 34, top: rows.y(node), bottom: railY }
    }),
  }
}

const isSpare = (cable: Cable, conductor: string): boolean =>
  cable.conductors.find(({ id }) => id === conductor)?.lands.every((terminal) => terminal === null) ?? false

/** A column of the loom: one zone, or the zones of all lanes one above the other. */
interface Column {
  readonly zones: readonly Omit<LoomZone, 'x' | 'y' | 'width' | 'height'>[]
  readonly least: number
  readonly isCable: boolean
  /** Takes its share of the width that is over. */
  readonly grows: boolean
}

function measureColumns(system: System, lanes: readonly Lane[]): Column[] {
  const { hot } = firstPart(system, 'thermostat')
  const measured = zonesOf(system).map((zone): Column => {
    const place = placeById(system, zone.id)
    if (!place) return { zones: [zone], least: CABLE.least, isCable: true, grows: true }
    if (place.kind === 'thermostat') return { zones: [zone], least: 106, isCable: false, grows: false }
    if (lanes.some(({ panel }) => panel === place.id)) return { zones: [zone], least: PANEL_WIDTH, isCable: false, grows: true }
    const isThrough = system.cables.filter((cable) => cable.between.includes(zone.id)).length > 1
    return { zones: [zone], least: widthOf(system, place, place.terminals, hot, isThrough), isCable: false, grows: true }
  })
  const inLanes = [lanes.map(({ stat }) => stat.id), lanes.map(({ cable }) => cable.id)].filter((ids) => ids.length > 0)
  return measured.flatMap((column): Column[] => {
    const [{ id }] = column.zones
    const stack = inLanes.find((ids) => ids.includes(id))
    if (!stack) return [column]
    return stack[0] === id
      ? [{ ...column, zones: stack.flatMap((other) => measured.flatMap(({ zones }) => zones.filter((zone) => zone.id === other))) }]
      : []
  })
}

/** Least widths by content; what is over goes to the cables first, then to the units. */
function placeColumns(columns: readonly Column[], { width, height }: { width: number; height: number }): LoomZone[] {
  const cables = columns.filter(({ isCable }) => isCable).length
  const units = columns.filter(({ isCable, grows }) => grows && !isCable).length
  const over = Math.max(0, width - columns.reduce((sum, { least }) => sum + least, 0) - GAP * (columns.length - 1))
  const forCable = cables === 0 ? 0 : Math.min(CABLE.most - CABLE.least, (FOR_CABLES * over) / cables)
  const forUnit = (over - forCable * cables) / Math.max(1, units)
  let x = 0
  return columns.flatMap(({ zones, least, isCable, grows }) => {
    const column = { x, width: least + (isCable ? forCable : grows ? forUnit : 0) }
    x += column.width + GAP
    return zones.map((zone, index) => ({ ...zone, ...column, y: (index * height) / zones.length, height: height / zones.length }))
  })
}

/** The rows at each place: those of the house, those of its lane for a thermostat in one, and both for the panel. */
function rowsByPlace(system: System, lanes: readonly Lane[], height: number, spares: number): (place: PlaceId) => Rows {
  const house = rowsOf(system, lanes, height, spares)
  const share = height / Math.max(1, lanes.length)
  const inLane = new Map(lanes.map((lane, index) => [lane.stat.id, rowsOfLane(system, lane, index * share + HEAD, share - HEAD - 12)]))
  const panel = new Map(
    lanes.flatMap((lane) => [...landingsOf(lane)].map(([here, there]) => [there, inLane.get(lane.stat.id)?.y(here) ?? 0] as const)),
  )
  return (place) => {
    const own = inLane.get(place)
    if (own) return own
    if (!lanes.some((lane) => lane.panel === place)) return house
    return { ...house, y: (terminal) => panel.get(terminal) ?? house.y(terminal) }
  }
}

/** Hot on top, common at the bottom, the calls between them in the order in which the units list them. */
function rowsOf(system: System, lanes: readonly Lane[], height: number, spares: number): Rows {
  const { hot } = firstPart(system, 'thermostat')
  const common = houseCommon(system)
  const shared = sharedRows(system, common, lanes)
  const ofLanes = new Set(lanes.flatMap((lane) => [...landingsOf(lane).values()]))
  const middle = [...new Set(system.places.flatMap(({ terminals }) => terminals))].filter(
    (letter) => letter !== hot && letter !== common && !shared.has(letter) && !ofLanes.has(letter),
  )
  const order = [hot, ...middle, common]
  const room = height - HEAD - 30 - Math.max(50, spares * SPARE_STEP + 20)
  const step = Math.min(92, room / Math.max(1, order.length - 0.5))
  const rowOf = (terminal: string) => Math.max(0, order.indexOf(shared.get(terminal) ?? terminal))
  return { order, common, y: (terminal) => HEAD + step / 2 + rowOf(terminal) * step }
}

/** Letters that a call leaves a unit under run on the row that it came in on: Y through a float to YF. */
function sharedRows(system: System, common: string, lanes: readonly Lane[]): Map<string, string> {
  const shared = new Map<string, string>()
  for (const place of system.places.filter(({ id }) => !lanes.some(({ panel }) => panel === id)))
    for (const chain of chainsOf(system, place, place.terminals))
      if (leadsThrough(place, chain, { common })) shared.set(chain.to, chain.from)
  return shared
}

function drawPlace(
  system: System,
  place: Place,
  zones: readonly LoomZone[],
  rows: Rows,
  lanes: readonly Lane[],
  height: number,
): UnitDrawing {
  const zone = zoneOf(zones, place.id)
  const stat = partsOf(system, 'thermostat').find((part) => part.place === place.id)
  if (stat) return drawThermostat(stat, place, zone, rows)
  const order = zones.map(({ id }) => id)
  const landsOn = (isLeft: boolean) => {
    const letters = new Set<string>()
    for (const cable of system.cables) {
      if (!cable.between.includes(place.id) || order.indexOf(cable.id) < order.indexOf(place.id) !== isLeft) continue
      for (const { lands } of cable.conductors) {
        const letter = lands[cable.between.indexOf(place.id)]
        if (letter !== null) letters.add(letter)
      }
    }
    return letters
  }
  const left = landsOn(true)
  const right = landsOn(false)
  const isRightOnly = left.size === 0 && right.size > 0
  for (const letter of place.terminals) if (!left.has(letter) && !right.has(letter)) (isRightOnly ? right : left).add(letter)
  if (lanes.some(({ panel }) => panel === place.id)) return drawZonePanel(system, place, zone, rows, [...left], [...right], height)
  return drawUnit(system, place, zone, rows, [...left], [...right])
}

function threadsOf(cable: Cable, zones: readonly LoomZone[], rowsAt: (place: PlaceId) => Rows): LoomThread[] {
  const zone = zoneOf(zones, cable.id)
  const isReversed = zones.findIndex(({ id }) => id === cable.between[0]) > zones.findIndex(({ id }) => id === cable.between[1])
  let spares = 0
  return cable.conductors.map((conductor): LoomThread => {
    const letter = conductor.lands.find((terminal) => terminal !== null) ?? null
    const house = rowsAt(cable.between[isReversed ? 0 : 1])
    const spareY = letter === null ? house.y(house.common) + 52 + SPARE_STEP * spares++ : 0
    const end = (side: 0 | 1): LoomEnd => {
      const terminal = conductor.lands[side]
      const isLeft = (side === 0) !== isReversed
      const edge = isLeft ? zone.x : zone.x + zone.width
      const reach = terminal === null ? -14 : GAP + 8
      return {
        point: conductorEnd(cable.id, conductor.id, cable.between[side]),
        x: edge + (isLeft ? -reach : reach),
        y: letter === null ? spareY : rowsAt(cable.between[side]).y(terminal ?? letter),
        landed: terminal !== null,
      }
    }
    return { cable: cable.id, conductor, ends: isReversed ? [end(1), end(0)] : [end(0), end(1)] }
  })
}

function zoneOf(zones: readonly LoomZone[], id: string): LoomZone {
  const zone = zones.find((candidate) => candidate.id === id)
  if (!zone) throw new Error(`the loom has no zone ${id}`)
  return zone
}

/** A vertical stretch steps over each row of another node that it crosses. */
function withHops(wire: Wire, wires: readonly Wire[]): LoomLine {
  const rows = wires.flatMap((other) => (other.net === wire.net ? [] : stretches(other).filter(([a, b]) => a[1] === b[1])))
  const [first, ...rest] = wire.corners
  let path = `M${first[0]} ${first[1]}`
  let [x, y] = first
  for (const [nextX, nextY] of rest) {
    if (nextX === x) {
      const down = Math.sign(nextY - y)
      const crossed = [...new Set(rows.filter(([a, b]) => isBetween(x, a[0], b[0]) && isBetween(a[1], y, nextY)).map(([a]) => a[1]))]
      for (const row of crossed.sort((a, b) => (a - b) * down))
        path += `V${row - down * HOP}a${HOP} ${HOP} 0 0 ${down > 0 ? 1 : 0} 0 ${2 * HOP * down}`
    }
    path += `L${nextX} ${nextY}`
    ;[x, y] = [nextX, nextY]
  }
  return { ...wire, path }
}

const isBetween = (value: number, a: number, b: number): boolean => value > Math.min(a, b) + 1 && value < Math.max(a, b) - 1

function stretches({ corners }: Wire): [readonly [number, number], readonly [number, number]][] {
  return corners.slice(1).map((corner, index) => [corners[index], corner])
}
