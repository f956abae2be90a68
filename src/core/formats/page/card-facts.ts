import { format } from 'date-fns'
import { saySections } from '@/src/core/bench/say'
import { wiredNow } from '@/src/core/bench/swaps'
import { isSound } from '@/src/core/formats/page/measured-rows'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import type { JobState } from '@/src/core/job/job-state'
import { sayAmps, sayOhms, sayVolts } from '@/src/core/units/quantity'
import { sayCall } from '@/src/core/wiring/call'
import { parsePoint } from '@/src/core/wiring/point'
import { callsOf, firstPart, partsOf, type System, sayRightFuse } from '@/src/core/wiring/system'

/** The card inside the panel: how the house is wired now, and what is known to be good. */
export interface CardFacts {
  readonly title: string
  readonly system: string
  readonly day: string
  readonly fuse: string
  /** Names of the places, in the order of the columns. */
  readonly places: readonly string[]
  readonly rows: readonly { readonly letter: string; readonly colours: readonly string[] }[]
  readonly spares: readonly string[]
  /** What neither end shows: a conductor that runs on another color for a part of its way. */
  readonly sections: readonly string[]
  readonly known: readonly { readonly what: string; readonly value: string }[]
}

export function cardFacts({ job, system, entries }: Pick<JobFile, 'job' | 'system' | 'entries'>): CardFacts {
  const state = foldJob(system, entries)
  const wired = wiredNow(system, state.bench.swaps)
  const transformer = firstPart(system, 'transformer')
  return {
    title: job.title,
    system: system.name,
    day: format(new Date(state.closedAt ?? state.entries.at(-1)?.at ?? job.createdAt), 'd MMM yyyy'),
    fuse: `${sayRightFuse(system)}, ${transformer.va} VA`,
    places: wired.places.map(({ name }) => name),
    rows: rowsOf(wired),
    spares: sparesOf(wired, state),
    sections: saySections(system, state.bench),
    known: [...coilsOf(system, state), ...modesOf(system, state)],
  }
}

/** For each letter the colours that come to it at each place; those of two cables apart. */
function rowsOf(wired: System): CardFacts['rows'] {
  const letters = [
    ...new Set(wired.cables.flatMap(({ conductors }) => conductors.flatMap(({ lands }) => lands.flatMap((letter) => letter ?? [])))),
  ]
  return letters.map((letter) => ({
    letter,
    colours: wired.places.map(({ id }) =>
      wired.cables
        .flatMap(({ between, conductors }) =>
          conductors.flatMap(({ colour, lands }) => (lands[between.indexOf(id)] === letter ? [colour] : [])),
        )
        .join(' | '),
    ),
  }))
}

/** Conductors that serve nowhere; one that was given up is none, nor is one that was cut for a section. */
const sparesOf = (wired: System, { bench }: JobState): string[] =>
  wired.cables.flatMap(({ id, name, conductors }) => {
    const free = conductors.filter(
      (one) =>
        one.lands.every((letter) => letter === null) &&
        bench.swaps.every(({ cable, from, to }) => cable !== id || (from !== one.id && to !== one.id)),
    )
    return free.length > 0 ? [`${free.map(({ colour }) => colour).join(', ')} in the ${name}`] : []
  })

/** Coils that were read across themselves with their leads off, where the last reading is that of a good one. */
function coilsOf(system: System, { observations }: JobState): CardFacts['known'] {
  return partsOf(system, 'coil').flatMap(({ id, name }) => {
    const own = [...observations].reverse().find(({ probe, bench }) => {
      if (probe.meter !== 'ohms' || !bench.unplugged.includes(id)) return false
      return parsePoint(probe.a).cable === id && parsePoint(probe.b).cable === id
    })
    return own && typeof own.answer === 'number' && isSound(system, own) ? [{ what: `${name} coil`, value: sayOhms(own.answer) }] : []
  })
}

const modesOf = (system: System, { proofs }: JobState): CardFacts['known'] =>
  callsOf(system).flatMap((call) => {
    const proof = proofs[call]
    const read = [proof?.amps == null ? [] : [sayAmps(proof.amps)], proof?.volts == null ? [] : [sayVolts(proof.volts)]].flat()
    return proof?.held && read.length > 0 ? [{ what: sayCall[call], value: read.join(', ') }] : []
  })

/** The card as text, for its code: whoever reads that with any phone has the wiring and the figures, without a signal. */
export function cardText({ title, system, day, fuse, places, rows, spares, sections, known }: CardFacts): string {
  return [
    title,
    system,
    `${day}; ${fuse}`,
    places.join(' / '),
    ...rows.map(({ letter, colours }) => `${letter}: ${colours.map((colour) => colour || '-').join(' / ')}`),
    spares.length > 0 ? `spare: ${spares.join('; ')}` : 'no spare',
    ...sections,
    ...known.map(({ what, value }) => `${what}: ${value}`),
  ].join('\n')
}
