import { LARGEST_BYTES, refuse, respond } from '@/src/app/api/v1/respond'
import { openedSchema } from '@/src/core/formats/api'
import { type JobFile, readJobFile } from '@/src/core/job/job-file'
import { insertJob } from '@/src/server/jobs'
import { openStore } from '@/src/server/store'

/**
 * Opens a job file. `keep=whole` takes what is whole of a damaged one; `as=ID` opens it as a job of its own beside one
 * that is in the store already.
 */
export async function POST(request: Request) {
  const query = new URL(request.url).searchParams
  const text = await request.text()
  if (text.length > LARGEST_BYTES) return refuse(413, { code: 'too-large', say: 'This is larger than any job file. Nothing was opened.' })
  const read = readJobFile(text)
  if (read.ok) return open(read.file, query.get('as'))
  if (query.get('keep') === 'whole' && read.whole) return open(read.whole, query.get('as'))
  return refuse(422, { code: 'damaged', say: read.problem, whole: read.whole?.entries.length ?? null })
}

async function open(file: JobFile, as: string | null) {
  const id = as ?? file.job.id
  const made = await insertJob(await openStore(), { ...file, job: { ...file.job, id } })
  if (made.ok) return respond(openedSchema, { id }, made.isNew ? 201 : 200)
  return refuse(409, {
    code: 'clash',
    say: `"${file.job.title}" is in the store already and went on differently after "${made.clash}". Nothing was changed. Open the file as a job of its own, or leave it.`,
  })
}
