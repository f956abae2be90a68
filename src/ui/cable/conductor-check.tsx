'use client'
import { type FormEvent, useId, useState } from 'react'
import { type ConductorsReport, isAskedFor } from '@/src/core/cable/conductors-of-job'
import type { IdentityReport } from '@/src/core/cable/identity-of-job'
import { sayConductor, sayConductorAct } from '@/src/core/cable/say-conductors'
import type { EntryDraft } from '@/src/core/job/entry'
import type { Answer } from '@/src/core/readings/check'
import { sayOhms } from '@/src/core/units/quantity'
import { type Cable, placeById } from '@/src/core/wiring/system'
import { HowToTell } from '@/src/ui/cable/how-to-tell'
import { Button } from '@/src/ui/controls/button'
import { Tick } from '@/src/ui/controls/tick'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'

/** Touching leads read this at the most, ohm: what a tap on "closed" stands for. */
const CLOSED = { low: 0, high: 30 }

/** What a tap on the value that is expected stands for. */
const about = (ohm: number) => ({ low: 0.95 * ohm, high: 1.05 * ohm })

/** Sound, open or shorted: every conductor of a cable by itself, in the fewest walks and readings. */
export function ConductorCheck({ cable }: { cable: Cable }) {
  const { system } = useJob()
  const { state } = useMoment()
  const [isOpen, setOpen] = useState(() => isAskedFor(system, state, cable.id))
  return (
    <details
      className="mb-3 rounded border-2 border-line px-3 py-1"
      open={isOpen}
      onToggle={({ currentTarget }) => setOpen(currentTarget.open)}
    >
      <summary className="min-h-11 content-center font-bold">Sound, open or shorted: every conductor by itself</summary>
      {isOpen && <Plan cable={cable} />}
    </details>
  )
}

function Plan({ cable }: { cable: Cable }) {
  const { job, system } = useJob()
  const { entries } = useMoment()
  const [isIdentity, setIdentity] = useState(false)
  const asked = isIdentity ? 'identity' : 'conductors'
  const { answer, problem } = useWorkerAnswer({ job, entries }, `${asked} ${cable.id}`, async (worker) =>
    isIdentity
      ? { colors: await worker.identity({ system, entries }, cable.id), states: null }
      : { colors: null, states: await worker.conductors({ system, entries }, cable.id) },
  )
  const report = answer?.states ?? answer?.colors ?? null
  return (
    <>
      <Tick checked={isIdentity} onChange={setIdentity}>
        the colors change along the run: match them end to end (all conductors good)
      </Tick>
      {problem && <p className="my-2 text-ember">{problem}</p>}
      {!problem && !report && (
        <p className="my-2 text-muted">
          {answer && isIdentity ? 'Too many conductors to match at once.' : 'Working out the next reading …'}
        </p>
      )}
      {report && <HowToTell cable={cable} reach={report.reach} isIdentity={isIdentity} />}
      {report && <Step report={report} isIdentity={isIdentity} />}
      {answer?.states && <States cable={cable} report={answer.states} />}
      {answer?.colors && <Colors cable={cable} report={answer.colors} />}
    </>
  )
}

function States({ cable, report }: { cable: Cable; report: ConductorsReport }) {
  return (
    <>
      <ul className="my-2 flex flex-wrap gap-2 text-small" aria-label={`conductors of the ${cable.name} by themselves`}>
        {cable.conductors.map(({ id, colour }, index) => {
          const said = sayConductor(cable, report.states[index])
          return (
            <li
              key={id}
              className={`rounded border-2 px-2 py-1 ${said === null ? 'border-line text-muted' : said === 'sound' ? 'border-hold' : 'border-ember font-bold'}`}
            >
              {said === null ? '? ' : said === 'sound' ? '✓ ' : '! '}
              {id === colour ? id : `${id} (${colour})`} {said ?? 'not tested'}
            </li>
          )
        })}
      </ul>
      <p className="mb-2 text-muted text-small">
        {report.taken} {report.taken === 1 ? 'reading' : 'readings'} so far. Testing pair by pair takes{' '}
        {(cable.conductors.length * (cable.conductors.length - 1)) / 2} and finds no open conductor.
      </p>
    </>
  )
}

/** Which is which, by the name that each has at either end. */
function Colors({ cable, report }: { cable: Cable; report: IdentityReport }) {
  const { system } = useJob()
  const { record } = useHands()
  const [from, to] = cable.between.map((place) => placeById(system, place)?.name ?? place)
  const told = cable.conductors.flatMap(({ id }, index) => (report.same[index] === null ? [] : [`${id} is ${report.same[index]}`]))
  const text = `${cable.name}, ${from} to ${to}: ${told.join(', ')}`
  return (
    <>
      <p className="my-2" role="status">
        {told.length > 0 && `${from} to ${to}: ${told.join(', ')}. `}
        {report.taken} {report.taken === 1 ? 'reading' : 'readings'} so far.
      </p>
      {report.next.do === 'done' && <Button onClick={() => record([{ kind: 'note', text }])}>Write it down</Button>}
    </>
  )
}

/** The next reading with its answers, or the next walk. */
function Step({ report, isIdentity }: { report: ConductorsReport | IdentityReport; isIdentity: boolean }) {
  const { system } = useJob()
  const { record } = useHands()
  const { next } = report
  const { title, acts, means } = sayConductorAct(system, { ...report, isIdentity })
  const changes = ('changes' in next ? next.changes : []).map((change): EntryDraft => ({ kind: 'bench', change }))
  const take = (answer: Answer) => {
    if (next.do === 'read') record([...changes, { kind: 'reading', probe: next.probe, answer }])
  }
  return (
    <section aria-label="next with this cable" className="my-2 rounded border-2 border-next bg-raised p-3">
      <h3 className="font-bold">{title}</h3>
      {acts.length > 0 && (
        <ol className="my-1 list-decimal pl-5 text-small">
          {acts.map((act) => (
            <li key={act}>{act}</li>
          ))}
        </ol>
      )}
      {next.do === 'read' && means && (
        <div className="flex flex-wrap items-end gap-2">
          <Button onClick={() => take(CLOSED)}>
            <b>closed</b>
            <span className="block text-muted text-small">{means.closed}</span>
          </Button>
          {means.sound && next.soundOhm !== null && (
            <Button onClick={() => take(about(next.soundOhm ?? 0))}>
              <b>{sayOhms(next.soundOhm)}</b>
              <span className="block text-muted text-small">{means.sound}</span>
            </Button>
          )}
          <Button onClick={() => take('OL')}>
            <b>OL</b>
            <span className="block text-muted text-small">{means.open}</span>
          </Button>
          <TypedOhms onTake={take} />
        </div>
      )}
      {(next.do === 'walk' || next.do === 'call out') && (
        <Button look="main" onClick={() => record(changes)}>
          {next.do === 'walk' ? 'Done, I am there' : 'They have done it'}
        </Button>
      )}
    </section>
  )
}

/** The reading in ohms: it tells how far along the cable a touch is, too. */
function TypedOhms({ onTake }: { onTake: (ohm: number) => void }) {
  const id = useId()
  const [typed, setTyped] = useState('')
  const [isNone, setNone] = useState(false)
  const take = (event: FormEvent) => {
    event.preventDefault()
    const ohm = Number(typed.replace(',', '.'))
    if (typed.trim() === '' || !(ohm >= 0)) return setNone(true)
    onTake(ohm)
  }
  return (
    <form onSubmit={take} className="flex flex-wrap items-end gap-2">
      <label className="flex flex-col gap-1 text-small">
        or the ohms
        <input
          inputMode="decimal"
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          aria-invalid={isNone}
          aria-describedby={isNone ? id : undefined}
          className="min-h-11 w-24 rounded border-2 border-line bg-panel px-2"
        />
      </label>
      <Button type="submit">take it</Button>
      {isNone && (
        <p id={id} role="alert" className="w-full text-ember text-small">
          Type the ohms as the meter shows them: 0.61. For OL there is its own button.
        </p>
      )}
    </form>
  )
}
