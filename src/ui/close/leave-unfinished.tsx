'use client'
import { useState } from 'react'
import { asItStands, problemWithLeaving, sayLeaveReason, sayLeaving } from '@/src/core/job/leave'
import { type LeaveReason, leaveReasons } from '@/src/core/job/leave-schema'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { SaveFile } from '@/src/ui/files/save-file'

/** The van leaves and the job is not done: why, until when, and how the house stands meanwhile. */
export function LeaveUnfinished() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const [reason, setReason] = useState<LeaveReason>('part-on-order')
  const [until, setUntil] = useState('')
  const { left } = state
  const problem = problemWithLeaving(state.bench)
  if (left)
    return (
      <section aria-label="Left unfinished" className="mt-5 border-ember border-l-4 pl-3">
        <p className="font-bold">Left unfinished: {sayLeaving(left.reason, left.until)}</p>
        <ul className="my-1 text-small">
          {asItStands(system, state).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
        <div className="flex flex-wrap items-center gap-3">
          {left.until && <SaveFile of="return">Calendar entry</SaveFile>}
          <Button look="quiet" onClick={() => record([{ kind: 'undo', target: left.id }])}>
            back at it
          </Button>
        </div>
      </section>
    )
  return (
    <details className="mt-5">
      <summary className="min-h-11 content-center font-bold">Leave it unfinished</summary>
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1 text-small">
          why
          <select
            value={reason}
            onChange={({ target }) => setReason(target.value as LeaveReason)}
            className="min-h-11 rounded border-2 border-line bg-panel px-2"
          >
            {leaveReasons.map((one) => (
              <option key={one} value={one}>
                {sayLeaveReason[one]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-1 text-small">
          next visit
          <input
            type="date"
            value={until}
            onChange={({ target }) => setUntil(target.value)}
            className="min-h-11 rounded border-2 border-line bg-panel px-2"
          />
        </label>
        <Button disabled={problem !== null} onClick={() => record([{ kind: 'leave', reason, until: until === '' ? null : until }])}>
          leave it so
        </Button>
      </div>
      {problem && <Caution>{problem}</Caution>}
      <ul className="mt-2 text-muted text-small">
        {asItStands(system, state).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </details>
  )
}
