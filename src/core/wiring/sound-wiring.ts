import { leadsOf, pathsOf } from '@/src/core/wiring/conduction'
import type { PlaceId } from '@/src/core/wiring/ids'
import { joinedThrough } from '@/src/core/wiring/joined'
import type { PartOf } from '@/src/core/wiring/part'
import { CHASSIS, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonNodes, lineNodes } from '@/src/core/wiring/supply'
import { partsOf, placeById, type System } from '@/src/core/wiring/system'

/** What a file can say in a valid form and still not mean: each with the path to the spot and a sentence. */
export interface WiringProblem {
  readonly path: readonly (string | number)[]
  readonly message: string
}

/** Problems of the wiring itself, once the form is right: returns without a common, grounds in a loop, leads to nowhere, calls without a terminal. */
export function problemsOfWiring(system: System): WiringProblem[] {
  return [
    ...groundLoops(system),
    ...parallelTransformers(system),
    ...thermostatProblems(system),
    ...partProblems(system),
    ...looseLeads(system),
    ...missingReturns(system),
  ]
}

/** The chassis of all places hang together by refrigerant lines and equipment ground: a second bond closes a loop through them. */
function groundLoops(system: System): WiringProblem[] {
  const common = commonNodes(system)
  const bonds = partsOf(system, 'bond').filter(({ between, place }) => between.some((name) => common.has(terminalPoint(name, place))))
  return bonds.slice(1).map((bond) => ({
    path: ['parts', system.parts.indexOf(bond), 'between'],
    message: `Common is bonded to the chassis a second time by "${bond.id}" (first by "${bonds[0].id}"): that is a loop of grounds. Keep one bond.`,
  }))
}

/** Two secondaries on the same two wires: neither can be read, loaded or fused by itself. */
function parallelTransformers(system: System): WiringProblem[] {
  const joined = joinedThrough(system, ({ through }) => through === 'metal' || through === 'bond' || through === 'plug')
  const sides = partsOf(system, 'transformer').map((part) => ({
    part,
    ends: part.secondary.map((name) => joined.find(terminalPoint(name, part.place))),
  }))
  return sides.flatMap(({ part, ends }, index) => {
    const beside = sides.slice(0, index).find((other) => ends.every((end) => other.ends.includes(end)))
    if (!beside || ends[0] === ends[1]) return []
    const message = `The ${part.name} feeds the same two wires as the ${beside.part.name}. Two in parallel drive current through each other unless they are alike to the turn, the fuse sees half of a short, and a dead one hides behind the other. Put one larger transformer in their place, or give each its own R, and describe that.`
    return [{ path: ['parts', system.parts.indexOf(part), 'secondary'], message }]
  })
}

function thermostatProblems(system: System): WiringProblem[] {
  return partsOf(system, 'thermostat').flatMap((part) => {
    const index = system.parts.indexOf(part)
    const terminals = placeById(system, part.place)?.terminals ?? []
    const has = (terminal: string) => terminals.includes(terminal)
    const problems: WiringProblem[] = []
    const missing = (path: (string | number)[], terminal: string) =>
      problems.push({
        path: ['parts', index, ...path],
        message: `There is no terminal "${terminal}" at ${part.place}; it has ${terminals.join(', ')}.`,
      })
    if (!has(part.hot)) missing(['hot'], part.hot)
    if (part.common !== undefined && !has(part.common)) missing(['common'], part.common)
    for (const [call, closed] of Object.entries(part.calls))
      closed.forEach((terminal, position) => {
        if (!has(terminal)) missing(['calls', call, position], terminal)
      })
    for (const [terminal, hot] of Object.entries(part.feeds ?? {})) if (!has(hot)) missing(['feeds', terminal], hot)
    if ((part.power ?? 'common') === 'common' && part.common === undefined)
      problems.push({
        path: ['parts', index, 'common'],
        message: `The ${part.name} lives on the common, but none reaches it. Name its common terminal, or say what powers it: battery, mechanical or stealing.`,
      })
    if (part.power === 'stealing' && (part.steals === undefined || !has(part.steals)))
      problems.push({ path: ['parts', index, 'steals'], message: `Say through which call terminal the ${part.name} draws its current.` })
    return problems
  })
}

/** A switch that nothing makes, a capacitor that starts nothing, an output of plain metal that is to wait for something. */
function partProblems(system: System): WiringProblem[] {
  return system.parts.flatMap((part, index): WiringProblem[] => {
    if (part.kind === 'switch' && part.madeBy !== undefined && !partsOf(system, 'load').some(({ id }) => id === part.madeBy))
      return [
        {
          path: ['parts', index, 'madeBy'],
          message: `The ${part.name} is made by "${part.madeBy}", but there is no load called that. Name the motor that makes it.`,
        },
      ]
    if (part.kind === 'capacitor')
      return part.starts.flatMap(({ load }, section) =>
        partsOf(system, 'load').some(({ id, place }) => id === load && place === part.place)
          ? []
          : [
              {
                path: ['parts', index, 'starts', section, 'load'],
                message: `The ${part.name} starts "${load}", but there is no load called that at ${part.place}. Name the motor that it starts.`,
              },
            ],
      )
    if (part.kind !== 'board') return []
    const outputs = part.outputs.flatMap(({ to, style, needs, unless }, output) =>
      style === 'passes' && (needs || unless)
        ? [
            {
              path: ['parts', index, 'outputs', output, 'style'],
              message: `The output ${to} of the ${part.name} has style "passes", straight through, so it cannot wait for another input. Use style "relay".`,
            },
          ]
        : [],
    )
    return [...outputs, ...ignitionProblems(system, part, index)]
  })
}

/** An ignition control that lights what is not there, or opens it by an output that it has not. */
function ignitionProblems(system: System, { name, outputs, ignites }: PartOf<'board'>, index: number): WiringProblem[] {
  if (!ignites) return []
  const problem = (key: string, message: string): WiringProblem => ({ path: ['parts', index, 'ignites', key], message })
  return [
    ...(partsOf(system, 'load').some(({ id }) => id === ignites.igniter)
      ? []
      : [problem('igniter', `The ${name} lights "${ignites.igniter}", but there is no load called that. Name the igniter.`)]),
    ...(partsOf(system, 'coil').some(({ id }) => id === ignites.valve)
      ? []
      : [problem('valve', `The ${name} opens "${ignites.valve}", but there is no coil called that. Name the gas valve.`)]),
    ...(['by', 'opens'] as const).flatMap((key) =>
      outputs.some(({ to, style }) => to === ignites[key] && style === 'relay')
        ? []
        : [problem(key, `The ${name} has no output of style "relay" to "${ignites[key]}". Name one of its outputs.`)],
    ),
  ]
}

/** A lead that only one part names ends in the air: most often a slip of the pen in one of two names. */
function looseLeads(system: System): WiringProblem[] {
  const users = new Map<Point, number[]>()
  const note = (name: string, place: PlaceId, index: number) => {
    const point = terminalPoint(name, place)
    users.set(point, [...(users.get(point) ?? []), index])
  }
  system.parts.forEach((part, index) => {
    for (const { name, role } of leadsOf(part)) if (role !== 'tap') note(name, part.place, index)
  })
  return [...users].flatMap(([point, [index, ...others]]) => {
    const { name, place } = parsePoint(point)
    const part = system.parts[index]
    const isTerminal = placeById(system, place)?.terminals.includes(name)
    // A supply may offer a leg or a neutral that nothing here uses, and a disconnect a pole.
    if (others.length > 0 || isTerminal || name === CHASSIS || part.kind === 'supply' || part.kind === 'disconnect') return []
    return [
      {
        path: ['parts', index],
        message: `The lead "${name}" of the ${part.name} at ${place} ends in the air: nothing else is called so. Is a name misspelt?`,
      },
    ]
  })
}

/** Every 24 V load needs a way back to a transformer's common, through wires and switches. */
function missingReturns(system: System): WiringProblem[] {
  const reached = new Set(commonNodes(system))
  const line = lineNodes(system)
  let size = 0
  while (reached.size > size) {
    size = reached.size
    for (const { through, joins } of system.parts.flatMap((part) => pathsOf(part))) {
      if (through !== 'metal' && through !== 'bond' && through !== 'plug' && through !== 'switch') continue
      if (joins.some((end) => reached.has(end) && !line.has(end))) for (const end of joins) reached.add(end)
    }
    for (const cable of system.cables)
      for (const { lands } of cable.conductors) {
        const ends = lands.flatMap((terminal, side) => (terminal === null ? [] : [terminalPoint(terminal, cable.between[side])]))
        if (ends.some((end) => reached.has(end))) for (const end of ends) reached.add(end)
      }
  }
  return system.parts.flatMap((part, index): WiringProblem[] => {
    if (part.kind !== 'coil' && part.kind !== 'electronics' && part.kind !== 'board') return []
    const ends = part.between.map((name) => terminalPoint(name, part.place))
    if (ends.some((end) => reached.has(end))) return []
    return [
      {
        path: ['parts', index, 'between'],
        message: `The ${part.name} has no way back: neither ${part.between.join(' nor ')} at ${part.place} leads to the common of a transformer. Is a common missing in a cable?`,
      },
    ]
  })
}
