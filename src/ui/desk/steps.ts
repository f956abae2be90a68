import type { JobState } from '@/src/core/job/job-state'
import { callsOf, type System } from '@/src/core/wiring/system'

export const steps = ['complaint', 'power', 'trace', 'cable', 'repair', 'prove', 'close'] as const
export type Step = (typeof steps)[number]

export const stepName: Record<Step, string> = {
  complaint: 'Complaint',
  power: 'Power',
  trace: 'Trace',
  cable: 'Cable',
  repair: 'Repair',
  prove: 'Prove',
  close: 'Close',
}

export const readStep = (value: string | null): Step => steps.find((step) => step === value) ?? 'trace'

/** Ticked on the rail: something of this step is on the timeline. */
export function isStepDone(system: System, state: JobState, step: Step): boolean {
  switch (step) {
    case 'complaint':
      return state.complaint.symptoms.length > 0 || state.complaint.words !== ''
    case 'power':
      return state.observations.some(({ probe }) => probe.meter === 'volts')
    case 'trace':
    case 'repair':
      return state.repairs.length > 0
    case 'cable':
      return state.observations.some(({ probe }) => probe.meter === 'ohms')
    case 'prove':
      return callsOf(system).every((call) => state.proofs[call]?.held)
    case 'close':
      return state.closedAt !== null
  }
}
