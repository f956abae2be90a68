import { z } from 'zod'
import { conductorOdds } from '@/src/core/advice/conductor-odds'
import { type ConductorsReport, conductorsOfJob, isAskedFor } from '@/src/core/cable/conductors-of-job'
import { sayConductor, sayConductorAct } from '@/src/core/cable/say-conductors'
import type { Engine } from '@/src/core/diagnosis/engine'
import { type Entry, type Stamp, stampEntry } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { probeSchema } from '@/src/core/readings/check-schema'
import { cableById, type System } from '@/src/core/wiring/system'

/** What each conductor of a cable is, by itself, and the step that tells more; `state` null while it is not told. */
export const conductorAnswerSchema = z.strictObject({
  cable: z.string(),
  readings: z.number(),
  conductors: z.array(z.strictObject({ id: z.string(), colour: z.string(), state: z.string().nullable() })),
  next: z.strictObject({
    do: z.enum(['read', 'walk', 'call out', 'done', 'stuck']),
    say: z.string(),
    acts: z.array(z.string()),
    /** Entries to send before the reading; their own bench changes. */
    setup: z.array(z.unknown()),
    probe: probeSchema.nullable(),
  }),
})
export type ConductorAnswer = z.infer<typeof conductorAnswerSchema>

/** The cables whose conductors are being told apart. */
export const writeConductors = (engine: Engine, state: JobState, stamp: Stamp): ConductorAnswer[] =>
  engine.system.cables
    .filter(({ id }) => isAskedFor(engine.system, state, id))
    .map(({ id }) => writeOne(engine.system, conductorsOfJob(engine.system, state, id, conductorOdds(engine, state, id)), stamp))

function writeOne(system: System, report: ConductorsReport, stamp: Stamp): ConductorAnswer {
  const cable = cableById(system, report.cable)
  const { next } = report
  const { title, acts } = sayConductorAct(system, report)
  return {
    cable: report.cable,
    readings: report.taken,
    conductors: (cable?.conductors ?? []).map(({ id, colour }, index) => ({
      id,
      colour,
      state: cable ? sayConductor(cable, report.states[index]) : null,
    })),
    next: {
      do: next.do,
      say: title,
      acts: [...acts],
      setup: 'changes' in next ? next.changes.map((change): Entry => stampEntry({ kind: 'bench', change }, stamp)) : [],
      probe: next.do === 'read' ? next.probe : null,
    },
  }
}
