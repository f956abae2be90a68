import { randomUUID } from 'node:crypto'
import type { Stamp } from '@/src/core/job/entry'

export const clockStamp: Stamp = { newId: () => randomUUID(), now: () => new Date().toISOString() }

/** A clock that can be put on: at the other end of a pipe nobody waits the minutes that a check asks for, and they pass all the same. */
export function sessionStamp(): Stamp & { later(minutes: number): void } {
  let aheadMs = 0
  return {
    newId: () => randomUUID(),
    now: () => new Date(Date.now() + aheadMs).toISOString(),
    later: (minutes) => {
      aheadMs += minutes * 60_000
    },
  }
}
