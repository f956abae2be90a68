import type { Engine } from '@/src/core/diagnosis/engine'
import type { Complaint } from '@/src/core/job/complaint'
import { drawByRate, drawCase, type ExamCase } from '@/src/core/practice/exam'
import { createRandom } from '@/src/core/units/random'

/** Simulated houses of faults drawn by how often they are met, as many as are wanted of those whose complaint a way of looking is meant for. */
export function drawMeant(engine: Engine, seed: number, count: number, isMeant: (complaint: Complaint) => boolean): ExamCase[] {
  const random = createRandom(seed)
  const houses: ExamCase[] = []
  while (houses.length < count) {
    const { fault } = engine.hypotheses[drawByRate(engine, [...engine.hypotheses.keys()], random)]
    if (!fault) continue
    const drawn = drawCase(engine, random, fault.id)
    if (isMeant(drawn.complaint)) houses.push(drawn)
  }
  return houses
}
