import { z } from 'zod'
import { guarded, withStore } from '@/src/app/api/v1/handle'
import { readBody, refuse, respond } from '@/src/app/api/v1/respond'
import { jobListSchema, newJobSchema, openedSchema } from '@/src/core/formats/api'
import { jobFileOf, jobIdSchema } from '@/src/core/job/job-file'
import { momentSchema, textSchema } from '@/src/core/units/text-schema'
import { readSystem } from '@/src/core/wiring/read-system'
import { findSystem } from '@/src/server/systems'

const PAGE = 50
const listQuerySchema = z.object({
  words: textSchema(200).default(''),
  show: z.enum(['open', 'closed', 'all']).default('all'),
  createdAt: momentSchema.optional(),
  id: jobIdSchema.optional(),
})

/** A page of the list: `words` that fit, `show` open, closed or all, and the last job of the page before (`createdAt`, `id`). */
export const GET = guarded((request: Request) => {
  const query = listQuerySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.success) return refuse(422, { code: 'no-fit', say: "The list can't be requested like this." })
  const { words, show, createdAt, id } = query.data
  const after = createdAt !== undefined && id !== undefined ? { createdAt, id } : null
  return withStore(async ({ jobs }) => respond(jobListSchema, await jobs.list({ words, show, after, limit: PAGE })))
})

export const POST = guarded(async (request: Request) => {
  const read = await readBody(request, newJobSchema)
  if (!read.ok) return read.refusal
  const { systemId = '', system: own, entries, ...job } = read.body
  return withStore(async (store) => {
    const sound = own && readSystem(own)
    if (sound && !sound.ok) return refuse(422, { code: 'unsound-system', say: `${sound.problems.join(' ')} The job was not opened.` })
    const system = sound ? sound.system : await findSystem(store, systemId)
    if (!system) return refuse(422, { code: 'no-system', say: `There is no system "${systemId}". The job was not opened.` })
    const made = await store.jobs.insert(jobFileOf({ job, system, entries }))
    if (made.ok) return respond(openedSchema, { id: job.id }, made.isNew ? 201 : 200)
    return made.why === 'clash'
      ? refuse(409, { code: 'clash', say: `Another entry has the id "${made.clash}". Nothing was saved.`, entry: made.clash })
      : refuse(409, { code: 'other-system', say: 'There is a job of this id on another system. Nothing was saved.' })
  })
})
