import { guarded, withStore } from '@/src/app/api/v1/handle'
import { noSuchJob, readBody, refuse, respond } from '@/src/app/api/v1/respond'
import { addedSchema, sentEntriesSchema, timelineSchema } from '@/src/core/formats/api'

type Context = { params: Promise<{ id: string }> }

/** The timeline, or what of it stands behind the first `from` entries. */
export const GET = guarded(async (request: Request, { params }: Context) => {
  const { id } = await params
  const from = Number(new URL(request.url).searchParams.get('from') ?? 0)
  if (!Number.isInteger(from) || from < 0) return refuse(422, { code: 'no-fit', say: '"from" is a number of entries.' })
  return withStore(async ({ jobs }) => {
    const entries = await jobs.entriesFrom(id, from)
    return entries ? respond(timelineSchema, { entries }) : noSuchJob(id)
  })
})

/** 201 when something was added, 200 when all of it was in already. */
export const POST = guarded(async (request: Request, { params }: Context) => {
  const { id } = await params
  const read = await readBody(request, sentEntriesSchema)
  if (!read.ok) return read.refusal
  return withStore(async ({ jobs }) => {
    const result = await jobs.append(id, read.body.entries)
    if (result.ok) return respond(addedSchema, { added: result.added }, result.added > 0 ? 201 : 200)
    if (result.why === 'no-job') return noSuchJob(id)
    return refuse(409, {
      code: 'clash',
      say: `There is another entry with the id "${result.clash}". The first is kept and nothing was added; give this one an id of its own.`,
      entry: result.clash,
    })
  })
})
