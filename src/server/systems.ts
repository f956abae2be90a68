import 'server-only'
import { desc, eq } from 'drizzle-orm'
import { AS_FOUND } from '@/src/core/wiring/build-system'
import type { System } from '@/src/core/wiring/system'
import { systemSchema } from '@/src/core/wiring/system-schema'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { systems } from '@/src/server/schema'
import type { Store } from '@/src/server/store'

/** Keeps a system under its id and a digest of its body, so that jobs go on reading the one they were begun with. */
export const insertSystem = ({ writer }: Store, system: System): Promise<void> => writer.write({ do: 'system', system })

/** Systems that a job can be opened on: the catalogue, then what was added to the store; not what one job's house was found to be. */
export async function listSystems({ database }: Store): Promise<System[]> {
  const rows = await database.select({ id: systems.id, key: systems.key }).from(systems).orderBy(desc(systems.addedAt))
  const known = new Set(catalogue.map(({ id }) => id))
  const keys = rows.filter(({ id }) => !id.endsWith(AS_FOUND) && !known.has(id) && known.add(id)).map(({ key }) => key)
  const added: System[] = []
  for (const key of keys) {
    const [row] = await database.select({ body: systems.body }).from(systems).where(eq(systems.key, key))
    if (row) added.push(systemSchema.parse(row.body))
  }
  return [...catalogue, ...added]
}

export async function findSystem({ database }: Store, id: string): Promise<System | undefined> {
  const shipped = systemById(id)
  if (shipped) return shipped
  const [row] = await database.select().from(systems).where(eq(systems.id, id)).orderBy(desc(systems.addedAt)).limit(1)
  return row && systemSchema.parse(row.body)
}
