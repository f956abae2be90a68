import { createDemoJob } from '@/src/core/practice/demo'
import type { Store } from '@/src/server/store'

/** The demo was begun this long ago: its entries take two minutes each. */
const DEMO_AGE_MS = 31 * 60_000

/** An empty store gets the demo job, so that the first screen shows something. */
export async function seedWhenEmpty({ jobs }: Store, now: Date): Promise<void> {
  if ((await jobs.list({ words: '', show: 'all', after: null, limit: 1 })).total > 0) return
  await jobs.insert(createDemoJob('demo', new Date(now.getTime() - DEMO_AGE_MS)))
}
