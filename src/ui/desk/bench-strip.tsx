'use client'
import { sayBench } from '@/src/core/bench/say'
import { Button } from '@/src/ui/controls/button'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'

/** What is not normal right now, and how much of it is owed. */
export function BenchStrip({ onOpen }: { onOpen: () => void }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { bench, owed } = state
  const phrases = sayBench(system, bench)
  return (
    <section aria-label="bench" className="flex items-center gap-2 px-3 py-1">
      <Button
        onClick={onOpen}
        look={owed.length > 0 ? 'owed' : 'plain'}
        title="change the bench (b)"
        className="shrink-0 whitespace-nowrap"
      >
        Bench
        <span className={owed.length > 0 ? 'text-ember' : 'text-hold'}>
          {' '}
          · {owed.length > 0 ? `${owed.length} to put back` : 'nothing to put back'}
        </span>
      </Button>
      {phrases.length === 0 && <span className="whitespace-nowrap text-muted">as found</span>}
      <ul className="flex min-w-0 flex-1 gap-2 overflow-x-auto" tabIndex={phrases.length > 0 ? 0 : undefined} aria-label="not as found">
        {phrases.map((phrase) => (
          <li key={phrase} className="whitespace-nowrap rounded border-2 border-ember bg-panel px-2 py-1 text-small">
            {phrase}
          </li>
        ))}
      </ul>
    </section>
  )
}
