'use client'
import { useState } from 'react'
import { sayAnswer, sayBenchShort, sayProbe } from '@/src/core/readings/say'
import { sayPercent } from '@/src/core/units/quantity'
import { zoneName } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Sheet } from '@/src/ui/controls/sheet'
import { useJob, useMoment, useProposal, useSuspects } from '@/src/ui/desk/desk-context'
import { useAhead } from '@/src/ui/engine/use-ahead'
import { useFitting } from '@/src/ui/trace/use-fitting'
import type { Advice } from '@/src/workers/diagnosis.worker'

type ListedSuspect = Advice['suspects'][number]

const SHOWN = 5
const LEAST = 0.01

/** Likeliest first, as many as there is room for; each opens to the readings that speak for and against it. */
export function SuspectList() {
  const { advice } = useSuspects()
  const { thinking } = useProposal()
  const [open, setOpen] = useState<string | null>(null)
  const [isListing, setListing] = useState(false)
  const shown = advice?.suspects.filter(({ probability }, index) => index < 2 || (index < SHOWN && probability >= LEAST)) ?? []
  const opened = advice?.suspects.find(({ id }) => id === open)
  const { list, fits } = useFitting<HTMLOListElement>(shown.length)
  return (
    <section aria-label="Suspects" aria-busy={thinking === 'suspects'} className="flex min-h-32 flex-col desk:flex-1">
      <div className="flex min-h-11 items-center gap-2 text-muted text-small">
        <div className="flex-1">
          <h2 className="font-bold">Suspects</h2>
          <p>{advice ? `after ${advice.readings} ${advice.readings === 1 ? 'reading' : 'readings'}` : 'reading the wiring …'}</p>
        </div>
        <ThinkingAhead />
        {advice && (
          <Button look="quiet" onClick={() => setListing(true)} aria-label="all suspects" className="print:hidden">
            all
          </Button>
        )}
      </div>
      {advice?.contradictions.map(({ entry, say }) => (
        <p key={entry} className="my-1 border-ember border-l-4 bg-panel p-2">
          {say}
        </p>
      ))}
      <ol ref={list} className="relative min-h-0 desk:flex-1 desk:overflow-hidden print:overflow-visible">
        {shown.map((suspect, place) => (
          <SuspectLine key={suspect.id} suspect={suspect} isHidden={place >= fits} onOpen={setOpen} />
        ))}
      </ol>
      <Sheet
        open={isListing}
        onOpenChange={setListing}
        title="All suspects"
        description="Likeliest first. What is left out is less likely than any of these."
      >
        <ol>
          {advice?.suspects.map((suspect) => (
            <SuspectLine key={suspect.id} suspect={suspect} onOpen={setOpen} />
          ))}
        </ol>
      </Sheet>
      <Sheet
        open={opened !== undefined}
        onOpenChange={() => setOpen(null)}
        title={opened?.say ?? ''}
        description={opened && whereAndHow(opened)}
      >
        {opened && <EvidenceTable suspect={opened} />}
      </Sheet>
    </section>
  )

  function whereAndHow(suspect: ListedSuspect): string {
    return [sayPercent(suspect.probability), suspect.repair && `Repair: ${suspect.repair.say}.`].filter(Boolean).join('. ')
  }
}

function SuspectLine({ suspect, isHidden = false, onOpen }: { suspect: ListedSuspect; isHidden?: boolean; onOpen: (id: string) => void }) {
  return (
    <li className={isHidden ? 'invisible print:visible' : ''}>
      <button
        type="button"
        onClick={() => onOpen(suspect.id)}
        className="grid min-h-11 w-full grid-cols-[3.2rem_1fr] gap-x-2 py-1 text-left"
      >
        <span className="text-right font-bold text-large">
          {suspect.probability < 0.005 ? '<1' : suspect.probability > 0.995 ? '>99' : Math.round(suspect.probability * 100)}
          <span className="text-small"> %</span>
        </span>
        <span className="min-w-0">
          <span className="block">{suspect.say}</span>
          {suspect.why && <span className="block truncate text-muted text-small">{suspect.why}</span>}
          <Bar share={suspect.probability} />
        </span>
      </button>
    </li>
  )
}

/** Work that is longer than an answer: how far it is, and the way to stop it. */
function ThinkingAhead() {
  const { ahead, stop } = useAhead()
  if (ahead === null) return null
  return (
    <div className="flex items-center gap-1 print:hidden">
      <label className="flex items-center gap-1">
        <span>
          preparing<span className="sr-only"> answers</span>
        </span>
        <progress value={ahead} max={1} className="h-2 w-10" />
      </label>
      <Button look="quiet" onClick={stop} aria-label="stop preparing answers">
        stop
      </Button>
    </div>
  )
}

export function Bar({ share }: { share: number }) {
  return (
    <svg viewBox="0 0 100 4" preserveAspectRatio="none" className="mt-0.5 h-1.5 w-full" aria-hidden>
      <rect width="100" height="4" fill="var(--track)" />
      <rect width={Math.max(1, 100 * share)} height="4" fill="var(--ember)" />
    </svg>
  )
}

function EvidenceTable({ suspect }: { suspect: ListedSuspect }) {
  const { system } = useJob()
  const { state } = useMoment()
  if (suspect.evidence.length === 0)
    return <p>No reading for or against this one yet{suspect.id === 'none-of-these' ? '; it rises when no known fault fits' : ''}.</p>
  return (
    <>
      <p className="mb-2">Zone: {suspect.zone ? zoneName(system, suspect.zone) : 'none'}.</p>
      <table className="w-full text-left">
        <thead>
          <tr className="border-line border-b-2 text-muted text-small">
            <th scope="col">check</th>
            <th scope="col">expected</th>
            <th scope="col">read</th>
            <th scope="col">speaks</th>
          </tr>
        </thead>
        <tbody>
          {suspect.evidence.map((row) => {
            const observation = state.observations.find(({ id }) => id === row.observation)
            if (!observation) return null
            return (
              <tr key={row.observation} className="border-line border-b align-top">
                <td className="py-1.5 pr-2">
                  {sayProbe(system, observation.probe)}
                  <span className="block text-muted text-small">{sayBenchShort(system, observation.bench)}</span>
                </td>
                <td className="py-1.5 pr-2">{row.expected}</td>
                <td className="py-1.5 pr-2">{sayAnswer(observation.answer, observation.probe)}</td>
                <td
                  className={`py-1.5 ${row.verdict.includes('against') ? 'text-ember' : row.verdict.includes('for') ? 'text-hold' : 'text-muted'}`}
                >
                  {row.verdict}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}
