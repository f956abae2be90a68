'use client'
import { useState } from 'react'
import { judgeMotors, plateOf } from '@/src/core/prove/motors'
import { sayAmps } from '@/src/core/units/quantity'
import type { PartOf } from '@/src/core/wiring/part'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import type { MotorAmpsTyped } from '@/src/ui/prove/use-motor-amps'

/** Line amps of all that runs in this mode, each against its plate. */
export function MotorAmps({ motors }: { motors: MotorAmpsTyped }) {
  if (motors.loads.length === 0) return null
  return (
    <details className="my-2 rounded border-2 border-line px-3 py-1">
      <summary className="min-h-11 content-center">Line amps against the plate</summary>
      {motors.loads.map((load) => (
        <MotorRow key={load.id} load={load} motors={motors} />
      ))}
      {motors.isWrong && (
        <p role="alert" className="mb-2 text-ember">
          Type amps as the clamp shows them, or leave it empty.
        </p>
      )}
    </details>
  )
}

function MotorRow({ load, motors }: { load: PartOf<'load'>; motors: MotorAmpsTyped }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const [plate, setPlate] = useState('')
  const known = plateOf(state, load.id)
  const plateA = Number(plate.replace(',', '.'))
  const read = motors.readings.filter(({ part }) => part === load.id)
  const [finding] = judgeMotors(system, state, read)
  const field = 'min-h-11 w-full rounded border-2 border-line bg-panel px-3 font-mono'
  return (
    <div className="mb-2">
      <div className="grid grid-cols-2 gap-2">
        <label>
          <span className="text-muted text-small">{load.name}, amps</span>
          <input
            value={motors.typed[load.id] ?? ''}
            onChange={({ target }) => motors.type(load.id, target.value)}
            inputMode="decimal"
            autoComplete="off"
            className={field}
          />
        </label>
        {known === null ? (
          <div className="flex items-end gap-2">
            <label className="min-w-0">
              <span className="text-muted text-small">on its plate</span>
              <input
                value={plate}
                onChange={({ target }) => setPlate(target.value)}
                inputMode="decimal"
                autoComplete="off"
                aria-label={`${load.name}, amps on its plate`}
                className={field}
              />
            </label>
            <Button
              aria-label={`keep the plate of the ${load.name}`}
              disabled={!(plateA > 0 && plateA <= 400)}
              onClick={() => record([{ kind: 'plate', part: load.id, amps: plateA }])}
            >
              keep
            </Button>
          </div>
        ) : (
          <p className="self-end pb-3 text-muted text-small">plate {sayAmps(known)}</p>
        )}
      </div>
      {finding?.isOff && <p className="mt-2 text-ember text-small">{finding.say}</p>}
    </div>
  )
}
