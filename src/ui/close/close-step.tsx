'use client'
import { reasonsNotToClose } from '@/src/core/job/close'
import { sayCall } from '@/src/core/wiring/call'
import { callsOf } from '@/src/core/wiring/system'
import { LeaveUnfinished } from '@/src/ui/close/leave-unfinished'
import { Report } from '@/src/ui/close/report'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment, useSending } from '@/src/ui/desk/desk-context'
import { PutBackList } from '@/src/ui/desk/put-back-list'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'
import { SaveFile } from '@/src/ui/files/save-file'
import { PhotoList } from '@/src/ui/photos/photo-list'

/** Refuses while something is owed or unproved, and says what; then the page that stays. */
export function CloseStep({ onStep }: ScreenProps) {
  const { system, job } = useJob()
  const { state, entries } = useMoment()
  const { record } = useHands()
  const { unsent } = useSending()
  const reasons = reasonsNotToClose(system, state)
  const isClosed = state.closedAt !== null
  const { answer: page, problem } = useWorkerAnswer({ job, entries }, 'page', (worker) =>
    worker.page({ job, system, entries: [...entries] }),
  )
  return (
    <Screen
      title="Close"
      main={
        <>
          <h2 className="mb-1 font-bold">Put back</h2>
          <PutBackList />
          <h2 className="mt-4 mb-2 font-bold">Proved</h2>
          <ul className="grid grid-cols-1 gap-2 desk:grid-cols-3">
            {callsOf(system).map((call) => {
              const held = state.proofs[call]?.held
              return (
                <li key={call}>
                  <Button onClick={() => onStep('prove')} className={`flex w-full justify-between ${held ? '' : '!border-ember'}`}>
                    {sayCall[call]}
                    <span className={held ? 'text-hold' : 'text-ember'}>
                      {held ? 'held ✓' : held === false ? 'did not hold' : 'not run'}
                    </span>
                  </Button>
                </li>
              )
            })}
          </ul>
          <PhotoList />
          {state.repairs.length === 0 && !isClosed && (
            <p className="mt-3 text-muted">No repair is recorded. That is right if nothing was wrong; otherwise record it first.</p>
          )}
          {isClosed ? (
            <p className="mt-4 border-hold border-l-4 pl-3">
              Closed.{' '}
              <Button
                look="quiet"
                onClick={() => {
                  const closing = [...state.standing].reverse().find(({ kind }) => kind === 'close')
                  if (closing) record([{ kind: 'undo', target: closing.id }])
                }}
              >
                open it again
              </Button>
            </p>
          ) : (
            <>
              <Button
                look="main"
                className="mt-4 w-full text-center text-large"
                aria-describedby="reasons"
                disabled={reasons.length > 0}
                onClick={() => record([{ kind: 'close' }])}
              >
                {reasons.length === 0
                  ? 'Close the job'
                  : `Close the job: ${reasons.length} ${reasons.length === 1 ? 'thing' : 'things'} left to do`}
              </Button>
              <ul id="reasons" className="mt-2 list-inside list-disc text-muted">
                {reasons.map((reason) => (
                  <li key={reason}>{reason}</li>
                ))}
              </ul>
              <LeaveUnfinished />
            </>
          )}
        </>
      }
      side={
        <>
          <div className="mb-2 flex flex-wrap items-center gap-2">
            <h2 className="w-full font-bold text-muted text-small">The page that stays</h2>
            <a
              href={`/report/${encodeURIComponent(job.id)}`}
              className="grid min-h-11 place-items-center rounded border-2 border-line px-3"
            >
              Print
            </a>
            <SaveFile of="page">PDF</SaveFile>
            <SaveFile of="card">Card for the panel</SaveFile>
            <SaveFile of="file">Job file</SaveFile>
            <a
              href={`/api/v1/archive?job=${encodeURIComponent(job.id)}`}
              download
              className="grid min-h-11 place-items-center rounded border-2 border-line px-3"
            >
              Archive with photos
            </a>
            <SaveFile of="timeline">Spreadsheet</SaveFile>
            <SaveFile of="wiring">Wiring drawing</SaveFile>
            <SaveFile of="netlist">Circuit (SPICE)</SaveFile>
          </div>
          {unsent > 0 && (
            <p className="mb-2 text-ember text-small">
              {unsent} {unsent === 1 ? 'entry is' : 'entries are'} on this device only: the files have {unsent === 1 ? 'it' : 'them'}, Print
              and the archive are the store’s and wait for a signal.
            </p>
          )}
          <div className="border-2 border-line p-4 text-small">
            {page ? <Report facts={page} /> : <p className="text-muted">{problem ?? 'Writing the page …'}</p>}
          </div>
        </>
      }
    />
  )
}
