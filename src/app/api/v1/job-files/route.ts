import { guarded, withStore } from '@/src/app/api/v1/handle'
import { readText, refuse, respond } from '@/src/app/api/v1/respond'
import { openedSchema } from '@/src/core/formats/api'
import { type JobFile, jobIdSchema, readJobFileInPieces } from '@/src/core/job/job-file'

/**
 * Opens a job file. `keep=whole` takes what is whole of a damaged one; `as=ID` opens it as a job of its own beside one
 * that is in the store already.
 */
export const POST = guarded(async (request: Request) => {
  const query = new URL(request.url).searchParams
  const as = query.get('as')
  if (as !== null && !jobIdSchema.safeParse(as).success)
    return refuse(422, { code: 'no-fit', say: 'An id of a job has letters, digits and dashes only, 64 at most. Nothing was opened.' })
  const text = await readText(request)
  if (!text.ok) return text.refusal
  const read = await readJobFileInPieces(text.body, () => new Promise((resolve) => setImmediate(resolve)))
  if (read.ok) return open(read.file, as)
  if (query.get('keep') === 'whole' && read.whole) return open(read.whole, as)
  return refuse(422, { code: 'damaged', say: read.problem, whole: read.whole?.entries.length ?? null })
})

function open(file: JobFile, as: string | null) {
  const id = as ?? file.job.id
  return withStore(async ({ jobs }) => {
    const made = await jobs.insert({ ...file, job: { ...file.job, id } })
    if (made.ok) return respond(openedSchema, { id }, made.isNew ? 201 : 200)
    const what =
      made.why === 'clash'
        ? `is in the store already and went on differently after "${made.clash}"`
        : 'is in the store already, on a system that is wired differently'
    return refuse(409, {
      code: 'clash',
      say: `"${file.job.title}" ${what}. Nothing was changed. Open the file as a job of its own, or leave it.`,
    })
  })
}
