import type { Effect } from '@/src/core/faults/fault'
import type { AddFault } from '@/src/core/faults/fault-list'
import { STRAP_OHM, WET_OHM } from '@/src/core/faults/rates'
import { hotOfCalls } from '@/src/core/wiring/assembly'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { commonNodes, hotTerminals } from '@/src/core/wiring/supply'
import { firstPart, partsOf, type System } from '@/src/core/wiring/system'

/** What people and weather leave at a unit's terminals: a strap from an earlier test, two hot sides tied, water. */
export function addStrapsAndWater(system: System, add: AddFault): void {
  const thermostats = partsOf(system, 'thermostat')
  const fuse = firstPart(system, 'fuse')
  const common = commonNodes(system)
  for (const place of system.places) {
    const at = (terminal: string) => terminalPoint(terminal, place.id)
    const strap = (family: 'jumper-left' | 'transformers-tied', from: string, to: string, say: string) =>
      add(
        family,
        `${from}+${to}@${place.id}`,
        place.id,
        say,
        [`strap:${from}+${to}@${place.id}`, `Take out the strap from ${from} to ${to} at the ${place.name}`],
        [{ do: 'short', a: at(from), b: at(to), ohm: STRAP_OHM }],
        [at(from), at(to)],
      )
    if (place.id === fuse.place) {
      for (const [terminal, hot] of hotOfCalls(system))
        if (place.terminals.includes(hot) && place.terminals.includes(terminal))
          strap('jumper-left', hot, terminal, `A jumper from ${hot} to ${terminal} was left in at the ${place.name}`)
    }
    const [first, second] = [...new Set(thermostats.flatMap(hotTerminals))]
    if (second !== undefined && place.terminals.includes(first) && place.terminals.includes(second))
      strap(
        'transformers-tied',
        first,
        second,
        `${first} and ${second} are strapped at the ${place.name}: two transformers are tied together`,
      )
    if (place.kind !== 'outdoor') continue
    const wet = place.terminals.filter((terminal) => !common.has(at(terminal)))
    const effects = wet.map((terminal): Effect => ({ do: 'short', a: at(terminal), b: at(CHASSIS), ohm: WET_OHM }))
    const between = wet.slice(1).map((terminal, index): Effect => ({ do: 'short', a: at(wet[index]), b: at(terminal), ohm: WET_OHM }))
    add(
      'water-in-connector',
      place.id,
      place.id,
      `There is water in the connector at the ${place.name}`,
      [`dry:${place.id}`, `Dry the connector at the ${place.name}, find where the water comes in, and seal it`],
      [...effects, ...between],
      wet.map(at),
    )
  }
}
