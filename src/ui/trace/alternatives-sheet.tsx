'use client'
import { sayWay } from '@/src/core/job/ways'
import { sayMinutes } from '@/src/core/units/quantity'
import { placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Sheet } from '@/src/ui/controls/sheet'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'

/** Why this check and not another, and the ways of working side by side, each priced on the same state. */
export function AlternativesSheet({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Sheet open={open} onOpenChange={onOpenChange} title="Why this one" description="The other checks and ways of working, from here">
      {open && <Alternatives onChosen={() => onOpenChange(false)} />}
    </Sheet>
  )
}

function Alternatives({ onChosen }: { onChosen: () => void }) {
  const { job, system } = useJob()
  const { entries, state } = useMoment()
  const { record } = useHands()
  const { answer, problem } = useWorkerAnswer({ job, entries }, 'alternatives', (worker) => worker.alternatives({ system, entries }))
  if (problem) return <p role="alert">{problem}</p>
  if (!answer) return <p>Comparing the other checks …</p>
  return (
    <>
      <h3 className="font-bold">What tells the most per minute</h3>
      <table className="mb-4 w-full">
        <thead className="text-left text-muted text-small">
          <tr>
            <th scope="col">check</th>
            <th scope="col" className="text-right">
              time
            </th>
            <th scope="col" className="text-right">
              tells
            </th>
          </tr>
        </thead>
        <tbody>
          {answer.checks.map((check, index) => (
            <tr key={`${check.say} ${JSON.stringify(check.setup)}`} className="border-line border-t align-top">
              <td className="py-1 pr-2">
                <span className={index === 0 ? 'font-bold' : ''}>{check.say}</span>
                <span className="block text-muted text-small">
                  {placeById(system, check.place)?.name}
                  {check.setup.length > 0 && `, ${check.setup.length} ${check.setup.length === 1 ? 'step' : 'steps'} to set up`}
                </span>
              </td>
              <td className="whitespace-nowrap py-1 pr-2 text-right">{sayMinutes(check.minutes)}</td>
              <td className="whitespace-nowrap py-1 text-right">{check.gainBits.toFixed(2)} bit</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3 className="font-bold">Ways of working</h3>
      <p className="mb-2 text-muted text-small">
        Minutes to the repair at the pace of each way's own next check: an estimate for comparing them, not a promise.
      </p>
      <div className="flex flex-col gap-2">
        {answer.ways.map(({ way, next, minutesLeft }) => (
          <Button
            key={way}
            aria-pressed={state.way === way}
            className={state.way === way ? '!border-next' : ''}
            onClick={() => {
              if (state.way !== way) record([{ kind: 'way', way }])
              onChosen()
            }}
          >
            <span className="flex justify-between gap-2 font-bold">
              <span>
                {state.way === way && <span aria-hidden>✓ </span>}
                {sayWay[way].name}
              </span>
              <span className="whitespace-nowrap">{minutesLeft === null ? 'nothing to ask' : `about ${sayMinutes(minutesLeft)}`}</span>
            </span>
            <span className="block text-muted text-small">{sayWay[way].say}</span>
            {next && <span className="block text-small">{next.say}</span>}
          </Button>
        ))}
      </div>
    </>
  )
}
