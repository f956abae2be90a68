import type { z } from 'zod'
import type { complaintSchema } from '@/src/core/job/complaint-schema'
import type { changesLately, symptoms } from '@/src/core/job/symptoms'
import { sayCall } from '@/src/core/wiring/call'

export type Symptom = (typeof symptoms)[number]

export type ChangeLately = (typeof changesLately)[number]

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
  'fuse-at-power-up': 'blows at power-up',
  'fuse-on-call': 'blows on a call',
  'fuse-now-and-then': 'blows a fuse intermittently',
  'mode-dead': 'one mode dead',
  'half-works': 'runs, but not all of it',
  chatters: 'relay or valve chatters',
  code: 'code on the thermostat',
  smell: 'burning smell',
}

/** Symptoms of one call, which is asked after: it blows on heat, cool is dead, the fan never stops. */
export const ofOneCall = (symptom: Symptom): boolean => symptom === 'fuse-on-call' || symptom === 'mode-dead' || symptom === 'never-stops'

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
    ...told.map((symptom) => (call && ofOneCall(symptom) ? `${saySymptom[symptom]}: ${sayCall[call]}` : saySymptom[symptom])),
    ...changed.map((change) => sayChanged[change]),
    ...(changedBy === '' ? [] : [`by ${changedBy}`]),
    ...codes.map(({ board, code, means }) => `code ${code}, ${board}: ${means}`),
    ...(rightUnit ? ['the right unit'] : []),
  ]
  return parts.length === 0 ? 'no customer statement recorded' : parts.join(' · ')
}
