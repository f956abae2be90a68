import { type QuickLineContext, readInGrammar, type Understood } from '@/src/core/quick-line/in-grammar'

/** A line that is longer says more than a reading. */
const LONGEST = 40

/** `R-C 26` where one stands at a unit without an R: it was read at the one place that has one, or is asked after. */
export function letterElsewhere(line: string, read: Understood, asked: QuickLineContext): Understood {
  if (read.ok || !/^There is no "[A-Z]\w?" at the /.test(read.problem) || line.length > LONGEST || / at |[;,]/.test(line)) return read
  const said = line.trim()
  const there = asked.system.places.map(({ id }) => `${said} at ${id}`).filter((one) => readInGrammar(one, asked).ok)
  if (there.length === 0) return read
  if (there.length === 1) return readInGrammar(there[0], asked)
  const [first] = /^There is no "[A-Z]\w?" at [^.]*\./.exec(read.problem) ?? ['']
  return { ...read, problem: `${first} Where was it read? Say ${there.map((one) => `"${one}"`).join(' or ')}.` }
}
