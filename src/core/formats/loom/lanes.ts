import type { Rows } from '@/src/core/formats/loom/unit-drawing'
import { parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { type Cable, type Place, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** Where several thermostats feed one panel, each stands with its cable in a lane of its own, one lane above the other. */
export interface Lane {
  readonly stat: Place
  readonly cable: Cable
  /** The far place, on which all lanes end. */
  readonly panel: string
}

/** The lanes of a system, from the top; none where there is one thermostat. */
export function lanesOf(system: System): Lane[] {
  const stats = partsOf(system, 'thermostat').flatMap(({ place }) => placeById(system, place) ?? [])
  if (stats.length < 2) return []
  return stats.flatMap((stat): Lane[] => {
    const cable = system.cables.find(({ between }) => between.includes(stat.id))
    return cable ? [{ stat, cable, panel: cable.between[cable.between[0] === stat.id ? 1 : 0] }] : []
  })
}

/** Terminals of the panel on which a lane's cable lands, by the letter at its thermostat. */
export function landingsOf({ stat, cable }: Lane): Map<string, string> {
  const near = cable.between.indexOf(stat.id)
  return new Map(
    cable.conductors.flatMap(({ lands }) => {
      const [here, there] = [lands[near], lands[1 - near]]
      return here !== null && there !== null ? [[here, there] as const] : []
    }),
  )
}

/** The rows of one lane: hot on top, common at the bottom, in the height from `top` on. */
export function rowsOfLane(system: System, lane: Lane, top: number, height: number): Rows {
  const stat = partsOf(system, 'thermostat').find(({ place }) => place === lane.stat.id)
  const hot = stat?.hot ?? lane.stat.terminals[0]
  const beside = commonBeside(system, terminalPoint(hot, lane.stat.id))
  const common = beside === null ? lane.stat.terminals[lane.stat.terminals.length - 1] : parsePoint(beside).name
  const order = [hot, ...lane.stat.terminals.filter((letter) => letter !== hot && letter !== common), common]
  const step = height / order.length
  return { order, common, y: (letter) => top + (Math.max(0, order.indexOf(letter)) + 0.5) * step }
}
