import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { refuse } from '@/src/app/api/v1/respond'
import { pageDocument, papers } from '@/src/core/formats/page/page-document'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import { writePdf } from '@/src/server/write-pdf'

/** The page that stays, as a PDF: letter, or A4 where it is asked for. */
export const GET = guarded((request: Request, { params }: { params: Promise<{ id: string }> }) => {
  const asked = new URL(request.url).searchParams.get('paper') ?? 'letter'
  const paper = papers.find((one) => one === asked)
  if (!paper) return refuse(400, { code: 'no-such-paper', say: `There is no paper "${asked.slice(0, 20)}" here: ${papers.join(' or ')}.` })
  return downloadOfJob(params, {
    type: 'application/pdf',
    ending: 'page.pdf',
    write: (job) => writePdf(pageDocument(pageFacts(job), paper)),
  })
})
