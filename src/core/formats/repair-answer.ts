import { z } from 'zod'
import type { JobState } from '@/src/core/job/job-state'
import { repairAdvice } from '@/src/core/repair/of-job'
import { repairWays } from '@/src/core/repair/repair-ways'
import type { System } from '@/src/core/wiring/system'

/** The ways to repair a cable whose damage was told: those that last there first. */
export const repairAnswerSchema = z.strictObject({
  cable: z.string(),
  ways: z.array(
    z.strictObject({
      way: z.enum(repairWays),
      fits: z.boolean(),
      say: z.string(),
      for: z.array(z.string()),
      against: z.array(z.string()),
      minutes: z.number(),
      material: z.array(z.string()),
    }),
  ),
})

export const writeRepairs = (system: System, state: JobState): z.infer<typeof repairAnswerSchema>[] =>
  repairAdvice(system, state).map(({ cable, ways }) => ({
    cable,
    ways: ways.map(({ way, fits, does, pro, con, minutes, material }) => ({
      way,
      fits,
      say: does,
      for: [...pro],
      against: [...con],
      minutes,
      material: [...material],
    })),
  }))
