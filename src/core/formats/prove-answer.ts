import { z } from 'zod'
import { loadPerCall } from '@/src/core/advice/forecast'
import { sequenceOf } from '@/src/core/advice/sequence'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { JobState } from '@/src/core/job/job-state'
import { judgeAir } from '@/src/core/prove/air'
import { cyclesOf } from '@/src/core/prove/cycles'
import { judgeMotors } from '@/src/core/prove/motors'
import type { Expected } from '@/src/core/readings/expected'
import { callNames } from '@/src/core/wiring/call'
import { callsOf } from '@/src/core/wiring/system'

const expectedSchema = z.strictObject({ low: z.number(), high: z.number() }).nullable()

/** How far a mode is proved, what it should read, and what it does step by step, seconds from its call. */
export const proveAnswerSchema = z.strictObject({
  call: z.enum(callNames),
  held: z.boolean().nullable(),
  amps: z.number().nullable(),
  volts: z.number().nullable(),
  expectedAmps: expectedSchema,
  expectedVolts: expectedSchema,
  /** What the air that was measured says; null where it was not, or says nothing. */
  air: z.string().nullable(),
  /** Line amps of what ran, each against its plate. */
  motors: z.array(
    z.strictObject({ part: z.string(), amps: z.number(), plateAmps: z.number().nullable(), isOff: z.boolean(), say: z.string() }),
  ),
  steps: z.array(z.strictObject({ what: z.string(), to: z.string(), shows: z.string(), afterS: z.number() })),
})

/**
 * Every mode of the system, once there is something to prove: a repair or a proof is on record. Steps are those of the mode that is
 * called, from its call on.
 */
export function writeProofs(engine: Engine, state: JobState, nowMs: number): z.infer<typeof proveAnswerSchema>[] {
  const { system } = engine
  if (state.repairs.length === 0 && Object.keys(state.proofs).length === 0) return []
  const loads = new Map(loadPerCall(engine, state).map((load) => [load.call, load]))
  return callsOf(system).map((call) => {
    const proof = state.proofs[call]
    const load = loads.get(call)
    const steps = state.bench.call === call ? sequenceOf(engine, state, call, nowMs) : []
    const calledMs = steps.at(0)?.ms ?? nowMs
    return {
      call,
      held: proof?.held ?? null,
      amps: proof?.amps ?? null,
      volts: proof?.volts ?? null,
      expectedAmps: stretch(load?.amps),
      expectedVolts: stretch(load?.volts),
      air: proof?.air ? (judgeAir(system, call, proof.air)?.say ?? null) : null,
      motors: judgeMotors(system, state, proof?.motors ?? []).map(({ part, amps, plateA, isOff, say }) => ({
        part,
        amps,
        plateAmps: plateA,
        isOff,
        say,
      })),
      steps: steps.map(({ what, to, shows, ms }) => ({ what, to, shows, afterS: Math.round((ms - calledMs) / 1000) })),
    }
  })
}

/** Clean cycles of what comes and goes, and the most that is left that it is still there. */
export const cyclesAnswerSchema = z.strictObject({ clean: z.number(), left: z.number(), wanted: z.number() })

export function writeCycles(state: JobState): z.infer<typeof cyclesAnswerSchema> {
  const { clean, left, wanted } = cyclesOf(state)
  return { clean, left, wanted }
}

const stretch = (expected: Expected | undefined) =>
  expected && expected.word === null ? { low: Number(expected.low.toFixed(2)), high: Number(expected.high.toFixed(2)) } : null
