import { noSuchJob, readBody, refuse, respond } from '@/src/app/api/v1/respond'
import { addedSchema, sentEntriesSchema } from '@/src/core/formats/api'
import { addEntries, hasJob, readJob } from '@/src/server/jobs'
import { openStore } from '@/src/server/store'

type Context = { params: Promise<{ id: string }> }

export async function GET(_: Request, { params }: Context) {
  const { id } = await params
  const job = await readJob(await openStore(), id)
  return job
    ? respond(sentEntriesSchema.extend({ entries: sentEntriesSchema.shape.entries.min(0) }), { entries: job.entries })
    : noSuchJob(id)
}

/** 201 when something was added, 200 when all of it was in already. */
export async function POST(request: Request, { params }: Context) {
  const { id } = await params
  const read = await readBody(request, sentEntriesSchema)
  if (!read.ok) return read.refusal
  const store = await openStore()
  if (!(await hasJob(store, id))) return noSuchJob(id)
  const result = await addEntries(store, id, read.body.entries)
  if (!result.ok)
    return refuse(409, {
      code: 'clash',
      say: `There is another entry with the id "${result.clash}". The first is kept and nothing was added; give this one an id of its own.`,
    })
  return respond(addedSchema, { added: result.added }, result.added > 0 ? 201 : 200)
}
