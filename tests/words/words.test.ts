import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { sentencesOf } from '@/tests/words/sentences'

const root = path.join(__dirname, '../..')

/** The right column of the table in docs/words.md. */
function wordsNotToUse(): string[] {
  const rows = readFileSync(path.join(root, 'docs/words.md'), 'utf8').split('\n').slice(8)
  return rows.flatMap((row) => {
    const [, , not] = row.split('|').map((cell) => cell.trim())
    return not ? not.split(', ') : []
  })
}

const readingsOf = (files: readonly string[]) =>
  files.flatMap((file) => sentencesOf(readFileSync(path.join(root, file), 'utf8')).map((text) => ({ file, text })))

const banned = wordsNotToUse().map((words) => ({ words, pattern: new RegExp(`\\b${words}\\b`, 'i') }))
const speaks = ({ text }: { text: string }) => banned.some(({ pattern }) => pattern.test(text))

describe('what people read', () => {
  const files = execFileSync('git', ['ls-files', 'src', 'cli'], { cwd: root, encoding: 'utf8' })
    .split('\n')
    // The grammar of the quick line takes words that are typed, whatever they are.
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file) && !/quick-line\/(rules|names|said)/.test(file))

  it('has a list of words not to use', () => {
    expect(banned.length).toBeGreaterThan(40)
    expect(speaks({ text: "'The winding is cooked in 40 s'" })).toBe(true)
    expect(sentencesOf("const a = 'What is owed' // by nobody\n<p>It comes and goes.</p>")).toHaveLength(2)
  })

  it('uses none of them', () => {
    expect(readingsOf(files).filter(speaks)).toEqual([])
  })
})
