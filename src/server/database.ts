import 'server-only'
import path from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { ExtractTablesWithRelations } from 'drizzle-orm'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import * as schema from '@/src/server/schema'

export type Database = PgDatabase<PgQueryResultHKT, typeof schema, ExtractTablesWithRelations<typeof schema>>

/** A database that is asked, before every message that goes in, whether it may be touched. */
class GuardedPGlite extends PGlite {
  mayTouch: () => void = () => {}

  override execProtocolRaw(...args: Parameters<PGlite['execProtocolRaw']>): ReturnType<PGlite['execProtocolRaw']> {
    this.mayTouch()
    return super.execProtocolRaw(...args)
  }

  override execProtocolRawStream(...args: Parameters<PGlite['execProtocolRawStream']>): ReturnType<PGlite['execProtocolRawStream']> {
    this.mayTouch()
    return super.execProtocolRawStream(...args)
  }
}

/** Opens the database in a folder, or in memory, brought up to date. `mayTouch` throws when the folder is no longer ours. */
export async function openDatabase(
  folder: string | null,
  mayTouch: () => void = () => {},
): Promise<{ database: Database; close: () => Promise<void> }> {
  const client = folder === null ? new GuardedPGlite() : new GuardedPGlite(folder)
  client.mayTouch = mayTouch
  await client.waitReady
  const database = drizzle(client, { schema })
  await migrate(database, { migrationsFolder: path.join(process.env.NEST_TRACE_HOME ?? process.cwd(), 'src/server/migrations') })
  return { database, close: () => client.close() }
}
