'use client'
import { useEffect, useState } from 'react'
import { type PageFacts, pageFacts } from '@/src/core/formats/page/page-facts'
import type { JobFile } from '@/src/core/job/job-file'
import { PrintPage } from '@/src/ui/close/print-page'
import { Desk } from '@/src/ui/desk/desk'
import { readKeptJob } from '@/src/ui/device/kept-jobs'
import { waitingFor } from '@/src/ui/device/outbox'
import { Jobs } from '@/src/ui/jobs/jobs'

type Shown =
  | { readonly page: 'jobs' }
  | { readonly page: 'desk'; readonly file: JobFile }
  | { readonly page: 'report'; readonly id: string; readonly facts: PageFacts }
  | { readonly page: 'unseen'; readonly id: string }

/** Without a signal: the page that the address names, from what this device has. */
export function Shell({ systems }: { systems: readonly { id: string; name: string }[] }) {
  const [shown, setShown] = useState<Shown | null>(null)
  useEffect(() => {
    void find(window.location.pathname).then(setShown)
  }, [])
  switch (shown?.page) {
    case undefined:
      return null
    case 'jobs':
      return <Jobs first={null} systems={systems} />
    case 'desk':
      return <Desk initial={shown.file} />
    case 'report':
      return <PrintPage id={shown.id} facts={shown.facts} />
    case 'unseen':
      return (
        <main className="p-4">
          <h1 className="font-bold text-large">This job is not on this device</h1>
          <p className="my-2">
            The server does not answer, and the job was never opened here. Open it once while there is a signal; from then on it works
            without.
          </p>
          {/* The whole page is fetched: the router has nothing to go by here. */}
          <a href="/" className="inline-block min-h-11 content-center underline">
            Jobs on this device
          </a>
        </main>
      )
  }
}

async function find(path: string): Promise<Shown> {
  const [, kind, id] = path.split('/')
  if ((kind !== 'jobs' && kind !== 'report') || !id) return { page: 'jobs' }
  const kept = await readKeptJob(id).catch(() => undefined)
  if (!kept) return { page: 'unseen', id }
  if (kind === 'jobs') return { page: 'desk', file: kept.file }
  // The report is of everything that was entered, sent or not.
  const waiting = (await waitingFor(id)).map(({ entry }) => entry)
  const known = new Set(kept.file.entries.map((entry) => entry.id))
  const entries = [...kept.file.entries, ...waiting.filter((entry) => !known.has(entry.id))]
  return { page: 'report', id, facts: pageFacts({ ...kept.file, entries }) }
}
