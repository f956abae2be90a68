import { type Bench, isSameJumper } from '@/src/core/bench/bench'
import { problemWithJumpers } from '@/src/core/bench/jumper-guard'
import type { Point } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'

/** A jumper added, unless it is in already or could do harm there. */
export function withJumper(system: System, bench: Bench, a: Point, b: Point): Bench | null {
  if (bench.jumpers.some((jumper) => isSameJumper(jumper, a, b))) return null
  const jumped = { ...bench, jumpers: [...bench.jumpers, { a, b }] }
  return problemWithJumpers(system, jumped) ? null : jumped
}
