import { createBench } from '@/src/core/bench/bench'
import { separationsOf } from '@/src/core/diagnosis/planner/separation'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { FaultFamily } from '@/src/core/faults/families'
import { createLaboratory } from '@/src/core/readings/laboratory'
import type { Observation } from '@/src/core/readings/observations'
import type { Point } from '@/src/core/wiring/point'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

/** The separating checks of one fault, the first unless another is asked for, and a bench of its house as it is found. */
export function separationIn(id: string, family: FaultFamily, spot: string, place = 0) {
  const system = systemById(id)
  const fault = system && enumerateFaults(system).find((one) => one.family === family && one.id.endsWith(spot))
  const separation = system && fault ? separationsOf(createLaboratory(system, templateValues), fault)[place] : undefined
  if (!system || !separation) throw new Error(`${id} has nothing that stands apart for ${family} ${spot}`)
  return { ...separation, bench: createBench(system) }
}

export const looked = (bench: Observation['bench'], at: string, word: string): Observation => ({
  id: `${at} ${word}`,
  bench,
  probe: { meter: 'look', at },
  answer: { word },
})

export const readVolts = (bench: Observation['bench'], a: Point, b: Point, answer: number): Observation => ({
  id: `${a} ${answer}`,
  bench,
  probe: { meter: 'volts', a, b },
  answer,
})
