'use client'
import { useState } from 'react'
import { benchKey } from '@/src/core/bench/bench'
import type { Answer } from '@/src/core/readings/check'
import { probeKey } from '@/src/core/readings/check'
import { type Expected, isExpected, sayExpected } from '@/src/core/readings/expected'
import { sayAnswer } from '@/src/core/readings/say'
import { firstPart } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { Keypad } from '@/src/ui/controls/keypad'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'
import { FurtherFuses } from '@/src/ui/power/further-fuses'
import { FuseCard } from '@/src/ui/power/fuse-card'
import { LateCharts } from '@/src/ui/power/late-charts'
import { SupplyPicture } from '@/src/ui/power/supply-picture'
import { placesWithLine, supplyChecks } from '@/src/ui/power/supply-probes'

/** What plates of control transformers say, whatever the open volts are. */
const PLATE_VOLTS = 24

const isWrong = (answer: Answer | null, expected: Expected | null): boolean =>
  typeof answer === 'number' && expected !== null && !isExpected(answer, expected)

/** The supply side: line, transformer, fuse; what was read beside what this system should show. */
export function PowerStep({ onStep }: ScreenProps) {
  const { job, system } = useJob()
  const { entries, state } = useMoment()
  const { record } = useHands()
  const places = placesWithLine(system)
  const [place, setPlace] = useState(places[0]?.id ?? firstPart(system, 'transformer').place)
  const checks = supplyChecks(system, place)
  const { answer: expected, problem } = useWorkerAnswer(
    { job, entries },
    `expect ${place}`,
    (worker) =>
      worker.expect(
        { system, entries },
        checks.map(({ probe }) => probe),
      ),
    benchKey(state.bench),
  )
  const { answer: loads } = useWorkerAnswer({ job, entries }, 'loads', (worker) => worker.loads({ system, entries }), benchKey(state.bench))
  const lines = checks.map((check, index) => {
    const reading = state.observations.findLast(({ probe }) => probeKey(probe) === probeKey(check.probe))
    return { ...check, answer: reading?.answer ?? null, expected: expected?.[index] ?? null }
  })
  const [picked, setPicked] = useState<string | null>(null)
  // Leg by leg to ground is where to go on once a reading across the line is out of range be.
  const isLineWrong = lines.some(({ isLine, isLeg, answer, expected: range }) => isLine && !isLeg && isWrong(answer, range ?? null))
  const isDue = ({ answer, isLeg }: (typeof lines)[number]) => answer === null && (!isLeg || isLineWrong)
  const next = lines.find(({ id }) => id === picked) ?? lines.find(isDue) ?? null
  const fuse = firstPart(system, 'fuse')
  const { slot } = state.bench
  const transformer = firstPart(system, 'transformer')
  const winding = { va: transformer.va, plateVolts: PLATE_VOLTS }
  const { answer: windings } = useWorkerAnswer({ job, entries }, 'windings', (worker) => worker.windings({ system, entries }))
  const { answer: overload } = useWorkerAnswer({ job, entries }, 'overload', (worker) => worker.overload({ system, entries }))
  const take = (answer: Answer) => {
    if (next && record([{ kind: 'reading', probe: next.probe, answer }]) === null) setPicked(null)
  }
  return (
    <Screen
      title="Power"
      sideFirst
      main={
        <div className="flex flex-col">
          {problem && <p role="alert">{problem}</p>}
          {places.length > 1 && (
            <div className="mb-2 flex flex-wrap gap-2">
              {places.map(({ id, name }) => (
                <Button
                  key={id}
                  aria-pressed={id === place}
                  onClick={() => {
                    setPlace(id)
                    setPicked(null)
                  }}
                  className={id === place ? '!border-next font-bold' : ''}
                >
                  line at the {name}
                </Button>
              ))}
            </div>
          )}
          <div className="max-desk:hidden">
            <SupplyPicture place={place} lines={lines} next={next?.id ?? null} />
          </div>
          <div className="mt-3 grid gap-4 max-desk:order-2 desk:grid-cols-2">
            <LateCharts
              ratingA={slot.holds === 'fuse' ? slot.ratingA : fuse.ratingA}
              winding={winding}
              faultA={overload}
              windings={windings}
              loads={loads}
              isLive={state.bench.power}
            />
          </div>
          <table className="mt-3 w-full text-left">
            <caption className="sr-only">Supply readings and what this system should show right now</caption>
            <thead>
              <tr className="border-line border-b-2 text-muted text-small">
                <th scope="col">reading</th>
                <th scope="col" className="pr-3">
                  should show
                </th>
                <th scope="col">read</th>
                <th scope="col">
                  <span className="sr-only">take it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => {
                const fits = typeof line.answer === 'number' && line.expected !== null ? isExpected(line.answer, line.expected) : null
                return (
                  <tr key={line.id} className={`border-line border-b ${line.isLeg ? 'text-muted' : ''}`}>
                    <th scope="row" className="font-normal">
                      {line.say}
                    </th>
                    <td className="pr-3 text-muted">{line.expected ? sayExpected(line.expected) : '…'}</td>
                    <td className={line.answer === null ? 'text-muted' : fits ? 'text-hold' : fits === false ? 'font-bold text-ember' : ''}>
                      {line.answer === null
                        ? 'not read'
                        : `${sayAnswer(line.answer, line.probe)} ${fits ? '✓' : fits === false ? '!' : ''}`}
                    </td>
                    <td className="py-0.5 text-right">
                      <Button look="quiet" onClick={() => setPicked(line.id)} aria-label={`read ${line.say}`}>
                        {line.answer === null ? 'read' : 'again'}
                      </Button>
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </div>
      }
      side={
        <>
          {next ? (
            <section aria-label="Next reading" key={next.id} className="landed mb-3 rounded border-2 border-next bg-raised p-3">
              <h2 className="font-bold text-muted text-small">Next reading</h2>
              <p className="my-1 font-bold text-large">{next.say}</p>
              <p className="mb-2 text-muted">A sound system shows {next.expected ? sayExpected(next.expected) : '…'} here, right now.</p>
              {next.isLine && (
                <div className="mb-2">
                  <Caution>Line voltage is live behind this panel. Prove the meter on a live source first, read, prove it again.</Caution>
                </div>
              )}
              {!state.bench.power && (
                <Button className="mb-2 w-full !text-center" onClick={() => record([{ kind: 'bench', change: { do: 'power', on: true } }])}>
                  Power on first
                </Button>
              )}
              <Keypad measured={next.probe.meter === 'amps' ? 'amps' : 'volts'} onTake={take} />
            </section>
          ) : (
            <section aria-label="Supply is read" className="mb-3 rounded border-2 border-next bg-raised p-3">
              <p className="mb-2 font-bold text-large">The supply side is read</p>
              <Button look="main" className="w-full text-center" onClick={() => onStep('trace')}>
                On to Trace
              </Button>
            </section>
          )}
          <FuseCard />
          <FurtherFuses />
        </>
      }
    />
  )
}
