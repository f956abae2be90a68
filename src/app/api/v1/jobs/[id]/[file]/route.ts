import { guarded, withStore } from '@/src/app/api/v1/handle'
import { noSuchJob, refuse } from '@/src/app/api/v1/respond'
import {
  documentsOfJob,
  type FileAsked,
  fileName,
  fileOfJob,
  isDocumentName,
  isTextName,
  textsOfJob,
} from '@/src/core/formats/files-of-job'
import { type Pictures, papers } from '@/src/core/formats/page/page-document'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import type { JobFile } from '@/src/core/job/job-file'
import type { PhotoStore } from '@/src/server/photos'
import { writePdf } from '@/src/server/write-pdf'

/** A file of one job by name, for whoever fetches it without a page of ours. `?paper=A4`, `?entries=12` where the file knows them. */
export const GET = guarded(async (request: Request, { params }: { params: Promise<{ id: string; file: string }> }) => {
  const { id, file } = await params
  if (!isTextName(file) && !isDocumentName(file))
    return refuse(404, {
      code: 'no-such-file',
      say: `There is no such file of a job: ${[...Object.keys(textsOfJob), ...Object.keys(documentsOfJob)].join(', ')}.`,
    })
  const asked = readAsked(new URL(request.url).searchParams)
  if ('refusal' in asked) return refuse(400, asked.refusal)
  return withStore(async ({ jobs, photos }) => {
    const job = await jobs.read(id)
    if (!job) return noSuchJob(id)
    const made = isTextName(file)
      ? textsOfJob[file].write(job, asked)
      : documentsOfJob[file].write(job, { ...asked, pictures: await picturesOf(job, photos) })
    if (made === null)
      return refuse(404, { code: 'nothing-to-download', say: fileOfJob(file).none ?? 'There is nothing of this job to download.' })
    return new Response(typeof made === 'string' ? made : await writePdf(made), {
      headers: {
        'content-type': isTextName(file) ? textsOfJob[file].type : 'application/pdf',
        'content-disposition': `attachment; filename="${fileName(job.job.title, fileOfJob(file).ending)}"`,
      },
    })
  })
})

/** The photos that go on the page, as far as the store has them. */
async function picturesOf(job: JobFile, photos: PhotoStore): Promise<Pictures> {
  const found = await Promise.all(pageFacts(job).photos.map(async ({ digest }) => [digest, await photos.read(digest)] as const))
  return new Map(
    found.flatMap(([digest, bytes]) =>
      bytes ? [[digest, `data:image/jpeg;base64,${Buffer.from(bytes).toString('base64')}`] as const] : [],
    ),
  )
}

function readAsked(search: URLSearchParams): FileAsked | { readonly refusal: { readonly code: string; readonly say: string } } {
  const [paperAsked, entries] = [search.get('paper') ?? 'letter', search.get('entries')]
  const paper = papers.find((one) => one === paperAsked)
  if (!paper)
    return { refusal: { code: 'no-such-paper', say: `There is no paper "${paperAsked.slice(0, 20)}" here: ${papers.join(' or ')}.` } }
  if (entries !== null && !/^\d{1,6}$/.test(entries))
    return { refusal: { code: 'no-such-moment', say: 'Say the moment as a number of entries: ?entries=12.' } }
  return { paper, ...(entries !== null && { upTo: Number(entries) }) }
}
