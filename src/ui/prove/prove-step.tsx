'use client'
import { benchKey } from '@/src/core/bench/bench'
import type { EntryDraft } from '@/src/core/job/entry'
import { parseDeviceKey } from '@/src/core/operation/machine'
import { isExpected, sayExpected } from '@/src/core/readings/expected'
import { sayAmps, sayCountdown, sayVolts } from '@/src/core/units/quantity'
import { type CallName, sayCall } from '@/src/core/wiring/call'
import { callsOf, partById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useSeconds } from '@/src/ui/controls/use-seconds'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { PutBackList } from '@/src/ui/desk/put-back-list'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { useKeptText } from '@/src/ui/device/use-kept-text'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'
import { ModeSteps } from '@/src/ui/prove/mode-steps'
import { Stay } from '@/src/ui/prove/stay'

/** Steps that come within this of the first need no wait. */
const AT_ONCE_MS = 5000

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
            onRecord={(held, amps, volts) => {
              const setup: EntryDraft[] = state.bench.call === next ? [] : [{ kind: 'bench', change: { do: 'call', call: next } }]
              // A mode that trips is a trip on the timeline first: the second fault starts from it.
              const trip: EntryDraft[] = held ? [] : [{ kind: 'trip', result: 'trips' }]
              record([...setup, ...trip, { kind: 'proof', call: next, held, amps, volts }])
            }}
          />
        ) : (
          <section aria-label="Proved" className="rounded border-2 border-hold bg-raised p-3">
            <p className="my-1 font-bold text-large">Every mode held</p>
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

interface ModeCardProps {
  readonly call: CallName
  readonly onCall: () => void
  readonly onRecord: (held: boolean, amps: number | null, volts: number | null) => void
}

function ModeCard({ call, onCall, onRecord }: ModeCardProps) {
  const { job, system } = useJob()
  const { entries, state } = useMoment()
  const isCalled = state.bench.call === call
  const { answer } = useWorkerAnswer({ job, entries }, `sequence ${call}`, (worker) =>
    worker.sequence({ system, entries }, call, Date.now()),
  )
  const steps = answer ?? []
  const lastMs = Math.max(0, ...steps.map(({ ms }) => ms))
  const nowMs = useSeconds(isCalled && lastMs > 0)
  const calledAt = state.standing.findLast((entry) => entry.kind === 'bench' && entry.change.do === 'call')?.at
  const calledMs = isCalled && calledAt !== undefined ? Date.parse(calledAt) : null
  // Nothing is held while something that belongs to it is still to come.
  const waits = steps.findLast(({ ms }) => ms > (isCalled ? nowMs : (steps[0]?.ms ?? 0) + AT_ONCE_MS))
  const [keptAmps, setAmps] = useKeptText(`${call} amps ${job.id}`)
  const [keptVolts, setVolts] = useKeptText(`${call} volts ${job.id}`)
  const [amps, volts] = [keptAmps ?? '', keptVolts ?? '']
  const enter = (held: boolean) => {
    onRecord(held, held ? read(amps) : null, held ? read(volts) : null)
    setAmps(null)
    setVolts(null)
  }
  const read = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')))
  const wrong = [amps, volts].find((text) => {
    const value = read(text)
    return value !== null && !(value >= 0 && value <= 100)
  })
  const field = 'min-h-11 w-full rounded border-2 border-line bg-panel px-3 font-mono text-large'
  return (
    <section aria-label={`Run ${call}`} className="landed rounded border-2 border-next bg-raised p-3">
      <h2 className="font-bold text-muted text-small">Now</h2>
      <p className="my-1 font-bold text-large">Set the thermostat to call for {sayCall[call]}, and let it run</p>
      {state.bench.jumpers.length > 0 && <Caution>A jumper is still in. Take it out: prove the mode from its own thermostat.</Caution>}
      {!state.bench.power && <Caution>The power is off in the record: power on first.</Caution>}
      <ModeSteps steps={steps} system={system} calledMs={calledMs} nowMs={nowMs} />
      <div className="my-2 grid grid-cols-2 gap-2">
        <label>
          <span className="text-muted text-small">amps on R</span>
          <input value={amps} onChange={(event) => setAmps(event.target.value)} inputMode="decimal" autoComplete="off" className={field} />
        </label>
        <label>
          <span className="text-muted text-small">R to C, volts</span>
          <input
            value={volts}
            onChange={(event) => setVolts(event.target.value)}
            inputMode="decimal"
            autoComplete="off"
            className={field}
          />
        </label>
      </div>
      {wrong !== undefined && (
        <p role="alert" className="mb-2 text-ember">
          “{wrong}” is not a reading here. Type digits as the meter shows them, or leave it empty.
        </p>
      )}
      {!isCalled && (
        <Button look="main" className="mb-2 w-full text-center" disabled={!state.bench.power} onClick={onCall}>
          call for {sayCall[call]}
        </Button>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button
          look={isCalled ? 'main' : 'plain'}
          className="!text-center"
          disabled={wrong !== undefined || !state.bench.power || waits !== undefined}
          onClick={() => enter(true)}
        >
          {sayCall[call]} held
        </Button>
        <Button className="!text-center" disabled={!state.bench.power} onClick={() => enter(false)}>
          it tripped
        </Button>
      </div>
      {waits && state.bench.power && (
        <p className="mt-2 text-small">
          {isCalled
            ? `Not held yet: the ${partById(system, parseDeviceKey(waits.what).part)?.name ?? waits.what} comes in ${sayCountdown(Math.ceil((waits.ms - nowMs) / 1000))}.`
            : 'Call for it first: not all of it comes at once.'}{' '}
          {isCalled && (
            <Button look="quiet" disabled={wrong !== undefined} onClick={() => enter(true)}>
              it runs already: held
            </Button>
          )}
        </p>
      )}
    </section>
  )
}
