'use client'
import { benchKey } from '@/src/core/bench/bench'
import type { EntryDraft } from '@/src/core/job/entry'
import { judgeAir } from '@/src/core/prove/air'
import { judgeMotors } from '@/src/core/prove/motors'
import { isExpected, sayExpected } from '@/src/core/readings/expected'
import { sayAmps, sayVolts } from '@/src/core/units/quantity'
import { sayCall } from '@/src/core/wiring/call'
import { callsOf } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { PutBackList } from '@/src/ui/desk/put-back-list'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'
import { CycleCard } from '@/src/ui/prove/cycle-card'
import { ModeCard } from '@/src/ui/prove/mode-card'
import { Stay } from '@/src/ui/prove/stay'

/** Every mode of this system is run with the wires as they will be left, and ticked with its reading. */
export function ProveStep({ onStep }: ScreenProps) {
  const { job, system } = useJob()
  const { entries, state } = useMoment()
  const { record } = useHands()
  const { answer: loads, problem } = useWorkerAnswer(
    { job, entries },
    'loads',
    (worker) => worker.loads({ system, entries }),
    benchKey(state.bench),
  )
  const calls = callsOf(system)
  const next = calls.find((call) => !state.proofs[call]?.held) ?? null
  return (
    <Screen
      title="Prove"
      sideFirst
      main={
        <>
          <table className="w-full text-left">
            <caption className="mb-2 text-left font-bold">Every mode</caption>
            <thead>
              <tr className="border-line border-b-2 text-muted text-small">
                <th scope="col">mode</th>
                <th scope="col">should draw</th>
                <th scope="col" className="pr-2">
                  did
                </th>
                <th scope="col">state</th>
              </tr>
            </thead>
            <tbody>
              {calls.map((call) => {
                const proof = state.proofs[call]
                const load = loads?.find((candidate) => candidate.call === call)
                const air = proof?.air ? judgeAir(system, call, proof.air) : null
                const isOdd = proof?.amps != null && load !== undefined && !isExpected(proof.amps, load.amps)
                return (
                  <tr key={call} className="border-line border-b">
                    <th scope="row" className="py-3 font-bold">
                      {sayCall[call]}
                    </th>
                    <td className="py-3">{load ? `${sayExpected(load.amps)} on R, ${sayExpected(load.volts)}` : '…'}</td>
                    <td className={`py-3 pr-2 ${isOdd ? 'text-ember' : ''}`}>
                      {proof
                        ? [proof.amps === null ? null : sayAmps(proof.amps), proof.volts === null ? null : sayVolts(proof.volts)]
                            .filter(Boolean)
                            .join(', ') || '—'
                        : ''}
                      {isOdd && ' out of range'}
                      {judgeMotors(system, state, proof?.motors ?? []).map(({ part, isOff, say }) => (
                        <span key={part} className={`block text-small ${isOff ? 'text-ember' : 'text-muted'}`}>
                          {say}
                        </span>
                      ))}
                      {air && <span className={`block text-small ${air.isOff ? 'text-ember' : 'text-muted'}`}>air: {air.say}</span>}
                    </td>
                    <td className={`py-3 ${proof?.held ? 'text-hold' : proof ? 'text-ember' : 'text-muted'}`}>
                      {proof?.held ? 'held ✓' : proof ? 'did not hold' : 'not run'}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
          {problem && <p role="alert">{problem}</p>}
          <h2 className="mt-5 mb-1 font-bold">To put back before the close</h2>
          <PutBackList />
        </>
      }
      side={
        next ? (
          <ModeCard
            key={next}
            call={next}
            onCall={() => record([{ kind: 'bench', change: { do: 'call', call: next } }])}
            onRecord={(held, amps, volts, air, motors) => {
              const setup: EntryDraft[] = state.bench.call === next ? [] : [{ kind: 'bench', change: { do: 'call', call: next } }]
              // A mode that trips is a trip on the timeline first: the second fault starts from it.
              const trip: EntryDraft[] = held ? [] : [{ kind: 'trip', result: 'trips' }]
              record([
                ...setup,
                ...trip,
                { kind: 'proof', call: next, held, amps, volts, ...(air && { air }), ...(motors.length > 0 && { motors: [...motors] }) },
              ])
              // What trips now is what the search goes on from.
              if (!held) onStep('trace')
            }}
          />
        ) : (
          <section aria-label="Proved" className="rounded border-2 border-hold bg-raised p-3">
            <p className="my-1 font-bold text-large">Every mode held</p>
            <CycleCard />
            <Stay sinceMs={Math.max(...calls.map((call) => Date.parse(state.proofs[call]?.at ?? '')))} />
            <p className="mb-2 text-muted">
              {state.bench.call !== 'off' ? 'Set the thermostat back and put everything back.' : 'The items to put back are on the left.'}
            </p>
            <Button look="main" className="w-full text-center" onClick={() => onStep('close')}>
              On to Close
            </Button>
          </section>
        )
      }
    />
  )
}
