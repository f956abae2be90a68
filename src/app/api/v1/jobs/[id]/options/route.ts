import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { optionsDocument } from '@/src/core/formats/page/options-document'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import { foldJob } from '@/src/core/job/fold'
import { writePdf } from '@/src/server/write-pdf'

/** The options that the customer was given, side by side on a page. */
export const GET = guarded((_: Request, { params }: { params: Promise<{ id: string }> }) =>
  downloadOfJob(params, {
    type: 'application/pdf',
    ending: 'options.pdf',
    write: (job) => {
      const { offer } = foldJob(job.system, job.entries)
      return offer && writePdf(optionsDocument(pageFacts(job), offer, 'letter'))
    },
    none: 'No options were put to the customer in this job: keep them on the Repair screen first.',
  }),
)
