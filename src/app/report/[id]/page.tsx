import { notFound } from 'next/navigation'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import { readJobOfPage } from '@/src/server/job-of-page'
import { PrintPage } from '@/src/ui/close/print-page'

/** The printable page of a job. */
export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const job = await readJobOfPage(params)
  if (!job) notFound()
  return <PrintPage id={job.job.id} facts={pageFacts(job)} />
}
