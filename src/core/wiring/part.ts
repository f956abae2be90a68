import type { z } from 'zod'
import type { partSchema } from '@/src/core/wiring/part-schema'

export const switchRoles = ['limit', 'rollout', 'high-pressure', 'low-pressure', 'float', 'door'] as const
export const coilRoles = ['contactor', 'blower-relay', 'gas-valve', 'reversing-valve', 'sequencer', 'solenoid', 'damper'] as const
export type Part = z.infer<typeof partSchema>
export type PartOf<K extends Part['kind']> = Extract<Part, { kind: K }>

/** Every input that makes an output of a board. */
export const inputsOf = ({ call, also = [] }: PartOf<'board'>['outputs'][number]): string[] => [call, ...also]
