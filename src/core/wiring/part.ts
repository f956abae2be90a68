import type { z } from 'zod'
import type { partSchema } from '@/src/core/wiring/part-schema'

export type Part = z.infer<typeof partSchema>
export type PartOf<K extends Part['kind']> = Extract<Part, { kind: K }>

type Output = PartOf<'board'>['outputs'][number]
/** Every input that makes an output of a board. */
export const inputsOf = ({ call, also = [] }: Output): string[] => [call, ...also]
/** Every input that a board watches for an output: what makes it, what it needs beside, and what keeps it off. */
export const watchedFor = (output: Output): string[] => [...inputsOf(output), ...(output.needs ?? []), ...(output.unless ?? [])]
