import type { EntryDraft } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { parseLook } from '@/src/core/readings/look-target'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { partById, placeById } from '@/src/core/wiring/system'

/** Conditions that a line names and its entries would drop: the place, the ends, the power, the meter. */

/** The line says that the power went off, and its reading would be entered with the power on. */
export function lostPower(line: string, { bench }: JobState, drafts: readonly EntryDraft[]): string | null {
  const [said] =
    /\b(?:kill(?:ed)?|cut|shut off|turned off) (?:the |all )?power\b|\bpower (?:is )?(?:off|down|killed|cut)\b|\beverything off\b/i.exec(
      line,
    ) ?? []
  const isRead = drafts.some((draft) => draft.kind === 'reading' && draft.probe.meter === 'volts')
  const isOff = drafts.some((draft) => draft.kind === 'bench' && draft.change.do === 'power')
  return said !== undefined && bench.power && isRead && !isOff && !/\d ?v(?:olts?|ac)?\b/i.test(line) ? said : null
}

/** The line says ohms, and only volts would be entered. */
export function lostMeter(line: string, drafts: readonly EntryDraft[]): string | null {
  const meters = new Set(drafts.flatMap((draft) => (draft.kind === 'reading' ? [draft.probe.meter] : [])))
  const [said] = /\bohm(?:s|ed)?\b/i.exec(line) ?? []
  return said !== undefined && meters.has('volts') && !meters.has('ohms') ? said : null
}

/** A place that the line names, and that no reading, look or wire of it would be entered at. */
export function lostPlace(line: string, the: Sentence, drafts: readonly EntryDraft[]): string | null {
  const named = [
    ...line.matchAll(
      /\b(?:(?:at|from) (?:the )?([a-z]+(?: [a-z]+)?)|(?<!\b(?:going|goes|to|runs?|running|from|the|at) )(outside|outdoors|inside|indoors))(?=$|[,;]| and\b)/gi,
    ),
    // Where the line begins, whatever follows.
    ...line.matchAll(/^\s*(?:at|from) (?:the )?((?!unit\b)[a-z]+(?: (?:panel|unit|handler|pump|board))?)\b/gi),
  ].map(([, said, side]) => said ?? side)
  const points = drafts.flatMap((draft): Point[] => {
    if (draft.kind === 'reading') return 'a' in draft.probe ? [draft.probe.a, draft.probe.b] : []
    if (draft.kind !== 'bench') return []
    const { change } = draft
    if (change.do === 'jumper') return [change.a, change.b]
    return change.do === 'lift' || change.do === 'land' ? [change.end] : []
  })
  const seen = drafts.flatMap((draft) => {
    const at = draft.kind === 'reading' && draft.probe.meter === 'look' ? parseLook(draft.probe.at).of : null
    return at === null ? [] : [partById(the.system, at)?.place ?? at]
  })
  if (points.length === 0 || drafts.some(({ kind }) => kind === 'note')) return null
  // Of several thermostats one is meant by its kind.
  const kindOf = (id: string | null) => placeById(the.system, id ?? '')?.kind
  const kinds = [...points.map((point) => parsePoint(point).place), ...seen].map(kindOf)
  const lost = named.find((said) => {
    const place = the.place(said.toLowerCase())
    return place !== null && !kinds.includes(kindOf(place))
  })
  return lost === undefined ? null : `at ${lost}`
}

/** The other end of a wire that is said to be off, or on, at both. */
export function lostEnd(line: string, { bench }: JobState, drafts: readonly EntryDraft[]): string | null {
  if (!/\bboth ends\b/i.test(line)) return null
  const acts = drafts.flatMap((draft) =>
    draft.kind === 'bench' && (draft.change.do === 'lift' || draft.change.do === 'land') ? [draft.change] : [],
  )
  const isOneEnded = acts.some(({ do: does, end }) => {
    const { cable, name } = parsePoint(end)
    const isOfIt = (point: Point) => parsePoint(point).cable === cable && parsePoint(point).name === name
    const already = does === 'lift' ? bench.lifted.filter(isOfIt) : []
    return new Set([...acts.map((act) => act.end).filter(isOfIt), ...already]).size < 2
  })
  return isOneEnded ? 'both ends' : null
}

/** That it was read on the wires, where every reading that would be entered is on screws. */
export function lostWire(line: string, drafts: readonly EntryDraft[]): string | null {
  const [said] = /\b(?:cable|wires?|conductors?) (?:only|side)\b|\bfield side\b/i.exec(line) ?? []
  const points = drafts.flatMap((draft): Point[] => (draft.kind === 'reading' && 'a' in draft.probe ? [draft.probe.a, draft.probe.b] : []))
  return said === undefined || points.length === 0 || points.some((point) => parsePoint(point).cable !== null) ? null : said
}
