import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { faultFamilies } from '@/src/core/faults/families'
import type { FaultFamilyRecord } from '@/src/core/faults/family'
import { familiesOfId } from '@/src/core/faults/fault'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { firstPart, partsOf } from '@/src/core/wiring/system'
import { hotTerminals, switchedTerminals } from '@/src/core/wiring/thermostat'

/**
 * A transformer seldom dies by itself: before a second one goes in, every call's circuit is ohmed at the unit, with the power off. The
 * next of those that was not read; null when all were, or where the verdict is of no burned-out transformer, or names what did it.
 */
export function causeOfBurn(
  engine: Engine,
  { observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  { suspects, also }: RepairVerdict,
  { skipped = [] }: Choice,
): Check | null {
  const told = suspects.map((suspect) => familiesOfId(suspect).map((family): FaultFamilyRecord => faultFamilies[family]))
  const isBurned = told.some((records) => records.some(({ burnedOut }) => burnedOut))
  // A cause that is only thought of beside the transformer, without a reading of it, is none yet.
  const isCaused = told.every((records) => records.some(({ burnsOutTransformers }) => burnsOutTransformers))
  if (also !== null || !isBurned || isCaused) return null
  const { system } = engine
  const { place } = firstPart(system, 'fuse')
  const known = new Set([...observations.filter((one) => !one.bench.power).map(({ probe }) => probeKey(probe)), ...skipped.map(probeKey)])
  const terminals = new Set(partsOf(system, 'thermostat').flatMap((part) => [...hotTerminals(part), ...switchedTerminals(part)]))
  for (const terminal of terminals) {
    const a = terminalPoint(terminal, place)
    const b = commonBeside(system, a)
    if (!b || !system.places.some(({ id, terminals: here }) => id === place && here.includes(terminal))) continue
    const probe: Probe = { meter: 'ohms', a, b }
    if (known.has(probeKey(probe))) continue
    const off: Bench = { ...bench, power: false, call: 'off' }
    const check = weighQuestion(engine, posterior, observations, bench, off, probe, place)
    if (check) return check
  }
  return null
}
