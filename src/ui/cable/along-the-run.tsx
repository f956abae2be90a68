'use client'
import { type FormEvent, type ReactNode, useId, useState } from 'react'
import type { RunReport } from '@/src/core/cable/of-job'
import { sayFinding, sayMetres, sayWhere } from '@/src/core/cable/say-where'
import type { RunFact } from '@/src/core/job/run-schema'
import { placeById, type System } from '@/src/core/wiring/system'
import { RunRuler } from '@/src/ui/cable/run-ruler'
import { Button } from '@/src/ui/controls/button'
import { Tick } from '@/src/ui/controls/tick'

const lengthWords: Record<RunReport['lengthFrom'], string> = {
  told: 'as paced',
  loop: 'by the loop of two sound conductors',
  drawn: 'a guess: pace it, or read a loop',
}

/** How far along a cable it is: what was read, on a ruler with what the run passes, and what to read for a closer answer. */
export function AlongTheRun({ report, system, here, isSuspect, onTell }: AlongTheRunProps) {
  const { cable, findings, landmarks, lengthM, lengthFrom } = report
  const isBegun = findings.length + landmarks.length > 0 || lengthFrom !== 'drawn'
  const [from] = cable.between.map((place) => placeById(system, place)?.name ?? place)
  return (
    <details className="mb-6 rounded border-2 border-line px-3 py-1" open={isBegun || isSuspect}>
      <summary className="min-h-11 content-center font-bold">How far along the {cable.name}</summary>
      {findings.map((finding) => (
        <p key={`${finding.of} ${finding.conductors.join(' ')}`} className="mb-2">
          <b>{sayFinding(finding)}</b>
          {finding.distance ? `: ${sayWhere(system, report, finding.distance)}.` : `: ${finding.next}`}
          {finding.distance?.better && <span className="block text-ember">Too coarse to open a wall by. {finding.distance.better}</span>}
        </p>
      ))}
      <RunRuler report={report} system={system} />
      <p className="mb-2 text-muted text-small">
        From the {from} along the cable: {sayMetres(lengthM)}, {lengthWords[lengthFrom]}.
      </p>
      <Facts report={report} system={system} here={here} onTell={onTell} />
      {findings.length === 0 && (
        <p className="my-2 text-small">
          A short: both wires off at both ends, then the ohms between them from each end (<kbd>loop Y-C 1.84</kbd>). An open: the
          capacitance of the wire from each end, or beside a sound one (<kbd>cap Y 0.42 nF</kbd>).
        </p>
      )}
    </details>
  )
}

interface AlongTheRunProps {
  readonly report: RunReport
  readonly system: System
  /** Where the technician stands. */
  readonly here: string
  readonly isSuspect: boolean
  readonly onTell: (fact: RunFact) => void
}

/** What is told of a run: its length, what it passes, the meter, and a capacitance. */
function Facts({ report, system, here, onTell }: Omit<AlongTheRunProps, 'isSuspect'>) {
  const { cable, lengthFrom, lengthM, isNulled } = report
  const place = cable.between.includes(here) ? here : cable.between[0]
  const [conductor, setConductor] = useState(cable.conductors[0].id)
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Told
        // A length that was told elsewhere takes the place of what stood in its own field; the other fields keep what is being typed.
        key={lengthFrom === 'told' ? lengthM : 'not told'}
        label="length of the run, m"
        initial={lengthFrom === 'told' ? String(lengthM) : ''}
        action="set the length"
        onTell={(metres) => onTell({ what: 'length', metres })}
      />
      <Told
        label="landmark at, m"
        withName="what stands there"
        action="add the landmark"
        onTell={(metres, name) => onTell({ what: 'landmark', metres, name })}
      />
      <Told
        label={`capacitance at the ${placeById(system, place)?.name ?? place}, nF`}
        action="add the capacitance"
        onTell={(nF) => onTell({ what: 'capacitance', conductor, against: null, place, nF })}
      >
        <label className="flex flex-col gap-1 text-small">
          of
          <select
            value={conductor}
            onChange={({ target }) => setConductor(target.value)}
            className="min-h-11 rounded border-2 border-line bg-panel px-2"
          >
            {cable.conductors.map(({ id, colour }) => (
              <option key={id} value={id}>
                {id === colour ? id : `${id} (${colour})`}
              </option>
            ))}
          </select>
        </label>
      </Told>
      <Tick checked={isNulled} onChange={(on) => onTell({ what: 'meter', isNulled: on })}>
        meter nulled with its leads together
      </Tick>
    </div>
  )
}

/** A number, with a name where it needs one, and its button; a number that is none is said. */
function Told({ label, withName, initial = '', action, onTell, children }: ToldProps) {
  const id = useId()
  const [typed, setTyped] = useState(initial)
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const tell = (event: FormEvent) => {
    event.preventDefault()
    const value = Number(typed.replace(',', '.'))
    if (typed.trim() === '' || !(value >= 0) || value > 1000) return setProblem('Type a number, as on a tape: 6.5.')
    if (withName && name.trim() === '') return setProblem('Say what stands there: wall plate.')
    setProblem(null)
    onTell(value, name.trim())
    if (initial === '') setTyped('')
    setName('')
  }
  return (
    <form onSubmit={tell} className="flex flex-wrap items-end gap-2">
      {children}
      <label className="flex flex-col gap-1 text-small">
        {label}
        <input
          inputMode="decimal"
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          aria-describedby={problem ? id : undefined}
          aria-invalid={problem !== null}
          className="min-h-11 w-28 rounded border-2 border-line bg-panel px-2"
        />
      </label>
      {withName && (
        <label className="flex flex-col gap-1 text-small">
          {withName}
          <input
            value={name}
            maxLength={60}
            onChange={({ target }) => setName(target.value)}
            className="min-h-11 w-40 rounded border-2 border-line bg-panel px-2"
          />
        </label>
      )}
      <Button type="submit">{action}</Button>
      {problem && (
        <p id={id} role="alert" className="w-full text-ember text-small">
          {problem}
        </p>
      )}
    </form>
  )
}

interface ToldProps {
  readonly label: string
  readonly withName?: string
  readonly initial?: string
  readonly action: string
  readonly onTell: (value: number, name: string) => void
  readonly children?: ReactNode
}
