import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { findPart } from '@/src/core/quick-line/names'
import { HUMMING } from '@/src/core/readings/capacitor-looks'
import { wordOf } from '@/src/core/readings/check'
import { parseLook } from '@/src/core/readings/look-target'
import { modelValue } from '@/src/core/units/model-value'
import type { CallName } from '@/src/core/wiring/call'
import { parsePoint } from '@/src/core/wiring/point'
import { callerOf, callsOf, partById, partsOf, type System } from '@/src/core/wiring/system'

/** A letter that reads as much is fed. */
export const LIVE_FROM_VOLTS = modelValue({ value: 15, unit: 'V', source: 'assumption: more than a ghost or a drop leaves of 24' })

/**
 * Whoever comes to a house that does not cool finds it calling for that: a wire of the call that is live, its contactor in, or what is said
 * not to do what it should, while the record has nothing called, was seen on the call of the complaint. Null where the line says otherwise,
 * or nothing shows it.
 */
export function callOfComplaint(line: string, drafts: readonly EntryDraft[], asked: QuickLineContext): CallName | null {
  const { system } = asked
  const told = callMissed(asked)
  const call = told && atItsThermostat(system, told, drafts)
  if (call === null || drafts.some((draft) => draft.kind === 'bench' && ['call', 'power', 'jumper'].includes(draft.change.do))) return null
  const isMissed = SHOULD_DO.test(line) && drafts.length > 0 && drafts.every((draft) => standsStill(draft, system, call))
  return isMissed || drafts.some((draft) => showsCall(draft, system, call)) ? call : null
}

/** The same call of the thermostat that was read at, in a house that has several. */
function atItsThermostat(system: System, call: CallName, drafts: readonly EntryDraft[]): CallName {
  const places = drafts.flatMap((draft) =>
    draft.kind === 'reading' && 'a' in draft.probe ? [draft.probe.a, draft.probe.b].map((point) => parsePoint(point).place) : [],
  )
  const kindOf = (one: CallName) => one.split('-')[0]
  return callsOf(system).find((one) => places.includes(callerOf(system, one).place) && kindOf(one) === kindOf(call)) ?? call
}

/** Kept as it was typed. */
const IN_WORDS = /^\s*(?:note|complaint|repaired)\b/i

/** It is calling, said before or behind what was read meanwhile. */
const IT_CALLS = /(?:the )?(?:stat|thermostat|tstat)(?:[’']?s| is)? (?:calling|calls)(?: for (cool|heat|fan)(?:ing)?)?/
const CALLS_FIRST = new RegExp(`^${IT_CALLS.source},? (?:and |with |but )?(?=.*\\d)(.+)$`, 'i')
const CALLS_LAST = new RegExp(`^(.*\\d.*?)(?:,? (?:and |with |while )?${IT_CALLS.source}|, (?:and )?(?:it is |its |it's )?calling)$`, 'i')

/**
 * `thermostat is calling, 26 on W`: what was read while it calls was read on that call, which is told by its letter where it is not named.
 * The line as it is where it says no such thing, or where one of several thermostats calls.
 */
export function whileItCalls(line: string, { system, entries }: QuickLineContext): string {
  if (IN_WORDS.test(line)) return line
  const [first, last] = [CALLS_FIRST.exec(line.trim()), CALLS_LAST.exec(line.trim())]
  const [named, read] = first ? [first[1], first[2]] : last ? [last[2], last[1]] : [undefined, null]
  // What it calls for and does not give is another matter: that it shows a call counts then.
  if (read === null || /\b(?:no|0|nothing|dead)\b/i.test(read) || partsOf(system, 'thermostat').length > 1) return line
  const { bench } = foldJob(system, entries)
  const [, letter] = /\b([WYG])\d?\b/.exec(read) ?? []
  const call = named?.toLowerCase() ?? { W: 'heat', Y: 'cool', G: 'fan' }[letter ?? '']
  if (!bench.power || call === undefined || !callsOf(system).some((one) => one === call)) return line
  return bench.call === 'off' ? `call ${call}; ${read}` : read
}

const NO_SUCH_CALL =
  /^(.+?),? (?:with no|without an?|without any|without|with out a) (fan|cool|cooling|heat|heating|aux|auxiliary|emergency|second stage)(?: heat)?(?: call(?:ed|ing)?| called for)$/i

/**
 * `blower on with no fan call`: what was seen while that is not called. With nothing called in the record it was seen so; with another call on
 * it was seen on that; a record in which that very call is on is put right.
 */
export function withoutCall(line: string, { system, entries }: QuickLineContext): string {
  const found = IN_WORDS.test(line) ? null : NO_SUCH_CALL.exec(line.trim())
  if (!found) return line
  const { call } = foldJob(system, entries).bench
  if (call === 'off') return `${found[1]} with no call`
  const named = found[2].toLowerCase().replace(/ing$/, '')
  const isOn = /^(?:aux|second)/.test(named) ? /-2$/.test(call) : call.startsWith(named)
  return isOn ? `call off; ${found[1]}` : found[1]
}

/** The call of the complaint, while nothing is called in the record. */
export function callMissed({ system, entries }: QuickLineContext): CallName | null {
  const { bench, complaint } = foldJob(system, entries)
  const isQuiet = bench.power && bench.call === 'off' && bench.jumpers.length === 0
  const call = callsOf(system).find((one) => one === complaint.call)
  const isTold = complaint.symptoms.includes('mode-dead') || complaint.symptoms.includes('half-works')
  return isQuiet && call && isTold && !complaint.symptoms.includes('never-stops') ? call : null
}

/** What is said not to happen was to happen: it is not pulling in, the burners never light. */
export const SHOULD_DO = /\b(?:not|isn[’']?t|won[’']?t|will not|doesn[’']?t|does not|never|didn[’']?t|refuses)\b/i

/** A look at something that the call is to bring on, and that does not come. */
function standsStill(draft: EntryDraft, system: System, call: CallName): boolean {
  if (draft.kind !== 'reading' || draft.probe.meter !== 'look' || typeof draft.answer !== 'object' || !('word' in draft.answer))
    return false
  const { what, of } = parseLook(draft.probe.at)
  if (what === 'flame') return isHeat(call)
  const part = what === 'part' ? partById(system, of) : undefined
  return (
    (part?.kind === 'coil' && part.role !== 'damper' && draft.answer.word === 'out') ||
    (part?.kind === 'load' && (draft.answer.word === 'still' || draft.answer.word === HUMMING))
  )
}

const isHeat = (call: CallName): boolean => call.startsWith('heat') || call === 'emergency'

/** Coils that only heat brings on. */
const HEATS: ReadonlySet<string> = new Set(['gas-valve', 'sequencer'])

function showsCall(draft: EntryDraft, system: System, call: CallName): boolean {
  if (draft.kind !== 'reading') return false
  const { probe, answer } = draft
  const letters = callerOf(system, call).calls[call] ?? []
  if (probe.meter === 'volts') {
    const [one, other] = [probe.a, probe.b].map((point) => parsePoint(point).name)
    const value = typeof answer === 'number' ? answer : typeof answer === 'object' && 'low' in answer ? answer.low : 0
    return value > LIVE_FROM_VOLTS && letters.includes(one) && !letters.includes(other) && !/^R/.test(other)
  }
  if (probe.meter !== 'look') return false
  const { what, of } = parseLook(probe.at)
  if (what === 'flame') return isHeat(call)
  const part = what === 'part' ? partById(system, of) : undefined
  if (part?.kind === 'coil' && wordOf(answer) === 'in')
    return part.role === 'contactor' ? letters.some((letter) => /^Y1?$/.test(letter)) : isHeat(call) && HEATS.has(part.role)
  return part?.kind === 'load' && wordOf(answer) === 'runs' && isHeat(call) && /inducer|strips/.test(part.name)
}

/** What was proved is on while a letter of it is read live in the same breath. */
function provedLive(acts: readonly string[], system: System, entries: readonly Entry[]): string | null {
  const proved = acts.flatMap((act) => /^proved (\S+)/.exec(act)?.[1] ?? [])[0]
  const call = callsOf(system).find((one) => one.replace(/-(?=\d)/, '') === proved)
  if (!call || foldJob(system, entries).bench.call !== 'off') return null
  const letters = callerOf(system, call).calls[call] ?? []
  const isLive = (act: string) => {
    const [, name, volts] = /^([A-Z]\d?)-C (\d[\d.]*)/.exec(act) ?? []
    return name !== undefined && letters.includes(name) && Number(volts) > LIVE_FROM_VOLTS
  }
  return acts.some(isLive) ? proved : null
}

/** A letter, or a lead behind it, that is live on a call that the rest of the line implies was read on that call: it comes first. */
export function calledFirst(said: string, { system, entries }: QuickLineContext): string {
  const acts = said.split('; ')
  const proved = provedLive(acts, system, entries)
  if (proved !== null) return [`call ${proved}`, ...acts].join('; ')
  const at = acts.findIndex((act) => /^call (?!off\b)/.test(act))
  const call = callsOf(system).find((one) => at > 0 && acts[at] === `call ${one.replace(/-(?=\d)/, '')}`)
  if (!call || foldJob(system, entries).bench.call !== 'off') return said
  const letters = callerOf(system, call).calls[call] ?? []
  const isOnCall = (act: string) => {
    const [, name, volts] = /^([A-Z]\d?|[a-z]+-[a-z-]+)-C (\d[\d.]*)/i.exec(act) ?? []
    return name !== undefined && (name.includes('-') || letters.includes(name.toUpperCase())) && Number(volts) > LIVE_FROM_VOLTS
  }
  // So are parts that run, or are in, where nothing else was done before the call.
  const isSeen = (act: string) => {
    const [, name] = /^(.+) (?:runs|still|in|out)$/.exec(act) ?? []
    const kind = partById(system, (name && findPart(system, name)) ?? '')?.kind
    return kind === 'load' || kind === 'coil'
  }
  return acts.slice(0, at).some(isOnCall) || acts.slice(0, at).every(isSeen)
    ? [acts[at], ...acts.slice(0, at), ...acts.slice(at + 1)].join('; ')
    : said
}
