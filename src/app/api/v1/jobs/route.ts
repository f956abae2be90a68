import { readBody, refuse, respond } from '@/src/app/api/v1/respond'
import { jobListSchema, newJobSchema, openedSchema } from '@/src/core/formats/api'
import { readSystem } from '@/src/core/wiring/read-system'
import { insertJob, listJobs } from '@/src/server/jobs'
import { openStore } from '@/src/server/store'
import { findSystem } from '@/src/server/systems'

export async function GET() {
  return respond(jobListSchema, { jobs: await listJobs(await openStore()) })
}

export async function POST(request: Request) {
  const read = await readBody(request, newJobSchema)
  if (!read.ok) return read.refusal
  const { systemId = '', system: own, entries, ...job } = read.body
  const store = await openStore()
  const sound = own && readSystem(own)
  if (sound && !sound.ok) return refuse(422, { code: 'unsound-system', say: `${sound.problems.join(' ')} The job was not opened.` })
  const system = sound ? sound.system : await findSystem(store, systemId)
  if (!system) return refuse(422, { code: 'no-system', say: `There is no system "${systemId}". The job was not opened.` })
  const made = await insertJob(store, { format: 'nest-trace/job', version: 1, job, system, entries })
  if (!made.ok) return refuse(409, { code: 'clash', say: `Another entry bears the id "${made.clash}". Nothing was taken.` })
  return respond(openedSchema, { id: job.id }, made.isNew ? 201 : 200)
}
