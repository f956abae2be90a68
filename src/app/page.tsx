import { connection } from 'next/server'
import { listJobs } from '@/src/server/jobs'
import { openStore } from '@/src/server/store'
import { listSystems } from '@/src/server/systems'
import { Jobs } from '@/src/ui/jobs/jobs'

export default async function JobsPage() {
  await connection()
  const store = await openStore()
  const [jobs, systems] = await Promise.all([listJobs(store), listSystems(store)])
  return <Jobs jobs={jobs} systems={systems.map(({ id, name }) => ({ id, name }))} />
}
