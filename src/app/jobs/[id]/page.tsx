import { notFound } from 'next/navigation'
import { Suspense } from 'react'
import { readJob } from '@/src/server/jobs'
import { openStore } from '@/src/server/store'
import { Desk } from '@/src/ui/desk/desk'

export async function generateMetadata({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const job = await readJob(await openStore(), decodeURIComponent(id))
  return { title: job ? `${job.job.title} · Nest Trace` : 'No such job · Nest Trace' }
}

export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const job = await readJob(await openStore(), decodeURIComponent(id))
  if (!job) notFound()
  return (
    <Suspense>
      <Desk initial={job} />
    </Suspense>
  )
}
