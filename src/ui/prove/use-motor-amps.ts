import type { Step } from '@/src/core/advice/sequence'
import { parseDeviceKey } from '@/src/core/operation/machine'
import type { CallName } from '@/src/core/wiring/call'
import type { PartOf } from '@/src/core/wiring/part'
import { partById, type System } from '@/src/core/wiring/system'
import { useJob } from '@/src/ui/desk/desk-context'
import { useKeptText } from '@/src/ui/device/use-kept-text'

/** Line amps of a motor or heater, as they were measured. */
export interface MotorReading {
  readonly part: string
  readonly amps: number
}

/** The motors and heaters that come on in a mode, in their order. */
export function motorsIn(steps: readonly Step[], system: System): PartOf<'load'>[] {
  const ids = [...new Set(steps.map(({ what }) => parseDeviceKey(what).part))]
  return ids.flatMap((id) => {
    const part = partById(system, id)
    return part?.kind === 'load' ? [part] : []
  })
}

const MOST_AMPS = 400

/** What is typed of each, kept on the device until the mode is entered. */
export function useMotorAmps(call: CallName, loads: readonly PartOf<'load'>[]) {
  const { job } = useJob()
  const [kept, keep] = useKeptText(`${call} motors ${job.id}`)
  const typed: Readonly<Partial<{ [part: string]: string }>> = kept === null ? {} : JSON.parse(kept)
  const amounts = loads.map(({ id }) => ({ part: id, text: (typed[id] ?? '').trim() }))
  const readings = amounts.flatMap(({ part, text }): MotorReading[] =>
    text === '' ? [] : [{ part, amps: Number(text.replace(',', '.')) }],
  )
  return {
    loads,
    typed,
    readings,
    isWrong: readings.some(({ amps }) => !(amps >= 0 && amps <= MOST_AMPS)),
    type: (part: string, text: string) => keep(JSON.stringify({ ...typed, [part]: text })),
    clear: () => keep(null),
  }
}
export type MotorAmpsTyped = ReturnType<typeof useMotorAmps>
