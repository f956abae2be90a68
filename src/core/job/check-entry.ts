import { applyChange } from '@/src/core/bench/apply'
import { type Bench, slotOf } from '@/src/core/bench/bench'
import { pinOf, problemWithPoint } from '@/src/core/bench/points'
import type { ContentEntry, Entry } from '@/src/core/job/entry'
import { problemWithLeaving } from '@/src/core/job/leave'
import { problemWithOffer } from '@/src/core/job/offer'
import { BULGED } from '@/src/core/readings/capacitor-looks'
import { type Answer, type Probe, wordOf } from '@/src/core/readings/check'
import { seenContacts } from '@/src/core/readings/contact-looks'
import { parseLook, wiringOf } from '@/src/core/readings/look-target'
import { wordsFor } from '@/src/core/readings/predict'
import { wordsOfSwitch } from '@/src/core/readings/switch-looks'
import { workingAt } from '@/src/core/readings/working'
import { modelValue } from '@/src/core/units/model-value'
import { sayCall } from '@/src/core/wiring/call'
import { partKinds } from '@/src/core/wiring/part-kinds'
import { isPoint, parsePoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { cableById, callsOf, firstPart, furtherFuses, partById, partsOf, placeById, type System, zonesOf } from '@/src/core/wiring/system'

/** Null when an entry makes sense on this bench of this system, else a sentence why not. Closing is judged where the whole job is known. */
export function problemWithContent(system: System, bench: Bench, entry: ContentEntry): string | null {
  switch (entry.kind) {
    case 'bench': {
      const applied = applyChange(system, bench, entry.change)
      return applied.ok ? null : applied.problem
    }
    case 'reading':
      if (provesDead(bench, entry.probe)) return problemWithDead(system, entry.probe, entry.answer)
      return problemWithProbe(system, bench, entry.probe) ?? problemWithWord(system, entry) ?? problemWithCapacitor(bench, entry)
    case 'trip':
      return problemWithTrip(system, bench, entry)
    case 'proof':
      if (!callsOf(system).includes(entry.call)) return `This system has no call for ${sayCall[entry.call]}.`
      return (entry.motors ?? []).map(({ part }) => problemWithMotor(system, part)).find((problem) => problem !== null) ?? null
    case 'cycle':
      if (!callsOf(system).includes(entry.call)) return `This system has no call for ${sayCall[entry.call]}.`
      return bench.power ? null : 'The power is off: nothing ran.'
    case 'plate':
      return problemWithMotor(system, entry.part)
    case 'skip':
      return problemWithSpot(system, entry.probe)
    case 'repair':
      return zonesOf(system).some(({ id }) => id === entry.zone)
        ? null
        : `There is no zone "${entry.zone}". Zones here: ${zonesOf(system)
            .map(({ id }) => id)
            .join(', ')}.`
    case 'leave':
      return problemWithLeaving(bench)
    case 'offer':
      return problemWithOffer(entry)
    case 'run':
      return problemWithRun(system, entry)
    case 'photo':
      return placeById(system, entry.place)
        ? null
        : `There is no place "${entry.place}". Places here: ${system.places.map(({ id }) => id).join(', ')}.`
    case 'complaint':
    case 'way':
    case 'note':
    case 'close':
      return null
  }
}

/** Line amps are those of a motor or a heater. */
const problemWithMotor = (system: System, id: string): string | null =>
  partById(system, id)?.kind === 'load'
    ? null
    : `"${id}" draws no line amps. These do: ${partsOf(system, 'load')
        .map((load) => load.id)
        .join(', ')}.`

function problemWithRun(system: System, { cable: id, fact }: Extract<ContentEntry, { kind: 'run' }>): string | null {
  const cable = cableById(system, id)
  if (!cable) return `There is no cable "${id}". Cables here: ${system.cables.map((one) => one.id).join(', ')}.`
  if (fact.what !== 'capacitance') return null
  const unknown = [fact.conductor, fact.against].find((one) => one !== null && !cable.conductors.some((conductor) => conductor.id === one))
  if (unknown) return `The ${cable.name} has no conductor "${unknown}". It has ${cable.conductors.map((one) => one.id).join(', ')}.`
  if (fact.conductor === fact.against) return 'Both leads are on the same conductor.'
  return cable.between.includes(fact.place) ? null : `The ${cable.name} does not come to "${fact.place}".`
}

/** Volts with the power off: is it dead where the hand is about to go. They say nothing of what is wrong. */
export const provesDead = (bench: Bench, probe: Probe): boolean => probe.meter === 'volts' && !bench.power

/** What a meter may show on a circuit that is dead, V: leads that pick up a field. */
const DEAD_BELOW_VOLTS = modelValue({ value: 2, unit: 'V', source: 'assumption' })

/** Null when it is dead, and at line voltage, which is live ahead of a switch that is off; else a sentence that keeps the hands out. */
function problemWithDead(system: System, probe: Probe, answer: Answer): string | null {
  const problem = problemWithSpot(system, probe)
  if (problem || probe.meter !== 'volts') return problem
  const most = typeof answer === 'number' ? Math.abs(answer) : typeof answer === 'object' && 'high' in answer ? Math.abs(answer.high) : 0
  const line = lineNodes(system)
  if (most < DEAD_BELOW_VOLTS || [probe.a, probe.b].some((point) => line.has(point))) return null
  return `The power is off in the record, and this reads ${most} V: it is not dead, or it is on. Keep your hands out and find what feeds it. Say "power on" first if it is on.`
}

function problemWithTrip(system: System, bench: Bench, { result, on }: Extract<ContentEntry, { kind: 'trip' }>): string | null {
  if (!bench.power) return 'The power is off in the record, so nothing can trip or hold. Say "power on" first.'
  const fuse = on === undefined ? firstPart(system, 'fuse') : furtherFuses(system).find(({ id }) => id === on)
  if (!fuse) return `There is no fuse or breaker called "${on}" here besides the main one.`
  const slot = slotOf(system, bench, fuse.id)
  if (slot.holds === 'nothing') return 'The fuse slot is empty, so nothing can trip or hold. Say "breaker in" or "fuse 3 in" first.'
  if (result === 'holds') return null
  if (slot.holds === 'as-found' && fuse.holds === 'none')
    return 'This house has no fuse or breaker on the 24 V side that could trip. Put one in first: "breaker in".'
  if (!slot.open || slot.holds === 'as-found') return null
  return slot.holds === 'breaker'
    ? 'It tripped already. Reset it first: "reset".'
    : `It is blown already. Put a new one in first: "fuse ${slot.ratingA} in".`
}

export const OHMS_WITH_POWER = 'The power is on in the record. Ohms are read with the power off: say "power off" first.'

/** Null when the probe can be used on this bench of this system. Ohms on a live circuit are refused. */
export function problemWithProbe(system: System, bench: Bench, probe: Probe): string | null {
  const problem = problemWithSpot(system, probe)
  if (problem) return problem
  switch (probe.meter) {
    case 'volts':
    case 'ohms':
      if (probe.meter === 'ohms' && bench.power) return OHMS_WITH_POWER
      if (probe.meter === 'volts' && !bench.power)
        return 'The power is off in the record. Say "power on" first, or give the reading in ohm: volts only prove that it is dead.'
      return null
    case 'amps':
      return bench.power ? null : 'The power is off in the record, so no current flows. Say "power on" first.'
    case 'trip':
      return bench.power ? null : 'The power is off in the record.'
    case 'look':
      return null
  }
}

/** Null when there is such a spot in the system, whatever the bench. */
function problemWithSpot(system: System, probe: Probe): string | null {
  switch (probe.meter) {
    case 'volts':
    case 'ohms': {
      const problem = problemWithPoint(system, probe.a) ?? problemWithPoint(system, probe.b)
      return problem ?? (probe.a === probe.b ? 'Both probes are on the same point.' : null)
    }
    case 'amps': {
      if (probe.on === firstPart(system, 'fuse').id) return null
      if (!isPoint(probe.on)) return `There is nothing called "${probe.on}" to clamp.`
      const isConductor = parsePoint(probe.on).cable !== null && !pinOf(system, probe.on)
      return (
        problemWithPoint(system, probe.on) ??
        (isConductor ? null : 'A clamp goes around a conductor, as in outdoor-cable.Y@indoor, or around the transformer lead (fuse).')
      )
    }
    case 'trip':
      return null
    case 'look':
      return wordsFor(system, probe).length > 0 &&
        (probe.at === 'fuse' || parseLook(probe.at).what === 'landings' || isLookable(system, probe.at))
        ? null
        : `There is nothing called "${probe.at}" to look at.`
  }
}

const isLookable = (system: System, id: string): boolean => {
  const { what, of } = parseLook(id)
  if (what === 'runs') return workingAt(system, of).length > 0
  if (what === 'wiring') return zonesOf(system).some((zone) => wiringOf(zone.id) === id)
  if (what === 'capacitor') return partsOf(system, 'capacitor').some((one) => one.id === of)
  if (what === 'contacts') return seenContacts(system).some((contactor) => contactor.id === of)
  if (what === 'flame' || what === 'signal') return partsOf(system, 'board').some((board) => board.id === of && board.ignites !== undefined)
  const part = partById(system, id)
  if (part?.kind === 'switch') return wordsOfSwitch(part).length > 0
  const isFurther = furtherFuses(system).some((fuse) => fuse.id === id)
  return isFurther || (part !== undefined && partKinds[part.kind].isSeenAtWork)
}

export const CAPACITOR_WITH_POWER =
  'The power is on in the record. A capacitor is read with the power off and discharged: say "power off" first.'

/** A meter on a capacitor is kept off it while the power is on; that its top is bulged is seen from where one stands. */
const problemWithCapacitor = (bench: Bench, { probe, answer }: Extract<Entry, { kind: 'reading' }>): string | null =>
  probe.meter === 'look' && parseLook(probe.at).what === 'capacitor' && bench.power && wordOf(answer) !== BULGED
    ? CAPACITOR_WITH_POWER
    : null

function problemWithWord(system: System, entry: Extract<Entry, { kind: 'reading' }>): string | null {
  const words = wordsFor(system, entry.probe)
  const word = wordOf(entry.answer)
  if (words.length === 0) return word === null ? null : `A reading is a number or OL, not "${word}".`
  if (word !== null && words.includes(word)) return null
  return `That is answered with one of: ${words.join(', ')}.`
}
