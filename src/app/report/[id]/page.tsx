import { notFound } from 'next/navigation'
import { readJob } from '@/src/server/jobs'
import { openStore } from '@/src/server/store'
import { PrintPage } from '@/src/ui/close/print-page'

/** The printable page of a job. */
export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const job = await readJob(await openStore(), decodeURIComponent(id))
  if (!job) notFound()
  return <PrintPage job={job} />
}
