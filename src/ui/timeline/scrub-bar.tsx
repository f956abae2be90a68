'use client'
import { format } from 'date-fns'
import { sayDraft } from '@/src/core/job/say-draft'
import { isContent } from '@/src/core/job/standing'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

/** Takes the whole desk back to how the job stood at an earlier entry: loom, bench and suspects of that moment. */
export function ScrubBar() {
  const { timeline, past } = useMoment()
  const { lookAt } = useHands()
  const moment = useSayMoment()
  if (timeline.length < 2) return null
  return (
    <div className="mb-3 rounded border-2 border-line bg-panel p-3">
      <label className="block">
        <span className="block font-bold">View an earlier point</span>
        <input
          type="range"
          min={0}
          max={timeline.length}
          value={past ?? timeline.length}
          onChange={({ target }) => lookAt(Number(target.value) === timeline.length ? null : Number(target.value))}
          aria-valuetext={moment}
          className="min-h-11 w-full accent-[var(--next)]"
        />
      </label>
      <p className="text-muted text-small">{moment}</p>
    </div>
  )
}

function useSayMoment(): string {
  const { system } = useJob()
  const { timeline, past } = useMoment()
  if (past === null) return `now, after all ${timeline.length} entries`
  const last = timeline[past - 1]
  if (!last) return 'before the first entry'
  const content = timeline.filter(isContent)
  return `${format(new Date(last.at), 'HH:mm')}, after ${past} of ${timeline.length}: ${sayDraft(system, last, { standing: content })}`
}

/** Stands over the desk while it shows a past moment, so that nobody takes it for now. */
export function PastBanner() {
  const { past } = useMoment()
  const { lookAt } = useHands()
  const moment = useSayMoment()
  if (past === null) return null
  return (
    <div role="status" className="absolute inset-x-0 top-0 z-20 flex items-center gap-3 border-ember border-b-4 bg-raised px-4 py-1">
      <span className="min-w-0 flex-1 truncate">
        <strong>Viewing an earlier point:</strong> {moment}
      </span>
      <Button onClick={() => lookAt(null)}>Back to now</Button>
    </div>
  )
}
