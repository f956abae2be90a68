import { useEffect, useRef, useState } from 'react'
import type { Proposal } from '@/src/core/diagnosis/propose'
import type { Entry } from '@/src/core/job/entry'
import type { System } from '@/src/core/wiring/system'
import { diagnosisWorker } from '@/src/ui/engine/engine-client'
import type { Advice } from '@/src/workers/diagnosis.worker'

export interface AdviceState {
  readonly advice: Advice | null
  readonly proposal: Proposal | null
  /** What is being computed now; null when everything shown is up to date. */
  readonly thinking: 'suspects' | 'next check' | null
  readonly problem: string | null
}

/**
 * Suspects, then the next check, for a timeline. A newer timeline overtakes an older one: what comes late is dropped,
 * and the older one's next check is never begun.
 */
export function useAdvice(system: System, entries: readonly Entry[]): AdviceState & { retry: () => void } {
  const [state, setState] = useState<AdviceState>({ advice: null, proposal: null, thinking: 'suspects', problem: null })
  const [attempt, setAttempt] = useState(0)
  const newest = useRef(0)

  // biome-ignore lint/correctness/useExhaustiveDependencies: attempt is there to run it again
  useEffect(() => {
    const ticket = ++newest.current
    const isNewest = () => ticket === newest.current
    setState((before) => ({ ...before, thinking: 'suspects', problem: null }))
    const compute = async () => {
      const worker = await diagnosisWorker()
      if (!isNewest()) return
      const advice = await worker.advise({ system, entries })
      if (!isNewest()) return
      setState((before) => ({ ...before, advice, thinking: 'next check' }))
      const proposal = await worker.propose({ system, entries })
      if (isNewest()) setState((before) => ({ ...before, proposal, thinking: null }))
    }
    compute().catch((error: Error) => {
      if (isNewest()) setState((before) => ({ ...before, thinking: null, problem: error.message }))
    })
    return () => {
      newest.current++
    }
  }, [system, entries, attempt])

  return { ...state, retry: () => setAttempt((count) => count + 1) }
}
