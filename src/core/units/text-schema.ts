import { z } from 'zod'
import { isKeepable } from '@/src/core/units/keepable'

/** Free text of at most so many characters. */
export const textSchema = (longest: number, shortest = 0, missing = 'Something is missing here.') =>
  z
    .string()
    .min(shortest, missing)
    .max(longest, `Keep this under ${longest} characters.`)
    .refine(isKeepable, 'There is a character in this that cannot be kept, perhaps cut in half. Type it again.')

const [FIRST_YEAR, LAST_YEAR] = [1970, 2999]

/** A moment as it is written; of a year that people and databases know. */
export const momentSchema = z.iso
  .datetime({ message: 'A time is written as in 2026-03-04T09:10:00Z.' })
  .refine(
    (text) => Number(text.slice(0, 4)) >= FIRST_YEAR && Number(text.slice(0, 4)) <= LAST_YEAR,
    'The year of this time is out of range.',
  )
