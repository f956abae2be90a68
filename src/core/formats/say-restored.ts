import { counted } from '@/src/core/units/counted'

/** What came in with an archive, in words. */
export const sayRestored = ({
  jobs,
  entries,
  photos,
}: {
  readonly jobs: number
  readonly entries: number
  readonly photos: number
}): string =>
  `Restored: ${counted(jobs, 'job')}, ${counted(entries, 'entry', 'entries')}, ${counted(photos, 'photo')}. What was in the store already is as it was.`
