import type { Bench, BenchChange } from '@/src/core/bench/bench'
import { callClosing } from '@/src/core/job/code-seen'
import type { EntryDraft } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { wordOf } from '@/src/core/readings/check'
import { codeFor, isCode } from '@/src/core/readings/code-looks'
import { type CallName, sayCall } from '@/src/core/wiring/call'
import type { CableId, PartId, PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { conductorEnd, type Point } from '@/src/core/wiring/point'
import { cableById, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/**
 * An over-current code, followed by somebody who is not a technician and has no meter: the wire that it names is taken off at one place
 * after the other, power off first, and the call is made again. Where the code still comes, what draws is before that place.
 */

/** Where the wire is taken off, and what stands before it. */
interface Cut {
  readonly end: Point
  readonly place: PlaceId
  readonly screw: string
  readonly cable: CableId
  readonly conductor: string
  /** The stretch between the cut before and this one: a place or a cable. */
  readonly before: string
}

export interface AfarStep {
  readonly cut: Cut
  /** What the hands do, in order, in plain words. */
  readonly does: readonly string[]
  readonly ask: string
  readonly caution: string
  /** What it showed with the wire off here; null where nobody has said. */
  readonly shows: 'code' | 'no code' | null
}

export interface FromAfar {
  readonly steps: readonly AfarStep[]
  /** The first step that nobody has answered, while the steps before leave it open. */
  readonly next: AfarStep | null
  /** Where what draws too much is: a place or a cable. */
  readonly found: string | null
}

/** A wire of a thermostat that a code can name. */
export interface CodeWire {
  readonly thermostat: PartId
  readonly terminal: string
}

/** The wires of the thermostats that show codes. */
export const codeWires = (system: System): CodeWire[] =>
  partsOf(system, 'thermostat').flatMap((part) =>
    part.power === 'mechanical' ? [] : switchedTerminals(part).map((terminal) => ({ thermostat: part.id, terminal })),
  )

/** The wire that the last code named, or that the customer's call closes alone; null where nothing says. */
export function namedWire(system: System, { observations }: Pick<JobState, 'observations'>): CodeWire | null {
  for (const { probe, answer } of [...observations].reverse()) {
    const code = wordOf(answer)
    if (probe.meter !== 'look' || !isCode(code)) continue
    const wire = codeWires(system).find(({ thermostat, terminal }) => thermostat === probe.at && code === codeFor(terminal))
    if (wire) return wire
  }
  return null
}

/** The steps for one wire, with what was answered so far. */
export function fromAfar(system: System, { observations }: Pick<JobState, 'observations'>, wire: CodeWire): FromAfar {
  const stat = statOf(system, wire)
  const call = callOf(system, wire)
  const cuts = cutsOf(system, stat, wire.terminal)
  const shown = ({ end }: Cut): AfarStep['shows'] => {
    const told = observations.findLast(
      ({ bench, probe }) =>
        probe.meter === 'look' &&
        probe.at === stat.id &&
        bench.power &&
        bench.call === call &&
        bench.lifted.length === 1 &&
        bench.lifted[0] === end,
    )
    return told ? (isCode(wordOf(told.answer)) ? 'code' : 'no code') : null
  }
  const steps = cuts.map(
    (cut, index): AfarStep => ({
      cut,
      does: instructionsFor(system, cut, cuts[index - 1] ?? null, call),
      ask: `Watch the display of the ${stat.name} for five minutes: does the code for ${wire.terminal} show again?`,
      caution: cautionAt(system, cut.place),
      shows: shown(cut),
    }),
  )
  const stops = steps.findIndex(({ shows }) => shows === 'code')
  const answered = stops >= 0 ? steps.slice(0, stops + 1) : steps
  const next = stops >= 0 ? null : (steps.find(({ shows }) => shows === null) ?? null)
  const last = cuts.at(-1)
  const found = stops >= 0 ? steps[stops].cut.before : next === null && last ? last.place : null
  return { steps: answered, next, found }
}

/** What an answer enters: the hands' acts from the bench as it stands, and what the display showed. */
export function answerFromAfar(system: System, bench: Bench, wire: CodeWire, { cut }: AfarStep, shows: 'code' | 'no code'): EntryDraft[] {
  const stat = statOf(system, wire)
  const call = callOf(system, wire)
  const changes: BenchChange[] = [
    ...(bench.power ? [{ do: 'power', on: false } as const] : []),
    ...bench.lifted.filter((end) => end !== cut.end).map((end) => ({ do: 'land', end }) as const),
    ...(bench.place === cut.place ? [] : [{ do: 'walk', place: cut.place } as const]),
    ...(bench.lifted.includes(cut.end) ? [] : [{ do: 'lift', end: cut.end } as const]),
    { do: 'power', on: true },
    ...(bench.call === call ? [] : [{ do: 'call', call } as const]),
  ]
  return [
    ...changes.map((change): EntryDraft => ({ kind: 'bench', change })),
    {
      kind: 'reading',
      probe: { meter: 'look', at: stat.id },
      answer: { word: shows === 'code' ? codeFor(wire.terminal) : 'alive' },
    },
  ]
}

/** All steps as a text to read out or to send. */
export function sayFromAfar(system: System, wire: CodeWire): string {
  const stat = statOf(system, wire)
  const { steps } = fromAfar(system, { observations: [] }, wire)
  const lines = steps.flatMap(({ does, ask, caution }, index) => [
    '',
    `STEP ${index + 1}`,
    caution,
    ...does.map((one, place) => `${place + 1}. ${one}`),
    ask,
    `   The code shows again: stop here. Power off, and tell us "step ${index + 1}, code".`,
    index === steps.length - 1
      ? `   No code: stop here too. Power off, and tell us "step ${index + 1}, no code".`
      : `   No code: go on with step ${index + 2}.`,
  ])
  return [
    `The ${stat.name} shows that too much current flows on its wire ${wire.terminal}. With these steps you find where, without a meter.`,
    'Power off first, at every step. If anything smells of burning, if you are not sure which switch is which, or if you would rather not: leave the power off and stop.',
    ...lines,
    '',
    'When you stop: power off, and leave the wire as it is.',
  ].join('\n')
}

const statOf = (system: System, { thermostat }: CodeWire): PartOf<'thermostat'> => {
  const found = partsOf(system, 'thermostat').find(({ id }) => id === thermostat)
  if (!found) throw new Error(`no thermostat ${thermostat} in ${system.id}`)
  return found
}

function callOf(system: System, wire: CodeWire): CallName {
  const call = callClosing(system, statOf(system, wire), wire.terminal)
  if (call === null) throw new Error(`no call closes ${wire.terminal} of ${wire.thermostat}`)
  return call
}

/** Along the wire, from the thermostat outward: off at each end of each cable that it goes on by. */
function cutsOf(system: System, stat: PartOf<'thermostat'>, terminal: string): Cut[] {
  const cuts: Cut[] = []
  const gone = new Set<string>()
  let [place, screw] = [stat.place, terminal]
  for (;;) {
    const along = system.cables.flatMap((cable) =>
      gone.has(cable.id)
        ? []
        : cable.between.flatMap((one, side) =>
            one === place
              ? cable.conductors.flatMap((conductor) => (conductor.lands[side] === screw ? [{ cable, conductor, side }] : []))
              : [],
          ),
    )
    const [first] = along
    if (!first) return cuts
    const { cable, conductor, side } = first
    gone.add(cable.id)
    const far = cable.between[1 - side]
    const farScrew = conductor.lands[1 - side]
    const cut = (at: string, on: string, before: string): Cut => ({
      end: conductorEnd(cable.id, conductor.id, at),
      place: at,
      screw: on,
      cable: cable.id,
      conductor: conductor.id,
      before,
    })
    cuts.push(cut(place, screw, place))
    if (farScrew === null) return cuts
    cuts.push(cut(far, farScrew, cable.id))
    ;[place, screw] = [far, farScrew]
  }
}

function instructionsFor(system: System, cut: Cut, before: Cut | null, call: CallName): string[] {
  const wire = ({ cable, conductor, screw }: Cut): string => {
    const found = cableById(system, cable)
    const colour = found?.conductors.find(({ id }) => id === conductor)?.colour
    const seen = colour === undefined || colour === 'unknown' ? [] : [colour]
    return ['the', ...seen, 'wire of the', found?.name, 'on', screw].join(' ')
  }
  const at = (place: PlaceId) => `the ${placeById(system, place)?.name}`
  return [
    'Turn the power off: the switch beside the indoor unit, or its breaker. The fan stops.',
    ...(before ? [`Put ${wire(before)} back under its screw at ${at(before.place)}, as it was.`] : []),
    `At ${at(cut.place)}, loosen the screw of ${wire(cut)}, pull that one wire out, and bend it so that its bare end touches nothing.`,
    'Close the cover. Turn the power on.',
    `Set the thermostat to ${sayCall[call]}, so that it asks for it.`,
  ]
}

const cautionAt = (system: System, place: PlaceId): string =>
  placeById(system, place)?.metal
    ? 'Behind this cover there may be line voltage, outdoors from a second supply: its own disconnect is pulled as well. Touch nothing but that one thin wire, and stop if you are not sure.'
    : 'The power is off before the cover comes off.'

/** What the steps have shown, in words. */
export function sayFoundFromAfar(system: System, found: string): string {
  const cable = cableById(system, found)
  if (cable) return `It draws in the ${cable.name}: one of its wires touches another or metal.`
  const place = placeById(system, found)
  return place?.kind === 'thermostat'
    ? `It shows the code with its wire off: the ${place.name} itself, or its base.`
    : `It draws in the ${place?.name}, behind that screw.`
}
