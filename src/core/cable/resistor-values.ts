import { z } from 'zod'

/** Values of resistors as they are typed and read: 2.2k, 4k7, 10k, 1M, 4700. */

const VALUE = /^(\d+(?:[.,]\d+)?)\s*(k|m)?(?:ohms?|Ω)?$/i
/** The letter in place of the point. */
const LETTER_INSIDE = /^(\d+)([km])(\d+)$/i
const ohmsSchema = z.array(z.number().min(1000).max(1_000_000)).min(1).max(24)

function ohmOf(word: string): number {
  const inside = LETTER_INSIDE.exec(word)
  const found = VALUE.exec(inside ? `${inside[1]}.${inside[3]}${inside[2]}` : word)
  if (!found) return Number.NaN
  const factor = /m/i.test(found[2] ?? '') ? 1e6 : found[2] ? 1e3 : 1
  return Number((factor * Number(found[1].replace(',', '.'))).toPrecision(6))
}

/** Ohms in ascending order; null where one is no value, out of range, or there twice. */
export function valuesIn(typed: string): readonly number[] | null {
  const ohms = typed
    .trim()
    .split(/[\s;]+/)
    .map(ohmOf)
  const isKnown = ohmsSchema.safeParse(ohms).success && new Set(ohms).size === ohms.length
  return isKnown ? ohms.sort((a, b) => a - b) : null
}

export const sayValues = (ohms: readonly number[]): string => ohms.map((ohm) => `${ohm / 1000}k`).join(' ')
