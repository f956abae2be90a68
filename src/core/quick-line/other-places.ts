import type { EntryDraft } from '@/src/core/job/entry'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { parsePoint } from '@/src/core/wiring/point'
import { placeById } from '@/src/core/wiring/system'

/** What a line says was done or read at a place, and would be entered at another one. */

/** Read here, and walked to the place that is named: what was read there. */
export function otherPlace(line: string, the: Sentence, drafts: readonly EntryDraft[]): string | null {
  const last = drafts.at(-1)
  const [, said] = /\b(?:at|in|on) (?:the )?([a-z][a-z ]+)$/i.exec(line.trim()) ?? []
  const isWalk =
    last?.kind === 'bench' && last.change.do === 'walk' && said !== undefined && the.place(said.toLowerCase()) === last.change.place
  const isRead = drafts.some((draft) => draft.kind === 'reading' && draft.probe.meter !== 'look')
  return isWalk && isRead ? `at the ${said}` : null
}

/** Read at the thermostat, and entered at the unit, whose strip has what the thermostat lacks. */
export function atTheStat(line: string, the: Sentence, drafts: readonly EntryDraft[]): string | null {
  const [, said] = /\d\S*(?: ?v| volts?)? (at (?:the )?(?:t-?stat|stat|thermostat))\b/i.exec(line) ?? []
  const read = drafts.flatMap((draft) => (draft.kind === 'reading' && 'a' in draft.probe ? [draft.probe.a, draft.probe.b] : []))
  const isThere = read.some((point) => placeById(the.system, parsePoint(point).place)?.kind === 'thermostat')
  return said === undefined || read.length === 0 || isThere ? null : said
}

/** Jumped at the place that is named, and entered at another. */
export function otherJumper(line: string, the: Sentence, drafts: readonly EntryDraft[]): string | null {
  const [, said] = /\bjump(?:ed|ered|er)? (?:at|in|on) (?:the )?([a-z]+(?: [a-z]+)?)/i.exec(line) ?? []
  if (said === undefined) return null
  const place = the.place(said.toLowerCase()) ?? the.place(said.toLowerCase().split(' ')[0])
  const isElsewhere = drafts.some(
    (draft) => draft.kind === 'bench' && draft.change.do === 'jumper' && place !== null && parsePoint(draft.change.a).place !== place,
  )
  return isElsewhere ? `at ${said}` : null
}
