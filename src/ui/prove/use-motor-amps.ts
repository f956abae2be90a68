import { useState } from 'react'
import type { CallName } from '@/src/core/wiring/call'
import type { PartOf } from '@/src/core/wiring/part'
import { useJob } from '@/src/ui/desk/desk-context'
import { useKeptText } from '@/src/ui/device/use-kept-text'

/** Line amps of a motor or heater, as they were measured. */
export interface MotorReading {
  readonly part: string
  readonly amps: number
}

const MOST_AMPS = 400

const idsOf = (loads: readonly PartOf<'load'>[]): string => loads.map(({ id }) => id).join(' ')

/** What is typed of each, kept on the device until the mode is entered. */
export function useMotorAmps(call: CallName, now: readonly PartOf<'load'>[]) {
  const { job } = useJob()
  // An answer that is worked out anew takes nothing off the screen.
  const [loads, keepLoads] = useState(now)
  if (now.length > 0 && idsOf(now) !== idsOf(loads)) keepLoads(now)
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
