'use client'
import Link from 'next/link'
import type { PageFacts } from '@/src/core/formats/page/page-facts'
import { Report } from '@/src/ui/close/report'
import { Button } from '@/src/ui/controls/button'

export function PrintPage({ id, facts }: { id: string; facts: PageFacts }) {
  return (
    <main className="mx-auto max-w-[46rem] p-4">
      <h1 className="sr-only">Job report</h1>
      <div className="mb-4 flex gap-2 print:hidden">
        <Link href={`/jobs/${id}?step=close`} className="grid min-h-11 place-items-center rounded border-2 border-line px-3">
          Back to the job
        </Link>
        <Button look="main" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <Report facts={facts} />
    </main>
  )
}
