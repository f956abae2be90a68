'use client'
import { useMemo } from 'react'
import type { Swap } from '@/src/core/bench/bench'
import { sayOnSpare } from '@/src/core/bench/say'
import { wiredNow } from '@/src/core/bench/swaps'
import { runsOf } from '@/src/core/cable/of-job'
import { sayFinding, sayWhere } from '@/src/core/cable/say-where'
import type { ConductorRow } from '@/src/core/diagnosis/explanation/conductors'
import { capital } from '@/src/core/units/capital'
import { sayPercent } from '@/src/core/units/quantity'
import { conductorEnd } from '@/src/core/wiring/point'
import { type Cable, placeById } from '@/src/core/wiring/system'
import { AlongTheRun } from '@/src/ui/cable/along-the-run'
import { ConductorCheck } from '@/src/ui/cable/conductor-check'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment, useSuspects } from '@/src/ui/desk/desk-context'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { insulation } from '@/src/ui/loom/colours'

const mark: Record<ConductorRow['state'], { sign: string; look: string }> = {
  spare: { sign: '–', look: 'text-muted' },
  'not tested': { sign: '?', look: 'text-muted' },
  sound: { sign: '✓', look: 'text-hold' },
  suspect: { sign: '!', look: 'font-bold text-ember' },
}

/** Every conductor of every cable: colour, where each end belongs, and what the readings say of it. */
export function CableStep({ onStep }: ScreenProps) {
  const { system } = useJob()
  const { state } = useMoment()
  const { advice } = useSuspects()
  const { record } = useHands()
  const runs = useMemo(() => runsOf(system, state), [system, state])
  const rows = advice?.conductors ?? []
  // As it is wired now: a spare that serves shows the letters that it serves.
  const wired = wiredNow(system, state.bench.swaps)
  const suspects = rows.filter((row) => row.state === 'suspect')
  const isSuspect = ({ id }: Cable) => suspects.some(({ cable }) => cable === id)
  const suspectFirst = [...wired.cables].sort((a, b) => Number(isSuspect(b)) - Number(isSuspect(a)))
  const swapsOf = ({ id }: Cable) => state.bench.swaps.filter(({ cable }) => cable === id)
  return (
    <Screen
      title="Cable"
      main={suspectFirst.map((cable) => (
        <section key={cable.id} aria-label={cable.name}>
          <table className="mb-5 w-full table-fixed text-left">
            <caption className="mb-1 text-left">
              <b>{cable.name}</b>
              <span className="text-muted">
                {' '}
                · {cable.lengthM} m, {cable.gaugeAwg} AWG, {cable.conductors.length} conductors
              </span>
            </caption>
            <thead>
              <tr className="border-line border-b-2 text-muted text-small">
                <th scope="col" className="w-20 desk:w-24">
                  {placeById(system, cable.between[0])?.name}
                </th>
                <th scope="col">conductor</th>
                <th scope="col" className="w-20 desk:w-24">
                  {placeById(system, cable.between[1])?.name}
                </th>
                <th scope="col">state</th>
              </tr>
            </thead>
            <tbody>
              {cable.conductors.map((conductor) => {
                const row = rows.find((candidate) => candidate.cable === cable.id && candidate.conductor.id === conductor.id)
                const { sign, look } = mark[row?.state ?? 'not tested']
                const swap = swapsOf(cable).find(({ from, to }) => from === conductor.id || to === conductor.id)
                const [onSpare, exchanged] = swap?.exchange ? [undefined, swap] : [swap, undefined]
                const lifted = cable.between.map((place) => state.bench.lifted.includes(conductorEnd(cable.id, conductor.id, place)))
                return (
                  <tr key={conductor.id} className="border-line border-b">
                    <td className="py-1.5">
                      <Landing letter={conductor.lands[0]} lifted={lifted[0]} />
                    </td>
                    <th scope="row" className="py-1.5 font-normal">
                      <span className="flex items-center gap-2 max-desk:flex-col max-desk:items-start max-desk:gap-0">
                        <svg viewBox="0 0 90 12" className="h-3 w-20 shrink-0 desk:w-36" aria-hidden preserveAspectRatio="none">
                          <rect width="90" height="12" fill="var(--ink)" />
                          <rect y="1.5" width="90" height="9" fill="var(--ground)" />
                          <rect y="2.5" width="90" height="7" fill={insulation[conductor.colour]} />
                        </svg>
                        {conductor.colour}
                      </span>
                      {conductor.onTheWay && <span className="block text-muted text-small">{conductor.onTheWay}</span>}
                    </th>
                    <td className="py-1.5">
                      <Landing letter={conductor.lands[1]} lifted={lifted[1]} />
                    </td>
                    <td className={`py-1.5 ${look}`}>
                      {onSpare ? `⇄ ${sayOnSpare(onSpare, conductor.id)}` : row ? `${sign} ${row.state}` : '… working it out'}
                      {exchanged && <span className="block font-normal text-ink text-small">⇄ {sayOnSpare(exchanged, conductor.id)}</span>}
                      {!onSpare && row?.trouble && (
                        <span className="block font-normal text-ink text-small">
                          {sayPercent(row.probability)}: {row.trouble}
                        </span>
                      )}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
          <ConductorCheck cable={cable} />
          <AlongTheRun
            report={runs[wired.cables.indexOf(cable)]}
            system={system}
            here={state.bench.place}
            isSuspect={isSuspect(cable)}
            onTell={(fact) => record([{ kind: 'run', cable: cable.id, fact }])}
          />
        </section>
      ))}
      side={
        <>
          <section aria-label="Conductors" className="mb-3 rounded border-2 border-next bg-raised p-3">
            <h2 className="font-bold text-muted text-small">Conductors</h2>
            <p className="my-1 font-bold text-large">
              {suspects.length === 0
                ? rows.length === 0
                  ? 'Working out the conductors …'
                  : 'No suspect conductor yet'
                : `${suspects.length === 1 ? 'One conductor is' : `${suspects.length} conductors are`} suspect`}
            </p>
            {wired.cables
              .filter((cable) => suspects.length === 0 || isSuspect(cable))
              .map((cable) => (
                <p key={cable.id} className="mb-2 text-muted">
                  {saySpares(cable, swapsOf(cable))}
                </p>
              ))}
            {runs.flatMap((report) =>
              report.findings.map((finding) => (
                <p key={`${report.cable.id} ${finding.conductors.join(' ')}`} className="mb-2">
                  {capital(sayFinding(finding))}: {finding.distance ? sayWhere(system, report, finding.distance) : finding.next}
                </p>
              )),
            )}
            <Button look="main" className="w-full text-center" onClick={() => onStep('trace')}>
              Back to Trace
            </Button>
          </section>
          <p className="text-muted text-small">
            ✓ sound: less than 1 % by the readings. ? not tested: no reading covers it. ! suspect: more than 5 %.
          </p>
        </>
      }
    />
  )
}

/** The spares of a cable that serve nowhere yet; a conductor that was moved off is none. */
function saySpares({ name, conductors }: Cable, swaps: readonly Swap[]): string {
  const free = conductors.filter(
    ({ id, lands }) => lands.every((terminal) => terminal === null) && swaps.every(({ from, to }) => from !== id && to !== id),
  )
  return free.length === 0 ? `No spare in the ${name}.` : `Spare in the ${name}: ${free.map(({ colour }) => colour).join(', ')}.`
}

function Landing({ letter, lifted }: { letter: string | null; lifted: boolean }) {
  return (
    <span className="flex items-center gap-1">
      <span
        className={`grid h-8 min-w-8 place-items-center rounded border-2 px-1 font-bold ${lifted ? 'border-ember' : 'border-ink'} ${letter ? '' : 'border-dashed'}`}
      >
        {letter ?? '–'}
      </span>
      {lifted && <span className="text-ember text-small">lifted</span>}
    </span>
  )
}
