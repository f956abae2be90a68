import type { Engine } from '@/src/core/diagnosis/engine'
import type { Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import type { CableId } from '@/src/core/wiring/ids'
import { conductorEnd, type Point } from '@/src/core/wiring/point'
import type { Cable, Conductor } from '@/src/core/wiring/system'

/** One conductor as the readings know it. */
export interface ConductorRow {
  readonly cable: CableId
  readonly conductor: Conductor
  readonly state: 'spare' | 'not tested' | 'sound' | 'suspect'
  /** The likeliest trouble of this conductor, with its probability, when it is suspect. */
  readonly trouble: string | null
  readonly probability: number
}

/** A conductor this unlikely to be at fault, and clearly less likely than before the readings, counts as sound. */
const SOUND_BELOW = modelValue({ value: 0.01, unit: 'probability', source: 'assumption' })
/** A conductor this likely to be at fault is marked as a suspect. */
const SUSPECT_ABOVE = modelValue({ value: 0.05, unit: 'probability', source: 'assumption' })

/** The conductor table: every conductor of every cable, with its state computed from the posterior. */
export function conductorTable(engine: Engine, prior: Posterior, posterior: Posterior): ConductorRow[] {
  return engine.system.cables.flatMap((cable) =>
    cable.conductors.map((conductor): ConductorRow => {
      const troubles = new Map<string, number>()
      let before = 0
      for (const { index, say } of touchingEitherEnd(engine.hypotheses, cable, conductor)) {
        before += prior.hypotheses[index]
        troubles.set(say, (troubles.get(say) ?? 0) + posterior.hypotheses[index])
      }
      const probability = [...troubles.values()].reduce((sum, share) => sum + share, 0)
      const [worst] = [...troubles].sort((a, b) => b[1] - a[1])
      const isSpare = conductor.lands.every((terminal) => terminal === null)
      const state = isSpare
        ? 'spare'
        : probability > SUSPECT_ABOVE
          ? 'suspect'
          : probability < SOUND_BELOW && probability < before / 2
            ? 'sound'
            : 'not tested'
      return { cable: cable.id, conductor, state, trouble: state === 'suspect' ? worst[0] : null, probability }
    }),
  )
}

/** A hypothesis whose fault touches a point, by its place, and how that fault is said. */
interface Touching {
  readonly index: number
  readonly say: string
}

/** The hypotheses by the points that they touch, in one pass: with pairs of faults beside the single ones the list is new after each reading. */
const touchingOf = new Memo((hypotheses: readonly Hypothesis[]): ReadonlyMap<Point, readonly Touching[]> => {
  const byPoint = new Map<Point, Touching[]>()
  for (const [index, { fault }] of hypotheses.entries()) {
    if (!fault) continue
    const touching = { index, say: fault.say }
    for (const point of new Set(fault.touches)) {
      const known = byPoint.get(point)
      if (known) known.push(touching)
      else byPoint.set(point, [touching])
    }
  }
  return byPoint
})

/** The hypotheses whose fault touches either end of a conductor, each once. */
function touchingEitherEnd(hypotheses: readonly Hypothesis[], cable: Cable, conductor: Conductor): ReadonlySet<Touching> {
  const byPoint = touchingOf.of(hypotheses)
  return new Set(cable.between.flatMap((place) => byPoint.get(conductorEnd(cable.id, conductor.id, place)) ?? []))
}
