import { z } from 'zod'
import type { Opinion } from '@/src/core/advice/advise'
import { owedBy } from '@/src/core/bench/owed'
import { sayBench } from '@/src/core/bench/say'
import { type RunFinding, type RunReport, runsOf } from '@/src/core/cable/of-job'
import { sayFinding, sayWhere } from '@/src/core/cable/say-where'
import type { Engine } from '@/src/core/diagnosis/engine'
import { sayVerdict } from '@/src/core/diagnosis/explanation/say-verdict'
import { namesRepair, type Verdict } from '@/src/core/diagnosis/inference/verdict'
import type { Check } from '@/src/core/diagnosis/planner/next-check'
import type { Proposal } from '@/src/core/diagnosis/planner/propose'
import { conductorAnswerSchema, writeConductors } from '@/src/core/formats/conductor-answer'
import { cyclesAnswerSchema, proveAnswerSchema, writeCycles, writeProofs } from '@/src/core/formats/prove-answer'
import { repairAnswerSchema, writeRepairs } from '@/src/core/formats/repair-answer'
import { type Entry, type Stamp, stampEntry } from '@/src/core/job/entry'
import { entrySchema } from '@/src/core/job/entry-schema'
import type { JobState } from '@/src/core/job/job-state'
import { answerSchema, probeSchema } from '@/src/core/readings/check-schema'
import { sayAnswer } from '@/src/core/readings/say'
import type { System } from '@/src/core/wiring/system'

/** What `nest-trace trace --json` writes for each line it reads: one of these, on one line. */

const pointOrNull = z.string().nullable()

export const checkSchema = z.strictObject({
  kind: z.enum(['volts', 'ohms', 'amps', 'trip', 'look']),
  /** The two points; for amps `a` is what the clamp goes around, for a look what is looked at. */
  a: pointOrNull,
  b: pointOrNull,
  /** The same as a probe, ready for a reading entry. */
  probe: probeSchema,
  /** Bench entries that lead there, in order. */
  setup: z.array(entrySchema),
  place: z.string(),
  minutes: z.number(),
  /** Of these, the minutes to wait before the reading. */
  waits: z.number(),
  say: z.string(),
  why: z.string(),
  caution: z.string().nullable(),
  outcomes: z.array(z.strictObject({ answer: answerSchema, say: z.string(), probability: z.number(), meaning: z.string() })),
})

/** Something along the run of a cable, and where, metres from the cable's first end; null while the readings do not tell it. */
export const runFindingSchema = z.strictObject({
  cable: z.string(),
  finding: z.enum(['short', 'to-metal', 'open']),
  conductors: z.array(z.string()),
  say: z.string(),
  lowM: z.number().nullable(),
  middleM: z.number().nullable(),
  highM: z.number().nullable(),
  /** What to read for a closer answer. */
  next: z.string().nullable(),
})

export const verdictSchema = z.strictObject({
  found: z.enum(['repair', 'group', 'comes-and-goes', 'none-of-these', 'nothing-wrong']),
  say: z.string(),
  repair: z.strictObject({ id: z.string(), say: z.string() }).nullable(),
  zone: z.string().nullable(),
  probability: z.number(),
  suspects: z.array(z.string()),
  /** A second repair that is found as well: two faults at once. */
  also: z.strictObject({ id: z.string(), say: z.string(), zone: z.string(), probability: z.number() }).nullable(),
})

export const traceAnswerSchema = z.strictObject({
  understood: z.union([
    z.array(entrySchema),
    z.strictObject({ error: z.string(), start: z.number().nullable(), end: z.number().nullable() }),
  ]),
  /** What is said before hands make the changes of this line. */
  cautions: z.array(z.string()),
  suspects: z.array(
    z.strictObject({
      id: z.string(),
      say: z.string(),
      zone: z.string().nullable(),
      probability: z.number(),
      repair: z.string().nullable(),
      why: z.string(),
    }),
  ),
  next: checkSchema.nullable(),
  verdict: verdictSchema.nullable(),
  bench: z.strictObject({
    power: z.boolean(),
    call: z.string(),
    lifted: z.array(z.string()),
    unplugged: z.array(z.string()),
    jumpers: z.array(z.strictObject({ a: z.string(), b: z.string(), ohm: z.number().optional() })),
    slot: z.strictObject({ holds: z.string(), ratingA: z.number(), open: z.boolean() }),
    /** Further fuses and breakers that are not as they were found. */
    further: z.array(z.strictObject({ part: z.string(), holds: z.string(), ratingA: z.number(), open: z.boolean() })),
    panelsOff: z.array(z.string()),
    place: z.string(),
    say: z.array(z.string()),
  }),
  owed: z.array(z.strictObject({ what: z.string(), place: z.string(), say: z.string() })),
  contradictions: z.array(z.strictObject({ entry: z.string(), say: z.string() })),
  cable: z.array(runFindingSchema),
  conductors: z.array(conductorAnswerSchema),
  repair: z.array(repairAnswerSchema),
  prove: z.array(proveAnswerSchema),
  cycles: cyclesAnswerSchema.nullable(),
})
export type TraceAnswer = z.infer<typeof traceAnswerSchema>

type Understood = TraceAnswer['understood']

/** Suspects under this are left out of an answer, the first five apart. */
const LEAST_PROBABILITY = 0.001

export function writeTraceAnswer(
  engine: Engine,
  state: JobState,
  opinion: Opinion,
  proposal: Proposal,
  understood: Understood,
  cautions: readonly string[],
  stamp: Stamp,
): TraceAnswer {
  const { system } = engine
  const { bench } = state
  return {
    understood,
    cautions: [...cautions],
    suspects: opinion.suspects
      .filter(({ probability }, index) => index < 5 || probability >= LEAST_PROBABILITY)
      .map(({ id, say, zone, probability, repair, why }) => ({ id, say, zone, probability, repair: repair?.id ?? null, why })),
    next: proposal.next ? writeCheck(proposal.next, stamp) : null,
    verdict: proposal.verdict ? writeVerdict(engine.system, proposal.verdict) : null,
    cable: runsOf(system, state).flatMap((report) => report.findings.map((finding) => writeFinding(system, report, finding))),
    conductors: writeConductors(engine, state, stamp),
    repair: writeRepairs(system, state),
    prove: writeProofs(engine, state, Date.parse(stamp.now())),
    cycles: state.cycles.length === 0 ? null : writeCycles(state),
    bench: {
      power: bench.power,
      call: bench.call,
      slot: bench.slot,
      further: [...(bench.further ?? [])],
      place: bench.place,
      lifted: [...bench.lifted],
      unplugged: [...bench.unplugged],
      jumpers: [...bench.jumpers],
      panelsOff: [...bench.panelsOff],
      say: sayBench(system, bench),
    },
    owed: owedBy(system, bench).map(({ what, place, say }) => ({ what, place, say })),
    contradictions: [...opinion.contradictions],
  }
}

export function writeCheck(check: Check, stamp: Stamp): z.infer<typeof checkSchema> {
  const { probe } = check
  return {
    kind: probe.meter,
    a:
      probe.meter === 'volts' || probe.meter === 'ohms'
        ? probe.a
        : probe.meter === 'amps'
          ? probe.on
          : probe.meter === 'look'
            ? probe.at
            : null,
    b: probe.meter === 'volts' || probe.meter === 'ohms' ? probe.b : null,
    probe,
    setup: check.setup.map((change): Entry => stampEntry({ kind: 'bench', change }, stamp)),
    place: check.place,
    minutes: Number(check.minutes.toFixed(2)),
    waits: Number(check.waits.toFixed(2)),
    say: check.say,
    why: check.why,
    caution: check.caution,
    outcomes: check.outcomes.map(({ answer, probability, meaning }) => ({ answer, say: sayAnswer(answer, probe), probability, meaning })),
  }
}

function writeFinding(system: System, report: RunReport, finding: RunFinding): z.infer<typeof runFindingSchema> {
  const { distance } = finding
  const metres = (value: number | undefined) => (value === undefined ? null : Number(value.toFixed(2)))
  return {
    cable: report.cable.id,
    finding: finding.of,
    conductors: [...finding.conductors],
    say: `${sayFinding(finding)}${distance ? `: ${sayWhere(system, report, distance)}` : ''}`,
    lowM: metres(distance?.lowM),
    middleM: metres(distance?.middleM),
    highM: metres(distance?.highM),
    next: distance ? distance.better : finding.next,
  }
}

function writeVerdict(system: System, verdict: Verdict): z.infer<typeof verdictSchema> {
  const also = namesRepair(verdict) ? verdict.also : null
  return {
    found: verdict.found,
    say: sayVerdict(system, verdict),
    repair: namesRepair(verdict) ? verdict.repair : null,
    zone: verdict.found === 'nothing-wrong' ? null : verdict.zone,
    probability: verdict.probability,
    suspects: [...verdict.suspects],
    also: also && { ...also.repair, zone: also.zone, probability: also.probability },
  }
}
