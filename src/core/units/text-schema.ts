import { z } from 'zod'

/** No database and no file holds these: a null character, or half of a character that two code units make (a text cut in an emoji). */
const UNKEEPABLE = /[\0\p{Surrogate}]/u

/** Free text of at most so many characters. */
export const textSchema = (longest: number, shortest = 0, missing = 'Something is missing here.') =>
  z
    .string()
    .min(shortest, missing)
    .max(longest, `Keep this under ${longest} characters.`)
    .refine((text) => !UNKEEPABLE.test(text), 'There is a character in this that cannot be kept, perhaps cut in half. Type it again.')

/** What makes any text fit to be kept: for what was cut to length a moment ago. */
export const keepable = (text: string): string => text.replace(/[\0\p{Surrogate}]/gu, '')

const [FIRST_YEAR, LAST_YEAR] = [1970, 2999]

/** A moment as it is written; of a year that people and databases know. */
export const momentSchema = z.iso
  .datetime({ message: 'A time is written as in 2026-03-04T09:10:00Z.' })
  .refine(
    (text) => Number(text.slice(0, 4)) >= FIRST_YEAR && Number(text.slice(0, 4)) <= LAST_YEAR,
    'The year of this time is out of range.',
  )
