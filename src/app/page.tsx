import { connection } from 'next/server'
import { openStore } from '@/src/server/store'
import { listSystems } from '@/src/server/systems'
import { firstPage } from '@/src/ui/jobs/job-list'
import { Jobs } from '@/src/ui/jobs/jobs'

export default async function JobsPage() {
  await connection()
  const store = await openStore()
  const [jobs, systems] = await Promise.all([store.jobs.list({ ...firstPage, limit: 50 }), listSystems(store)])
  return <Jobs first={jobs} systems={systems.map(({ id, name }) => ({ id, name }))} />
}
