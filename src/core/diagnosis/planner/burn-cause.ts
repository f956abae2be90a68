import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { FOUND, type RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { BURNT_MINUTES } from '@/src/core/diagnosis/planner/heat'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { chanceToFind } from '@/src/core/diagnosis/planner/proof'
import { faultFamilies } from '@/src/core/faults/families'
import type { FaultFamilyRecord } from '@/src/core/faults/family'
import { familiesOfId, singlesOf } from '@/src/core/faults/fault'
import { type Answer, type Probe, probeKey } from '@/src/core/readings/check'
import { landingsAt } from '@/src/core/readings/look-target'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import type { PartId, PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { terminalPoint } from '@/src/core/wiring/point'
import { circuitOf, commonBeside, commonNodes } from '@/src/core/wiring/supply'
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
  const burned = burnedTransformer(engine, suspects)
  // A cause that is only thought of beside the transformer, without a reading of it, is none yet.
  const shareOf = (ids: readonly string[]) =>
    posterior.hypotheses.reduce((sum, share, index) => (ids.includes(engine.hypotheses[index].fault?.id ?? '') ? sum + share : sum), 0)
  const caused = suspects.filter((suspect) => isOf(suspect, ({ burnsOutTransformers }) => burnsOutTransformers === true))
  if (also !== null || burned === null || shareOf(caused) >= FOUND * shareOf(suspects)) return null
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
    for (const reading of readingsOfCause(engine.system, burned)) {
      if (reading.isOfUnit !== isOfUnit || wasAsked(reading)) continue
      const { probe, place, behindFuse } = reading
      const on = probe.meter === 'look' ? bench : behindFuse ? fuseOut : dead
      const check = weighQuestion(engine, posterior, observations, bench, on, probe, place)
      if (check) yield check
    }
  }
  const [likeliest] = [...weighed(true)].sort((a, b) => chanceToFind(b) - chanceToFind(a))
  if (likeliest) return likeliest
  // Worth its minutes, at the odds of a second transformer that burns out.
  for (const check of weighed(false)) if (chanceToFind(check) * BURNT_MINUTES > check.minutes) return check
  return null
}

/** The transformer that the suspects have burned out; null where none of them has. */
function burnedTransformer({ system, hypotheses }: Engine, suspects: readonly string[]): PartOf<'transformer'> | null {
  const faults = suspects.flatMap((suspect) => {
    const fault = hypotheses.find(({ id }) => id === suspect)?.fault
    return fault ? singlesOf(fault) : []
  })
  const part = faults.find(({ family }) => faultFamilies[family].burnedOut)?.part
  return partsOf(system, 'transformer').find(({ id }) => id === part) ?? null
}

/** What is read, or looked at, for what burned a transformer out. */
interface CauseReading {
  readonly probe: Probe
  readonly place: PlaceId
  /** Read with the fuse out: through it the winding of the transformer hides what hangs on the hot side; a dead primary has a whole secondary. */
  readonly behindFuse: boolean
  /** A call's circuit at the unit, which is read in any case; the rest where it may find something. */
  readonly isOfUnit: boolean
}

const readingsOf = new Memo((_: System) => new Map<PartId, readonly CauseReading[]>())

function readingsOfCause(system: System, burned: PartOf<'transformer'>): readonly CauseReading[] {
  const known = readingsOf.of(system)
  const readings = known.get(burned.id) ?? listReadings(system, burned)
  known.set(burned.id, readings)
  return readings
}

function listReadings(system: System, burned: PartOf<'transformer'>): readonly CauseReading[] {
  const { place: fusedAt, holds } = firstPart(system, 'fuse')
  const thermostats = partsOf(system, 'thermostat')
  const hots = new Set(thermostats.flatMap(hotTerminals))
  const toCommon = (terminal: string, at: PlaceId, more: Pick<CauseReading, 'behindFuse' | 'isOfUnit'>): CauseReading[] => {
    const a = terminalPoint(terminal, at)
    const b = commonBeside(system, a)
    return b ? [{ probe: { meter: 'ohms', a, b }, place: at, ...more }] : []
  }
  const isFused = (place: PlaceId) => place === fusedAt && holds === undefined
  const atUnit = callsFrom(system, burned).flatMap((terminal) =>
    toCommon(terminal, burned.place, { behindFuse: hots.has(terminal) && isFused(burned.place), isOfUnit: true }),
  )
  // Next to nothing across the secondary is a whole winding where the primary is the open one, and a rub where it is not.
  const windings = partsOf(system, 'transformer').flatMap(({ primary, secondary, place: at }): CauseReading[] => {
    const [a, b] = primary.map((terminal) => terminalPoint(terminal, at))
    const across: CauseReading = { probe: { meter: 'ohms', a, b }, place: at, behindFuse: false, isOfUnit: false }
    return [...toCommon(secondary[0], at, { behindFuse: isFused(at), isOfUnit: false }), across]
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
}

/** Terminals where a transformer stands that its calls go out on: those of the thermostats' letters, or what they are wired to there. */
function callsFrom(system: System, { place, secondary }: PartOf<'transformer'>): readonly string[] {
  const thermostats = partsOf(system, 'thermostat')
  const letters = [...new Set(thermostats.flatMap((part) => [...hotTerminals(part), ...switchedTerminals(part)]))]
  const isThere = (terminal: string) => placeById(system, place)?.terminals.includes(terminal) ?? false
  if (place === firstPart(system, 'fuse').place) return letters.filter(isThere)
  const circuit = circuitOf(system, terminalPoint(secondary[0], place))
  const wired = system.cables.flatMap(({ between, conductors }) =>
    thermostats.some((part) => between.includes(part.place)) ? conductors.map(({ lands }) => lands[between.indexOf(place)]) : [],
  )
  const commons = commonNodes(system)
  return (placeById(system, place)?.terminals ?? []).filter((name) => {
    const point = terminalPoint(name, place)
    return wired.includes(name) && !commons.has(point) && circuitOf(system, point) === circuit
  })
}

/** A secondary has less; what reads more through the fuse has no winding across it. */
const A_WINDING_OHM = modelValue({ value: 20, unit: 'ohm', source: 'assumption: the secondary of a 24 V transformer has one or two' })
const hidesNothing = (answer: Answer): boolean => answer === 'OL' || (typeof answer === 'number' && answer > A_WINDING_OHM)
