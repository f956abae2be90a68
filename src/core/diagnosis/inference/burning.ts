import type { Engine } from '@/src/core/diagnosis/engine'
import { faultFamilies } from '@/src/core/faults/families'
import type { FaultFamilyRecord } from '@/src/core/faults/family'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { joinsOnceClosed } from '@/src/core/wiring/conduction'
import { joinedThrough } from '@/src/core/wiring/joined'
import { terminalPoint } from '@/src/core/wiring/point'
import { partsOf } from '@/src/core/wiring/system'

/** A short and the transformer that it burned out, as one story: as likely as the short is long and unprotected. */

/** A short that carries more than its transformer stands, and that nothing opens on, has burned it out by the time of the visit. */
const HAS_BURNED = modelValue({ value: 0.5, unit: 'share of such shorts', source: 'assumption' })
/** The same where the protection should have opened: a fuse of the wrong size, one that was bridged, a short ahead of it. */
const HAS_BURNED_ANYWAY = modelValue({ value: 0.02, unit: 'share of shorts', source: 'assumption' })

/**
 * How often one of two hypotheses burned out the transformer of the other: 0 where neither is such a cause, or it hangs on another transformer's circuit.
 *
 * @param a, b places of two hypotheses in the engine's list
 * @returns a relative rate, on the scale of `engine.rates`
 */
export function rateOfBurning(engine: Engine, a: number, b: number): number {
  const { isCause, isBurned } = rolesOf.of(engine)
  if (isCause[a] && isBurned[b]) return burns(engine, a, b)
  if (isCause[b] && isBurned[a]) return burns(engine, b, a)
  return 0
}

/** Which hypotheses burn out transformers, and which are of one that is burned out: asked of thousands of pairs after each reading. */
const rolesOf = new Memo((engine: Engine) => {
  const records = engine.hypotheses.map((_, index) => recordOf(engine, index))
  return {
    isCause: records.map((record) => record?.burnsOutTransformers ?? false),
    isBurned: records.map((record) => record?.burnedOut ?? false),
  }
})

function burns(engine: Engine, cause: number, burned: number): number {
  const part = engine.hypotheses[burned].fault?.part ?? ''
  if (!feeders.of(engine)[cause].has(part)) return 0
  // It burns out as it does without a short: one winding open or the other, seldom a weak one.
  const share = engine.rates[burned] / (waysToBurn.of(engine).get(part) ?? 1)
  return engine.rates[cause] * (isUnprotected(engine, cause) ? HAS_BURNED : HAS_BURNED_ANYWAY) * share
}

/** More than a transformer stands flows steadily on some call. */
export const isUnprotected = ({ behaviours }: Engine, index: number): boolean =>
  Object.values(behaviours[index].fresh).some(({ overloads }) => overloads)

export function recordOf({ hypotheses }: Engine, index: number): FaultFamilyRecord | null {
  const { fault } = hypotheses[index]
  return fault && faultFamilies[fault.family]
}

/** The rates of all ways in which each transformer is found burned out, by its part. */
const waysToBurn = new Memo(({ hypotheses, rates }: Engine): ReadonlyMap<string, number> => {
  const sums = new Map<string, number>()
  hypotheses.forEach(({ fault, intermittent }, index) => {
    if (!fault?.part || intermittent || !faultFamilies[fault.family].burnedOut) return
    sums.set(fault.part, (sums.get(fault.part) ?? 0) + rates[index])
  })
  return sums
})

/** The transformers whose hot side each hypothesis is on, with all that can close closed: what hangs between two commons alone is on none. */
const feeders = new Memo(({ system, hypotheses }: Engine): readonly ReadonlySet<string>[] => {
  const joined = joinedThrough(system, (path) => path.through !== 'bond' && joinsOnceClosed(path))
  const hots = partsOf(system, 'transformer').map(
    ({ id, place, secondary }) => [id, joined.find(terminalPoint(secondary[0], place))] as const,
  )
  return hypotheses.map(({ fault }) => {
    const touched = new Set((fault?.touches ?? []).map((point) => joined.find(point)))
    return new Set(hots.flatMap(([id, hot]) => (touched.has(hot) ? [id] : [])))
  })
})
