import { readFileSync } from 'node:fs'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'
let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
for (const row of readFileSync(process.argv[2], 'utf8').split('\n').filter(Boolean)) {
  const [id, place, power, line] = row.split('|')
  const system = systemById(id)
  if (!system) { console.log('no system', id); continue }
  const entries: Entry[] = [stampEntry({ kind: 'bench', change: { do: 'walk', place } }, stamp)]
  if (power === 'off') entries.push(stampEntry({ kind: 'bench', change: { do: 'power', on: false } }, stamp))
  const u = readQuickLine(line, { system, entries, suspects: [], proposed: null })
  console.log(u.ok ? (u.drafts.some((d) => d.kind === 'note') ? 'NOTE ' : 'ok   ') : 'ASK  ', line.padEnd(46), '=>', (u.ok ? u.say : u.problem).slice(0, 170))
}
