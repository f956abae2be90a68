import { sayConductor } from '@/src/core/bench/say'
import { landingsOfSwap, sparesOf } from '@/src/core/bench/swaps'
import type { RunReport } from '@/src/core/cable/of-job'
import type { JobState } from '@/src/core/job/job-state'
import type { CableId } from '@/src/core/wiring/ids'
import { parsePoint } from '@/src/core/wiring/point'
import { type Cable, cableById, placeById, type System } from '@/src/core/wiring/system'

/** Spares of a cable that serve nowhere yet. */
export const freeSpares = (cable: Cable, { bench }: Pick<JobState, 'bench'>): string[] =>
  sparesOf(cable)
    .filter(({ id }) => !bench.swaps.some((swap) => swap.cable === cable.id && swap.to === id))
    .map(({ id }) => id)

/** Every end that moves when a spare takes a conductor's place, in the order in which it is done. */
export function endsToMove(system: System, cable: CableId, from: string, to: string): string[] {
  const name = (id: string) => sayConductor(cableById(system, cable), id)
  return landingsOfSwap(system, { cable, from, to, kept: true }).map(({ off, terminal }) => {
    const at = placeById(system, parsePoint(off).place)?.name ?? parsePoint(off).place
    return `At the ${at}: ${name(from)} off ${parsePoint(terminal).name}, tie it off and mark it dead; ${name(to)} on ${parsePoint(terminal).name}.`
  })
}

/** What is cut and joined when a spare takes over a section of the way only, in the order in which it is done. */
export function jointsOfSection(system: System, { cable: id, from, to, section: [near, far] }: SparedSection): string[] {
  const cable = cableById(system, id)
  const [a, b] = [sayConductor(cable, from), sayConductor(cable, to)]
  const joint = (at: string) =>
    `At ${at}: cut ${a} and ${b}. Join the piece of ${a} that leads away from the damage to the ${b} of the section; label the joint.`
  return [
    joint(near),
    joint(far),
    `At both: tie off what is left of ${a} and of ${b}. A joint stays where it can be reached.`,
    'The screws at both ends stay as they are. The color changes on the way: the page and the card in the panel say so.',
  ]
}

/**
 * The landmarks on either side of where a conductor is bad, by the readings along its run; the first and the last where nothing was read
 * of it. Null where it is bad outside of them.
 */
export function sectionAround(
  { landmarks, findings }: Pick<RunReport, 'landmarks' | 'findings'>,
  conductor: string,
): readonly [string, string] | null {
  const band = findings.find(({ conductors }) => conductors.includes(conductor))?.distance
  const near = band ? landmarks.findLast(({ metres }) => metres <= band.lowM) : landmarks.at(0)
  const far = band ? landmarks.find(({ metres }) => metres >= band.highM) : landmarks.at(-1)
  return near && far && near !== far ? [near.name, far.name] : null
}

/** A spare in a conductor's place between two places along the run. */
export interface SparedSection {
  readonly cable: CableId
  readonly from: string
  readonly to: string
  readonly section: readonly [string, string]
}

/** What frees a conductor where no spare is left, each with what is lost by it. */
export interface Freed {
  readonly does: string
  readonly loses: string
}

/** The honest choices where a cable has no spare: only those that this system has. */
export function withoutSpare(system: System, cableId: string): Freed[] {
  const cable = cableById(system, cableId)
  if (!cable) return []
  const serves = new Set(cable.conductors.flatMap(({ lands }) => lands.flatMap((letter) => letter ?? [])))
  const isAtStat = cable.between.some((place) => placeById(system, place)?.kind === 'thermostat')
  if (!isAtStat) return [NEW_CABLE]
  const calls = ['Y', 'Y1', 'G', 'W', 'W1'].filter((letter) => serves.has(letter)).slice(0, 2)
  return [
    ...(serves.has('C')
      ? [
          { does: 'A thermostat on batteries frees C.', loses: 'Batteries to change; no thermostat that needs a common.' },
          { does: 'A plug-in 24 V supply at the wall frees C.', loses: 'An outlet and a cord beside the thermostat.' },
        ]
      : []),
    ...(calls.length > 1
      ? [
          {
            does: `An accessory at both ends puts two calls, ${calls.join(' and ')}, on one conductor.`,
            loses: 'Two more parts that can fail; not every thermostat and board works with one.',
          },
        ]
      : []),
    ...(serves.has('G') && (serves.has('Y') || serves.has('Y1'))
      ? [
          {
            does: `G joined to ${serves.has('Y') ? 'Y' : 'Y1'} at the indoor unit frees G.`,
            loses: 'The fan no longer runs by itself, and not on heat where the thermostat calls it.',
          },
        ]
      : []),
    ...(serves.has('Y2') ? [{ does: 'One stage of cooling frees Y2.', loses: 'The second stage.' }] : []),
    ...(serves.has('W2') ? [{ does: 'One stage of heating frees W2.', loses: 'The second stage, or the strips as help.' }] : []),
    NEW_CABLE,
  ]
}

const NEW_CABLE: Freed = { does: 'A new cable, with spares.', loses: 'The most time.' }
