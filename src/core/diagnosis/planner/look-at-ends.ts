import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { faultFamilies } from '@/src/core/faults/families'
import { singlesOf } from '@/src/core/faults/fault'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { landingsAt } from '@/src/core/readings/look-target'
import type { PlaceId } from '@/src/core/wiring/ids'
import { conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById } from '@/src/core/wiring/system'

/** A place where wires land that a verdict speaks of, and those that say nothing of it once they are off. */
interface Landing {
  readonly place: PlaceId
  readonly ends: readonly Point[]
}

/**
 * Before a cable is opened, or a lead freed, its ends are looked at: a wire on the wrong screw reads like a broken or a shorted one. A cable
 * whose wires were off at both ends reads by itself, wherever they were landed; a lead is what hangs on its screw, and two wires changed
 * over there read like it.
 */
export function lookAtEnds(
  engine: Engine,
  { observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  verdict: RepairVerdict,
  { skipped = [] }: Choice,
): Check | null {
  const known = new Set([...observations.map(({ probe }) => probe), ...skipped].map(probeKey))
  const handled = new Set(observations.flatMap((one) => one.bench.lifted))
  const landings = landingsOf(engine, verdict).filter(({ ends }) => ends.length === 0 || !ends.every((end) => handled.has(end)))
  for (const { place } of landings.sort((a, b) => Number(b.place === bench.place) - Number(a.place === bench.place))) {
    const probe: Probe = { meter: 'look', at: landingsAt(place) }
    const check = known.has(probeKey(probe)) ? null : weighQuestion(engine, posterior, observations, bench, bench, probe, place)
    if (check) return check
  }
  return null
}

/** Where the wires end that a verdict speaks of: those of a cable, or of a terminal whose lead is said to rub through. */
function landingsOf({ system, faults }: Engine, { zone, suspects }: RepairVerdict): Landing[] {
  const blamed = faults.filter(({ id }) => suspects.includes(id)).flatMap(singlesOf)
  const cable = cableById(system, zone)
  if (cable) {
    const names = new Set(
      blamed.flatMap(({ touches }) => touches.map(parsePoint).flatMap((point) => (point.cable === zone ? [point.name] : []))),
    )
    return cable.between.map((place) => ({ place, ends: [...names].map((name) => conductorEnd(zone, name, place)) }))
  }
  // What is said of a wire's end there, or of the strip as a whole, is seen there.
  const isSeenThere = blamed.some(({ family }) => faultFamilies[family].endsAmiss || faultFamilies[family].seenAtLandings)
  if (isSeenThere) return [{ place: zone, ends: [] }]
  const touched = new Set(blamed.filter(({ family }) => family === 'lead-to-chassis').flatMap(({ touches }) => touches))
  const hangsOnScrew = system.cables.some(({ between, conductors }) => {
    const side = between.indexOf(zone)
    return conductors.some(({ lands }) => side >= 0 && lands[side] !== null && touched.has(terminalPoint(lands[side], zone)))
  })
  return hangsOnScrew ? [{ place: zone, ends: [] }] : []
}
