import type { Effect } from '@/src/core/faults/effect'
import type { AddFault } from '@/src/core/faults/fault-list'
import { COMMONS_JOINED_OHM, CORRODED_JOINT, STRAP_OHM, WET_OHM } from '@/src/core/faults/rates'
import { landingLink } from '@/src/core/wiring/links'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { circuitOf, commonNodes, hotOfCalls } from '@/src/core/wiring/supply'
import { firstPart, type Place, partsOf, type System } from '@/src/core/wiring/system'
import { hotTerminals } from '@/src/core/wiring/thermostat'

/** What people and weather leave at a unit's terminals: a strap from an earlier test, two hot sides tied, water, green screws. */
export function addStrapsAndWeather(system: System, add: AddFault): void {
  const thermostats = partsOf(system, 'thermostat')
  const fuse = firstPart(system, 'fuse')
  const common = commonNodes(system)
  for (const place of system.places) {
    const at = (terminal: string) => terminalPoint(terminal, place.id)
    const strap = (
      family: 'jumper-left' | 'transformers-tied',
      from: string,
      to: string,
      say: string,
      beside: readonly Effect[] = [],
      spot = '',
    ) =>
      add(
        family,
        `${from}+${to}@${place.id}${spot}`,
        place.id,
        say,
        [`strap:${from}+${to}@${place.id}`, `Take out the strap from ${from} to ${to} at the ${place.name}`],
        [{ do: 'short', a: at(from), b: at(to), ohm: STRAP_OHM }, ...beside],
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
    for (const { from, to, commons } of drySides(system, place)) {
      const say = `${from} and ${to} are strapped at the ${place.name}: two transformers are tied together`
      strap('transformers-tied', from, to, say)
      strap(
        'transformers-tied',
        from,
        to,
        `${say}, and so are their commons`,
        [{ do: 'short', a: commons[0], b: commons[1], ohm: COMMONS_JOINED_OHM }],
        ' commons',
      )
    }
    addCorrodedStrip(system, add, place)
    // Rain gets in outdoors, condensate drips on what is below a coil.
    if (!place.metal) continue
    const wet = place.terminals.filter((terminal) => !common.has(at(terminal)))
    const effects = wet.map((terminal): Effect => ({ do: 'short', a: at(terminal), b: at(CHASSIS), ohm: WET_OHM }))
    const between = wet.slice(1).map((terminal, index): Effect => ({ do: 'short', a: at(wet[index]), b: at(terminal), ohm: WET_OHM }))
    add(
      'water-in-connector',
      place.id,
      place.id,
      `There is water in the connector at the ${place.name}`,
      [`dry:${place.id}`, `Dry the connector at the ${place.name}, find where the water gets in, and seal it`],
      [...effects, ...between],
      wet.map(at),
    )
  }
}

/**
 * Where a panel's dry contacts switch another transformer's hot: the two hot terminals that stand side by side there, and a common of
 * each circuit.
 */
function drySides(system: System, place: Place): { from: string; to: string; commons: readonly [string, string] }[] {
  return partsOf(system, 'board').flatMap((board) => {
    if (board.place !== place.id) return []
    const dry = board.outputs.flatMap(({ from }) => (from === undefined ? [] : [from]))
    const [hot, own] = board.between.map((name) => terminalPoint(name, place.id))
    return [...new Set(dry)].flatMap((from) => {
      const circuit = circuitOf(system, terminalPoint(from, place.id))
      const other = [...commonNodes(system)].find((node) => circuitOf(system, node) === circuit)
      const isApart = circuit !== circuitOf(system, hot)
      return isApart && other !== undefined ? [{ from, to: board.between[0], commons: [own, other] as const }] : []
    })
  })
}

/** One green joint is a conductor's; with every joint of a place bad, it is the strip. */
function addCorrodedStrip(system: System, add: AddFault, place: Place): void {
  const landed = system.cables.flatMap((cable) => {
    const side = cable.between.indexOf(place.id)
    return cable.conductors.flatMap(({ id, lands }) => {
      const terminal = lands[side] ?? null
      return terminal === null ? [] : [{ terminal, link: landingLink(cable.id, id, place.id) }]
    })
  })
  const terminals = [...new Set(landed.map(({ terminal }) => terminal))]
  if (terminals.length < 2) return
  add(
    'strip-corroded',
    place.id,
    place.id,
    `The terminals at the ${place.name} are corroded, all of them`,
    [`strip:${place.id}`, `Clean or replace the terminals at the ${place.name}, cut each wire back to bright copper and land it again`],
    landed.map(({ link }) => ({ do: 'resist', link, ohm: CORRODED_JOINT.ohm })),
    terminals.map((terminal) => terminalPoint(terminal, place.id)),
  )
}
