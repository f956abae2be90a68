import { leadNames, sayPoint } from '@/src/core/bench/points'
import { grammarOfLook } from '@/src/core/quick-line/own-looks'
import { Memo } from '@/src/core/units/cache'
import { callNames, sayCall } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { conductorEnd, type Point, terminalPoint } from '@/src/core/wiring/point'
import { callsOf, type System, sayRightFuse } from '@/src/core/wiring/system'

/**
 * The product's own words, put into the grammar's: what the timeline, a card or the page says of an entry can be typed, or pasted, again
 * ("lift Y (red) of the outdoor cable at the indoor unit"). Null where the clause is not said in them.
 */
export function fromOwnWords(clause: string, system: System, standing: string): string | null {
  const said = clause.trim().replace(/\.$/, '')
  return grammarOfLook(said, system) ?? ofChange(said, system, standing) ?? ofPair(said, system, standing) ?? ofAmps(said, system)
}

const changes: readonly (readonly [RegExp, (found: RegExpExecArray, system: System, standing: string) => string | null])[] = [
  [/^(lift|land) (.+)$/i, ([, act, end], system, standing) => joined(act, pointOf(end, system, standing))],
  [/^(?:take out|pull) the jumper (.+)$/i, ([, pair], system, standing) => joined('jumper out', pairOf(pair, system, standing))],
  [/^jumper (.+)$/i, ([, pair], system, standing) => joined('jumper', pairOf(pair, system, standing))],
  [/^clip (\S+ \S+) from (.+)$/i, ([, value, pair], system, standing) => joined(`resistor ${value}`, pairOf(pair, system, standing))],
  [/^take the 24 V leads off the (.+)$/i, ([, name], system) => joined('unplug', partNamed(system, name))],
  [/^put the 24 V leads of the (.+) back on$/i, ([, name], system) => joined('plug', partNamed(system, name))],
  [/^set the thermostat to call for (.+)$/i, ([, call], system) => joined('call', inItsZone(callNamed(call), system))],
  [/^set the thermostat to off$/i, () => 'call off'],
  [/^panel of (?:the )?(.+) (on|off)$/i, ([, name, state], system) => joined('panel', placeNamed(system, name), state)],
  [
    /^swap (\S+)(?: \([^)]+\))? to the spare (\S+)(?: \([^)]+\))? of the (.+?)(?:, both ends|, (between .+))?$/i,
    ([, from, to, cable, section = ''], system) => joined('swap', cableNamed(system, cable), `${from} to ${to} ${section}`.trim()),
  ],
  [
    /^exchange (\S+)(?: \([^)]+\))? and (\S+)(?: \([^)]+\))? of the (.+?) at (?:(both ends)|the (.+) only)$/i,
    ([, one, other, cable, both, place], system) =>
      joined('exchange', cableNamed(system, cable), `${one} ${other}`, 'at', both ?? placeNamed(system, place)),
  ],
  [
    /^put (\S+)(?: \([^)]+\))? and \S+(?: \([^)]+\))? of the (.+) back on their own screws$/i,
    ([, from, cable], system) => joined('swap back', cableNamed(system, cable), from),
  ],
  [/^swap (\S+)(?: \([^)]+\))? of the (.+) back$/i, ([, from, cable], system) => joined('swap back', cableNamed(system, cable), from)],
  [/^([\d.]+) A breaker in the fuse slot$/i, ([, amps]) => `breaker ${amps} in`],
  [/^(.+) in the slot$/i, ([, name], system) => (name.toLowerCase() === sayRightFuse(system).toLowerCase() ? 'fuse in' : null)],
  [/^([\d.]+) A fuse in the slot$/i, ([, amps]) => `fuse ${amps} in`],
  [/^fuse slot left empty$/i, () => 'slot empty'],
  [/^breaker in for the (.+)$/i, ([, name], system) => joined(fuseNamed(system, name), 'breaker in')],
  [/^new ([\d.]+) A (.+) in$/i, ([, amps, name], system) => joined(fuseNamed(system, name), `${amps} in`)],
  [/^new (.+) in, as rated$/i, ([, name], system) => joined(fuseNamed(system, name), 'in')],
  [/^take out the (.+)$/i, ([, name], system) => joined(fuseNamed(system, name), 'out')],
  [/^reset the (.+)$/i, ([, name], system) => joined('reset', fuseNamed(system, name))],
]

/** In a house of zones the call that is named without one is the first zone's, wherever it is typed. */
const inItsZone = (call: string | null, system: System): string | null =>
  call !== null && !/zone/.test(call) && callsOf(system).some((other) => other.startsWith(`${call}-zone-`)) ? `${call} zone 1` : call

function ofChange(said: string, system: System, standing: string): string | null {
  for (const [pattern, put] of changes) {
    const found = pattern.exec(said)
    const line = found && put(found, system, standing)
    if (line !== null) return line
  }
  return null
}

/** A reading between two points, the place said once behind both. */
function ofPair(said: string, system: System, standing: string): string | null {
  const found = /^(.+): (.+)$/.exec(said)
  return found && joined(pairOf(found[1], system, standing), found[2])
}

function ofAmps(said: string, system: System): string | null {
  const found = /^(highest )?amps on (.+): (.+ A)$/i.exec(said)
  if (!found) return null
  const on = /^R of the transformer$/i.test(found[2]) ? 'R' : pointOf(found[2], system, '')
  return on === null ? null : `${found[1] ? 'max ' : ''}${found[3]} on ${on}`
}

/** All of them, or nothing. */
const joined = (...parts: readonly (string | null)[]): string | null => (parts.includes(null) ? null : parts.join(' '))

/** Points by what they are called, for each place. */
const called = new Memo((system: System): ReadonlyMap<string, ReadonlyMap<string, Point>> => {
  const all = new Map<string, Map<string, Point>>()
  for (const { id, name } of system.places) {
    const here = new Map<string, Point>()
    const tail = ` at the ${name}`
    for (const lead of leadNames(system, id)) {
      const point = terminalPoint(lead, id)
      here.set(sayPoint(system, point).replace(tail, '').toLowerCase(), point)
      here.set(lead.toLowerCase(), point)
    }
    for (const cable of system.cables)
      if (cable.between.includes(id))
        for (const conductor of cable.conductors) {
          const point = conductorEnd(cable.id, conductor.id, id)
          here.set(sayPoint(system, point).replace(tail, '').toLowerCase(), point)
          here.set(`${conductor.id} of the ${cable.name}`.toLowerCase(), point)
        }
    all.set(id, here)
  }
  return all
})

/** `… at the indoor unit`, parted into what stands there and the place; where none is said it is where one stands. */
function parted(said: string, system: System, standing: string): { said: string; place: PlaceId } {
  for (const { id, name } of system.places) {
    const tail = ` at the ${name}`.toLowerCase()
    if (said.toLowerCase().endsWith(tail)) return { said: said.slice(0, -tail.length), place: id }
  }
  return { said, place: standing }
}

function pointOf(said: string, system: System, standing: string): Point | null {
  const { said: name, place } = parted(said, system, standing)
  return called.of(system).get(place)?.get(name.toLowerCase()) ?? null
}

/** `A to B of the stat cable at the indoor unit`: the cable said once where both are its own; a part by its two leads. */
function pairOf(said: string, system: System, standing: string): string | null {
  const { said: both, place } = parted(said, system, standing)
  const own = /^across the (.+) itself$/i.exec(both)
  if (own) return joined('across', partNamed(system, own[1]))
  const here = called.of(system).get(place)
  const cable = / of the ([^(]+)$/i.exec(both)?.[1]
  for (let at = both.indexOf(' to '); at >= 0; at = both.indexOf(' to ', at + 1)) {
    const [first, second] = [both.slice(0, at).toLowerCase(), both.slice(at + 4).toLowerCase()]
    const b = here?.get(second)
    // Of two wires of one cable it is said behind the second alone.
    const a = here?.get(first) ?? (cable && here?.get(`${first} of the ${cable}`.toLowerCase()))
    if (a && b) return `${a} ${b}`
    if (!first.includes(' at the ') || !b) continue
    const elsewhere = pointOf(first, system, standing)
    if (elsewhere) return `${elsewhere} ${b}`
  }
  return null
}

const callNamed = (said: string): string | null =>
  callNames
    .find((call) => isNamed(sayCall[call], said))
    ?.replace('-zone-', ' zone ')
    .replace('-2', '2') ?? null
const isNamed = (name: string, said: string): boolean => name.toLowerCase() === said.toLowerCase()
const cableNamed = (system: System, said: string): string | null => system.cables.find(({ name }) => isNamed(name, said))?.id ?? null
const placeNamed = (system: System, said: string): string | null => system.places.find(({ name }) => isNamed(name, said))?.id ?? null
const partNamed = (system: System, said: string): string | null => system.parts.find(({ name }) => isNamed(name, said))?.id ?? null
const fuseNamed = (system: System, said: string): string | null =>
  system.parts.find(({ kind, name }) => kind === 'fuse' && isNamed(name, said))?.id ?? null

/** What a lead is called that has no letter, by its name: `lead from limit switch to gas valve`. */
const longNames = new Memo((system: System): readonly (readonly [string, string])[] =>
  [...called.of(system)]
    .flatMap(([place, here]) => [...here].map(([name, point]) => [name, point, place] as const))
    .filter(([name]) => /^(?:lead from|transformer secondary|\w+ after the|\d+ v lead of)/.test(name))
    .map(([name, point, place]) => [name, point.slice(0, -place.length - 1)] as const)
    .sort(([one], [other]) => other.length - one.length),
)

/** A sentence with its leads by the names that the grammar has for them. */
export function withLeadsByName(line: string, system: System): string {
  if (!/\b(?:lead from|secondary|after the|lead of)\b/i.test(line)) return line
  let out = line
  for (const [name, lead] of longNames.of(system)) {
    const at = out.toLowerCase().indexOf(name)
    if (at >= 0) out = `${out.slice(0, at)}${lead}${out.slice(at + name.length)}`
  }
  return out
}
