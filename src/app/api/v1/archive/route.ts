import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { guarded, withStore } from '@/src/app/api/v1/handle'
import { refuse, respond } from '@/src/app/api/v1/respond'
import { restoredSchema } from '@/src/core/formats/api'
import { jobIdSchema } from '@/src/core/job/job-file'
import { restoreArchive } from '@/src/server/archive/restore-archive'
import { writeArchive } from '@/src/server/archive/write-archive'

/** An archive may be so large, bytes: what thousands of jobs with their photos come to. */
const LARGEST_ARCHIVE_BYTES = 4_000_000_000

/** Everything in the store, or the jobs of `?job=ID`, with their photos, as a zip. */
export const GET = guarded(async (request: Request) => {
  const asked = new URL(request.url).searchParams.getAll('job')
  return withStore(async (store) => {
    const known = await store.jobs.ids()
    const unknown = asked.find((id) => !jobIdSchema.safeParse(id).success || !known.includes(id))
    if (unknown !== undefined) return refuse(404, { code: 'no-job', say: `There is no job "${unknown.slice(0, 64)}" in this store.` })
    const now = new Date()
    const name = `nest-trace-${asked.length === 1 ? asked[0] : now.toISOString().slice(0, 10)}.zip`
    const zip = writeArchive(store, asked.length > 0 ? asked : known, now)
    return new Response(Readable.toWeb(zip) as ReadableStream, {
      headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename="${name}"` },
    })
  })
})

/** Takes an archive into the store: all of it or nothing. */
export const POST = guarded(async (request: Request) => {
  const type = (request.headers.get('content-type') ?? '').split(';')[0].trim().toLowerCase()
  if (type !== 'application/zip' || !request.body)
    return refuse(415, { code: 'no-such-type', say: 'Send a zip file, with content-type application/zip. Nothing was restored.' })
  const folder = await mkdtemp(path.join(tmpdir(), 'nest-trace-archive-'))
  try {
    const file = path.join(folder, 'archive.zip')
    const taken = await take(request.body, file)
    if (taken !== null) return taken
    return await withStore(async (store) => {
      const outcome = await restoreArchive(store, file)
      return outcome.ok ? respond(restoredSchema, outcome.restored) : refuse(422, { code: 'archive', say: outcome.problem })
    })
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
})

/** Writes what is sent to a file, no further than is allowed; gives the refusal where it was not all taken. */
async function take(body: ReadableStream<Uint8Array>, file: string) {
  let bytes = 0
  const counted = new Transform({
    transform(piece: Buffer, _, done) {
      bytes += piece.length
      done(bytes > LARGEST_ARCHIVE_BYTES ? new Error('too large') : null, piece)
    },
  })
  try {
    await pipeline(Readable.from(body as unknown as AsyncIterable<Uint8Array>), counted, createWriteStream(file))
    return null
  } catch {
    if (bytes > LARGEST_ARCHIVE_BYTES)
      return refuse(413, { code: 'too-large', say: 'This archive is larger than 4 GB. Nothing was restored; restore it in parts.' })
    return refuse(400, { code: 'cut-off', say: 'The archive was cut off on its way. Nothing was restored; send it again.' })
  }
}
