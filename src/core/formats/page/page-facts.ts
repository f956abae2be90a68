import { saySections } from '@/src/core/bench/say'
import { wiredNow } from '@/src/core/bench/swaps'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type MeasuredRow, measuredRows } from '@/src/core/formats/page/measured-rows'
import { type VisitTimes, visitTimes } from '@/src/core/formats/page/visit-times'
import { sayChanged, saySymptom } from '@/src/core/job/complaint'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import type { JobState } from '@/src/core/job/job-state'
import { asItStands, sayLeaving } from '@/src/core/job/leave'
import { sayOutcomes } from '@/src/core/job/offer'
import { photosOf } from '@/src/core/job/photos'
import { cyclesOf } from '@/src/core/prove/cycles'
import { judgeMotors } from '@/src/core/prove/motors'
import { sayAnswer, sayProbe } from '@/src/core/readings/say'
import { capital } from '@/src/core/units/capital'
import { counted } from '@/src/core/units/counted'
import { sayAmps, sayVolts } from '@/src/core/units/quantity'
import { sayCall } from '@/src/core/wiring/call'
import { cableById, callsOf, placeById, type System, sayRightFuse, zoneName } from '@/src/core/wiring/system'

/** Everything that the page which stays says of a job, in words: the screen, the print and the PDF draw the same. */
export interface PageFacts {
  readonly title: string
  readonly system: string
  readonly when: VisitTimes
  /** For the customer, in plain words. */
  readonly summary: string
  readonly complaint: string
  readonly asFound: readonly string[]
  readonly measured: readonly MeasuredRow[]
  /** Readings that are on record and not on the page. */
  readonly further: number
  readonly trips: string
  readonly done: readonly string[]
  /** What the customer was offered, each with what became of it. */
  readonly offered: readonly string[]
  /** Conductors that serve another terminal than they did, at both ends. */
  readonly moved: readonly string[]
  /** Clean cycles of what came and went, and what they say. */
  readonly cycled: string | null
  readonly tested: readonly {
    readonly mode: string
    readonly amps: string
    readonly volts: string
    /** Line amps of what ran, against the plate. */
    readonly motors: readonly string[]
    readonly air: string
    readonly result: string
  }[]
  readonly unfinished: string | null
  readonly leftBehind: string
  readonly notes: readonly string[]
  /** Photos that were chosen for the page. */
  readonly photos: readonly { readonly digest: string; readonly of: string }[]
  /** The system as it is wired now. */
  readonly wired: System
}

/** More than these leave no room for the words. */
const MOST_PHOTOS = 3

/** @throws Error when the job has an entry that no timeline can hold */
export function pageFacts({ job, system, entries }: Pick<JobFile, 'job' | 'system' | 'entries'>): PageFacts {
  const state = foldJob(system, entries)
  const { rows, further } = measuredRows(system, state)
  return {
    title: job.title,
    system: system.name,
    when: visitTimes(job.createdAt, state),
    summary: summaryOf(system, state),
    complaint: complaintOf(state),
    asFound: asFoundOf(system, state),
    measured: rows,
    further,
    trips: `${counted(state.trips, 'trip')}, ${counted(state.fusesSpent, 'fuse')} spent`,
    done: state.repairs.map(
      ({ zone, what, cause }) => `${capital(zoneName(system, zone))}: ${what}. Cause: ${cause || 'not found, or not written down'}.`,
    ),
    offered: state.offer ? sayOutcomes(state.offer) : [],
    moved: movedOf(system, state),
    tested: callsOf(system).map((call) => testedOf(system, state, call)),
    cycled: state.cycles.length === 0 ? null : cyclesOf(state).say,
    unfinished: state.left
      ? [`${capital(sayLeaving(state.left.reason, state.left.until))}.`, ...asItStands(system, { ...state, owed: [] })].join(' ')
      : null,
    leftBehind: leftBehindOf(system, state),
    photos: photosOf(state)
      .filter(({ onPage }) => onPage)
      .slice(0, MOST_PHOTOS)
      .map(({ digest, of }) => ({ digest, of })),
    notes: state.standing.flatMap((entry) => (entry.kind === 'note' ? [entry.text] : [])),
    wired: wiredNow(system, state.bench.swaps),
  }
}

/** What was wrong, and how it stands: from the faults that were mended, not from what was typed of them. */
function summaryOf(system: System, state: JobState): string {
  const modes = callsOf(system)
  const held = modes.filter((call) => state.proofs[call]?.held)
  const proved =
    held.length === modes.length
      ? 'Every mode was run and held.'
      : held.length === 0
        ? 'No mode was run after that.'
        : `Run and held: ${held.map((call) => sayCall[call]).join(', ')}.`
  if (state.left) return 'The work is not finished: see below for what works and what is off.'
  if (state.repairs.length === 0)
    return held.length === modes.length ? 'Nothing was found wrong. Every mode was run and held.' : 'No repair is on record yet.'
  const faults = enumerateFaults(system)
  const wrong = state.repairs.map(({ fault, what }) => {
    const known = fault?.split(' + ').map((id) => faults.find((one) => one.id === id)?.say)
    return known && !known.includes(undefined) ? `${known.join('; and ')}` : what
  })
  return `${wrong.map((one) => `${capital(one)}.`).join(' ')} Repaired. ${proved}`
}

function complaintOf({ complaint }: JobState): string {
  const told = [
    ...complaint.symptoms.map((symptom) => saySymptom[symptom]),
    ...complaint.changed.map((change) => `lately: ${sayChanged[change]}`),
  ]
  const words = complaint.words ? `“${complaint.words}”` : 'No customer statement recorded.'
  return `${words} ${told.join(', ')}${complaint.call ? ` (on ${sayCall[complaint.call]})` : ''}`.trim()
}

/** What was seen before anything was repaired, and what the controls told. */
function asFoundOf(system: System, state: JobState): string[] {
  const firstRepair = state.standing.findIndex(({ kind }) => kind === 'repair')
  const before = new Set(state.standing.slice(0, firstRepair < 0 ? undefined : firstRepair).map(({ id }) => id))
  const seen = state.observations.flatMap(({ id, probe, answer }) =>
    before.has(id) && probe.meter === 'look' && !probe.at.startsWith('runs@')
      ? [capital(`${sayProbe(system, probe)}: ${sayAnswer(answer, probe)}`)]
      : [],
  )
  return [...new Set(seen)]
}

function movedOf(system: System, { bench }: JobState): string[] {
  const whole = bench.swaps.filter(({ section, exchange }) => !section && !exchange)
  const moved = whole.map(({ cable: id, from, to }) => {
    const cable = cableById(system, id)
    const ends = cable?.between.map((place) => placeById(system, place)?.name ?? place).join(' and at the ')
    return `${capital(to)} serves in place of ${from} in the ${cable?.name ?? id}: at the ${ends}.`
  })
  return [...moved, ...saySections(system, bench).map((said) => `${said}: the color changes at both joints.`)]
}

function testedOf(system: System, state: JobState, call: ReturnType<typeof callsOf>[number]): PageFacts['tested'][number] {
  const proof = state.proofs[call]
  return {
    mode: sayCall[call],
    amps: proof?.amps == null ? '–' : sayAmps(proof.amps),
    volts: proof?.volts == null ? '–' : sayVolts(proof.volts),
    motors: judgeMotors(system, state, proof?.motors ?? []).map(
      ({ name, amps, plateA }) => `${name} ${sayAmps(amps)}${plateA === null ? '' : ` of ${sayAmps(plateA)}`}`,
    ),
    air: proof?.air ? `${proof.air.returnF} / ${proof.air.supplyF} °F` : '–',
    result: proof ? (proof.held ? 'held' : 'did not hold') : 'not run',
  }
}

function leftBehindOf(system: System, { owed }: JobState): string {
  if (owed.length > 0) return `${owed.map(({ say }) => capital(say)).join('; ')}.`
  return `Nothing: everything is put back. The right fuse is a ${sayRightFuse(system)}.`
}
