import type { Bench } from '@/src/core/bench/bench'
import { faultFamilies } from '@/src/core/faults/families'
import type { FaultFamilyRecord } from '@/src/core/faults/family'
import { type Fault, singlesOf } from '@/src/core/faults/fault'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Component } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import type { PlaceId } from '@/src/core/wiring/ids'
import { landingAt } from '@/src/core/wiring/links'
import { conductorEnd, isPoint, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById, placeById, type System } from '@/src/core/wiring/system'

/** What a glance over the landings of a place finds. */

/** No wire is off, and none on a wrong screw. */
export const LANDED = 'all landed'
/** What else is found at the landings of a place, all of them landed. */
export const stripFindings = ['strap', 'wet', 'corroded'] as const
/** A wire that is off its screw, one on a wrong screw, and on which. */
export function wordsOfEnd(system: System, end: Point): string[] {
  const { place } = parsePoint(end)
  const terminals = placeById(system, place)?.terminals ?? []
  return [`off: ${end}`, `wrong: ${end}`, ...terminals.map((terminal) => wrongOn(end, terminal))]
}

/** The word for a wire that was seen on a wrong screw, with the screw. */
export const wrongOn = (end: string, terminal: string): string => `wrong: ${end} on ${terminal}`

/** The word for two wires of one cable that were seen on each other's screws. */
export const swappedWord = (end: string, other: string): string => `swapped: ${end} with ${other}`

/** The two ends that such a word names; null when it is another word. */
export function swappedEnds(word: string): readonly [Point, Point] | null {
  const [, end, other] = /^swapped: (\S+) with (\S+)$/.exec(word) ?? []
  return end !== undefined && other !== undefined && isPoint(end) && isPoint(other) ? [end, other] : null
}

/** The screw that an end belongs on; null for one that leads nowhere. */
export function ownScrew(system: System, end: Point): Point | null {
  const { cable: id, name, place } = parsePoint(end)
  const cable = cableById(system, id ?? '')
  const terminal = cable?.conductors.find((wire) => wire.id === name)?.lands[cable.between.indexOf(place)] ?? null
  return terminal === null ? null : terminalPoint(terminal, place)
}

/** The words for wires on each other's screws, each pair of a cable once, in the order of its conductors. */
export function swappedWords(system: System, place: PlaceId): string[] {
  const ends = landedEnds(system, place)
  return ends.flatMap((end, index) =>
    ends.slice(index + 1).flatMap((other) => (parsePoint(other).cable === parsePoint(end).cable ? [swappedWord(end, other)] : [])),
  )
}

export function landedEnds(system: System, place: PlaceId): Point[] {
  return system.cables.flatMap((cable) => {
    const side = cable.between.indexOf(place)
    return side < 0
      ? []
      : cable.conductors
          .filter((conductor) => conductor.lands[side] !== null)
          .map((conductor) => conductorEnd(cable.id, conductor.id, place))
  })
}

/** Of wires that lead nowhere, those that sit on a screw without a use. */
const ON_UNUSED_SCREW = modelValue({ value: 0.1, unit: 'share', source: 'assumption' })
/** Of wires seen on a wrong screw, those whose screw is told. */
const SCREW_TOLD = modelValue({ value: 0.5, unit: 'share', source: 'assumption' })

/** Of two wires on each other's screws, those that are told as two. */
const BOTH_TOLD = modelValue({ value: 0.7, unit: 'share', source: 'assumption' })

/** A glance over a whole strip that misses the one wire that is off. */
const OVERLOOKED = modelValue({ value: 0.02, unit: 'share of looks', source: 'assumption' })

/** What is found at the landings of a place: each wire that is off or on a wrong screw may be the one that is told, else straps and water. */
export function landingLooks(system: System, place: PlaceId, bench: Bench, hypothesis: Hypothesis, weight: number): Component[] {
  // Of wires that are in the hand nobody asks where they are landed.
  const moved = landedEnds(system, place).filter(
    (end) => !bench.lifted.includes(end) && hypothesis.effects.some((effect) => effect.do === 'open' && effect.link === landingAt(end)),
  )
  const word = (said: string, share: number): Component => ({ weight: weight * share, at: { word: said }, sigma: 1, floating: false })
  if (moved.length === 0) {
    const found = strapOrWater(hypothesis, place)
    return found ? [word(found, 1)] : corrosionLooks(hypothesis, place, weight)
  }
  const swapped = moved.length === 2 && isSwapped(system, hypothesis, moved) ? BOTH_TOLD : 0
  const ofEach = moved.flatMap((end) => {
    const share = ((1 - OVERLOOKED) * (1 - swapped)) / moved.length
    const touch = hypothesis.effects.find((effect) => effect.do === 'short' && effect.a === end)
    const missed = word(LANDED, OVERLOOKED / moved.length)
    if (touch?.do !== 'short')
      return [word(`off: ${end}`, share * (1 - ON_UNUSED_SCREW)), word(`wrong: ${end}`, share * ON_UNUSED_SCREW), missed]
    const terminal = isPoint(touch.b) ? parsePoint(touch.b).name : touch.b
    return [word(`wrong: ${end}`, share * (1 - SCREW_TOLD)), word(wrongOn(end, terminal), share * SCREW_TOLD), missed]
  })
  return swapped === 0 ? ofEach : [word(swappedWord(moved[0], moved[1]), (1 - OVERLOOKED) * swapped), ...ofEach]
}

/** Each of two ends of one cable touches the screw of the other. */
function isSwapped(system: System, { effects }: Hypothesis, [a, b]: readonly Point[]): boolean {
  const isOn = (end: Point, screw: Point | null) =>
    screw !== null && effects.some((effect) => effect.do === 'short' && effect.a === end && effect.b === screw)
  return parsePoint(a).cable === parsePoint(b).cable && isOn(a, ownScrew(system, b)) && isOn(b, ownScrew(system, a))
}

/** A strip that went bad shows it. */
const CORROSION_SHOWS = modelValue({ value: 0.85, unit: 'chance', source: 'assumption' })
/** A good strip looks corroded. */
const CORROSION_ANYWAY = modelValue({ value: 0.03, unit: 'chance', source: 'assumption' })

/** Screws gone green beside wires that are all landed. */
function corrosionLooks({ fault }: Hypothesis, place: PlaceId, weight: number): Component[] {
  const shows = isSeenAt('corroded', fault, place) ? CORROSION_SHOWS : CORROSION_ANYWAY
  return [
    { weight: weight * shows, at: { word: 'corroded' }, sigma: 1, floating: false },
    { weight: weight * (1 - shows), at: { word: LANDED }, sigma: 1, floating: false },
  ].sort((a, b) => b.weight - a.weight)
}

/** What else the eye finds at the landings of a place. */
function strapOrWater({ fault }: Hypothesis, place: PlaceId): 'strap' | 'wet' | null {
  return (['strap', 'wet'] as const).find((what) => isSeenAt(what, fault, place)) ?? null
}

const isSeenAt = (what: FaultFamilyRecord['seenAtLandings'], fault: Fault | null, place: PlaceId): boolean =>
  fault !== null && singlesOf(fault).some(({ family, zone }) => zone === place && faultFamilies[family].seenAtLandings === what)
