import 'server-only'
import { formOpinion } from '@/src/core/advice/advise'
import { createEngine } from '@/src/core/diagnosis/engine'
import { foldJob } from '@/src/core/job/fold'
import { sharesOfZones } from '@/src/core/job/job-summary'
import { createDemoJob } from '@/src/core/practice/demo'
import type { JobStore } from '@/src/server/jobs'

/** The demo was begun this long ago: its entries take two minutes each. */
const DEMO_AGE_MS = 31 * 60_000

/** An empty store gets the demo job, so that the first screen shows something: its suspicion, too, which no device has worked out yet. */
export async function seedWhenEmpty(jobs: JobStore, now: Date): Promise<void> {
  if ((await jobs.list({ words: '', show: 'all', after: null, limit: 1 })).total > 0) return
  const demo = createDemoJob('demo', new Date(now.getTime() - DEMO_AGE_MS))
  await jobs.insert(demo)
  const { zones } = formOpinion(createEngine(demo.system), foldJob(demo.system, demo.entries))
  await jobs.keepShares('demo', { entries: demo.entries.length, shares: sharesOfZones(zones) })
}
