import { problemsOfWiring } from '@/src/core/wiring/sound-wiring'
import type { System } from '@/src/core/wiring/system'
import { systemSchema } from '@/src/core/wiring/system-schema'

/** Parses an unknown value as a system: its form first, then whether it can be wired so. Each sentence has the path to the spot. */
export function readSystem(value: unknown): { ok: true; system: System } | { ok: false; problems: string[] } {
  const say = (path: readonly PropertyKey[], message: string) => `${path.join('.') || 'the file'}: ${message}`
  const parsed = systemSchema.safeParse(value)
  if (!parsed.success) return { ok: false, problems: parsed.error.issues.map(({ path, message }) => say(path, message)) }
  const problems = problemsOfWiring(parsed.data)
  if (problems.length > 0) return { ok: false, problems: problems.map(({ path, message }) => say(path, message)) }
  return { ok: true, system: parsed.data }
}
