import type { Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'

/**
 * Trials told in one breath, call by call: "trips on heat and cool, not fan", "fan and heat hold, cool pops it", "holds on everything but
 * cool". Each call has the result that is said of it, whichever stands first; "not" is the other result.
 */

type Result = 'trips' | 'holds'
const other = (result: Result): Result => (result === 'trips' ? 'holds' : 'trips')

const RESULTS: ReadonlyMap<string, Result> = new Map([
  ...['trips', 'trip', 'tripped', 'tripping', 'pops', 'pop', 'popped', 'popping', 'blows', 'blow', 'blew', 'kills', 'killed'].map(
    (word) => [word, 'trips'] as const,
  ),
  ...['holds', 'hold', 'held', 'holding', 'stays', 'stayed'].map((word) => [word, 'holds'] as const),
])
/** What is said of a call in place of "holds", where the line is of trials. */
const FINE = new Set(['fine', 'ok', 'okay', 'good', 'works', 'work', 'runs'])
const NOT = new Set(['not', 'no', 'doesnt', 'dont', 'didnt', 'wont', 'isnt', 'never'])
const ALL = new Set(['everything', 'all', 'every', 'any', 'anything'])
const REST = new Set(['others', 'rest', 'else', 'other'])
const EXCEPT = new Set(['but', 'except', 'besides'])
const BEFORE_CALL = new Set(['on', 'in', 'with', 'for', 'when'])
const ASIDE = new Set(
  'and also too then or nor the a it its fuse breaker call calls called calling mode still again now both just while i only by itself alone right away time so far is are was does do'.split(
    ' ',
  ),
)
/** A call that is meant where all are. */
const COMMON_CALLS = ['fan', 'cool', 'heat']
const LONGEST_CALL = 4

type Word =
  | { readonly is: 'result'; readonly result: Result; readonly firm: boolean }
  | { readonly is: 'call'; readonly call: string }
  | { readonly is: 'all' | 'rest' | 'not' | 'except' | 'before' | 'comma' | 'aside' }

/** The trials of a clause in the grammar's words, asked after where a call is said to do both; null where it says anything else, or of one call only. */
export function trialsOf(clause: string, the: Sentence): Said {
  // Air that blows is no fuse that does.
  if (/\b(?:blows?|blew|blowing) (?:out )?(?:cold|cool|warm|hot|lukewarm|air|room)\b/i.test(clause)) return null
  const words = wordsOf(clause, the)
  if (!words?.some((word) => word.is === 'result' && word.firm)) return null
  const told = resultsOf(words, the)
  if (!told || told.size < 2) return null
  const both = [...told].find(([, results]) => results.size > 1)
  if (both) return { asks: `Does it trip or hold on ${both[0]}? The line says both.` }
  return [...told].flatMap(([call, results]) => [...results].map((result) => `${result} on ${call}`)).join('; ')
}

function wordsOf(clause: string, the: Sentence): Word[] | null {
  const said = clause
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[.!]+$/, '')
    .replace(/[,:]/g, ' , ')
    .trim()
    .split(/\s+/)
  const words: Word[] = []
  for (let at = 0; at < said.length; ) {
    // A breaker that is put in is no trial.
    if (/^(?:fuse|breaker)$/.test(said[at]) && said[at + 1] === 'in' && callAt(said, at + 2, the) === null) return null
    // A motor that runs is no call that holds.
    if (/^(?:blower|compressor|condenser)$/.test(said[at]) && /^(?:runs?|running|works?|comes|is)$/.test(said[at + 1] ?? '')) return null
    const found = callAt(said, at, the)
    const word = found?.word ?? wordOf(said[at])
    if (!word) return null
    words.push(word)
    at += found?.length ?? 1
  }
  return words
}

/** The longest name of a call that begins there. */
function callAt(said: readonly string[], at: number, the: Sentence): { readonly word: Word; readonly length: number } | null {
  if (said[at] === undefined || wordOf(said[at]) !== null) return null
  for (let length = Math.min(LONGEST_CALL, said.length - at); length > 0; length--) {
    const call = the.call(said.slice(at, at + length).join(' '))
    if (call !== null) return { word: { is: 'call', call }, length }
  }
  return null
}

function wordOf(word: string): Word | null {
  const result = RESULTS.get(word)
  if (result) return { is: 'result', result, firm: true }
  if (FINE.has(word)) return { is: 'result', result: 'holds', firm: false }
  if (NOT.has(word)) return { is: 'not' }
  if (ALL.has(word)) return { is: 'all' }
  if (REST.has(word)) return { is: 'rest' }
  if (EXCEPT.has(word)) return { is: 'except' }
  if (BEFORE_CALL.has(word)) return { is: 'before' }
  if (word === ',') return { is: 'comma' }
  return ASIDE.has(word) ? { is: 'aside' } : null
}

/** Results by call, in the order in which they are told: two where the line says both; null where a call has none. */
function resultsOf(words: readonly Word[], the: Sentence): Map<string, ReadonlySet<Result>> | null {
  const told = new Map<string, ReadonlySet<Result>>()
  let waiting: string[] = []
  // The result that calls behind it have, and the last one that was told.
  let standing: Result | null = null
  let last: Result | null = null
  let isNot = false
  const tell = (calls: readonly string[], result: Result) => {
    for (const call of calls) told.set(call, new Set([...(told.get(call) ?? []), result]))
  }
  const common = () => COMMON_CALLS.flatMap((call) => the.call(call) ?? [])
  const takeCalls = (calls: readonly string[], at: number) => {
    if (isNot && last && !isFollowed(words, at)) tell(calls, other(last))
    else if (isFollowed(words, at) || standing === null) waiting.push(...calls)
    else tell(calls, standing)
  }
  for (const [at, word] of words.entries()) {
    switch (word.is) {
      case 'result': {
        const result = isNot ? other(word.result) : word.result
        if (waiting.length > 0) {
          tell(waiting, result)
          waiting = []
          standing = leadsToCall(words, at) ? result : standing
        } else if (word.firm || standing === null || leadsToCall(words, at)) standing = result
        last = result
        isNot = false
        break
      }
      case 'call':
        takeCalls([word.call], at)
        break
      case 'all': {
        const left = exceptions(words, at)
        takeCalls(
          words.slice(at + 1).find(({ is }) => is !== 'aside' && is !== 'before')?.is === 'rest'
            ? []
            : common().filter((call) => !left.includes(call)),
          at,
        )
        break
      }
      case 'rest':
        takeCalls(
          common().filter((call) => !told.has(call) && !waiting.includes(call)),
          at,
        )
        break
      case 'except':
        // Of all but one, that one does the other thing.
        isNot = words.slice(0, at).some(({ is }) => is === 'all') && exceptions(words, at - 1).length > 0
        break
      case 'not':
        // Heat does not: the other of what was told last.
        if (waiting.length > 0 && last && isEnd(words, at)) {
          tell(waiting, other(last))
          waiting = []
        } else isNot = true
        break
      case 'comma':
        isNot = false
        break
      case 'before':
      case 'aside':
        break
    }
  }
  return waiting.length === 0 ? told : null
}

/** Nothing more is said in this part of the clause. */
const isEnd = (words: readonly Word[], at: number): boolean =>
  (words.slice(at + 1).find(({ is }) => is !== 'aside')?.is ?? 'comma') === 'comma'

/** The calls that stand behind "everything but", and "everything holds but". */
function exceptions(words: readonly Word[], at: number): string[] {
  const from = words.findIndex((word, index) => index > at && word.is !== 'aside' && word.is !== 'result')
  if (from < 0 || words[from].is !== 'except') return []
  const rest = words.slice(from + 1)
  const end = rest.findIndex(({ is }) => is === 'comma' || is === 'result')
  return rest.slice(0, end < 0 ? rest.length : end).flatMap((word) => (word.is === 'call' ? [word.call] : []))
}

/** The next result is of the calls before it: nothing behind it that it could be of, and no sign between. */
function isFollowed(words: readonly Word[], at: number): boolean {
  const isSign = ({ is }: Word, index: number) =>
    is === 'result' || is === 'comma' || is === 'except' || (is === 'not' && isEnd(words, index))
  const next = words.findIndex((word, index) => index > at && isSign(word, index))
  return next >= 0 && (words[next].is === 'not' || (words[next].is === 'result' && !leadsToCall(words, next)))
}

/** A result with its calls behind it: trips on cool; without "on" only where the clause begins so. */
function leadsToCall(words: readonly Word[], at: number): boolean {
  const next = words.slice(at + 1).find(({ is }) => is !== 'aside')
  const beginsWithResult = words.find(({ is }) => is === 'result' || is === 'call' || is === 'all')?.is === 'result'
  return next !== undefined && (next.is === 'before' || (beginsWithResult && (next.is === 'call' || next.is === 'all')))
}
