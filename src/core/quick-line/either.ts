import type { EntryDraft } from '@/src/core/job/entry'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { workLimit } from '@/src/core/units/work-limit'

/** One of the things that a line may mean, as it would be entered. */
export interface Meant {
  readonly line: string
  readonly say: string
  readonly drafts: readonly EntryDraft[]
}

const MOST_OFFERED = workLimit(4)

/**
 * What a line may mean that was asked back: the question names its answers in quotes, each a whole line, or words in the place of those
 * that were not clear ("stat red" for red). Those that could be entered now, in the order in which they are named; no figure is offered that
 * nobody has read.
 */
export function eitherOf(line: string, problem: string, context: QuickLineContext): Meant[] {
  if (!/\?|^More than one/.test(problem)) return []
  const offered = new Map<string, Meant>()
  for (const [, words] of problem.matchAll(/"([^"]+)"/g)) {
    if (offered.size === MOST_OFFERED) break
    const meant = [inItsPlace(line, words), isWholeLine(line) || holdsAllOf(line, words) ? words : null]
      .filter((one): one is string => one !== null && !bringsFigures(line, one))
      .flatMap((one): Meant[] => {
        const read = readQuickLine(one, context)
        return read.ok && !read.drafts.every(({ kind }) => kind === 'note') ? [{ line: one, say: read.say, drafts: read.drafts }] : []
      })
    if (meant[0]) offered.set(meant[0].say, offered.get(meant[0].say) ?? meant[0])
  }
  return [...offered.values()]
}

/** The line with those words for the last of them, where it stands there by itself; null where it does not. */
function inItsPlace(line: string, words: string): string | null {
  const last = words.split(' ').at(-1) ?? ''
  const stands = new RegExp(`(?<![\\w-])(?:the )?${last.replace(/[^\w-]/g, '')}(?![\\w-])`, /^[A-Z]\w?$/.test(last) ? '' : 'i')
  return words.includes(' ') && last !== '' && stands.test(line) && !line.includes(words) && !holdsAllOf(line, words)
    ? line.replace(stands, words)
    : null
}

/** An answer that says the whole line, and what was not clear of it. */
function holdsAllOf(line: string, words: string): boolean {
  const left = words.split(/\s+/)
  return line
    .trim()
    .split(/\s+/)
    .every((word) => {
      const at = left.indexOf(word)
      left.splice(0, at + 1)
      return at >= 0
    })
}

/** An answer that is a line of its own stands for the whole of it: where several things are said the others would be lost. */
const isWholeLine = (line: string): boolean => !/[,;]|\b(?:and|but|then|when|with)\b/i.test(line)

const figuresOf = (text: string): string[] => text.match(/\d+(?:\.\d+)?/g) ?? []
const bringsFigures = (line: string, words: string): boolean => {
  const known = figuresOf(line)
  return figuresOf(words).some((figure) => !known.includes(figure))
}
