import type { JobState } from '@/src/core/job/job-state'
import { sayCall } from '@/src/core/wiring/call'
import { callsOf, type System } from '@/src/core/wiring/system'

/** Why the job cannot be closed yet, a sentence a thing; empty when it can. */
export function reasonsNotToClose(system: System, state: Pick<JobState, 'owed' | 'proofs' | 'repairs'>): string[] {
  const reasons = state.owed.map((owed) => `To put back: ${owed.say}.`)
  for (const call of callsOf(system)) {
    const proof = state.proofs[call]
    if (!proof) reasons.push(`Not proved${state.repairs.length > 0 ? ' since the repair' : ''}: ${sayCall[call]}.`)
    else if (!proof.held) reasons.push(`Did not hold: ${sayCall[call]}.`)
  }
  return reasons
}
