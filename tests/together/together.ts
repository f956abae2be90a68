import { readdirSync } from 'node:fs'
import path from 'node:path'
import { forgetAnswers } from '@/tests/setup/engines'

const root = path.resolve(__dirname, '../..')

/** Which test files run together; the first that fits takes a file, and the last ones take what is left of their folder. */
const groups = {
  plannerFurther: /^src\/core\/diagnosis\/planner\/[d-z]/,
  planner: /^src\/core\/diagnosis\/planner\//,
  diagnosis: /^src\/core\/diagnosis\//,
  lines: /^(src\/core\/quick-line|tests\/(lines|words|docs))\//,
  practice: /^src\/core\/(practice|advice|readings)\//,
  core: /^src\/core\//,
  command: /^cli\//,
  tests: /^tests\/(?!together\/)/,
} as const

const filesIn = (folder: string): string[] =>
  readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.test.ts'))
    .map((file) => `${folder}/${file}`)

/**
 * Runs the test files of a group in one place. A file by itself begins with code that nothing has warmed and engines that have to be made:
 * of the searches here that is a third and more. `jest <file>` runs each alone as before.
 */
export function together(group: keyof typeof groups): void {
  const groupOf = (file: string) => Object.entries(groups).find(([, fits]) => fits.test(file))?.[0]
  for (const file of ['src/core', 'cli', 'tests'].flatMap(filesIn).sort())
    if (groupOf(file) === group)
      describe(file, () => {
        require(path.join(root, file))
        afterAll(forgetAnswers)
      })
}
