import type { Sentence } from '@/src/core/quick-line/sentence'

/** How things are said, and the line of the grammar that each means. The first that fits and makes sense is taken. */
export interface Rule {
  readonly says: RegExp
  readonly as: (the: Sentence, ...found: string[]) => string | { readonly asks: string } | null
}

export const either = (...commands: (string | null)[]): string | null => commands.find((command) => command !== null) ?? null

export const NUMBER = String.raw`(-?\d*[.,]?\d+)`
export const VOLTS = '(?:v|volt|volts|vac)'
export const rule = (says: string, as: Rule['as']): Rule => ({ says: new RegExp(`^(?:${says})$`), as })
/** What can mean more than one thing is asked back, not guessed. */
export const asks = (says: string, question: string): Rule => rule(says, () => ({ asks: question }))
