import { z } from 'zod'
import { textSchema } from '@/src/core/units/text-schema'

/** A meter that streams its readings over a line, in the standard instrument commands (SCPI 1999): what is asked and what comes back. */

export const meterReads = ['volts', 'ohms', 'amps'] as const
export type MeterReads = (typeof meterReads)[number]

export const WHO_ARE_YOU = '*IDN?'
export const queries: Record<MeterReads, string> = { volts: 'MEAS:VOLT:AC?', ohms: 'MEAS:RES?', amps: 'MEAS:CURR:AC?' }

/** The simulated meter is told where the leads are: a real one knows by itself. */
export const SIMULATED_LEADS = 'SIM:LEADS'

/** Longest line that a meter may answer with, characters. */
export const LONGEST_LINE = 200

/** SCPI says 9.9E37 for more than the range holds. */
const OVERLOAD = 9e37

/** A reply to a measurement: a number in V, ohm or A, `OL` for more than the range, null for what is neither. */
export function readReply(line: string): number | 'OL' | null {
  const text = line.trim()
  if (/^[+-]?(?:OL|OVLD|OVERLOAD|INF)$/i.test(text)) return 'OL'
  if (!/^[+-]?\d+(?:\.\d*)?(?:[eE][+-]?\d{1,3})?$/.test(text)) return null
  const value = Number(text)
  return Math.abs(value) >= OVERLOAD ? 'OL' : value
}

/** What the server tells of a meter, one event after the other. */
export const meterEventSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('named'), name: textSchema(LONGEST_LINE), isSimulated: z.boolean() }),
  z.strictObject({ kind: z.literal('value'), value: z.union([z.number(), z.literal('OL')]) }),
  /** It cannot go on; a sentence for people. */
  z.strictObject({ kind: z.literal('problem'), say: z.string() }),
])
export type MeterEvent = z.infer<typeof meterEventSchema>
