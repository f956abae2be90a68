import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobState } from '@/src/core/job/job-state'
import type { PlaceId } from '@/src/core/wiring/ids'
import { parsePoint } from '@/src/core/wiring/point'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

/** Which part is meant where none is named: the one that is off, the one here, the one that was looked at last. */

interface Standing {
  readonly system: System
  readonly state: JobState
}

/** "The coil": the one that is unplugged, else the one here; null where it could be another. */
export function coilMeant({ system, state }: Standing): string | null {
  const coils = partsOf(system, 'coil')
  const off = coils.filter(({ id }) => state.bench.unplugged.includes(id))
  const [coil, another] = off.length > 0 ? off : coils.filter(({ place }) => place === state.bench.place)
  // Of several the one that was looked at last, where one has not gone elsewhere since.
  return coil && another ? lastSeen(state, coils) : (coil?.id ?? null)
}

/** "The damper": the one that is unplugged, else the only one, or the one that was looked at last; null where it could be another. */
export function damperMeant({ system, state }: Standing): string | null {
  const dampers = partsOf(system, 'coil').filter(({ role }) => role === 'damper')
  const off = dampers.filter(({ id }) => state.bench.unplugged.includes(id))
  const [damper, another] = off.length > 0 ? off : dampers
  return damper && another ? lastSeen(state, dampers) : (damper?.id ?? null)
}

/** "The motor": the only one here, or the one that was looked at last. A compressor is called by its name, and what heats is none. */
export function motorMeant({ system, state }: Standing): string | { readonly asks: string } | null {
  const motors = partsOf(system, 'load').filter(
    ({ place, name, powerFactor }) => place === state.bench.place && powerFactor < 1 && !/compressor/.test(name),
  )
  const [motor, another] = motors
  if (!motor || !another) return motor?.id ?? null
  return lastSeen(state, motors) ?? { asks: `Which motor? Say ${motors.map(({ id }) => `"${id} still"`).join(' or ')}.` }
}

/** The part of some that the last look here was at. */
export function lastSeen(
  { bench, observations }: JobState,
  parts: readonly { readonly id: string; readonly place: PlaceId }[],
): string | null {
  const last = observations.findLast(({ probe }) => probe.meter === 'look')
  const at = last?.probe.meter === 'look' ? last.probe.at : null
  return parts.find(({ id, place }) => id === at && place === bench.place)?.id ?? null
}

/** Whether the last look or reading was of a fuse: the one that is swapped then. */
export function wasOfFuse({ system, state }: Standing): boolean {
  const probe = state.observations.at(-1)?.probe
  if (!probe) return false
  if (probe.meter === 'look') return partById(system, probe.at)?.kind === 'fuse'
  const ends = 'a' in probe ? [probe.a, probe.b].map((end) => parsePoint(end).name) : []
  return partsOf(system, 'fuse').some(({ between }) => between.every((end) => ends.includes(end)))
}

/** "Secondary open" at a panel that has a transformer of its own: the one where one stands. */
export function withTransformerHere(
  line: string,
  { system, entries }: { readonly system: System; readonly entries: readonly Entry[] },
): string {
  if (!/\b(?:secondary|primary|transformer|xfmr)\b/i.test(line)) return line
  const [first, ...others] = partsOf(system, 'transformer')
  const { place } = foldJob(system, entries).bench
  const here = first.place === place ? undefined : others.find((one) => one.place === place)
  if (!here || others.length > 1) return line
  const name = here.name.replace(/['’]s\b/, '')
  const isNamed = /\b(?:panel|furnace|board|unit|air handler|heating|cooling)['’]?s? (?:transformer|xfmr|secondary|primary)\b/i
  return isNamed.test(line)
    ? line
    : line.replace(/\b(?:the )?(?:(?:transformer|xfmr)(?: (secondary|primary))?|(secondary|primary))\b/i, (_, one = '', other = '') =>
        `${name} ${one}${other}`.trim(),
      )
}

/** Control boards, and the logic of a furnace's own. */
export const boardsOf = ({ parts }: System) => parts.filter(({ kind, id }) => kind === 'board' || id === 'board')

/** The one board, or the one here. */
export function boardHere({ system, state }: Standing): string | null {
  const boards = partsOf(system, 'board')
  const [here, another] = boards.length > 1 ? boards.filter(({ place }) => place === state.bench.place) : boards
  return here && !another ? here.id : null
}

/** Where the one contactor is; where one stands, if there are several. */
export function contactorPlace({ system, state }: Standing): string {
  const places = new Set(partsOf(system, 'coil').flatMap(({ role, place }) => (role === 'contactor' ? [place] : [])))
  const [only, another] = places
  return only !== undefined && another === undefined ? only : state.bench.place
}
