import type { Sentence } from '@/src/core/quick-line/sentence'

/** A clause in the grammar's words, a question, or null where it says nothing that is known. */
export type Said = string | { readonly asks: string } | null

/** How things are said, and the line of the grammar that each means. The first that fits and makes sense is taken. */
export interface Rule {
  readonly says: RegExp
  readonly as: (the: Sentence, ...found: string[]) => Said
}

export const either = (...commands: (string | null)[]): string | null => commands.find((command) => command !== null) ?? null

export const NUMBER = String.raw`(-?\d*[.,]?\d+)`
export const VOLTS = '(?:v|volt|volts|vac)'
export const rule = (says: string, as: Rule['as']): Rule => ({ says: new RegExp(`^(?:${says})$`), as })
/** What can mean more than one thing is asked back, not guessed. */
export const asks = (says: string, question: string): Rule => rule(says, () => ({ asks: question }))

/** Nothing is weighed by it. */
export const isRemark = (said: string): boolean => /^\s*note\b/i.test(said)
