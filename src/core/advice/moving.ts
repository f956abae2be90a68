import { evidenceOf } from '@/src/core/advice/advise'
import { applyChange } from '@/src/core/bench/apply'
import { type Bench, createBench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import type { Effect } from '@/src/core/faults/effect'
import type { ContentEntry } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { meaningsOf } from '@/src/core/operation/state'
import { type Hypothesis, healthy, whileShown } from '@/src/core/readings/hypothesis'
import { type Happening, runOverTime } from '@/src/core/readings/over-time'
import { modelValue } from '@/src/core/units/model-value'
import { partsOf } from '@/src/core/wiring/system'

/** Something of the machine that is on its way, or comes round again and again, on the bench as it stands. */
export interface Moving {
  /** A part by its id, or `board.output`. */
  readonly what: string
  readonly does: 'waits' | 'chatters'
  /** When a wait ends, milliseconds since 1970; for chatter, the milliseconds of one round. */
  readonly ms: number
  readonly to: Happening['to'] | null
}

/** How far ahead a wait is looked for: the longest delay of a board, and a little over. */
const AHEAD_S = modelValue({ value: 420, unit: 's', source: 'assumption' })
/** What happens within this of its cause, relays and displays, needs no count. */
const AT_ONCE_S = modelValue({ value: 4, unit: 's', source: 'assumption' })
/** What moves within this of another thing moves because of it. */
const FOLLOWS_S = modelValue({ value: 0.2, unit: 's', source: 'assumption' })
/** A suspect that holds this much is the house that is looked at. */
const LEADS = modelValue({ value: 0.5, unit: 'share', source: 'assumption' })

/**
 * What waits and what chatters now: the time since the power was last made, run over with its calls as they were entered, in
 * the house that is suspected, or in a sound one while nobody leads. `nowMs` is the clock, milliseconds since 1970.
 */
export function movingNow(base: Engine, state: JobState, nowMs: number): Moving[] {
  const { bench } = state
  if (!bench.power) return []
  const since = sincePowered(base, state.standing)
  const { engine, posterior } = weigh(base, evidenceOf(state))
  const lead = posterior.hypotheses.reduce((best, weight, index, all) => (weight > all[best] ? index : best), 0)
  const hypothesis: Hypothesis =
    posterior.hypotheses[lead] > LEADS
      ? whileShown(engine.hypotheses[lead])
      : { ...healthy, foundFuse: bench.slot.open ? 'blown' : 'intact' }
  const nowS = (nowMs - since.ms) / 1000
  // A board that passes a call on still has the contact of its delay in the way.
  const delays = partsOf(engine.system, 'board').flatMap((board) =>
    board.outputs.flatMap(({ to, style, minimumOffS }): Effect[] =>
      style === 'passes' && minimumOffS !== undefined ? [{ do: 'output', board: board.id, to, mode: 'relay' }] : [],
    ),
  )
  const run = runOverTime(
    engine.laboratory,
    { ...bench, call: since.call },
    { ...hypothesis, wiring: [...hypothesis.wiring, ...delays] },
    { calls: since.calls, untilS: nowS + AHEAD_S },
  )
  if (run.outcome === 'chatters') {
    const { machine } = engine.laboratory
    const changing = run.members.reduce((bits, member) => bits | (member ^ run.members[0]), 0)
    return meaningsOf(machine).flatMap(({ bit, meaning }): Moving[] => {
      if (((changing >> bit) & 1) === 0) return []
      const what =
        meaning.of === 'relay'
          ? machine.relays[meaning.index].part.id
          : meaning.of === 'output'
            ? machine.outputs[meaning.index].key
            : meaning.of === 'proving'
              ? machine.proving[meaning.index].part.id
              : meaning.of === 'flame'
                ? machine.ignitions[meaning.index].part.id
                : meaning.thermostat.part.id
      return [{ what, does: 'chatters', ms: (run.periodS ?? 0) * 1000, to: null }]
    })
  }
  const causes = [0, ...since.calls.map(({ atS }) => atS)]
  // What follows at once upon another is told with it.
  const first = run.happenings.filter(({ atS }, index, all) => index === 0 || atS - all[index - 1].atS > FOLLOWS_S)
  return first.flatMap(({ atS, what, to }): Moving[] =>
    atS > nowS && to !== 'called' && to !== 'let go' && !causes.some((cause) => atS >= cause && atS - cause < AT_ONCE_S)
      ? [{ what, does: 'waits', ms: since.ms + 1000 * atS, to }]
      : [],
  )
}

/** The calls since the power was last made, or the protection last closed: a board counts its minutes from there. */
export function sincePowered(
  { system }: Engine,
  standing: readonly ContentEntry[],
): { ms: number; call: Bench['call']; calls: { atS: number; call: Bench['call'] }[] } {
  let bench = createBench(system)
  let ms = Number.NEGATIVE_INFINITY
  let call = bench.call
  let calls: { atS: number; call: Bench['call'] }[] = []
  for (const entry of standing) {
    if (entry.kind !== 'bench') continue
    const atMs = Date.parse(entry.at)
    if (ms === Number.NEGATIVE_INFINITY) ms = atMs - LONG_ON_MS
    const applied = applyChange(system, bench, entry.change)
    if (!applied.ok) continue
    bench = applied.bench
    const { do: act } = entry.change
    if (act === 'power' || act === 'slot' || act === 'reset') {
      ms = atMs
      call = bench.call
      calls = []
    }
    if (act === 'call') calls.push({ atS: (atMs - ms) / 1000, call: bench.call })
  }
  return { ms: Number.isFinite(ms) ? ms : 0, call, calls }
}
/** A house that was found with its power on has had it for long: every delay is over. */
const LONG_ON_MS = modelValue({ value: 3_600_000, unit: 'ms', source: 'assumption' })
