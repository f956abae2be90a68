import { createDemoJob } from '@/src/core/practice/demo'
import { insertJob } from '@/src/server/jobs'
import { jobs } from '@/src/server/schema'
import type { Database } from '@/src/server/store'

/** The demo was begun this long ago: its entries take two minutes each. */
const DEMO_AGE_MS = 31 * 60_000

/** An empty store gets the demo job, so that the first screen shows something. */
export async function seedWhenEmpty(database: Database, now: Date): Promise<void> {
  const found = await database.select({ id: jobs.id }).from(jobs).limit(1)
  if (found.length > 0) return
  await insertJob(database, createDemoJob('demo', new Date(now.getTime() - DEMO_AGE_MS)))
}
