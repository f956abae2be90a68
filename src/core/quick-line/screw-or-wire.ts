import type { EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { probeKey } from '@/src/core/readings/check'
import { conductorEnd, type Point, parsePoint } from '@/src/core/wiring/point'
import { cableById, type System } from '@/src/core/wiring/system'

/** Said of the screws, or of the wires; or of what is left once something is off, which is read where it was read before. */
const SAYS_WHICH =
  /\b(?:screws?|terminals?|posts?|strip|sub ?base|(?:furnace|unit|stat|thermostat) side|board|wire to wire|wires? to|conductors?|with|when|while|still|clears?|cleared|now|here)\b|@/i

/** The two things that a line may mean, each in the grammar's words. */
interface OfTwo {
  readonly wires: string
  readonly screws: string
}

/** `outdoor pair off, Y to C OL on the wires`: which of the two it was, said behind the line. */
export const ON_WHICH = /^(.*\S),? on the (wires?|conductors?|cable|screws?|terminals?)$/i

/** What is asked where a line does not say it; either answer is the line itself with a word more. */
export const whichOf = (line: string): string =>
  `On the wires that are off, or on the screws? Say "${line.trim()} on the wires", or "${line.trim()} on the screws".`

/**
 * `outdoor pair off, Y to C OL`: what a line takes off and then reads by its letter, with the power off, may have been read on the screws or
 * on the wires in the hand, and one says the opposite of the other. Null where nothing is so.
 *
 * @param isSaid which of the two it was is said behind the line
 */
export function screwOrWire(line: string, drafts: readonly EntryDraft[], system: System, isSaid = false): OfTwo | null {
  if (!isSaid && SAYS_WHICH.test(line)) return null
  const lifted = drafts.flatMap((draft) => (draft.kind === 'bench' && draft.change.do === 'lift' ? [draft.change.end] : []))
  const readings = drafts.flatMap((draft) => (draft.kind === 'reading' ? [draft] : []))
  if (lifted.length === 0 || readings.length === 0 || lifted.length + readings.length !== drafts.length) return null
  // What was read before it came off was read on the screw; and who names a wire by its cable beside a letter tells them apart.
  const isTold = readings.some(({ probe }) => 'a' in probe && [probe.a, probe.b].some((point) => parsePoint(point).cable !== null))
  if (drafts[0].kind === 'reading' || isTold) return null
  const meant = readings.map(({ probe, answer }) => {
    if (probe.meter !== 'ohms' || (typeof answer !== 'number' && answer !== 'OL')) return null
    const [a, b] = [probe.a, probe.b].map((point) => inHand(system, lifted, point) ?? point)
    return { screws: `ohms ${probe.a} to ${probe.b} ${answer}`, wires: `ohms ${a} to ${b} ${answer}` }
  })
  if (!meant.every((one) => one !== null) || meant.every(({ screws, wires }) => screws === wires)) return null
  const acts = sayLifts(system, lifted)
  const [wires, screws] = (['wires', 'screws'] as const).map((where) => [acts, ...meant.map((one) => one[where])].join('; '))
  return { wires, screws }
}

/**
 * `took Y loose at both ends`, and then `Y to ground 1.2`: who has just freed a wire at both ends reads it, more often than the screw that it
 * came off. Null where the next check on the card asks for that screw, or where letters are said by their points.
 */
export function freedWire(line: string, drafts: readonly EntryDraft[], asked: QuickLineContext): OfTwo | null {
  if (SAYS_WHICH.test(line) || !/\b(?:to|and)\b/i.test(line)) return null
  const { bench, standing } = foldJob(asked.system, asked.entries)
  const since = standing.findLastIndex((entry) => !(entry.kind === 'bench' && (entry.change.do === 'lift' || entry.change.do === 'walk')))
  const justOff = standing
    .slice(since + 1)
    .flatMap((entry) => (entry.kind === 'bench' && entry.change.do === 'lift' ? [entry.change.end] : []))
  const wireOf = (end: Point) => `${parsePoint(end).cable}.${parsePoint(end).name}`
  const freed = justOff.filter((end) => bench.lifted.filter((other) => wireOf(other) === wireOf(end)).length === 2)
  if (freed.length === 0 || drafts.length === 0) return null
  const notes = drafts.flatMap((draft) => (draft.kind === 'note' ? [`note ${draft.text}`] : []))
  const meant = drafts
    .flatMap((draft) => (draft.kind === 'note' ? [] : [draft]))
    .map((draft) => {
      if (draft.kind !== 'reading' || draft.probe.meter !== 'ohms' || (typeof draft.answer !== 'number' && draft.answer !== 'OL'))
        return null
      if (asked.proposed && probeKey(asked.proposed) === probeKey(draft.probe)) return null
      const { a, b } = draft.probe
      const [one, other] = [a, b].map((point) => inHand(asked.system, freed, point) ?? point)
      return { screws: `ohms ${a} to ${b} ${draft.answer}`, wires: `ohms ${one} to ${other} ${draft.answer}` }
    })
  if (meant.length === 0 || !meant.every((one) => one !== null) || meant.every(({ screws, wires }) => screws === wires)) return null
  const [wires, screws] = (['wires', 'screws'] as const).map((where) => [...meant.map((one) => one[where]), ...notes].join('; '))
  return { wires, screws }
}

const IN_HAND = /(?<![\w-])([A-Z]\d?) wire (?=(?:to|and) [A-Z]\d? (?:is |reads? |now )*(?:\d|\.\d|ol\b))/

/** `W wire to R 0` with one W in the hand: that wire, and not the screw that it came off. */
export function withWireInHand(line: string, { system, entries }: QuickLineContext): string {
  if (!IN_HAND.test(line)) return line
  const { bench } = foldJob(system, entries)
  return line.replace(IN_HAND, (all, letter: string) => {
    const off = bench.lifted.filter((end) => parsePoint(end).name === letter && parsePoint(end).place === bench.place)
    return off.length === 1 ? `lifted ${letter} ` : all
  })
}

/** The end of a wire that was taken off the screw that a point is, at its place. */
function inHand(system: System, lifted: readonly Point[], point: Point): Point | undefined {
  const { cable, name, place } = parsePoint(point)
  if (cable !== null) return undefined
  return lifted.find((end) => {
    const of = parsePoint(end)
    const found = cableById(system, of.cable ?? '')
    const side = found?.between.indexOf(place) ?? -1
    return of.place === place && found?.conductors.some(({ id, lands }) => id === of.name && (lands[side] === name || id === name))
  })
}

/** A whole cable by its name, else wire by wire. */
function sayLifts(system: System, lifted: readonly Point[]): string {
  const { cable: id, place } = parsePoint(lifted[0])
  const cable = cableById(system, id ?? '')
  const side = cable?.between.indexOf(place) ?? -1
  const all = cable?.conductors.flatMap((one) => (one.lands[side] === null ? [] : [conductorEnd(cable.id, one.id, place)])) ?? []
  const isWhole = cable?.name.endsWith(' cable') === true && all.length === lifted.length && all.every((end) => lifted.includes(end))
  return isWhole ? `lift ${cable?.name} at ${place}` : lifted.map((end) => `lift ${end}`).join('; ')
}
