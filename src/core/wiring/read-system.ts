import { floatingNodes } from '@/src/core/circuit/floating'
import { assemble } from '@/src/core/wiring/assembly'
import { problemsOfWiring } from '@/src/core/wiring/sound-wiring'
import type { System } from '@/src/core/wiring/system'
import { systemSchema } from '@/src/core/wiring/system-schema'

/** Parses an unknown value as a system: its form first, then whether it can be wired so. Each sentence has the path to the spot. */
export function readSystem(value: unknown): { ok: true; system: System } | { ok: false; problems: string[] } {
  const parsed = systemSchema.safeParse(value)
  if (!parsed.success) return { ok: false, problems: parsed.error.issues.map(({ path, message }) => say(path, message)) }
  const problems = problemsOfSystem(parsed.data)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, system: parsed.data }
}

/** What keeps a system of a valid form from being wired and solved, a sentence each. */
export function problemsOfSystem(system: System): string[] {
  const problems = problemsOfWiring(system).map(({ path, message }) => say(path, message))
  if (problems.length > 0) return problems
  const network = assemble(system)
  const floating = [...new Set([...floatingNodes(network, 'live'), ...floatingNodes(network, 'ohms')])]
  if (floating.length === 0) return []
  return [
    `parts: nothing ties ${floating.slice(0, 4).join(', ')} to earth, so that no volts can be told there. Is a part at a place that is not metal?`,
  ]
}

const say = (path: readonly PropertyKey[], message: string) => `${path.join('.') || 'the file'}: ${message}`
