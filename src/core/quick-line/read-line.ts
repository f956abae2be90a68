import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { fallsWith, foldJob, lastStanding, problemWithEntry } from '@/src/core/job/fold'
import type { Refusal } from '@/src/core/job/job-state'
import { sayDraft, sayFallen } from '@/src/core/job/say-draft'
import { isContent } from '@/src/core/job/standing'
import { parseCommand } from '@/src/core/quick-line/commands'
import { dashedNames } from '@/src/core/quick-line/names'
import { asStretch } from '@/src/core/quick-line/phrases'
import { inTheGrammar } from '@/src/core/quick-line/said'
import { type Token, tokenize } from '@/src/core/quick-line/tokens'
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

export type Understood =
  | { readonly ok: true; readonly drafts: readonly EntryDraft[]; readonly say: string }
  /** `start` and `end` are where in the line the trouble stands. */
  | { readonly ok: false; readonly problem: string; readonly start: number; readonly end: number }

/**
 * Reads one quick line. Nothing is changed; what comes back is what would be entered, and how it was understood. What the grammar does
 * not read is tried as a sentence; where that fails, too, the grammar's own words say what would fit.
 */
export function readQuickLine(line: string, context: QuickLineContext): Understood {
  const read = readInGrammar(line, context)
  if (read.ok) return read
  const state = foldJob(context.system, context.entries)
  const clauses = line.split(/;|\bthen\b/i).filter((clause) => clause.trim() !== '')
  const said = clauses.map((clause) => (readInGrammar(clause, context).ok ? clause : inTheGrammar(clause, context.system, state)))
  const asked = said.find((one) => one !== null && typeof one === 'object')
  if (asked && typeof asked === 'object') return { ok: false, problem: asked.asks, start: 0, end: line.length }
  if (said.length === 0 || said.includes(null)) return read
  const understood = readInGrammar(said.join('; '), context)
  // What was understood and cannot be now is refused with its own reason.
  return understood.ok ? understood : { ...understood, start: 0, end: line.length }
}

function readInGrammar(line: string, context: QuickLineContext): Understood {
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
    if (!isNote && (token.text === ';' || token.text.toLowerCase() === 'then')) commands.push([])
    else current.push(token)
  }
  return commands.filter((command) => command.length > 0)
}

/** Drafts are tried one after the other, as they would be entered. */
function tryDrafts(
  system: System,
  before: readonly Entry[],
  drafts: readonly EntryDraft[],
): { readonly ok: true; readonly made: Entry[]; readonly falls: readonly Refusal[] } | { readonly ok: false; readonly problem: string } {
  const made: Entry[] = []
  const falls: Refusal[] = []
  for (const draft of drafts) {
    const entries = [...before, ...made]
    const entry = { id: `draft-${entries.length}-${draft.kind}`, at: '2000-01-01T00:00:00Z', ...draft } as Entry
    const problem = problemWithEntry(system, entries, entry)
    if (problem) return { ok: false, problem }
    if (!isContent(entry)) falls.push(...fallsWith(system, entries, entry))
    made.push(entry)
  }
  return { ok: true, made, falls }
}
