import type { EntryDraft } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { lostEnd, lostMeter, lostPlace, lostPower, lostWire } from '@/src/core/quick-line/lost-conditions'
import { lostState, lostTrial, withoutMoment } from '@/src/core/quick-line/lost-states'
import { atTheStat, otherJumper, otherPlace } from '@/src/core/quick-line/other-places'
import { IN_PLACE } from '@/src/core/quick-line/other-words'
import { Sentence } from '@/src/core/quick-line/sentence'
import { probeKey } from '@/src/core/readings/check'
import { parsePoint } from '@/src/core/wiring/point'
import { partById, type System } from '@/src/core/wiring/system'

/**
 * The first thing that a line names and that nothing of what would be entered holds: a part, a call, a terminal, a number. Half a line
 * that is taken for all of it weighs something that nobody said. Null where all of it was heard.
 */
export function unheard(said: string, drafts: readonly EntryDraft[], system: System, state: JobState): string | null {
  // What is told of the visit is kept in words.
  if (drafts.some(({ kind }) => !OF_THE_BENCH.has(kind))) return null
  const line = withoutMoment(said, drafts)
  const heard = {
    held: JSON.stringify(drafts).toLowerCase(),
    kept: drafts
      .map((draft) => (draft.kind === 'note' ? draft.text : ''))
      .join(' ')
      .toLowerCase()
      .replace(/[,;:]/g, ''),
  }
  const the = new Sentence(system, state, line)
  return (
    lostStage(line, the) ??
    lostLetter(line, the, heard) ??
    lostWords(line, the, heard) ??
    lostSecond(line, heard) ??
    lostMoment(line, heard) ??
    lostOverload(line, drafts) ??
    lostState(line, the, drafts) ??
    lostTrial(line, drafts) ??
    lostFuse(line, drafts) ??
    lostWinding(line, the, drafts) ??
    otherThanSeen(line, drafts) ??
    otherPlace(line, the, drafts) ??
    atTheStat(line, the, drafts) ??
    otherJumper(line, the, drafts) ??
    lostEnd(line, state, drafts) ??
    lostPlace(line, the, drafts) ??
    lostPower(line, state, drafts) ??
    lostMeter(line, drafts) ??
    lostWire(line, drafts) ??
    lostOutput(line, the, heard)
  )
}

/** The second of two stages that are told apart, in a house that has one wire for both. */
function lostStage(line: string, the: Sentence): string | null {
  const [, letter, other] = /\b([WY])1\b.*\b(\1[23])\b/.exec(line) ?? []
  return letter === undefined || ['1', '2'].some((stage) => the.isLetter(letter + stage)) ? null : other
}

/** What a board gives out, by its letter: Y out is not Y. */
function lostOutput(line: string, the: Sentence, { held, kept }: Heard): string | null {
  const [said] = /\b[a-z]\d? out(?= (?:to (?:c|gnd|ground)\b|\d))/i.exec(line) ?? []
  // Where no board has such a terminal, what goes out is the letter itself.
  const isTerminal = said !== undefined && the.isLetter(said.toLowerCase().replace(' ', '-'))
  return !isTerminal || /-out@|"[a-z0-9-]*-(?:in|hot)@/.test(held) || kept.includes(said.toLowerCase()) ? null : said
}

/** The second of two: a bank, a stage or a compressor of which nothing that is entered speaks. */
function lostSecond(line: string, { held, kept }: Heard): string | null {
  const [said] = /\b(?:bank|compressor) (?:two|2)\b|\b(?:second|2nd) (?:bank|compressor)\b/i.exec(line) ?? []
  return said === undefined || /second|-2\b|[a-z]2\b/.test(held) || kept.includes(said.toLowerCase()) ? null : said
}

/** A motor that gets hot and trips opens its own overload: the protection of the 24 V side did not. */
function lostOverload(line: string, drafts: readonly EntryDraft[]): string | null {
  const [said] = /\b(?:compressor|fan|blower|motor)\b[^,;]*\b(?:hot|warm|overheat\w*)\b[^,;]*\b(?:trips|tripped)\b/i.exec(line) ?? []
  return said !== undefined && drafts.some(({ kind }) => kind === 'trip') ? said : null
}

/** A winding read by itself, its leads off: the leads read otherwise, and no point of the house is on its side of them. */
function lostWinding(line: string, { system, state }: Sentence, drafts: readonly EntryDraft[]): string | null {
  const taken = drafts.flatMap((draft) => (draft.kind === 'bench' && draft.change.do === 'unplug' ? [draft.change.part] : []))
  const isOff = [...state.bench.unplugged, ...taken].some((id) => partById(system, id)?.kind === 'transformer')
  const [said] =
    /\b(?:transformer|secondary|winding)(?: winding| secondary)?(?: is| reads?| ohms| measures| at)* (?:\d*\.?\d+|ol\b|open\b)/i.exec(
      line,
    ) ?? []
  return said !== undefined && isOff && drafts.some(({ kind }) => kind === 'reading') ? said : null
}

/** The moment at which it happens: what lets go as a motor starts was in before, and the motor stops with it. */
function lostMoment(line: string, { kept }: Heard): string | null {
  const [, moment] =
    /\b(?:drops? out|dropped out|lets? go|opens)\b.*\b((?:when|as soon as|every time|once) (?:the )?(?:\w+ )?(?:fan|blower|compressor|motor) (?:starts|comes on|kicks on|runs|kicks in|tries to start))\b/i.exec(
      line,
    ) ?? []
  return moment === undefined || kept.includes(moment.toLowerCase()) ? null : moment
}

/** A fuse that was put in beside something else that the hand did. */
function lostFuse(line: string, drafts: readonly EntryDraft[]): string | null {
  const [said] =
    /\b(?:put|stuck|popped|threw|installed)\b[^,;]{0,16}\bfuse(?: back)? in\b|(?<=, ?|\band )(?:new |fresh )?fuse in\b/i.exec(line) ?? []
  const isPut = drafts.some(
    (draft) => (draft.kind !== 'bench' && draft.kind !== 'reading') || (draft.kind === 'bench' && /^(?:slot|reset)$/.test(draft.change.do)),
  )
  return said === undefined || isPut ? null : said
}

/** Two things that are seen of one part, or read between the same points, at once: one of them was said of another. One after the other is told so. */
function otherThanSeen(line: string, drafts: readonly EntryDraft[]): string | null {
  if (
    /\b(?:then|after|before|until|again|reset|stops?|stopped|quits?|shuts?|drops?|dies|died|goes|cuts?|buzz\w*|hum\w*|chatter\w*)\b/i.test(
      line,
    )
  )
    return null
  const seen = new Map<string, string>()
  for (const draft of drafts) {
    if (draft.kind === 'bench') seen.clear()
    if (draft.kind !== 'reading') continue
    const at = draft.probe.meter === 'look' ? draft.probe.at : probeKey(draft.probe)
    const word = JSON.stringify(draft.answer)
    if ((seen.get(at) ?? word) !== word)
      return (
        line
          .trim()
          .split(/,\s*|\s+(?:but|and)\s+/)
          .at(-1) ?? line
      )
    seen.set(at, word)
  }
  return null
}

const OF_THE_BENCH: ReadonlySet<EntryDraft['kind']> = new Set(['bench', 'reading', 'trip', 'note'])

interface Heard {
  /** The entries as they are written, in small letters. */
  readonly held: string
  /** What stays in the record in the words in which it was said. */
  readonly kept: string
}

/** A terminal by its capital letter. Common is where everything is read against, and R and the legs feed it. */
function lostLetter(line: string, the: Sentence, { held, kept }: Heard): string | null {
  // On a call, of a zone, through a board a letter is another name for what is held.
  if (/\b(?:zone|board|but|except|besides|just|only)\b/i.test(line) || held.includes('"call"')) return null
  for (const [said] of line.matchAll(
    /(?<![\w'’.-])[A-Z]\d?(?![\w'’.]|-(?:in|out)\b| (?:in|out) \d| ?\d| (?:(?:wire |lead )?(?:to|into|feeding) (?:the )?(?:\w+ )?)?(?:contactor|relay|sequencer|valve|coil)\b)/g,
  )) {
    const letter = said.toLowerCase()
    if (
      isOffAlready(the, letter, held) ||
      /^(?:[acir]|l\d)$/.test(letter) ||
      !the.isLetter(said) ||
      new RegExp(`\\b${letter}\\b`).test(kept)
    )
      continue
    if (!new RegExp(`["\\s.:]${letter}["@\\s]`).test(held) && !isScrewOfHeld(the, said, held)) return said
  }
  return null
}

/** Told again of what is off beside something else that comes off. */
const isOffAlready = ({ state }: Sentence, letter: string, held: string): boolean =>
  held.includes('"lift"') && state.bench.lifted.some((end) => parsePoint(end).name.toLowerCase() === letter)

/** A screw of a zone by its own letter, where the wire under it is held by another: Y1 of cable 1 is its Y. */
const isScrewOfHeld = ({ system }: Sentence, screw: string, held: string): boolean =>
  system.cables.some(
    ({ id, conductors }) =>
      held.includes(id) &&
      conductors.some(
        (one) => one.lands.includes(screw) && (held.includes(`"${one.id.toLowerCase()}"`) || held.includes(`.${one.id.toLowerCase()}@`)),
      ),
  )

const LONGEST_NAME = 6

/** Names of several words first, so that none is taken apart. */
function lostWords(line: string, the: Sentence, heard: Heard): string | null {
  // With something in place that is in place says no more than the rest.
  const words = line
    .replace(IN_PLACE, '$1')
    .toLowerCase()
    .replace(/[’']s\b/g, '')
    .replace(/[’']/g, '')
    .replace(/[,;:.!?]+(?=\s|$)/g, ' ')
    .replace(/\b(fan|inducer|blower) motor\b/g, '$1')
    .split(/\s+/)
    .filter(Boolean)
  for (let at = 0; at < words.length; ) {
    if (isLostReading(words, at, heard)) return words[at]
    // What burns or not is seen, and held by no reading.
    if (words[at] === 'flame' && words[at - 1] === 'no' && !/flame|runs@/.test(heard.held + heard.kept)) return 'no flame'
    let length = Math.min(LONGEST_NAME, words.length - at)
    for (; length > 0; length--) {
      const phrase = words.slice(at, at + length).join(' ')
      const isHeld = isHeldName(
        phrase,
        (/^(?:the|a|an)$/.test(words[at - 1]) ? words[at - 2] : words[at - 1]) ?? '',
        words[at + length] ?? '',
        the,
        heard,
      )
      if (isHeld === false) return phrase
      if (isHeld) break
    }
    at += Math.max(1, length)
  }
  return null
}

const COUNTS = /^(?:secs?|seconds?|mins?|minutes?|hours?|times?|degrees|years?|days?|zone|amps?|a|in|flashes|blinks|tap)$/
const NUMBERED = /^(?:zone|stage|leg|compressor|contactor|stat|thermostat|damper|code|no|number|side|to|cool|heat)$/

/** Parts that are told apart by a small number; a larger one was read of them. */
const PART_NUMBERED = /^(?:compressor|contactor|stat|thermostat|damper|leg)$/
const MOST_OF_A_KIND = 4

/** Volts or ohms that no entry holds; a small whole number may count something. */
function isLostReading(words: readonly string[], at: number, { held, kept }: Heard): boolean {
  const [before = '', word, after = ''] = [words[at - 1], words[at], words[at + 1]]
  const value = Number.parseFloat(word)
  const isOfSeveral = NUMBERED.test(before) && (value <= MOST_OF_A_KIND || !PART_NUMBERED.test(before))
  if (!/^\d*\.?\d+(?:v|ohms?)?$/.test(word) || /^\d/.test(after) || COUNTS.test(after) || isOfSeveral) return false
  // 24 drops to 12: what it should be.
  if (
    /^(?:drop|sag|fall|fell|dip|goes|went)/.test(after) ||
    (/^v(?:olts?)?$/.test(after) && /^(?:drop|sag|fall|fell|dip)/.test(words[at + 2] ?? ''))
  )
    return false
  // What a thermostat is set to is in its call.
  const beside = /^(?:cool|heat)/.test(after) ? after : before
  const isSetpoint = value > 40 && value < 95 && /^(?:cool|heat|cooling|heating|set|to|at|on)$/.test(beside)
  if (isSetpoint && held.includes('"call":"')) return false
  if (/^(?:k|meg|megs|m|kohms?|mohms?|megohms?)$/.test(after)) return false
  return (value >= 10 || word.includes('.')) && !held.includes(String(value)) && !kept.includes(word)
}

/** Whether a name is held; null where it is no name. Fuses, transformers and thermostats are meant by much that does not name them. */
function isHeldName(phrase: string, before: string, after: string, the: Sentence, { held, kept }: Heard): boolean | null {
  if (kept.includes(phrase) || !/[a-z]{3}/.test(phrase) || /^(?:high|low|(?:the|a) .*)$/.test(phrase)) return null
  if (/^(?:side|transformer|stage|strips?)$/.test(after)) return null
  // The stage that is called.
  if (/^(?:second|2nd) stage$/.test(phrase) && /"call":"(?:cool|heat)-2"/.test(held)) return null
  // The heat of an emergency call is that call.
  if (phrase === 'heat' && /^(?:emergency|em|aux|auxiliary)$/.test(before) && the.state.bench.call === 'emergency') return null
  // A door that is off or on is a panel.
  if (phrase === 'door' && held.includes('"do":"panel"')) return null
  // To heat, and not the call for it.
  if (/^(?:dont|doesnt|wont|not|didnt|never|cant)$/.test(before)) return null
  const isCall =
    /^(?:cool|heat|fan)$/.test(phrase) || (/^(?:cooling|heating)$/.test(phrase) && /^(?:in|on|for|to|calls?|called)$/.test(before))
  const call = isCall ? the.call(phrase) : null
  if (call !== null)
    return /"call":"(?:off|emergency)|blower/.test(held) ||
      held.includes(call.replaceAll(' ', '-')) ||
      the.state.bench.call.startsWith(call)
      ? null
      : false
  if (the.place(phrase) !== null) return true
  // What a wire is taken off, or goes to, says where its screw is.
  if (/^(?:from|off|to|of|at|on)$/.test(before) && /"do":"(?:lift|land)"/.test(held)) return null
  const part = partById(the.system, the.part(phrase) ?? '')
  if (part?.kind !== 'coil' && part?.kind !== 'load' && part?.kind !== 'switch') return null
  const names = [part.id, ...part.between, ...(part.kind === 'coil' ? (part.contact ?? []) : [])]
  return names.some((name) => new RegExp(`["@]${name.toLowerCase()}["@.]`).test(held)) || /\b(?:runs|wiring|flame|signal)@/.test(held)
}
