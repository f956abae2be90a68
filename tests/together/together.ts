import { readdirSync } from 'node:fs'
import path from 'node:path'
import { forgetAnswers } from '@/tests/setup/engines'

const root = path.resolve(__dirname, '../..')

/** Which test files run together; the first that fits takes a file, and the last ones take what is left of their folder. */
const groups = {
  'planner-further': /^src\/core\/diagnosis\/planner\/[d-z]/,
  planner: /^src\/core\/diagnosis\/planner\//,
  diagnosis: /^src\/core\/diagnosis\//,
  lines: /^(src\/core\/quick-line|tests\/(lines|words|docs))\//,
  practice: /^src\/core\/(practice|advice|readings)\//,
  core: /^src\/core\//,
  command: /^cli\//,
  further: /^tests\/(?!together\/)/,
}

const filesIn = (folder: string): string[] =>
  readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.test.ts'))
    .map((file) => `${folder}/${file}`)

/**
 * Runs the test files of a group, which the file that calls this is named after. A file by itself starts with cold code and makes its engines
 * anew, which for these searches is a third of the time or more. `jest <file>` still runs one alone.
 */
export function together(caller: string): void {
  const group = path.basename(caller, '.test.ts')
  const groupOf = (file: string) => Object.entries(groups).find(([, fits]) => fits.test(file))?.[0]
  const files = ['src/core', 'cli', 'tests'].flatMap(filesIn)
  for (const file of files.filter((one) => groupOf(one) === group).sort())
    describe(file, () => {
      require(path.join(root, file))
      afterAll(forgetAnswers)
    })
  it(`${group} is a group, and no group is left without a file`, () => {
    const named = readdirSync(__dirname).flatMap((file) => (file.endsWith('.test.ts') ? [path.basename(file, '.test.ts')] : []))
    expect(named.sort()).toEqual(Object.keys(groups).sort())
    expect(files.filter((file) => !file.startsWith('tests/together/') && groupOf(file) === undefined)).toEqual([])
  })
}
