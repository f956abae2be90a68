import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob, lastStanding } from '@/src/core/job/fold'
import { sayDraft, sayFallen } from '@/src/core/job/say-draft'
import { parseCommand } from '@/src/core/quick-line/commands'
import { dashedNames } from '@/src/core/quick-line/names'
import { asStretch } from '@/src/core/quick-line/phrases'
import { type Token, tokenize } from '@/src/core/quick-line/tokens'
import { tryDrafts } from '@/src/core/quick-line/try-drafts'
import type { Probe } from '@/src/core/readings/check'
import type { System } from '@/src/core/wiring/system'

/** What a line is read against. */
export interface QuickLineContext {
  readonly system: System
  readonly entries: readonly Entry[]
  /** Leading faults, so that a repair can be named by its rank. */
  readonly suspects: readonly {
    readonly id: string
    readonly zone: string | null
    readonly repair: string | null
    readonly probability?: number
  }[]
  /** The check that is proposed now, for "skip". */
  readonly proposed: Probe | null
}

/** The same, while one line is read: what the grammar makes of a clause in one state of the job is made once. */
export interface Reading extends QuickLineContext {
  readonly made?: Map<string, Understood>
  /** The same entries where a clause leads from the same state: they are folded once. */
  readonly led?: Map<string, readonly Entry[]>
  /** Entries that stood before the line; what is behind them its own clauses would have entered. */
  readonly stood?: number
}

export const stateOf = ({ entries, stood = 0 }: Reading): string => JSON.stringify(entries.slice(stood))

export type Understood =
  | { readonly ok: true; readonly drafts: readonly EntryDraft[]; readonly say: string }
  /** `start` and `end` are where in the line the trouble stands. */
  | { readonly ok: false; readonly problem: string; readonly start: number; readonly end: number }

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
  let isKnown = false
  for (const tokensOfOne of splitCommands(tokens)) {
    const state = foldJob(context.system, entries)
    const result = parseCommand(line, tokensOfOne, { ...context, state, lastEntry: lastStanding(state) })
    if (!result.ok) return result
    const [first] = result.drafts
    if (!first) {
      isKnown = true
      continue
    }
    if (first.kind === 'undo' && made.some(({ entry }) => entry.id === first.target)) {
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
  if (made.length === 0) {
    const problem = isKnown ? 'That jumper is in already.' : 'That line undoes itself: there is nothing to enter.'
    return { ok: false, problem, start: 0, end: line.length }
  }
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
    // What was seen after a repair is no part of its words.
    const takesRest = current[0]?.text.toLowerCase() === 'note'
    const isInWords = takesRest || current[0]?.text.toLowerCase() === 'repaired'
    const isNowAndThen =
      current
        .slice(-2)
        .map(({ text }) => text.toLowerCase())
        .join(' ') === 'now and'
    if ((!takesRest && token.text === ';') || (!isInWords && token.text.toLowerCase() === 'then' && !isNowAndThen)) commands.push([])
    else current.push(token)
  }
  return commands.filter((command) => command.length > 0)
}
