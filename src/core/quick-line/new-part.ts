import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext, Understood } from '@/src/core/quick-line/in-grammar'
import { Sentence } from '@/src/core/quick-line/sentence'
import type { PartId } from '@/src/core/wiring/ids'
import type { System } from '@/src/core/wiring/system'

const NEW_PART =
  /^(?:i |we |just )*(?:replaced|changed(?: out)?|swapped(?: out)?|installed|put(?: in)?|fitted|hung|mounted|stuck(?: in)?)\b|\bnew\b/i

/** It is not in yet, or is a wire of it. */
const NOT_THE_PART = /\b(?:not|later|ordered|order|needs?|tomorrow|wires?|leads?|cable|spades?|terminals?|plug)\b/i

/** The part off its leads that a line says was replaced; null where it says so of none, or how it stands. */
function newPart(line: string, system: System, entries: readonly Entry[]): PartId | null {
  const state = foldJob(system, entries)
  const the = new Sentence(system, state, line)
  const words = line.toLowerCase().split(/[\s,.]+/)
  const named = new Set(words.flatMap((_, at) => [1, 2, 3].flatMap((count) => the.part(words.slice(at, at + count).join(' ')) ?? [])))
  const [part, another] = state.bench.unplugged.filter((id) => named.has(id))
  return part && !another ? part : null
}

/** A new part is on its leads: the old one came off them to be read, and nobody says that the new one goes on. */
export function newPartOn(line: string, read: Understood, asked: QuickLineContext, again: (line: string) => Understood): Understood {
  const isRepair = read.ok && read.drafts.length === 1 && read.drafts[0].kind === 'repair'
  if (!isRepair || !NEW_PART.test(line.trim()) || NOT_THE_PART.test(line)) return read
  const part = newPart(line, asked.system, asked.entries)
  const both = part === null ? null : again(`plug ${part}; repaired ${read.drafts[0].kind === 'repair' ? read.drafts[0].what : ''}`)
  return both?.ok ? both : read
}
