import { z } from 'zod'
import { codeRowSchema } from '@/src/core/diagnosis/codes'
import { callNames, sayCall } from '@/src/core/wiring/call'

export const symptoms = [
  'blank-thermostat',
  'nothing-runs',
  'never-stops',
  'fuse-at-power-up',
  'fuse-on-call',
  'fuse-now-and-then',
  'mode-dead',
  'half-works',
  'chatters',
  'code',
  'smell',
] as const
export type Symptom = (typeof symptoms)[number]

export const changesLately = ['garden-work', 'new-thermostat', 'new-equipment', 'earlier-repair', 'rodents', 'storm'] as const
export type ChangeLately = (typeof changesLately)[number]

/** What the customer says, kept in their words and beside it in ours. The last visitor's finding is hearsay: it moves nothing. */
export const complaintSchema = z.strictObject({
  words: z.string().max(2000),
  symptoms: z.array(z.enum(symptoms)),
  /** The call on which the fuse goes or which is dead. */
  call: z.enum(callNames).nullable(),
  changed: z.array(z.enum(changesLately)),
  /** By whom, and when: kept for the record. */
  changedBy: z.string().max(300).default(''),
  /** Codes read off boards and displays, with what they mean there. */
  codes: z.array(codeRowSchema).max(12).default([]),
  hearsay: z.string().max(500),
  /** Thermostat, indoor and outdoor unit were matched: in a house with three systems the wrong one is opened easily. */
  rightUnit: z.boolean().default(false),
})
export type Complaint = z.infer<typeof complaintSchema>

export const emptyComplaint: Complaint = {
  words: '',
  symptoms: [],
  call: null,
  changed: [],
  changedBy: '',
  codes: [],
  hearsay: '',
  rightUnit: false,
}

export const saySymptom: Record<Symptom, string> = {
  'blank-thermostat': 'blank thermostat',
  'nothing-runs': 'nothing runs',
  'never-stops': 'never stops',
  'fuse-at-power-up': 'fuse at power-up',
  'fuse-on-call': 'fuse on one call',
  'fuse-now-and-then': 'fuse now and then',
  'mode-dead': 'one mode dead',
  'half-works': 'runs, but not all of it',
  chatters: 'relay or valve chatters',
  code: 'code on the thermostat',
  smell: 'burning smell',
}

export const sayChanged: Record<ChangeLately, string> = {
  'garden-work': 'fence or garden work',
  'new-thermostat': 'new thermostat',
  'new-equipment': 'new equipment',
  'earlier-repair': 'earlier repair',
  rodents: 'rodents',
  storm: 'storm',
}

/** The complaint in one line: the customer's words, then ours. */
export function sayComplaint({ words, symptoms: told, call, changed, changedBy, codes, rightUnit }: Complaint): string {
  const parts = [
    ...(words === '' ? [] : [`“${words}”`]),
    ...told.map((symptom) =>
      call && (symptom === 'fuse-on-call' || symptom === 'mode-dead') ? `${saySymptom[symptom]}: ${sayCall[call]}` : saySymptom[symptom],
    ),
    ...changed.map((change) => sayChanged[change]),
    ...(changedBy === '' ? [] : [`by ${changedBy}`]),
    ...codes.map(({ board, code, means }) => `code ${code}, ${board}: ${means}`),
    ...(rightUnit ? ['the right unit'] : []),
  ]
  return parts.length === 0 ? 'complaint: nothing told' : parts.join(' · ')
}
