import 'server-only'
import { asc } from 'drizzle-orm'
import { type CodeRow, exampleCodes } from '@/src/core/diagnosis/hypotheses/codes'
import { codeRowSchema } from '@/src/core/job/code-schema'
import { codes } from '@/src/server/schema'
import type { Store } from '@/src/server/store'

/** The shop's codes in the order in which they were kept; the examples until there is one of its own. */
export async function listCodes({ database }: Store): Promise<CodeRow[]> {
  const rows = await database.select({ body: codes.body }).from(codes).orderBy(asc(codes.position))
  return rows.length === 0 ? [...exampleCodes] : rows.map(({ body }) => codeRowSchema.parse(body))
}

/** Puts a whole table in the place of the one before. */
export const keepCodes = ({ writer }: Store, rows: readonly CodeRow[]): Promise<void> => writer.write({ do: 'codes', rows })
