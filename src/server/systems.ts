import { AS_FOUND } from '@/src/core/wiring/build-system'
import { systemSchema } from '@/src/core/wiring/system-schema'
import 'server-only'
import { createHash } from 'node:crypto'
import { desc, eq } from 'drizzle-orm'
import type { System } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { systems } from '@/src/server/schema'
import type { Database } from '@/src/server/store'

/** Keeps a system under its id and a digest of its body, so that jobs go on reading the one they were begun with. */
export async function insertSystem(database: Database, system: System): Promise<string> {
  const digest = createHash('sha256')
    .update(JSON.stringify(systemSchema.parse(system)))
    .digest('hex')
    .slice(0, 12)
  const key = `${system.id}~${digest}`
  await database
    .insert(systems)
    .values({ key, id: system.id, name: system.name, body: system })
    .onConflictDoNothing({ target: systems.key })
  return key
}

/** Systems that a job can be opened on: the catalogue, then what was added to the store; not what one job's house was found to be. */
export async function listSystems(database: Database): Promise<System[]> {
  const rows = await database.select({ body: systems.body }).from(systems).orderBy(desc(systems.addedAt))
  const known = new Set(catalogue.map(({ id }) => id))
  const added = rows
    .map(({ body }) => systemSchema.parse(body))
    .filter(({ id }) => !id.endsWith(AS_FOUND) && !known.has(id) && known.add(id))
  return [...catalogue, ...added]
}

export async function findSystem(database: Database, id: string): Promise<System | undefined> {
  const shipped = systemById(id)
  if (shipped) return shipped
  const [row] = await database.select().from(systems).where(eq(systems.id, id)).orderBy(desc(systems.addedAt)).limit(1)
  return row && systemSchema.parse(row.body)
}
