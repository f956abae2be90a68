import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence } from '@/src/core/diagnosis/inference/posterior'
import type { RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Fault, singlesOf } from '@/src/core/faults/fault'
import { parseLook } from '@/src/core/readings/look-target'
import { isPlainToSee, latestAnswers, type Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'

/** A look speaks for a fault when that explains it so much better than a sound house does. */
const SPEAKS = modelValue({ value: 3, unit: 'natural logarithm', source: 'assumption' })

/** Whether what is to be repaired was itself seen: a wire off its screw, one on another's, a thermostat that shows no call. */
export function wasSeen(engine: Engine, { observations }: Evidence, { repair }: RepairVerdict): boolean {
  const looks = latestAnswers(observations).filter((one) => one.probe.meter === 'look' && isPlainToSee(one))
  if (looks.length === 0) return false
  const mended = [...engine.hypotheses.keys()].flatMap((index) => {
    const { fault, intermittent } = engine.hypotheses[index]
    const isMended =
      fault !== null && !intermittent && singlesOf(fault).some(({ id, repair: act }) => act.id === repair.id && id === fault.id)
    return isMended ? [{ index, fault }] : []
  })
  return looks.some((look) => {
    const logs = engine.store.alone(look)
    return mended.some(({ index, fault }) => isOf(look, fault) && logs[index] - logs[0] > SPEAKS)
  })
}

/** The look was at what the fault is of: a thermostat that chatters speaks for any short behind it, and shows none of them. */
function isOf({ probe }: Observation, { zone, part }: Fault): boolean {
  if (probe.meter !== 'look') return false
  const { what, of } = parseLook(probe.at)
  return what === 'landings' || what === 'wiring' ? of === zone : of === part
}
