import 'server-only'
import path from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { ExtractTablesWithRelations } from 'drizzle-orm'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { lockDataFolder } from '@/src/server/data-lock'
import * as schema from '@/src/server/schema'
import { seedWhenEmpty } from '@/src/server/seed'

export type Database = PgDatabase<PgQueryResultHKT, typeof schema, ExtractTablesWithRelations<typeof schema>>

/** Opens a store: locked, migrated, seeded. `null` keeps it in memory, for tests. */
export async function openStoreAt(folder: string | null): Promise<{ database: Database; close: () => Promise<void> }> {
  const unlock = folder === null ? null : await lockDataFolder(folder)
  const client = folder === null ? new PGlite() : new PGlite(path.join(folder, 'store'))
  await client.waitReady
  const database = drizzle(client, { schema })
  await migrate(database, { migrationsFolder: path.join(process.cwd(), 'src/server/migrations') })
  await seedWhenEmpty(database, new Date())
  return {
    database,
    close: async () => {
      await client.close()
      await unlock?.()
    },
  }
}

const shared = globalThis as typeof globalThis & { nestTraceStore?: Promise<Database> }

/** The one store of this server; opened once, also across hot reloads. A failed opening may be tried again. */
export function openStore(): Promise<Database> {
  if (process.env.NEXT_PHASE === 'phase-production-build') throw new Error('the store was asked for during the build')
  shared.nestTraceStore ??= openStoreAt(process.env.NEST_TRACE_DATA ?? 'data').then(
    ({ database }) => database,
    (error) => {
      shared.nestTraceStore = undefined
      throw error
    },
  )
  return shared.nestTraceStore
}
