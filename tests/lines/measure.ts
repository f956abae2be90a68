import { type Entry, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { sayLines } from '@/tests/lines/corpus'
import type { SaidLine } from '@/tests/lines/speech'

export interface Heard extends SaidLine {
  readonly outcome: 'understood' | 'understood wrongly' | 'asked back'
  readonly as: string
}

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }

/** Reads a line where it is said, and holds what would be entered against what the line means. */
export function hear(line: SaidLine): Heard {
  const system = systemById(line.system)
  if (!system) throw new Error(`no system ${line.system}`)
  const entries: Entry[] = line.before.map((change) => stampEntry({ kind: 'bench', change }, stamp))
  foldJob(system, entries)
  const read = (said: string) => readQuickLine(said, { system, entries, suspects: [], proposed: null })
  const [heard, meant] = [read(line.said), read(line.means)]
  if (!meant.ok) throw new Error(`the corpus says "${line.means}", which the grammar does not: ${meant.problem}`)
  if (!heard.ok) return { ...line, outcome: 'asked back', as: heard.problem }
  const isSame = JSON.stringify(heard.drafts) === JSON.stringify(meant.drafts)
  return { ...line, outcome: isSame ? 'understood' : 'understood wrongly', as: heard.say }
}

const share = (all: readonly Heard[], outcome: Heard['outcome']) => all.filter((one) => one.outcome === outcome).length / all.length

export const hearAll = (lines: number, seed: number) => {
  const all = sayLines(lines, seed).map(hear)
  return { all, understood: share(all, 'understood'), wrongly: share(all, 'understood wrongly') }
}

if (process.argv[1]?.endsWith('measure.ts')) {
  const { all, understood, wrongly } = hearAll(Number(process.argv[2] ?? 1000), Number(process.argv[3] ?? 1))
  for (const { outcome, said, means, as } of all)
    if (outcome !== 'understood') console.log(`${outcome.padEnd(18)} ${said.padEnd(48)} means ${means.padEnd(28)} ${as}`)
  console.log(`${all.length} lines: understood ${(100 * understood).toFixed(1)} %, understood wrongly ${(100 * wrongly).toFixed(1)} %`)
}
