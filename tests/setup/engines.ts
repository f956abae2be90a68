import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import type { System } from '@/src/core/wiring/system'
import { systemById } from '@/src/core/wiring/systems/catalogue'

/** A system that ships, by its id; a test that names none that does fails with its name. */
export function systemOf(id: string): System {
  const system = systemById(id)
  if (!system) throw new Error(`There is no system "${id}".`)
  return system
}

const engines = new Map<string, Engine>()

/** One engine of a system for a whole test file: making one takes a while, and so does what it has not worked out yet. */
export function engineOf(id: string): Engine {
  const engine = engines.get(id) ?? createEngine(systemOf(id))
  engines.set(id, engine)
  return engine
}

/** Drops the engines' answers and keeps the engines: the answers of fifteen systems would fill the heap. */
export function forgetAnswers(): void {
  for (const { store } of engines.values()) store.drop()
}
