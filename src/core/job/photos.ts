import type { Entry } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import type { PlaceId } from '@/src/core/wiring/ids'
import { parsePoint } from '@/src/core/wiring/point'

export type Photo = Extract<Entry, { kind: 'photo' }>

/** The photos of a job that stand, in the order in which they were taken. */
export const photosOf = ({ standing }: Pick<JobState, 'standing'>): Photo[] =>
  standing.flatMap((entry) => (entry.kind === 'photo' ? [entry] : []))

/** Every photo that a timeline has ever named, undone or not: what has to be kept beside it. */
export const digestsIn = (entries: readonly Entry[]): string[] => [
  ...new Set(
    entries.flatMap((entry) => {
      const content = entry.kind === 'correct' ? entry.entry : entry
      return content.kind === 'photo' ? [content.digest] : []
    }),
  ),
]

/**
 * Whether the strip where one stands has not been photographed yet, and no wire has come off there: the picture that shows how it was
 * is taken before the first one does.
 */
export function lacksPictureOf(place: PlaceId, { standing }: Pick<JobState, 'standing'>): boolean {
  const isLifted = standing.some(
    (entry) => entry.kind === 'bench' && entry.change.do === 'lift' && parsePoint(entry.change.end).place === place,
  )
  return !isLifted && !photosOf({ standing }).some((photo) => photo.place === place)
}
