import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench, type Since, type Slot, slotOf, withSlot } from '@/src/core/bench/bench'
import { ATTIC_C, coolsTo, LIMIT_C } from '@/src/core/protection/transformer-heat'
import { type Answer, type Probe, tripWord } from '@/src/core/readings/check'
import { type Hypothesis, whileHidden } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { seenToOpen, showsOn } from '@/src/core/readings/now-and-then'
import { secondaryAmps } from '@/src/core/readings/overload'
import { predict } from '@/src/core/readings/predict'
import { type Component, fromOhmScale } from '@/src/core/readings/prediction'
import { worldsOf } from '@/src/core/readings/world'
import { defaultMeter, shownAmps, shownOhms, shownVolts } from '@/src/core/units/meter'
import { modelValue } from '@/src/core/units/model-value'
import type { Random } from '@/src/core/units/random'
import { firstPart, furtherFuses, partsOf, type System } from '@/src/core/wiring/system'
import type { ValueFactors } from '@/src/core/wiring/values'
import { PLATE_VOLTS } from '@/src/core/wiring/values'

/** A simulated house with a hidden fault: it answers checks as a meter there would, noise and resolution included. */
export interface House {
  /** What is wrong with it, now. */
  readonly hypothesis: Hypothesis
  readonly bench: Bench
  /** Makes a change; throws on one that cannot be, since only planned changes are made here. */
  change(change: BenchChange): void
  /**
   * Takes a reading, at its time since the call and the power came on.
   *
   * @returns `tripped` when the protection opened while the bench stood like this; `opened` when a further one did, by its part
   */
  ask(probe: Probe, since?: Since): { answer: Answer; tripped: boolean; opened?: string }
  /** Time goes by on the bench as it stands. True when it cooked a transformer: each is cooked once. */
  pass(minutes: number): boolean
  /** Mends what is wrong, or part of it: the house goes on with this hypothesis, and with a good fuse. */
  mend(rest: Hypothesis): void
}

/** Noise of the meter and of the hand. */
const NOISE = modelValue({
  value: { share: 0.01, volts: 0.05, ohms: 0.15, amps: 0.01 },
  unit: 'share, V, ohm, A',
  source: 'assumption, within common accuracy statements',
})

/** Part values drawn around the template's: every coil, cable and the transformer for itself. Spreads are assumptions; `times` widens them. */
export function drawValues(system: System, random: Random, times = 1): ValueFactors {
  const spread = (share: number) => Math.exp(times * share * Math.max(-2, Math.min(2, random.normal())))
  return {
    emf: spread(0.03),
    transformerOhm: spread(0.12),
    coilOhm: Object.fromEntries(partsOf(system, 'coil').map((coil) => [coil.id, spread(0.18)])),
    anyCoilOhm: 1,
    lengthM: Object.fromEntries(system.cables.map((cable) => [cable.id, spread(0.3)])),
    anyLengthM: 1,
    electronicsDcOhm: spread(0.5),
    electronicsVa: spread(0.15),
    insulation: spread(0.5),
  }
}

export function createHouse(system: System, hidden: Hypothesis, factors: ValueFactors, random: Random): House {
  const laboratory = createLaboratory(system, factors)
  let hypothesis = hidden
  let bench = createBench(system)
  let open = hypothesis.foundFuse === 'blown'
  let foundFuse = hypothesis.foundFuse
  // Further fuses that are open, whoever knows it.
  const furtherOpen = new Set(hypothesis.foundOpen === undefined ? [] : [hypothesis.foundOpen])
  const windings = new Map<string, number>()
  const real = (): Bench =>
    furtherFuses(system).reduce((one, { id }) => withSlot(system, one, id, { ...slotOf(system, one, id), open: furtherOpen.has(id) }), {
      ...bench,
      slot: { ...bench.slot, open },
    })
  /** What the protection was when the question began: a clamp that keeps the highest has seen that. */
  let atFirst = real()

  return {
    get hypothesis() {
      return hypothesis
    },
    get bench() {
      return bench
    },
    change: (change) => {
      const applied = applyChange(system, bench, change)
      if (!applied.ok) throw new Error(applied.problem)
      bench = applied.bench
      if (change.do !== 'slot' && change.do !== 'reset') return
      const isOpen = change.do === 'slot' && change.holds === 'nothing'
      if (change.part === undefined || change.part === firstPart(system, 'fuse').id) open = isOpen
      else if (isOpen) furtherOpen.add(change.part)
      else furtherOpen.delete(change.part)
    },
    mend: (rest) => {
      hypothesis = rest.foundOpen === undefined ? rest : { ...rest, foundOpen: undefined }
      foundFuse = 'intact'
      open = false
      furtherOpen.clear()
      bench = { ...bench, further: undefined, slot: afterMending(system, bench.slot) }
    },
    ask: (probe, since) => {
      const wasOpen = open
      atFirst = real()
      // A fault that comes and goes is there for the whole of one question, or not at all.
      const share = showsOn(system, hypothesis, since ? { ...bench, since } : bench, probe)
      const shows = share >= 1 || random.uniform() < share
      const now: Hypothesis = shows ? { ...hypothesis, intermittent: false } : whileHidden(hypothesis)
      const further = bench.power ? worldsOf(laboratory, real(), { ...now, foundFuse }).furtherTrips : []
      if (!open && bench.power && random.uniform() < worldsOf(laboratory, real(), { ...now, foundFuse }).trips) open = true
      const tripped = open && !wasOpen
      const other = tripped || further.length === 0 ? undefined : further.find(({ trips }) => random.uniform() < trips)?.part
      if (other !== undefined) {
        furtherOpen.add(other)
        bench = withSlot(system, bench, other, { ...slotOf(system, bench, other), open: true })
        const said = { word: tripWord(other) }
        return { answer: probe.meter === 'trip' ? said : read(probe, now), tripped: false, opened: other }
      }
      if (tripped && bench.slot.holds === 'as-found') foundFuse = 'blown'
      if (tripped) bench = { ...bench, slot: { ...bench.slot, open: true } }
      if (probe.meter === 'trip') return { answer: { word: tripped ? 'trips' : 'holds' }, tripped }
      return { answer: read(probe, now), tripped }
    },
    pass: (minutes) => {
      const currents = bench.power ? secondaryAmps(laboratory, real(), { ...hypothesis, foundFuse }) : new Map<string, number[]>()
      let cooked = false
      for (const { id, va } of partsOf(system, 'transformer')) {
        const warm = windings.get(id) ?? ATTIC_C
        const hot = coolsTo({ va, plateVolts: PLATE_VOLTS }, currents.get(id)?.[0] ?? 0, warm, 60 * minutes)
        if (warm <= LIMIT_C && hot > LIMIT_C) cooked = true
        // What is cooked stays so: it is not cooked a second time.
        windings.set(id, warm > LIMIT_C ? warm : hot)
      }
      return cooked
    },
  }

  function read(probe: Probe, now: Hypothesis): Answer {
    const isKept = probe.meter === 'amps' && probe.hold === 'max'
    return measure(laboratory, isKept ? atFirst : real(), { ...now, foundFuse }, probe, random)
  }
}

/** What a meter shows on a bench of a house, noise and resolution included; a word where it is looked at. */
export function measure(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis, probe: Probe, random: Random): Answer {
  const shown = predict(laboratory, bench, hypothesis, probe)
  const seen = hypothesis.warms ? seenToOpen(hypothesis, probe, shown, predict(laboratory, bench, whileHidden(hypothesis), probe)) : shown
  const { at } = drawComponent(seen, random)
  if (at === 'OL') return 'OL'
  if (typeof at === 'object') return at
  const share = 1 + NOISE.share * random.normal()
  if (probe.meter === 'ohms') return shownOhms(Math.max(0, fromOhmScale(at) * share + NOISE.ohms * Math.abs(random.normal())), defaultMeter)
  if (probe.meter === 'amps') return shownAmps(Math.abs(at * share + NOISE.amps * random.normal()), defaultMeter)
  return shownVolts(Math.abs(at * share + NOISE.volts * random.normal()), defaultMeter)
}

/** A repair ends with protection that holds: the breaker set, or a new fuse where the old one was. */
export const afterMending = (system: System, slot: Slot): Slot => ({
  ...slot,
  holds: slot.holds === 'breaker' || firstPart(system, 'fuse').holds === 'breaker' ? 'breaker' : 'fuse',
  open: false,
})

function drawComponent(prediction: readonly Component[], random: Random): Component {
  let left = random.uniform()
  for (const component of prediction) {
    left -= component.weight
    if (left <= 0) return component
  }
  return prediction[prediction.length - 1]
}
