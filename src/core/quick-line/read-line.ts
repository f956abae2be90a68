import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob, lastStanding } from '@/src/core/job/fold'
import { sayDraft, sayFallen } from '@/src/core/job/say-draft'
import { isRemark, type Reader, readClauses } from '@/src/core/quick-line/clauses'
import { parseCommand } from '@/src/core/quick-line/commands'
import { spelledOut } from '@/src/core/quick-line/ellipsis'
import { interpret } from '@/src/core/quick-line/interpret'
import { dashedNames } from '@/src/core/quick-line/names'
import { isOfReading, isPlainRemark, isRiddle, NO_ENTRY } from '@/src/core/quick-line/no-entry'
import { normalForm } from '@/src/core/quick-line/normal-form'
import { fromOwnWords, withLeadsByName } from '@/src/core/quick-line/own-words'
import { clausesOf } from '@/src/core/quick-line/parted'
import { asStretch } from '@/src/core/quick-line/phrases'
import type { Said } from '@/src/core/quick-line/rule'
import { inTheGrammar, plain } from '@/src/core/quick-line/said'
import { Sentence } from '@/src/core/quick-line/sentence'
import { inFull } from '@/src/core/quick-line/shorthand'
import { type Token, tokenize } from '@/src/core/quick-line/tokens'
import { tryDrafts } from '@/src/core/quick-line/try-drafts'
import { unheard } from '@/src/core/quick-line/unheard'
import type { Probe } from '@/src/core/readings/check'
import type { System } from '@/src/core/wiring/system'

/** What a line is read against. */
export interface QuickLineContext {
  readonly system: System
  readonly entries: readonly Entry[]
  /** Leading faults, so that a repair can be named by its rank. */
  readonly suspects: readonly { readonly id: string; readonly zone: string | null; readonly repair: string | null }[]
  /** The check that is proposed now, for "skip". */
  readonly proposed: Probe | null
}

/** The same, while one line is read: what the grammar makes of a clause in one state of the job is made once. */
interface Reading extends QuickLineContext {
  readonly made?: Map<string, Understood>
  /** The same entries where a clause leads from the same state: they are folded once. */
  readonly led?: Map<string, readonly Entry[]>
  /** Entries that stood before the line; what is behind them its own clauses would have entered. */
  readonly stood?: number
}

const stateOf = ({ entries, stood = 0 }: Reading): string => JSON.stringify(entries.slice(stood))

export type Understood =
  | { readonly ok: true; readonly drafts: readonly EntryDraft[]; readonly say: string }
  /** `start` and `end` are where in the line the trouble stands. */
  | { readonly ok: false; readonly problem: string; readonly start: number; readonly end: number }

/**
 * Reads one quick line. Nothing is changed; what comes back is what would be entered, and how it was understood. What the grammar does
 * not read is tried as a sentence; where that fails, too, the grammar's own words say what would fit.
 */
export function readQuickLine(line: string, asked: QuickLineContext): Understood {
  const read = readAll(line, asked)
  if (!read.ok) return read
  const lost =
    readInGrammar(line, asked).ok || inOwnWords(line, asked)
      ? null
      : unheard(line, read.drafts, asked.system, foldJob(asked.system, asked.entries))
  return lost === null
    ? read
    : {
        ok: false,
        problem: `I heard "${read.say}", but nothing of "${lost}". Say it in parts, or put "note" before it.`,
        start: 0,
        end: line.length,
      }
}

function readAll(line: string, asked: QuickLineContext): Understood {
  const context: Reading = { ...asked, made: new Map(), led: new Map(), stood: asked.entries.length }
  const read = inOwnWords(line, context) ?? readInGrammar(line, context)
  if (read.ok || isOfRun(line)) return read
  const put = inGrammarsWords(clausesOf(inFull(withLeadsByName(line, context.system))), context)
  if (put === null)
    return asRemark(line, context) ?? (isOfReading(line, context) && !isRiddle(line, read.problem) ? read : { ...read, problem: NO_ENTRY })
  if (typeof put === 'object') return { ok: false, problem: put.asks, start: 0, end: line.length }
  const understood = readInGrammar(put, context)
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
    const said = readClauses(spelledOut(clause), readerOf({ ...context, entries }))
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
  return put.length === 0 ? null : put.join('; ')
}

/** Reads clauses, each once in each state of the job. */
function readerOf(context: Reading): Reader {
  const memo = new Map<string, Said>()
  return {
    ...context,
    read: (clause, entries) => {
      const key = `${clause} ${stateOf({ ...context, entries })}`
      const known = memo.get(key)
      if (known !== undefined) return known
      const said = clauseInGrammar(clause, { ...context, entries }) ?? onCall(clause, { ...context, entries })
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
  if (isOfRun(clause)) return null
  const own = fromOwnWords(clause, context.system, foldJob(context.system, context.entries).bench.place)
  if (own !== null && readInGrammar(own, context).ok) return own
  const state = foldJob(context.system, context.entries)
  const normal = normalForm(clause, context.system, state)
  if (readInGrammar(normal, context).ok) return normal
  const isReadable = (command: string) => readInGrammar(command, context).ok
  const said =
    inTheGrammar(normal, context.system, state, clause, isReadable) ??
    (plain(normal) === plain(clause) ? null : inTheGrammar(clause, context.system, state, clause, isReadable))
  if (said !== null && (typeof said === 'object' || (isReadable(said) && !isRemark(said)))) return said
  const the = new Sentence(context.system, state, clause)
  const first = interpret(plain(clause), the)
  const other = typeof first === 'string' || plain(normal) === plain(clause) ? null : interpret(plain(normal), the)
  // What is clear in one form of it is not asked in another.
  const meant = typeof other === 'string' ? other : (first ?? other)
  if (meant === null || (said !== null && typeof meant === 'object')) return said
  // A remark is what is left where nothing else is meant.
  if (typeof said === 'string' && typeof meant === 'string' && isRemark(said) && !isRemark(meant) && isReadable(meant)) return meant
  return said === null || (typeof meant === 'string' && isReadable(meant)) ? meant : said
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

/** A line in the grammar alone: what is typed letter by letter, and completed. */
export function readInGrammar(line: string, context: Reading): Understood {
  if (!context.made) return readByWords(line, context)
  const key = `${line} ${stateOf(context)}`
  const known = context.made.get(key)
  if (known) return known
  const understood = readByWords(line, context)
  context.made.set(key, understood)
  return understood
}

function readByWords(line: string, context: QuickLineContext): Understood {
  const clauses = line.split(';')
  if (clauses.length > 1 && clauses.some((clause) => asStretch(clause))) return readEach(clauses, context)
  const stretch = asStretch(line)
  if (stretch) return readStretch(stretch, context)
  const known = dashedNames(context.system)
  const tokens = tokenize(line, (word) => known.has(word) || known.has(word.toLowerCase()))
  if (tokens.length === 0)
    return {
      ok: false,
      problem: 'Type a reading (R-C 26.4), a change (lift outdoor Y at indoor) or a trip (holds on fan).',
      start: 0,
      end: 0,
    }
  let made: Made[] = []
  let entries = [...context.entries]
  for (const tokensOfOne of splitCommands(tokens)) {
    const state = foldJob(context.system, entries)
    const result = parseCommand(line, tokensOfOne, { ...context, state, lastEntry: lastStanding(state) })
    if (!result.ok) return result
    const [first] = result.drafts
    if (first?.kind === 'undo' && made.some(({ entry }) => entry.id === first.target)) {
      // What was said in this very line is not entered and undone: it is not entered.
      entries = entries.filter(({ id }) => id !== first.target)
      made = made.filter(({ entry }) => entry.id !== first.target)
      continue
    }
    const taken = tryDrafts(context.system, entries, result.drafts)
    if (!taken.ok) return { ok: false, problem: taken.problem, start: tokensOfOne[0].start, end: tokensOfOne[tokensOfOne.length - 1].end }
    const said = result.drafts.map((draft) => sayDraft(context.system, draft, state))
    if (taken.falls.length > 0) said.push(sayFallen(context.system, state, taken.falls))
    made.push(
      ...taken.made.map((entry, index) => ({
        entry,
        draft: result.drafts[index],
        say: said.slice(index, index === taken.made.length - 1 ? undefined : index + 1),
      })),
    )
    entries = [...entries, ...taken.made]
  }
  if (made.length === 0) return { ok: false, problem: 'That line undoes itself: there is nothing to enter.', start: 0, end: line.length }
  return { ok: true, drafts: made.map(({ draft }) => draft), say: made.flatMap(({ say }) => say).join(', then ') }
}

/** Clauses one by one, each where those before it have led. */
function readEach(clauses: readonly string[], context: QuickLineContext): Understood {
  const drafts: EntryDraft[] = []
  const says: string[] = []
  let { entries } = context
  for (const clause of clauses) {
    const read = readInGrammar(clause, { ...context, entries })
    if (!read.ok) return read
    const taken = tryDrafts(context.system, entries, read.drafts)
    if (!taken.ok) return { ok: false, problem: taken.problem, start: 0, end: clause.length }
    drafts.push(...read.drafts)
    says.push(read.say)
    entries = [...entries, ...taken.made]
  }
  return { ok: true, drafts, say: says.join(', then ') }
}

/** A needle that does not stand still is the stretch it runs through. */
function readStretch({ reading, low, high }: NonNullable<ReturnType<typeof asStretch>>, context: QuickLineContext): Understood {
  const read = readInGrammar(reading, context)
  if (!read.ok) return read
  const drafts = read.drafts.map((draft) =>
    draft.kind === 'reading' && typeof draft.answer === 'number' ? { ...draft, answer: { low, high } } : draft,
  )
  return { ok: true, drafts, say: drafts.map((draft) => sayDraft(context.system, draft)).join(', then ') }
}

/** An entry as it would be, the draft that it is of, and how it was understood. */
interface Made {
  readonly entry: Entry
  readonly draft: EntryDraft
  readonly say: readonly string[]
}

/** Several commands stand in one line, parted by `;` or `then`. A note takes the rest of the line as it is. */
function splitCommands(tokens: readonly Token[]): Token[][] {
  const commands: Token[][] = [[]]
  for (const token of tokens) {
    const current = commands[commands.length - 1]
    const isNote = ['note', 'repaired'].includes(current[0]?.text.toLowerCase() ?? '')
    const isNowAndThen =
      current
        .slice(-2)
        .map(({ text }) => text.toLowerCase())
        .join(' ') === 'now and'
    if (!isNote && (token.text === ';' || (token.text.toLowerCase() === 'then' && !isNowAndThen))) commands.push([])
    else current.push(token)
  }
  return commands.filter((command) => command.length > 0)
}
