'use client'
import type { Air } from '@/src/core/job/air-schema'
import { parseDeviceKey } from '@/src/core/operation/machine'
import { airSourceOf } from '@/src/core/prove/air'
import { runsWith } from '@/src/core/prove/motors'
import { sayCountdown } from '@/src/core/units/quantity'
import { type CallName, sayCall } from '@/src/core/wiring/call'
import { partById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useSeconds } from '@/src/ui/controls/use-seconds'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useKeptText } from '@/src/ui/device/use-kept-text'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'
import { ModeSteps } from '@/src/ui/prove/mode-steps'
import { MotorAmps } from '@/src/ui/prove/motor-amps'
import { type MotorReading, useMotorAmps } from '@/src/ui/prove/use-motor-amps'

/** Steps that come within this of the first need no wait. */
const AT_ONCE_MS = 5000

interface ModeCardProps {
  readonly call: CallName
  readonly onCall: () => void
  readonly onRecord: (held: boolean, amps: number | null, volts: number | null, air: Air | null, motors: readonly MotorReading[]) => void
}

/** One mode, run from its own thermostat: what comes when, what was read, and whether it held. */
export function ModeCard({ call, onCall, onRecord }: ModeCardProps) {
  const { job, system } = useJob()
  const { entries, state } = useMoment()
  const isCalled = state.bench.call === call
  // What was done at the bench is all that a sequence hangs on.
  const { answer } = useWorkerAnswer(
    { job, entries },
    `sequence ${call}`,
    (worker) => worker.sequence({ system, entries }, call, Date.now()),
    state.standing.flatMap(({ id, kind }) => (kind === 'bench' ? [id] : [])).join(' '),
  )
  const steps = answer ?? []
  const lastMs = Math.max(0, ...steps.map(({ ms }) => ms))
  // The steps are of the worker: none is there before the clock is.
  const nowMs = useSeconds(isCalled && lastMs > 0) ?? 0
  const calledAt = state.standing.findLast((entry) => entry.kind === 'bench' && entry.change.do === 'call')?.at
  const calledMs = isCalled && calledAt !== undefined ? Date.parse(calledAt) : null
  // Nothing is held while something that belongs to it is still to come.
  const waits = steps.findLast(({ ms }) => ms > (isCalled ? nowMs : (steps[0]?.ms ?? 0) + AT_ONCE_MS))
  const [keptAmps, setAmps] = useKeptText(`${call} amps ${job.id}`)
  const [keptVolts, setVolts] = useKeptText(`${call} volts ${job.id}`)
  const [keptReturn, setReturn] = useKeptText(`${call} return air ${job.id}`)
  const [keptSupply, setSupply] = useKeptText(`${call} supply air ${job.id}`)
  const [amps, volts, returnAir, supplyAir] = [keptAmps ?? '', keptVolts ?? '', keptReturn ?? '', keptSupply ?? '']
  const motors = useMotorAmps(call, runsWith(system, steps))
  const enter = (held: boolean) => {
    const [returnF, supplyF] = [read(returnAir), read(supplyAir)]
    onRecord(
      held,
      held ? read(amps) : null,
      held ? read(volts) : null,
      held && returnF !== null && supplyF !== null ? { returnF, supplyF } : null,
      held ? motors.readings : [],
    )
    motors.clear()
    for (const set of [setAmps, setVolts, setReturn, setSupply]) set(null)
  }
  const read = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')))
  const isWrong = (text: string, low: number, high: number) => {
    const value = read(text)
    return value !== null && !(value >= low && value <= high)
  }
  const wrong =
    [amps, volts].find((text) => isWrong(text, 0, 100)) ??
    (isWrong(returnAir, -40, 150) ? returnAir : isWrong(supplyAir, -40, 250) ? supplyAir : undefined)
  const field = 'min-h-11 w-full rounded border-2 border-line bg-panel px-3 font-mono text-large'
  return (
    <section aria-label={`Run ${call}`} className="landed rounded border-2 border-next bg-raised p-3">
      <h2 className="font-bold text-muted text-small">Now</h2>
      <p className="my-1 font-bold text-large">Set the thermostat to call for {sayCall[call]}, and let it run</p>
      {state.bench.jumpers.length > 0 && <Caution>A jumper is still in. Take it out: prove the mode from its own thermostat.</Caution>}
      {!state.bench.power && <Caution>The power is off in the record: power on first.</Caution>}
      <ModeSteps steps={steps} system={system} calledMs={calledMs} nowMs={nowMs} />
      <div className="my-2 grid grid-cols-2 gap-2">
        {[
          { label: 'amps on R', typed: amps, type: setAmps },
          { label: 'R to C, volts', typed: volts, type: setVolts },
          ...(airSourceOf(system, call) === null
            ? []
            : [
                { label: 'return air, °F', typed: returnAir, type: setReturn },
                { label: 'supply air, °F', typed: supplyAir, type: setSupply },
              ]),
        ].map(({ label, typed, type }) => (
          <label key={label}>
            <span className="text-muted text-small">{label}</span>
            <input value={typed} onChange={(event) => type(event.target.value)} inputMode="decimal" autoComplete="off" className={field} />
          </label>
        ))}
      </div>
      <MotorAmps motors={motors} />
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
          disabled={wrong !== undefined || motors.isWrong || !state.bench.power || waits !== undefined}
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
            <Button look="quiet" disabled={wrong !== undefined || motors.isWrong} onClick={() => enter(true)}>
              it runs already: held
            </Button>
          )}
        </p>
      )}
    </section>
  )
}
