import { z } from 'zod'
import { traceAnswerSchema } from '@/src/core/formats/trace-answer'
import { entrySchema } from '@/src/core/job/entry-schema'
import { jobFileSchema } from '@/src/core/job/job-file'
import { systemSchema } from '@/src/core/wiring/system-schema'

/** The published shapes as JSON Schema, made from the very schemas that validate. */
export function publishSchemas(): ReadonlyMap<string, unknown> {
  return new Map<string, unknown>([
    ['system', z.toJSONSchema(systemSchema)],
    ['entry', z.toJSONSchema(entrySchema)],
    ['job', z.toJSONSchema(jobFileSchema)],
    ['answer', z.toJSONSchema(traceAnswerSchema)],
  ])
}
