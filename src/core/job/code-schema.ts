import { z } from 'zod'
import { pointsTo } from '@/src/core/job/points-to'
import { textSchema } from '@/src/core/units/text-schema'

const text = (longest: number, what: string) =>
  z
    .string()
    .trim()
    .pipe(textSchema(longest, 1, `${what} is missing.`))

/** One line of the table of codes: which kind of board, which code, what it means there. The shop's own, to be edited. */
export const codeRowSchema = z.strictObject({
  board: text(60, 'The kind of board'),
  code: text(20, 'The code'),
  means: text(200, 'What the code means'),
  points: z.enum(pointsTo),
})

/** Parses an unknown value as a line of the table, or says in a sentence what is wrong with it. */
export function readCodeRow(value: unknown): { ok: true; row: z.infer<typeof codeRowSchema> } | { ok: false; problem: string } {
  const parsed = codeRowSchema.safeParse(value)
  return parsed.success ? { ok: true, row: parsed.data } : { ok: false, problem: parsed.error.issues[0].message }
}
