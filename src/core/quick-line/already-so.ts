import { type Reading, readInGrammar } from '@/src/core/quick-line/in-grammar'

/** An act that the record holds already: the wire is off, the part is unplugged, the power is off. */
const IS_SO = /\b(?:is lifted already|is plugged in already|is unplugged already|is off already|is on already|is in already)\b/

/**
 * `W off, W to C 2.4` with W off in the record: what is so already is told again beside what was read. The line without it; null where that
 * is all that it says, or where nothing of it is so.
 */
export function withoutWhatIsSo(line: string, problem: string, context: Reading): string | null {
  if (!IS_SO.test(problem)) return null
  const clauses = line.split(/;\s*/)
  const left = clauses.filter((clause) => {
    const read = readInGrammar(clause, context)
    return read.ok || !IS_SO.test(read.problem)
  })
  return left.length > 0 && left.length < clauses.length ? left.join('; ') : null
}
