import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { cardDocument } from '@/src/core/formats/page/card-document'
import { cardFacts } from '@/src/core/formats/page/card-facts'
import { writePdf } from '@/src/server/write-pdf'

/** The card inside the panel, as a PDF of a quarter page. */
export const GET = guarded((_: Request, { params }: { params: Promise<{ id: string }> }) =>
  downloadOfJob(params, { type: 'application/pdf', ending: 'card.pdf', write: (job) => writePdf(cardDocument(cardFacts(job))) }),
)
