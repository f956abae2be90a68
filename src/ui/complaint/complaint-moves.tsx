'use client'
import { sayPercent } from '@/src/core/units/quantity'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useMoment, useSuspects } from '@/src/ui/desk/desk-context'
import type { ScreenProps } from '@/src/ui/desk/screen'

const WORTH_SAYING = 0.015

/** Where to start, and how each part of the complaint moved the zones before any reading. */
export function ComplaintMoves({ onStep }: ScreenProps) {
  const { state } = useMoment()
  const { advice } = useSuspects()
  const { complaint } = state
  const isToldNothing = complaint.symptoms.length + complaint.changed.length + complaint.codes.length === 0
  const smells = complaint.symptoms.includes('smell')
  const lead = advice?.moves[0]
  const second = advice?.moves[1]
  return (
    <>
      <section aria-label="Where to start" className="mb-3 rounded border-2 border-next bg-raised p-3">
        <h2 className="font-bold text-muted text-small">Where to start</h2>
        <p className="my-1 font-bold text-large">
          {isToldNothing || !lead
            ? 'Check what it does and what changed lately'
            : lead.probability > 0.45 || !second
              ? `The ${lead.name} first${lead.because ? `: ${lead.because}` : ''}`
              : `The ${lead.name} or the ${second.name}${lead.because ? `: ${lead.because}` : ''}`}
        </p>
        {smells ? (
          <Caution>Smell or heat: power off before anything else. Find what burned before power goes back.</Caution>
        ) : (
          complaint.symptoms.some((symptom) => symptom.startsWith('fuse')) && (
            <p className="mb-2 text-muted">
              Put a breaker in the slot before power goes back. A fuse costs one; a transformer costs the day.
            </p>
          )
        )}
        <Button look="main" className="mt-2 w-full text-center" onClick={() => onStep('power')}>
          On to Power
        </Button>
      </section>
      <table className="w-full text-left">
        <caption className="sr-only">Suspicion by zone before any reading, and why</caption>
        <thead>
          <tr className="text-muted text-small">
            <th scope="col" colSpan={2}>
              Before any reading
            </th>
            <th scope="col" className="text-right">
              what moved
            </th>
          </tr>
        </thead>
        <tbody>
          {advice?.moves.map(({ zone, name, probability, change, because }) => (
            <tr key={zone} className="border-line border-b-2">
              <th scope="row" className="py-2 font-normal">
                {name}
              </th>
              <td className="py-2 font-bold">{sayPercent(probability)}</td>
              <td className={`py-2 text-right ${change > WORTH_SAYING ? 'text-ember' : 'text-muted'}`}>
                {Math.abs(change) > WORTH_SAYING ? (
                  <>
                    <span aria-hidden>{change > 0 ? '▲' : '▼'}</span>
                    <span className="sr-only">{change > 0 ? 'up' : 'down'}</span> {Math.round(Math.abs(change) * 100)} {because}
                  </>
                ) : (
                  'as usual'
                )}
              </td>
            </tr>
          )) ?? (
            <tr>
              <td>calculating …</td>
            </tr>
          )}
        </tbody>
      </table>
      {complaint.hearsay && (
        <p className="mt-3 border-ember border-l-4 bg-panel p-2 text-small">
          The last visitor said “{complaint.hearsay}”. Kept as hearsay: it rules nothing in or out.
        </p>
      )}
    </>
  )
}
