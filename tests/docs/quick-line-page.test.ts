import { readFileSync } from 'node:fs'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

/** The page that explains the quick line shows nothing that is not so: every example in it is run. */
const page = readFileSync('docs/quick-line.md', 'utf8')
const rows = page
  .split('\n')
  .filter((line) => line.startsWith('| `'))
  .map((line) =>
    line
      .split('|')
      .slice(1, -1)
      .map((cell) => cell.trim()),
  )
const unquoted = (cell: string) => cell.replace(/^`|`$/g, '')
const read = (line: string) => readQuickLine(line, { system: furnaceAc, entries: [], suspects: [], proposed: null })

describe('docs/quick-line.md', () => {
  const understood = rows.filter((cells) => cells.length === 2)
  const refused = rows.filter((cells) => cells.length === 3)

  it('has its examples', () => {
    expect(understood.length).toBeGreaterThan(20)
    expect(refused.length).toBeGreaterThan(4)
  })

  it.each(understood)('%s', (typed, say) => {
    expect(read(unquoted(typed))).toMatchObject({ ok: true, say })
  })

  it.each(refused)('%s points at %s', (typed, word, says) => {
    const line = unquoted(typed)
    const answer = read(line)
    if (answer.ok) throw new Error(`understood as ${answer.say}`)
    expect(line.slice(answer.start, answer.end)).toBe(unquoted(word))
    expect(answer.problem.startsWith(says)).toBe(true)
  })
})
