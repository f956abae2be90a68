'use client'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'

/** What a new part has to match, where the repair that is looked at replaces one. */
export function WhatMustMatch({ fault }: { fault: string }) {
  const { job, system } = useJob()
  const { entries } = useMoment()
  const { answer: parts } = useWorkerAnswer({ job, entries }, `matches ${fault}`, (worker) =>
    worker.matches({ system, entries: [...entries] }, fault),
  )
  return parts?.map(({ part, name, matches }) => (
    <section key={part} aria-label={`What a new ${name} has to match`} className="mb-4">
      <h2 className="mb-1 font-bold">A new {name} has to match</h2>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4">
        {matches.map(({ what, value, because }) => (
          <div key={what} className="contents">
            <dt className="border-line border-b py-1 text-muted">{what}</dt>
            <dd className="border-line border-b py-1">
              {value}
              {because && <span className="block text-muted text-small">{because}</span>}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  ))
}
