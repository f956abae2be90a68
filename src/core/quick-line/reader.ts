import type { ContentEntry } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { isAmbiguous, type Token } from '@/src/core/quick-line/tokens'
import type { Probe } from '@/src/core/readings/check'
import type { System } from '@/src/core/wiring/system'

export interface CommandContext {
  readonly system: System
  readonly state: JobState
  readonly lastEntry: ContentEntry | null
  readonly suspects: readonly {
    readonly id: string
    readonly zone: string | null
    readonly repair: string | null
    readonly probability?: number
  }[]
  readonly proposed: Probe | null
}

/** Thrown inside the parser only, to leave a deep place with a sentence and a position. */
export class Misread extends Error {
  constructor(
    readonly problem: string,
    readonly start: number,
    readonly end: number,
  ) {
    // A clause is tried in many readings, most of which fail here: where in the code is of no use to anyone.
    const depth = Error.stackTraceLimit
    Error.stackTraceLimit = 0
    super(problem)
    Error.stackTraceLimit = depth
  }
}

/** Walks the tokens of a line from left to right; every failure knows the word it stands at. */
export class Reader {
  at = 0

  constructor(
    readonly line: string,
    readonly tokens: readonly Token[],
    readonly context: CommandContext,
  ) {}

  peek(): Token | undefined {
    return this.tokens[this.at]
  }

  /** Several words in a row, or none of them. */
  acceptWords(text: string): boolean {
    const words = text.toLowerCase().split(' ')
    if (words.some((word, index) => this.tokens[this.at + index]?.text.toLowerCase() !== word)) return false
    this.at += words.length
    return true
  }

  accept(text: string): boolean {
    if (this.peek()?.text.toLowerCase() !== text.toLowerCase()) return false
    this.at++
    return true
  }

  expect(text: string, problem: string): void {
    if (!this.accept(text)) this.fail(problem)
  }

  word(problem: string): Token {
    const token = this.peek()
    if (token?.kind !== 'word') this.fail(problem)
    this.at++
    return token as Token
  }

  number(): number {
    const token = this.peek()
    if (token?.kind === 'number' && isAmbiguous(token.text)) {
      const whole = token.text.replaceAll(',', '')
      this.failAt(`Is "${token.text}" ${whole} or ${token.text.replace(',', '.')}? Type it without the comma.`, token)
    }
    if (token?.kind !== 'number' || !Number.isFinite(token.value)) this.fail('A number is missing here.')
    this.at++
    return (token as Token).value
  }

  oneOf<T>(choices: { readonly [said: string]: T }, problem: string): T {
    const token = this.peek()
    const key = token?.text.toLowerCase() ?? ''
    if (!Object.hasOwn(choices, key)) this.fail(problem)
    this.at++
    return choices[key]
  }

  rest(problem: string): string {
    const token = this.peek()
    if (!token) this.fail(problem)
    this.at = this.tokens.length
    return this.line.slice(token?.start).trim()
  }

  /** What is left of this command alone. */
  words(problem: string): string {
    const token = this.peek()
    if (!token) this.fail(problem)
    this.at = this.tokens.length
    return this.line.slice(token?.start, this.tokens[this.tokens.length - 1].end).trim()
  }

  fail(problem: string): never {
    const token = this.peek()
    throw new Misread(problem, token?.start ?? this.line.length, token?.end ?? this.line.length)
  }

  failAt(problem: string, token: Token): never {
    throw new Misread(problem, token.start, token.end)
  }
}
