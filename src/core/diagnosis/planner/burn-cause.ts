import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { faultFamilies } from '@/src/core/faults/families'
import type { FaultFamilyRecord } from '@/src/core/faults/family'
import { familiesOfId } from '@/src/core/faults/fault'
import { type Answer, type Probe, probeKey } from '@/src/core/readings/check'
import { modelValue } from '@/src/core/units/model-value'
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
  const { place, holds } = firstPart(system, 'fuse')
  const refused = new Set(skipped.map(probeKey))
  const hots = new Set(partsOf(system, 'thermostat').flatMap(hotTerminals))
  const terminals = new Set([...hots, ...partsOf(system, 'thermostat').flatMap(switchedTerminals)])
  // Through the fuse the winding of the transformer hides what hangs on the hot side: a dead primary has a whole secondary.
  const pulled = (terminal: string) => hots.has(terminal) && holds === undefined
  for (const terminal of terminals) {
    const a = terminalPoint(terminal, place)
    const b = commonBeside(system, a)
    if (!b || !system.places.some(({ id, terminals: here }) => id === place && here.includes(terminal))) continue
    const probe: Probe = { meter: 'ohms', a, b }
    const key = probeKey(probe)
    const isRead = observations.some(
      ({ bench: on, probe: asked, answer }) =>
        !on.power && probeKey(asked) === key && (!pulled(terminal) || on.slot.holds === 'nothing' || on.slot.open || hidesNothing(answer)),
    )
    if (isRead || refused.has(key)) continue
    const dead: Bench = { ...bench, power: false, call: 'off' }
    const off = pulled(terminal) ? { ...dead, slot: { ...bench.slot, holds: 'nothing' as const, open: true } } : dead
    const check = weighQuestion(engine, posterior, observations, bench, off, probe, place)
    if (check) return check
  }
  return null
}

/** A secondary has less; what reads more through the fuse has no winding across it. */
const A_WINDING_OHM = modelValue({ value: 20, unit: 'ohm', source: 'assumption: the secondary of a 24 V transformer has one or two' })
const hidesNothing = (answer: Answer): boolean => answer === 'OL' || (typeof answer === 'number' && answer > A_WINDING_OHM)
