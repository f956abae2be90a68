import { type Bench, benchKey } from '@/src/core/bench/bench'
import { anyTime } from '@/src/core/bench/since'
import type { Candidate } from '@/src/core/diagnosis/planner/candidate'
import { type Answer, openedBy, type Probe, probeKey } from '@/src/core/readings/check'
import { parseLook } from '@/src/core/readings/look-target'
import { type Observation, questionKey } from '@/src/core/readings/observations'
import { workingAt } from '@/src/core/readings/working'
import { Memo } from '@/src/core/units/cache'
import { fedBy } from '@/src/core/wiring/fed-by'
import type { System } from '@/src/core/wiring/system'

/** A bench with everything that could be asked on it; `wanted` are the places in the list of what has not been asked yet. */
export interface Question {
  readonly candidate: Candidate
  readonly wanted: readonly number[]
}

/** What is left to ask of some candidates. */
export function openQuestions(
  system: System,
  candidates: readonly Candidate[],
  asked: readonly Observation[],
  skipped: readonly Probe[],
): Question[] {
  const known = askedKeys(asked)
  const refused = new Set(skipped.map(probeKey))
  const isSeenInParts = (bench: Bench, probe: Probe) =>
    partsOfLook(system, probe).length > 0 && partsOfLook(system, probe).every((part) => known.has(questionKey(bench, part)))
  return candidates.flatMap((candidate): Question[] => {
    const keys = keysOf.of(candidate)
    const wanted = candidate.probes.flatMap(({ probe }, index) =>
      known.has(keys[index]) || refused.has(probeKey(probe)) || isSeenInParts(candidate.bench, probe) ? [] : [index],
    )
    return wanted.length === 0 ? [] : [{ candidate, wanted }]
  })
}

/**
 * The questions that have been put. What opened the protection while it was put was read on a dead circuit, but it was put to
 * a live one: asked there again, it would trip again and read the same.
 */
function askedKeys(asked: readonly Observation[]): Set<string> {
  const tripping = new Set(asked.flatMap(({ bench, answer }) => (saysTrips(answer) ? [benchKey(bench)] : [])))
  return new Set(
    asked.flatMap(({ bench, probe }) => {
      const before = closedAgain(bench)
      const opened = before !== bench && tripping.has(benchKey(before))
      // A question is not put again because its minutes were others; whoever waits on purpose asks another one.
      const keys = [bench, anyTime(bench), ...(opened ? [before, anyTime(before)] : [])].map((one) => questionKey(one, probe))
      return [...new Set(keys)]
    }),
  )
}
const saysTrips = (answer: Answer): boolean => openedBy(answer) !== null

/** The bench before whatever opened on it did: the bench itself where nothing is open. */
function closedAgain(bench: Bench): Bench {
  const further = bench.further?.map((slot) => (slot.open ? { ...slot, open: false } : slot))
  const isAnyOpen = bench.slot.open || (bench.further?.some(({ open }) => open) ?? false)
  return isAnyOpen ? { ...bench, slot: { ...bench.slot, open: false }, ...(further && { further }) } : bench
}

/** The looks, part by part, that tell all that one look at a place does: a contactor is seen in what it feeds. None for any other probe. */
function partsOfLook(system: System, probe: Probe): Probe[] {
  if (probe.meter !== 'look') return []
  const { what, of } = parseLook(probe.at)
  if (what !== 'runs') return []
  return workingAt(system, of)
    .filter((part) => part.kind === 'load' || fedBy(system, part).length === 0)
    .map(({ id }) => ({ meter: 'look', at: id }))
}

const keysOf = new Memo(({ bench, probes }: Candidate) => probes.map(({ probe }) => questionKey(bench, probe)))

/** What is asked of a candidate's bench. The trip stands last: what the bench itself costs in trips is priced into every check on it. */
export const probesAsked = (candidate: Candidate): readonly Probe[] => askedOf.of(candidate)
const askedOf = new Memo(({ bench, probes }: Candidate): Probe[] => [...probes.map(({ probe }) => probe), ...tripOf(bench)])

const TRIP: Probe = { meter: 'trip' }
const tripOf = ({ power }: Bench): Probe[] => (power ? [TRIP] : [])
