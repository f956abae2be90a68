import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { type Evidence, type Posterior, priorsOf } from '@/src/core/diagnosis/inference/posterior'
import type { RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { faultFamilies } from '@/src/core/faults/families'
import { type Fault, singlesOf } from '@/src/core/faults/fault'
import { type Probe, probeKey } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import { CHASSIS, conductorEnd, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById, partsOf, placeById, type System } from '@/src/core/wiring/system'

/**
 * Found means that the separating check was made. What is blamed is read by itself: a cable with its wires off at both ends, a lead with
 * all that hangs on it off, a coil with its leads off. What reads the same through something else is told apart only so.
 */
interface Separation {
  /** What has to be off for it, at the least. */
  readonly lifted: readonly Point[]
  readonly unplugged: readonly string[]
  /** It is read with the power on. */
  readonly live?: true
  /** Any one of these says it. */
  readonly probes: readonly { readonly probe: Probe; readonly place: string }[]
}

/** The separating check that a verdict waits for, or null when it was made, or when nothing stands to be read by itself. */
export function separatingCheck(
  engine: Engine,
  evidence: Evidence,
  posterior: Posterior,
  bench: Bench,
  verdict: RepairVerdict,
  { skipped = [] }: Choice,
): Check | null {
  const wide = widened(engine, evidence, posterior)
  const refused = new Set(skipped.map(probeKey))
  for (const fault of blamed(engine, verdict)) {
    const separation = separationOf(engine.system, fault)
    if (!separation || separation.probes.some(({ probe }) => wasRead(evidence.observations, separation, probe))) continue
    for (const { probe, place } of separation.probes) {
      if (refused.has(probeKey(probe))) continue
      const apart: Bench = separation.live
        ? { ...bench, power: true, call: 'off' }
        : {
            ...bench,
            power: false,
            call: 'off',
            jumpers: [],
            lifted: [...new Set([...bench.lifted, ...separation.lifted])],
            unplugged: [...new Set([...bench.unplugged, ...separation.unplugged])],
          }
      const check = weighQuestion(engine, wide, evidence.observations, bench, apart, probe, place)
      if (check) return check
    }
  }
  return null
}

/** The faults that the named repair would mend, the likeliest alone of those that end in one act. */
function blamed({ faults }: Engine, { repair, suspects }: RepairVerdict): Fault[] {
  const all = faults.filter(({ id, repair: act }) => act.id === repair.id && suspects.some((suspect) => suspect.split(' + ').includes(id)))
  return all.flatMap(singlesOf).slice(0, 1)
}

function separationOf(system: System, fault: Fault): Separation | null {
  switch (faultFamilies[fault.family].readApart) {
    case 'cable':
      return ofCable(system, fault)
    case 'lead':
      return ofLead(system, fault)
    case 'line':
      return ofLine(system, fault)
    case 'coil': {
      const coil = partsOf(system, 'coil').find(({ id }) => id === fault.part)
      if (!coil) return null
      const probe: Probe = { meter: 'ohms', a: pinPoint(coil, 0), b: pinPoint(coil, 1) }
      return { lifted: [], unplugged: [coil.id], probes: [{ probe, place: coil.place }] }
    }
    default:
      return null
  }
}

/** Its wires off at both ends, each against the other, or against the metal that it runs along. */
function ofCable(system: System, { zone, touches }: Fault): Separation | null {
  const cable = cableById(system, zone)
  if (!cable) return null
  const names = [...new Set(touches.filter((point) => parsePoint(point).cable === zone).map((point) => parsePoint(point).name))]
  const lifted = names.flatMap((name) => {
    const lands = cable.conductors.find(({ id }) => id === name)?.lands ?? [null, null]
    return cable.between.flatMap((place, side) => (lands[side] === null ? [] : [conductorEnd(zone, name, place)]))
  })
  const probes = cable.between.flatMap((place): Separation['probes'] => {
    const ends = names.map((name) => conductorEnd(zone, name, place))
    if (ends.length === 2) return [{ probe: { meter: 'ohms', a: ends[0], b: ends[1] }, place }]
    return placeById(system, place)?.metal ? [{ probe: { meter: 'ohms', a: ends[0], b: terminalPoint(CHASSIS, place) }, place }] : []
  })
  return probes.length === 0 ? null : { lifted, unplugged: [], probes }
}

/** The wires on its terminal off, and the parts that hang on it: then it reads to the metal by itself. */
function ofLead(system: System, { zone: place, touches }: Fault): Separation | null {
  const lead = touches.find((point) => parsePoint(point).place === place)
  if (!lead) return null
  const name = lead.slice(0, lead.indexOf('@'))
  const lifted = system.cables.flatMap((cable) =>
    cable.between.flatMap((where, side) =>
      where === place ? cable.conductors.flatMap(({ id, lands }) => (lands[side] === name ? [conductorEnd(cable.id, id, place)] : [])) : [],
    ),
  )
  const unplugged = [...partsOf(system, 'switch'), ...partsOf(system, 'coil')]
    .filter((part) => part.place === place && part.between.includes(name))
    .map(({ id }) => id)
  if (lifted.length + unplugged.length === 0) return null
  return { lifted, unplugged, probes: [{ probe: { meter: 'ohms', a: lead, b: terminalPoint(CHASSIS, place) }, place }] }
}

/** A line that is dead across its legs or its neutral is read to ground: an open neutral reads nothing across, and all of it to ground. */
function ofLine(system: System, { touches }: Fault): Separation | null {
  const [leg] = touches
  const { place } = parsePoint(leg)
  if (!placeById(system, place)?.metal) return null
  return { lifted: [], unplugged: [], live: true, probes: [{ probe: { meter: 'volts', a: leg, b: terminalPoint(CHASSIS, place) }, place }] }
}

const wasRead = (observations: readonly Observation[], { lifted, unplugged, live }: Separation, probe: Probe): boolean =>
  observations.some(
    ({ bench, probe: known }) =>
      probeKey(known) === probeKey(probe) &&
      bench.power === (live ?? false) &&
      lifted.every((end) => bench.lifted.includes(end)) &&
      unplugged.every((part) => bench.unplugged.includes(part)) &&
      (live || bench.jumpers.length === 0),
  )

/** How much of what was thought before any reading is mixed in where a check is to separate what the readings have left alike. */
const WIDER = modelValue({ value: 0.25, unit: 'share', source: 'assumption' })

/** What is thought under wider assumptions: any one hypothesis may be the one that resembles what is left. */
export function widened(engine: Engine, evidence: Evidence, posterior: Posterior): Posterior {
  const priors = priorsOf(engine, evidence)
  return { ...posterior, hypotheses: posterior.hypotheses.map((share, index) => (1 - WIDER) * share + WIDER * priors[index]) }
}
