import { format } from 'date-fns'
import { sayBench } from '@/src/core/bench/say'
import { sayChanged, saySymptom } from '@/src/core/job/complaint'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { asItStands, sayLeaving } from '@/src/core/job/leave'
import { sayAnswer, sayProbe } from '@/src/core/readings/say'
import { capital } from '@/src/core/units/capital'
import { sayAmps, sayVolts } from '@/src/core/units/quantity'
import { sayCall } from '@/src/core/wiring/call'
import { callsOf, type System, zoneName } from '@/src/core/wiring/system'

/** The printable page of a job: complaint, what was measured, what was done, what was proved, what was left. */
export function Report({ job, system, entries }: { job: JobFile['job']; system: System; entries: readonly Entry[] }) {
  const state = foldJob(system, entries)
  const { complaint } = state
  const told = [
    ...complaint.symptoms.map((symptom) => saySymptom[symptom]),
    ...complaint.changed.map((change) => `lately: ${sayChanged[change]}`),
  ]
  return (
    <article className="flex flex-col gap-3">
      <header>
        <h3 className="font-bold text-large">{job.title}</h3>
        <p>
          {system.name} · {format(new Date(job.createdAt), 'd MMMM yyyy')}
          {state.closedAt ? ` · closed ${format(new Date(state.closedAt), 'HH:mm')}` : state.left ? ' · left unfinished' : ' · not closed'}
        </p>
      </header>
      <section>
        <h4 className="font-bold">Complaint</h4>
        <p>
          {complaint.words ? `“${complaint.words}”` : 'No customer statement recorded.'} {told.join(', ')}
          {complaint.call && ` (on ${sayCall[complaint.call]})`}
        </p>
      </section>
      <section>
        <h4 className="font-bold">Measured</h4>
        <table className="w-full text-left">
          <thead>
            <tr className="border-line border-b-2">
              <th scope="col">check</th>
              <th scope="col">with</th>
              <th scope="col">read</th>
            </tr>
          </thead>
          <tbody>
            {state.observations.map(({ id, probe, answer, bench }) => (
              <tr key={id} className="border-line border-b align-top">
                <td className="py-1 pr-2">{sayProbe(system, probe)}</td>
                <td className="py-1 pr-2">{sayBench(system, bench).join('; ') || 'as found'}</td>
                <td className="py-1 font-bold">{sayAnswer(answer, probe)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="pt-1">
          {state.trips} {state.trips === 1 ? 'trip' : 'trips'}, {state.fusesSpent} {state.fusesSpent === 1 ? 'fuse' : 'fuses'} spent.
        </p>
      </section>
      <section>
        <h4 className="font-bold">Repaired</h4>
        {state.repairs.length === 0 && <p>Nothing yet.</p>}
        {state.repairs.map((repair) => (
          <p key={repair.id}>
            {zoneName(system, repair.zone)}: {repair.what}
            {repair.cause && ` Cause: ${repair.cause}`}
          </p>
        ))}
      </section>
      <section>
        <h4 className="font-bold">Proved</h4>
        <p>
          {callsOf(system)
            .map((call) => {
              const proof = state.proofs[call]
              if (!proof) return `${sayCall[call]}: not run`
              const read = [proof.amps === null ? '' : sayAmps(proof.amps), proof.volts === null ? '' : sayVolts(proof.volts)]
                .filter(Boolean)
                .join(', ')
              return `${sayCall[call]}: ${proof.held ? 'held' : 'did not hold'}${read ? ` (${read})` : ''}`
            })
            .join('; ')}
          .
        </p>
      </section>
      {state.left && (
        <section>
          <h4 className="font-bold">Left unfinished</h4>
          <p>
            {capital(sayLeaving(state.left.reason, state.left.until))}. {asItStands(system, { ...state, owed: [] }).join(' ')}
          </p>
        </section>
      )}
      <section>
        <h4 className="font-bold">Left behind</h4>
        <p>{state.owed.length === 0 ? 'Nothing: everything is put back.' : state.owed.map(({ say }) => say).join('; ')}</p>
      </section>
      {state.standing.some(({ kind }) => kind === 'note') && (
        <section>
          <h4 className="font-bold">Notes</h4>
          {state.standing.map((entry) => (entry.kind === 'note' ? <p key={entry.id}>{entry.text}</p> : null))}
        </section>
      )}
    </article>
  )
}
