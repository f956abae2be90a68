import { readFileSync } from 'node:fs'
import { type CostModel, defaultCost } from '@/src/core/diagnosis/cost'
import { readCostModel } from '@/src/core/diagnosis/cost-schema'
import { readSystem } from '@/src/core/wiring/read-system'
import type { System } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'

/** A mistake of the caller: printed as a sentence, exit code 2. */
export class UsageError extends Error {}

/** Words and --options of a command line. */
export interface Options {
  readonly words: readonly string[]
  has(name: string): boolean
  get(name: string): string | null
  all(name: string): string[]
}

const FLAGS = new Set(['json', 'ohms', 'help'])

export function readOptions(args: readonly string[]): Options {
  const words: string[] = []
  const values: [string, string][] = []
  for (let index = 0; index < args.length; index++) {
    const arg = args[index]
    if (!arg.startsWith('--')) words.push(arg)
    else if (FLAGS.has(arg.slice(2))) values.push([arg.slice(2), ''])
    else {
      const value = args[++index]
      if (value === undefined) throw new UsageError(`${arg} needs a value.`)
      values.push([arg.slice(2), value])
    }
  }
  return {
    words,
    has: (name) => values.some(([key]) => key === name),
    get: (name) => values.find(([key]) => key === name)?.[1] ?? null,
    all: (name) => values.filter(([key]) => key === name).map(([, value]) => value),
  }
}

/** A system by its id in the catalogue, or from a file in the open format. */
export function loadSystem(name: string | null): System {
  if (name === null) throw new UsageError(`Say which system: --system ${catalogue.map(({ id }) => id).join(' | ')}, or a file.`)
  const known = systemById(name)
  if (known) return known
  const read = readSystem(parseJson(readFile(name), name))
  if (read.ok) return read.system
  throw new UsageError(`${name} is no valid system:\n${read.problems.map((problem) => `  ${problem}`).join('\n')}`)
}

/** A technician's own minutes from a file; the defaults without one. */
export function loadMinutes(name: string | null): CostModel {
  if (name === null) return defaultCost
  const read = readCostModel(parseJson(readFile(name), name))
  if (read.ok) return read.cost
  throw new UsageError(`${name} gives no valid minutes: ${read.problem}`)
}

export function readFile(path: string): string {
  try {
    return readFileSync(path, 'utf8')
  } catch (error) {
    throw new UsageError(`Cannot read ${path}: ${error instanceof Error ? error.message : String(error)}`)
  }
}

export function parseJson(text: string, name: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new UsageError(`${name} is not JSON: ${error instanceof Error ? error.message : String(error)}`)
  }
}
