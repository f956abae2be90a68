import { callNames } from '@/src/core/wiring/call'

export const callSettings = ['off', ...callNames] as const

export const slotContents = ['fuse', 'breaker', 'nothing'] as const
