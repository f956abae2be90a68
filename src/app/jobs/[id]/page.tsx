import { notFound } from 'next/navigation'
import { Suspense } from 'react'
import { readJobOfPage } from '@/src/server/job-of-page'
import { Desk } from '@/src/ui/desk/desk'

export async function generateMetadata({ params }: { params: Promise<{ id: string }> }) {
  const job = await readJobOfPage(params)
  return { title: job ? `${job.job.title} · Nest Trace` : 'No such job · Nest Trace' }
}

export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const job = await readJobOfPage(params)
  if (!job) notFound()
  return (
    <Suspense>
      <Desk initial={job} />
    </Suspense>
  )
}
