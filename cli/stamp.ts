import { randomUUID } from 'node:crypto'
import type { Stamp } from '@/src/core/job/entry'

export const clockStamp: Stamp = { newId: () => randomUUID(), now: () => new Date().toISOString() }
