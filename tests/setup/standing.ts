import type { BenchChange } from '@/src/core/bench/bench'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }

/** Reads quick lines as they are said at a place, with the power on or off, after some changes. */
export function standing(id: string, place: string, power: 'on' | 'off', ...more: BenchChange[]) {
  const system = systemOf(id)
  const changes: BenchChange[] = [{ do: 'walk', place }, ...(power === 'off' ? [{ do: 'power', on: false } as const] : []), ...more]
  const entries: Entry[] = changes.map((change) => stampEntry({ kind: 'bench', change }, stamp))
  return (line: string) => readQuickLine(line, { system, entries, suspects: [], proposed: null })
}

/** The same after changes, and lines that were typed, one after the other, with the power on. */
export function standingAfter(id: string, place: string, happened: readonly (BenchChange | string)[]) {
  const system = systemOf(id)
  const entries: Entry[] = []
  const read = (line: string) => readQuickLine(line, { system, entries: [...entries], suspects: [], proposed: null })
  for (const one of [{ do: 'walk', place } as const, ...happened]) {
    const made = typeof one === 'string' ? drafts(read, one) : [{ kind: 'bench', change: one } as const]
    entries.push(...made.map((draft) => stampEntry(draft, stamp)))
  }
  return read
}

/** What a line would enter; a line that is not understood fails with its own words. */
export function drafts(read: ReturnType<typeof standing>, line: string) {
  const understood = read(line)
  if (!understood.ok) throw new Error(`${line}: ${understood.problem}`)
  return understood.drafts
}

/** What the line is answered with: what would be entered, or why nothing is. */
export function answerTo(read: ReturnType<typeof standing>, line: string): string {
  const understood = read(line)
  return understood.ok ? understood.say : understood.problem
}
