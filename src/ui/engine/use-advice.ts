import { proxy } from 'comlink'
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
  /** Share of the thinking ahead that is done; null when there is none under way. */
  readonly ahead: number | null
}

/**
 * Suspects, then the next check, for a timeline. A newer timeline overtakes an older one: what comes late is dropped,
 * and the older one's next check is never begun.
 */
export function useAdvice(system: System, entries: readonly Entry[]): AdviceState & { retry: () => void; stopAhead: () => void } {
  const [state, setState] = useState<AdviceState>({ advice: null, proposal: null, thinking: 'suspects', problem: null, ahead: null })
  const [attempt, setAttempt] = useState(0)
  const newest = useRef(0)

  // biome-ignore lint/correctness/useExhaustiveDependencies: attempt is there to run it again
  useEffect(() => {
    const ticket = ++newest.current
    const isNewest = () => ticket === newest.current
    setState((before) => ({ ...before, thinking: 'suspects', problem: null, ahead: null }))
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

  useEffect(() => {
    const told = proxy((share: number) => setState((before) => ({ ...before, ahead: share < 1 ? share : null })))
    // A worker that does not start is told of by the advice itself.
    diagnosisWorker().then(
      (worker) => worker.watchAhead(told),
      () => {},
    )
  }, [])
  const stopAhead = () => {
    setState((before) => ({ ...before, ahead: null }))
    diagnosisWorker().then(
      (worker) => worker.stopAhead(),
      () => {},
    )
  }

  return { ...state, retry: () => setAttempt((count) => count + 1), stopAhead }
}
