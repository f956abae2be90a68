import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { FOUND, type RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { chanceToFind } from '@/src/core/diagnosis/planner/proof'
import { faultFamilies } from '@/src/core/faults/families'
import type { FaultFamilyRecord } from '@/src/core/faults/family'
import { familiesOfId } from '@/src/core/faults/fault'
import { type Answer, type Probe, probeKey } from '@/src/core/readings/check'
import { landingsAt } from '@/src/core/readings/look-target'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import type { PlaceId } from '@/src/core/wiring/ids'
import { terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { hotTerminals, switchedTerminals } from '@/src/core/wiring/thermostat'

/**
 * A transformer seldom dies by itself: before a second one goes in, every call's circuit is ohmed at the unit, with the power off, the likeliest first; then what
 * those readings cannot reach: its own windings and what hangs ahead of the fuse, what a board keeps open while it is dead, and two wires
 * changed over at a thermostat. The next of those that was not asked; null when all were, or where the verdict is of no burned-out
 * transformer, or names what did it.
 */
export function causeOfBurn(
  engine: Engine,
  { observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  { suspects, also }: RepairVerdict,
  { skipped = [] }: Choice,
): Check | null {
  const isOf = (suspect: string, is: (record: FaultFamilyRecord) => boolean) =>
    familiesOfId(suspect).some((family) => is(faultFamilies[family]))
  const isBurned = suspects.some((suspect) => isOf(suspect, ({ burnedOut }) => burnedOut === true))
  // A cause that is only thought of beside the transformer, without a reading of it, is none yet.
  const shareOf = (ids: readonly string[]) =>
    posterior.hypotheses.reduce((sum, share, index) => (ids.includes(engine.hypotheses[index].fault?.id ?? '') ? sum + share : sum), 0)
  const caused = suspects.filter((suspect) => isOf(suspect, ({ burnsOutTransformers }) => burnsOutTransformers === true))
  if (also !== null || !isBurned || shareOf(caused) >= FOUND * shareOf(suspects)) return null
  const refused = new Set(skipped.map(probeKey))
  const dead: Bench = { ...bench, power: false, call: 'off' }
  const fuseOut: Bench = { ...dead, slot: { ...bench.slot, holds: 'nothing', open: true } }
  const wasAsked = ({ probe, behindFuse }: CauseReading) =>
    refused.has(probeKey(probe)) ||
    observations.some(
      ({ bench: on, probe: asked, answer }) =>
        probeKey(asked) === probeKey(probe) &&
        (probe.meter === 'look' || (!on.power && (!behindFuse || on.slot.holds === 'nothing' || on.slot.open || hidesNothing(answer)))),
    )
  const weighed = function* (isOfUnit: boolean): Generator<Check> {
    for (const reading of readingsOfCause.of(engine.system)) {
      if (reading.isOfUnit !== isOfUnit || wasAsked(reading)) continue
      const { probe, place, behindFuse } = reading
      const on = probe.meter === 'look' ? bench : behindFuse ? fuseOut : dead
      const check = weighQuestion(engine, posterior, observations, bench, on, probe, place)
      if (check) yield check
    }
  }
  const [likeliest] = [...weighed(true)].sort((a, b) => chanceToFind(b) - chanceToFind(a))
  if (likeliest) return likeliest
  for (const check of weighed(false)) if (chanceToFind(check) > MAY_BE_THERE) return check
  return null
}

/** To find the cause there that is worth the walk, with a second transformer at stake. */
const MAY_BE_THERE = modelValue({ value: 0.03, unit: 'chance', source: 'assumption' })

/** What is read, or looked at, for what burned a transformer out. */
interface CauseReading {
  readonly probe: Probe
  readonly place: PlaceId
  /** Read with the fuse out: through it the winding of the transformer hides what hangs on the hot side; a dead primary has a whole secondary. */
  readonly behindFuse: boolean
  /** A call's circuit at the unit, which is read in any case; the rest where it may find something. */
  readonly isOfUnit: boolean
}

const readingsOfCause = new Memo((system: System): readonly CauseReading[] => {
  const { place, holds } = firstPart(system, 'fuse')
  const thermostats = partsOf(system, 'thermostat')
  const hots = new Set(thermostats.flatMap(hotTerminals))
  const isThere = (terminal: string, at: string) => placeById(system, at)?.terminals.includes(terminal) ?? false
  const toCommon = (terminal: string, at: string, more: Pick<CauseReading, 'behindFuse' | 'isOfUnit'>): CauseReading[] => {
    const a = terminalPoint(terminal, at)
    const b = commonBeside(system, a)
    return b ? [{ probe: { meter: 'ohms', a, b }, place: at, ...more }] : []
  }
  const calls = new Set([...hots, ...thermostats.flatMap(switchedTerminals)])
  const atUnit = [...calls]
    .filter((terminal) => isThere(terminal, place))
    .flatMap((terminal) => toCommon(terminal, place, { behindFuse: hots.has(terminal) && holds === undefined, isOfUnit: true }))
  // Next to nothing across the secondary is a whole winding where the primary is the open one, and a rub where it is not.
  const windings = partsOf(system, 'transformer').flatMap(({ primary, secondary, place: at }): CauseReading[] => {
    const [a, b] = primary.map((terminal) => terminalPoint(terminal, at))
    const across: CauseReading = { probe: { meter: 'ohms', a, b }, place: at, behindFuse: false, isOfUnit: false }
    const isFused = at === place && holds === undefined
    return [...toCommon(secondary[0], at, { behindFuse: isFused, isOfUnit: false }), across]
  })
  const outputs = partsOf(system, 'board').flatMap((board) =>
    [...new Set(board.outputs.map(({ to }) => to))].flatMap((to) => toCommon(to, board.place, { behindFuse: false, isOfUnit: false })),
  )
  const landings = thermostats.map(
    (part): CauseReading => ({
      probe: { meter: 'look', at: landingsAt(part.place) },
      place: part.place,
      behindFuse: false,
      isOfUnit: false,
    }),
  )
  return [...atUnit, ...windings, ...outputs, ...landings]
})

/** A secondary has less; what reads more through the fuse has no winding across it. */
const A_WINDING_OHM = modelValue({ value: 20, unit: 'ohm', source: 'assumption: the secondary of a 24 V transformer has one or two' })
const hidesNothing = (answer: Answer): boolean => answer === 'OL' || (typeof answer === 'number' && answer > A_WINDING_OHM)
