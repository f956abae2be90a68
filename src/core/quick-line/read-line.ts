import { NEVER_JOIN } from '@/src/core/bench/jumper-guard'
import { CAPACITOR_WITH_POWER, OHMS_WITH_POWER } from '@/src/core/job/check-entry'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { withoutWhatIsSo } from '@/src/core/quick-line/already-so'
import { asTyped } from '@/src/core/quick-line/as-typed'
import { breakerBySize } from '@/src/core/quick-line/breaker-by-size'
import { NOTE_ONLY, type Reader, readClauses } from '@/src/core/quick-line/clauses'
import { closedFirst } from '@/src/core/quick-line/closed-again'
import { isConclusion } from '@/src/core/quick-line/concluded'
import { spelledOut } from '@/src/core/quick-line/ellipsis'
import { firstTold, toldBeside } from '@/src/core/quick-line/first-told'
import { type QuickLineContext, type Reading, readInGrammar, stateOf, type Understood } from '@/src/core/quick-line/in-grammar'
import { whatStandsInTheWay } from '@/src/core/quick-line/in-the-way'
import { interpret } from '@/src/core/quick-line/interpret'
import { letterElsewhere } from '@/src/core/quick-line/letter-elsewhere'
import { lineHere } from '@/src/core/quick-line/line-here'
import { newPartOn } from '@/src/core/quick-line/new-part'
import {
  isDeadShort,
  isHandsOnWires,
  isOfReading,
  isPlainRemark,
  isRiddle,
  isShortedByHand,
  NO_ENTRY,
} from '@/src/core/quick-line/no-entry'
import { normalForm } from '@/src/core/quick-line/normal-form'
import { isNotDone, isOfBefore, STILL_TO_DO } from '@/src/core/quick-line/not-done'
import { offFirst, ohmsLater } from '@/src/core/quick-line/ohms-with-power'
import { fromOwnWords, withLeadsByName } from '@/src/core/quick-line/own-words'
import { clausesOf } from '@/src/core/quick-line/parted'
import { isOffOutdoorsOnly, STAYS_LIVE } from '@/src/core/quick-line/power'
import { questionAnswered } from '@/src/core/quick-line/question-answered'
import { isRemark, type Said } from '@/src/core/quick-line/rule'
import { inTheGrammar, plain } from '@/src/core/quick-line/said'
import { freedWire, ON_WHICH, screwOrWire, whichOf } from '@/src/core/quick-line/screw-or-wire'
import { Sentence } from '@/src/core/quick-line/sentence'
import { inFull } from '@/src/core/quick-line/shorthand'
import { askedOfFigures } from '@/src/core/quick-line/small-figure'
import { corrected, wordsInFull } from '@/src/core/quick-line/spelling'
import { readAnew } from '@/src/core/quick-line/taken-back'
import { calledFirst, callMissed, callOfComplaint, SHOULD_DO, whileItCalls, withoutCall } from '@/src/core/quick-line/told-call'
import { trialsOf } from '@/src/core/quick-line/trials'
import { tryDrafts } from '@/src/core/quick-line/try-drafts'
import { unheard } from '@/src/core/quick-line/unheard'

/**
 * Reads one quick line. Nothing is changed; what comes back is what would be entered, and how it was understood. What the grammar does
 * not read is tried as a sentence; where that fails, too, the grammar's own words say what would fit.
 */
export function readQuickLine(typed: string, asked: QuickLineContext): Understood {
  return readAnew(typed, (line) => {
    const put = questionAnswered(line)
    const answer = put === null ? null : readSaid(put, asked)
    return answer?.ok && answer.drafts.every(({ kind }) => kind !== 'note') ? answer : readSaid(line, asked)
  })
}

function readSaid(typed: string, asked: QuickLineContext): Understood {
  const line = breakerBySize(whileItCalls(withoutCall(typed, asked), asked), asked)
  const heard = letterElsewhere(
    line,
    closedFirst(line, asked, (said) => readSpelt(said, asked)),
    asked,
  )
  const read = newPartOn(line, heard, asked, (said) => readInGrammar(said, asked))
  if (read.ok && !/^\s*(?:note|complaint)\b/i.test(line)) {
    if (isNotDone(line, read.drafts)) return { ok: false, problem: STILL_TO_DO, start: 0, end: typed.length }
    if (isOfBefore(line, read.drafts)) return readInGrammar(`note ${line.trim()}`, asked)
  }
  const told = firstTold(line, read, asked) ?? toldBeside(read, asked)
  if (told) return told
  // What makes no sense with nothing called may on the call of the complaint.
  const call = read.ok
    ? callOfComplaint(line, read.drafts, asked)
    : SHOULD_DO.test(line) || read.problem.startsWith('No call is on')
      ? callMissed(asked)
      : null
  const onIt = call === null ? null : readSpelt(`call ${call.replace('-zone-', ' zone ')}; ${line}`, asked)
  return onIt?.ok && (read.ok || onIt.drafts.some(({ kind }) => kind === 'reading')) ? onIt : read
}

/** Understood by its words, and not by its letters and figures. */
const isOfWords = (draft: EntryDraft): boolean => draft.kind === 'note' || (draft.kind === 'reading' && draft.probe.meter === 'look')

function readSpelt(line: string, asked: QuickLineContext): Understood {
  const read = readWhole(line, asked)
  if (/^\s*note\b/i.test(line) || (read.ok && !read.drafts.some(isOfWords))) return read
  const spelt = corrected(line, asked.system)
  if (spelt === line) return read
  // A word that is misspelt was passed over, or made a note of the line: put right it says what it is of.
  const again = readWhole(spelt, asked)
  return again.ok || read.ok ? (again.ok ? again : read) : { ...again, start: 0, end: line.length }
}

function readWhole(line: string, asked: QuickLineContext): Understood {
  const [, bare = line, where] = ON_WHICH.exec(line.trim()) ?? []
  const heard = readAll(bare, asked)
  const isOwn = inOwnWords(bare, asked) !== null
  const isExact = isOwn || readInGrammar(bare, asked).ok
  const which = heard.ok
    ? ((isExact ? null : screwOrWire(bare, heard.drafts, asked.system, where !== undefined)) ?? freedWire(bare, heard.drafts, asked))
    : null
  if (which && where) return readAll(/^(?:w|cable|cond)/i.test(where) ? which.wires : which.screws, asked)
  if (which) return { ok: false, problem: whichOf(line), start: 0, end: line.length }
  const the = new Sentence(asked.system, foldJob(asked.system, asked.entries), bare)
  if (heard.ok && isOffOutdoorsOnly(line, heard.drafts, the)) return { ok: false, problem: STAYS_LIVE, start: 0, end: line.length }
  const unit = heard.ok && !isOwn ? askedOfFigures(bare, heard.drafts, the, isExact) : null
  if (unit !== null) return { ok: false, problem: unit, start: 0, end: line.length }
  return where ? accounted(line, readAll(line, asked), false, asked) : accounted(line, heard, isExact, asked)
}

/** What was heard of a line, where all of it was. */
function accounted(line: string, heard: Understood, isExact: boolean, asked: QuickLineContext): Understood {
  if (!heard.ok && heard.problem === OHMS_WITH_POWER) return offFirst(line, heard, asked, readAll)
  if (isShortedByHand(line) && (!heard.ok || heard.drafts.every(({ kind }) => kind === 'note')))
    return { ok: false, problem: NEVER_JOIN, start: 0, end: line.length }
  if (!heard.ok) return isDeadShort(line, heard.problem) ? { ...heard, problem: NEVER_JOIN } : heard
  const read = asTyped(line, heard, asked)
  const { system, entries } = asked
  const lost = isExact ? null : unheard(inFull(wordsInFull(line, system)), heard.drafts, system, foldJob(system, entries))
  if (lost === null) return read
  // What was said in ohms would be volts, since the record has the power on.
  if (/^ohms?$/i.test(lost)) return offFirst(line, { ok: false, problem: OHMS_WITH_POWER, start: 0, end: line.length }, asked, readAll)
  const problem = `I heard "${read.say}", but nothing of "${lost}". Say it in parts, or put "note" before it.`
  return { ok: false, problem, start: 0, end: line.length }
}

function readAll(said: string, asked: QuickLineContext): Understood {
  const context: Reading = { ...asked, made: new Map(), led: new Map(), stood: asked.entries.length }
  const line = lineHere(said, asked)
  const read = inOwnWords(said, context) ?? readInGrammar(line, context)
  // In the grammar's words, and refused for the hand's sake: never a remark.
  if (read.ok || isOfRun(line) || read.problem === CAPACITOR_WITH_POWER) return read
  if (isConclusion(line)) return readInGrammar(`note ${line.trim()}`, context)
  const full = inFull(withLeadsByName(wordsInFull(line, context.system), context.system))
  if (isOfRun(full)) {
    const run = readInGrammar(full, context)
    return run.ok ? run : { ...run, start: 0, end: line.length }
  }
  const clauses = clausesOf(full)
  // What is shortened as a whole line is so as one of several, too; a note stays as it was typed.
  const put = inGrammarsWords(
    clauses.length < 2 ? clauses : clauses.map((clause) => (/^\s*note\b/i.test(clause) ? clause : inFull(clause.trim()))),
    context,
  )
  if (put === null)
    return (
      asRemark(line, context) ??
      whatStandsInTheWay(line, context, readAll) ??
      ohmsLater(line, asked, readAll) ??
      (isOfReading(line, context) && !isRiddle(line, read.problem) ? read : { ...read, problem: NO_ENTRY })
    )
  if (typeof put === 'object') return { ok: false, problem: put.asks, start: 0, end: line.length }
  const later = isRemark(put) ? ohmsLater(line, asked, readAll) : null
  if (later) return later
  if (isRemark(put) && isHandsOnWires(line)) return { ...read, problem: NO_ENTRY }
  const first = readInGrammar(put, context)
  const left = first.ok ? null : withoutWhatIsSo(put, first.problem, context)
  const understood = left === null ? first : readInGrammar(left, context)
  if (understood.ok) return understood
  // What was understood and cannot be now is refused with its own reason; where the line said it in the grammar's words, at its own word.
  return understood.problem === read.problem ? read : { ...understood, start: 0, end: line.length }
}

/** What the product itself says of an entry is that entry. */
function inOwnWords(line: string, context: Reading): Understood | null {
  if (!/:|^(?:lift|land|jumper|take|pull|clip|set|panel|swap|reset|new|fuse|breaker|\d)/i.test(line)) return null
  const own = fromOwnWords(line, context.system, foldJob(context.system, context.entries).bench.place)
  const read = own === null ? null : readInGrammar(own, context)
  return read?.ok ? read : null
}

/** What is read along a run is refused with its own reason: as a sentence it would be a reading on the screws. */
const isOfRun = (clause: string): boolean => /^\s*(?:(?:loop|landmark)\b|cap (?:\w+ )?[a-z]\w?(?:-\w+)? [\d.]+ ?(?:[npu]f)\b)/i.test(clause)

/** A sentence that is no entry of any kind is a note, by which nothing is weighed. */
const asRemark = (line: string, context: QuickLineContext): Understood | null =>
  isPlainRemark(line, context.system) ? readInGrammar(`note ${line.trim()}`, context) : null

/** Clauses put into the grammar's words one after the other, each where those before it have led; null when one of them is not understood. */
function inGrammarsWords(clauses: readonly string[], context: Reading): Said {
  const put: string[] = []
  const notes: string[] = []
  let { entries } = context
  for (const clause of clauses) {
    if (clause.trim() === '') continue
    const said = withTrials(clause, { ...context, entries }) ?? readClauses(spelledOut(clause), readerOf({ ...context, entries }))
    if (said === null || typeof said === 'object') return said
    // A note takes the rest of its line: all of them stand behind everything else, as one.
    const note = /^(?:(.*?);)?\s*note\s+(.+)$/is.exec(said)
    if (note) notes.push(note[2].trim())
    const entered = note ? note[1] : said
    if (!entered) continue
    put.push(entered)
    entries = entriesAfter(entered, { ...context, entries })
  }
  if (notes.length > 0) put.push(`note ${notes.join('; ')}`)
  return put.length === 0 ? null : calledFirst(put.join('; '), context)
}

/** Trials of several calls, alone or behind something else: breaker in, trips on heat and cool, not fan. */
function withTrials(clause: string, context: Reading): Said {
  const trialsAfter = (entries: readonly Entry[], said: string) =>
    trialsOf(said, new Sentence(context.system, foldJob(context.system, entries), clause))
  const starts = [0, ...[...clause.matchAll(/,\s*(?:and\s+|then\s+|now\s+)?/g)].map(({ 0: sign, index }) => index + sign.length)]
  const start = starts.find((at) => trialsAfter(context.entries, clause.slice(at)) !== null)
  if (start === undefined) return null
  const before = clause.slice(0, start).replace(/,\s*(?:and|then|now)?\s*$/, '')
  if (before.trim() === '') return trialsAfter(context.entries, clause)
  const said = readClauses(spelledOut(before), readerOf(context))
  if (typeof said !== 'string' || /(?:^|; )(?:note|repaired) /.test(said)) return null
  const trials = trialsAfter(entriesAfter(said, context), clause.slice(start))
  return typeof trials === 'string' ? `${said}; ${trials}` : trials
}

/** Reads clauses, each once in each state of the job. */
function readerOf(context: Reading): Reader {
  const memo = new Map<string, Said>()
  const asItStands = (clause: string, entries: readonly Entry[]): Said => {
    const whole = clauseInGrammar(clause, { ...context, entries }) ?? onCall(clause, { ...context, entries })
    const isOpen = whole === null || (typeof whole === 'string' && isRemark(whole))
    return (isOpen ? readThere(clause, { ...context, entries }) : null) ?? whole
  }
  return {
    ...context,
    read: (clause, entries) => {
      const key = `${clause} ${stateOf({ ...context, entries })}`
      const known = memo.get(key)
      if (known !== undefined) return known
      const said = asItStands(clause, entries) ?? readShortened(clause, { ...context, entries }, asItStands)
      memo.set(key, said)
      return said
    },
    isReadable: (said, entries) => readInGrammar(said, { ...context, entries }).ok,
    isHeard: (text, said, entries) => {
      const read = readInGrammar(said, { ...context, entries })
      return !read.ok || unheard(text, read.drafts, context.system, foldJob(context.system, entries)) === null
    },
    after: (said, entries) => entriesAfter(said, { ...context, entries }),
  }
}

/** One of several clauses as it is shortened when it stands by itself; a word or two are part of another clause. */
function readShortened(clause: string, context: Reading, read: Reader['read']): Said {
  const full = inFull(clause.trim())
  if (full === clause.trim() || clause.trim().split(/\s+/).length < 3) return null
  const put: string[] = []
  let { entries } = context
  for (const part of full.split(/;\s*/)) {
    const said = read(part, entries)
    if (typeof said !== 'string') return said
    put.push(said)
    entries = entriesAfter(said, { ...context, entries })
  }
  return put.join('; ')
}

function entriesAfter(said: string, context: Reading): readonly Entry[] {
  const key = `${said} ${stateOf(context)}`
  const known = context.led?.get(key)
  if (known) return known
  const read = readInGrammar(said, context)
  const taken = read.ok ? tryDrafts(context.system, context.entries, read.drafts) : null
  const after = taken?.ok ? [...context.entries, ...taken.made] : context.entries
  context.led?.set(key, after)
  return after
}

/** One clause: as it stands, in another form of it, or as a sentence. */
function clauseInGrammar(clause: string, context: Reading): Said {
  if (readInGrammar(clause, context).ok) return clause
  if (isConclusion(clause)) return `note ${clause.trim()}`
  if (isOfRun(clause)) return null
  const own = fromOwnWords(clause, context.system, foldJob(context.system, context.entries).bench.place)
  if (own !== null && readInGrammar(own, context).ok) return own
  const state = foldJob(context.system, context.entries)
  const isReadable = (command: string) => readInGrammar(command, context).ok
  // "Y still 0.3" was read between the same points as before.
  const again = STILL.test(clause) ? inTheGrammar(clause, context.system, state, clause, isReadable) : null
  if (again !== null && (typeof again === 'object' || isReadable(again))) return again
  const normal = normalForm(clause, context.system, state)
  if (readInGrammar(normal, context).ok) return normal
  const said =
    inTheGrammar(normal, context.system, state, clause, isReadable) ??
    (plain(normal) === plain(clause) ? null : inTheGrammar(clause, context.system, state, clause, isReadable))
  if (said !== null && (typeof said === 'object' || (isReadable(said) && !isRemark(said)))) return said
  const the = new Sentence(context.system, state, clause)
  const first = interpret(plain(clause), the)
  const other = typeof first === 'string' || plain(normal) === plain(clause) ? null : interpret(plain(normal), the)
  // What is clear in one form of it is not asked in another.
  const meant = typeof other === 'string' ? other : (first ?? other)
  if (meant === null || (typeof said === 'string' && typeof meant === 'object' && isReadable(said))) return said
  // A remark is what is left where nothing else is meant.
  if (typeof said === 'string' && isRemark(said) && NOTE_ONLY.test(clause)) return said
  if (typeof said === 'string' && typeof meant === 'string' && isRemark(said) && !isRemark(meant) && isReadable(meant)) return meant
  return said === null || typeof meant === 'object' || isReadable(meant) ? meant : said
}

/** A letter, and what it still reads. */
const STILL = /^[A-Z]\d? (?:is |reads? |shows? )?still (?:\d|ol\b|open\b)/i

/** `outside coil by itself 14`: who reads at a place stands there. */
function readThere(clause: string, context: Reading): string | null {
  const [, where, rest] =
    /^((?:at (?:the )?(?:zone )?\w+|outside|outdoors|out (?:here|there)|inside|indoors))[,:]?\s+(.*\d.*)$/i.exec(clause.trim()) ?? []
  const state = foldJob(context.system, context.entries)
  const place = where === undefined ? null : new Sentence(context.system, state, clause).place(where.toLowerCase())
  if (place === null || place === state.bench.place) return null
  const said = inGrammarsWords([`walk ${place}`, rest], context)
  return typeof said === 'string' && !/(?:^|; )note /.test(said) ? said : null
}

/** `24 on Y with cool called`. */
function onCall(clause: string, context: Reading): Said {
  const found =
    /^(.+) with (?:the )?(cool|cooling|heat|heating|fan|aux|auxiliary|emergency|em|strips)(?: heat| call)? (?:called|calling|on)$/i.exec(
      clause.trim(),
    )
  if (found) return inGrammarsWords([`call for ${found[2]}`, found[1]], context)
  // `R to Y 0.2 with a call`: for what that letter calls.
  const called = /^(.+) (?:with|on|during|under) (?:a |the )?call(?: on)?$/i.exec(clause.trim())
  const letter = /\b([YGW])1?\b/.exec(called?.[1] ?? '')
  return called && letter && inGrammarsWords([`call for ${CALLED_BY[letter[1] as keyof typeof CALLED_BY]}`, called[1]], context)
}
const CALLED_BY = { Y: 'cool', G: 'fan', W: 'heat' } as const
