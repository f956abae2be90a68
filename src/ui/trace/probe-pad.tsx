'use client'
import { useState } from 'react'
import type { Forecast } from '@/src/core/advice/forecast'
import { isSameJumper } from '@/src/core/bench/bench'
import { landingOf, sayPoint } from '@/src/core/bench/points'
import { sayConductor, sayPair } from '@/src/core/bench/say'
import { wiredNow } from '@/src/core/bench/swaps'
import type { Probe } from '@/src/core/readings/check'
import { probeKey } from '@/src/core/readings/check'
import { isLinePoint } from '@/src/core/readings/predict'
import type { SeenThrough } from '@/src/core/readings/reads-through'
import { capital } from '@/src/core/units/capital'
import { sayPercent } from '@/src/core/units/quantity'
import { conductorEnd, type Point, parsePoint } from '@/src/core/wiring/point'
import { cableById, type System } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { Keypad } from '@/src/ui/controls/keypad'
import { Tick } from '@/src/ui/controls/tick'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'
import { MeterAt } from '@/src/ui/meter/meter-at'
import { ChangePlaces } from '@/src/ui/trace/change-places'

/** Two test leads: what the meter would show between them, and the field for what it does show. One lead: what can be done there. */
export function ProbePad({ probes, onClear }: { probes: readonly Point[]; onClear: () => void }) {
  const { system } = useJob()
  const [a, b] = probes
  return (
    <section aria-label="Probes" className="landed mb-3 rounded border-2 border-hold bg-raised p-3">
      <div className="flex items-start justify-between gap-2">
        <h2 className="font-bold text-large">{capital(b ? sayPair(system, a, b) : sayPoint(system, a))}</h2>
        <Button onClick={onClear} aria-keyshortcuts="Escape">
          clear probes
        </Button>
      </div>
      {b ? <BetweenTwo a={a} b={b} onDone={onClear} /> : <AtOne point={a} onDone={onClear} />}
    </section>
  )
}

function AtOne({ point, onDone }: { point: Point; onDone: () => void }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const [keeps, setKeeps] = useState(false)
  const ends = endsAt(wiredNow(system, state.bench.swaps), point)
  return (
    <>
      <p className="my-1 text-muted">Pick a second point to read between the two, or:</p>
      <div className="flex flex-wrap gap-2">
        {ends.map((end) => {
          const isLifted = state.bench.lifted.includes(end)
          const { cable, name } = parsePoint(end)
          const found = cableById(system, cable)
          return (
            <Button
              key={end}
              onClick={() => {
                if (record([{ kind: 'bench', change: isLifted ? { do: 'land', end } : { do: 'lift', end } }]) === null) onDone()
              }}
            >
              {isLifted ? 'land' : 'lift'} {sayConductor(found, name)} of the {found?.name}
            </Button>
          )
        })}
      </div>
      {ends.slice(-1).map((end) => (
        <ChangePlaces key={end} end={end} onDone={onDone} />
      ))}
      {ends.slice(0, 1).map((end) => (
        <details key={end} className="mt-2">
          <summary className="min-h-11 content-center">clamp amps around it</summary>
          <div className="mb-2">
            <Tick checked={keeps} onChange={setKeeps}>
              it held the maximum since the call was made
            </Tick>
          </div>
          <Keypad
            measured="amps"
            onTake={(answer) => {
              const probe: Probe = { meter: 'amps', on: end, ...(keeps && { hold: 'max' as const }) }
              if (record([{ kind: 'reading', probe, answer }]) === null) onDone()
            }}
          />
        </details>
      ))}
    </>
  )
}

/** Conductor ends at a point: those landed on a terminal, or the end itself. */
function endsAt(system: System, point: Point): Point[] {
  if (parsePoint(point).cable !== null) return landingOf(system, point) ? [point] : []
  return system.cables.flatMap((cable) =>
    cable.between.flatMap((place) =>
      cable.conductors.map(({ id }) => conductorEnd(cable.id, id, place)).filter((end) => landingOf(system, end) === point),
    ),
  )
}

function BetweenTwo({ a, b, onDone }: { a: Point; b: Point; onDone: () => void }) {
  const { job, system } = useJob()
  const { entries, state } = useMoment()
  const { record } = useHands()
  const measured = state.bench.power ? 'volts' : 'ohms'
  const probe: Probe = { meter: measured, a, b }
  const { answer: forecasts, problem } = useWorkerAnswer({ job, entries }, `forecast ${probeKey(probe)}`, (worker) =>
    worker.forecast({ system, entries }, probe),
  )
  const { answer: seen } = useWorkerAnswer({ job, entries }, `through ${probeKey(probe)}`, (worker) =>
    worker.readsThrough({ system, entries }, probe),
  )
  const isJumped = state.bench.jumpers.some((jumper) => isSameJumper(jumper, a, b))
  const isLine = isLinePoint(system, a) || isLinePoint(system, b)
  return (
    <>
      <p className="text-muted">{measured === 'volts' ? 'Volts, power on.' : 'Ohms, power off.'} It would read:</p>
      {forecasts ? <Scale forecasts={forecasts} /> : <p role={problem ? 'alert' : undefined}>{problem ?? '…'}</p>}
      {seen && seen.length > 0 && <ReadsThrough seen={seen} />}
      {isLine && <Caution>Line voltage. Prove the meter on a live source first; keep one hand out.</Caution>}
      <MeterAt
        probe={probe}
        onTake={(answer) => {
          if (record([{ kind: 'reading', probe, answer }]) === null) onDone()
        }}
      />
      <Keypad
        measured={measured}
        onTake={(answer) => {
          if (record([{ kind: 'reading', probe, answer }]) === null) onDone()
        }}
      />
      <Button
        className="mt-2 w-full !text-center"
        onClick={() => {
          if (record([{ kind: 'bench', change: isJumped ? { do: 'unjumper', a, b } : { do: 'jumper', a, b } }]) === null) onDone()
        }}
      >
        {isJumped ? 'Take out the jumper between the two' : 'Jumper between the two'}
      </Button>
    </>
  )
}

/** What the ohmmeter sees beside the wire, said before the reading is taken, and the end that keeps it out. */
function ReadsThrough({ seen }: { seen: readonly SeenThrough[] }) {
  const { record } = useHands()
  const lifts = [...new Set(seen.flatMap(({ lift }) => lift ?? []))]
  return (
    <div className="mb-2 border-line border-l-4 pl-2">
      <ul>
        {seen.slice(0, 3).map(({ part, say }) => (
          <li key={part}>{say.charAt(0).toUpperCase() + say.slice(1)}.</li>
        ))}
        {seen.length > 3 && <li className="text-muted">And {seen.length - 3} more.</li>}
      </ul>
      {lifts.length > 0 && (
        <Button look="quiet" onClick={() => record(lifts.map((end) => ({ kind: 'bench', change: { do: 'lift', end } })))}>
          {lifts.length === 1 ? 'lift it' : `lift all ${lifts.length}`}
        </Button>
      )}
    </div>
  )
}

/** Predicted values as ticks on a small scale, with the same as lines of text. */
function Scale({ forecasts }: { forecasts: readonly Forecast[] }) {
  const values = forecasts.flatMap(({ value }) => (value === null ? [] : [value]))
  const most = Math.max(1, ...values)
  return (
    <>
      {values.length > 1 && (
        <svg viewBox="0 0 300 26" className="my-1 w-full" aria-hidden>
          <line x1="6" x2="294" y1="16" y2="16" stroke="var(--line)" strokeWidth="2" />
          {forecasts.map(({ id, value }, index) =>
            value === null ? null : (
              <g key={id}>
                <line
                  x1={6 + (288 * value) / most}
                  x2={6 + (288 * value) / most}
                  y1="10"
                  y2="22"
                  stroke={id === 'nothing-wrong' ? 'var(--hold)' : 'var(--ember)'}
                  strokeWidth="3"
                />
                <text x={6 + (288 * value) / most} y="8" fontSize="10" textAnchor="middle" fill="var(--ink)">
                  {index + 1}
                </text>
              </g>
            ),
          )}
        </svg>
      )}
      <ol className="mb-2 list-inside list-decimal">
        {forecasts.map(({ id, say, expected, probability }) => (
          <li key={id}>
            <b>{expected}</b>: {say} <span className="text-muted text-small">({sayPercent(probability)})</span>
          </li>
        ))}
      </ol>
    </>
  )
}
