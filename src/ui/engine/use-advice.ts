import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import type { Proposal } from '@/src/core/diagnosis/planner/propose'
import { type Entry, haveSameIds } from '@/src/core/job/entry'
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

/** What has been worked out last, and of which timeline: while that is not the one on the desk, it is shown as the one before. */
interface Held {
  readonly of: object | null
  readonly advice: Advice | null
  readonly proposal: Proposal | null
  readonly isWhole: boolean
  readonly problem: string | null
}

interface AdviceCalls {
  readonly retry: () => void
  /** Has the suspects weighed for entries that the desk is about to show: the worker thinks while the desk is drawn. */
  readonly begin: (entries: readonly Entry[]) => void
}

/** Suspects that were asked for before the desk showed the entries they are of. */
interface Begun {
  readonly entries: readonly Entry[]
  readonly advice: Promise<Advice>
}

/**
 * Suspects, then the next check, for a timeline. A newer timeline overtakes an older one: what comes late is dropped,
 * and the older one's next check is never begun.
 */
export function useAdvice(system: System, entries: readonly Entry[]): AdviceState & AdviceCalls {
  const [attempt, setAttempt] = useState(0)
  // biome-ignore lint/correctness/useExhaustiveDependencies: attempt is there to ask again
  const asked = useMemo(() => ({ system, entries }), [system, entries, attempt])
  const [held, setHeld] = useState<Held>({ of: null, advice: null, proposal: null, isWhole: false, problem: null })

  const begun = useRef<Begun | null>(null)
  const begin = useCallback(
    (soon: readonly Entry[]) => {
      const advice = diagnosisWorker().then((worker) => worker.advise({ system, entries: soon }))
      // A failure is told by whoever waits for it; nobody may.
      advice.catch(() => {})
      begun.current = { entries: soon, advice }
    },
    [system],
  )

  // Before any effect of the screens, so that the suspects are the first thing that the worker is asked for.
  useLayoutEffect(() => {
    let isNewest = true
    const compute = async () => {
      const worker = await diagnosisWorker()
      if (!isNewest) return
      const early = begun.current
      begun.current = null
      const advice = await (early && haveSameIds(early.entries, asked.entries) ? early.advice : worker.advise(asked))
      if (!isNewest) return
      // What everybody waits for is drawn at once, before whatever else has come in from the worker.
      flushSync(() => setHeld(({ proposal }) => ({ of: asked, advice, proposal, isWhole: false, problem: null })))
      const proposal = await worker.propose(asked)
      if (isNewest) setHeld({ of: asked, advice, proposal, isWhole: true, problem: null })
    }
    compute().catch((error: Error) => {
      if (isNewest) setHeld((before) => ({ ...before, of: asked, problem: error.message }))
    })
    return () => {
      isNewest = false
    }
  }, [asked])

  const { advice, proposal } = held
  const retry = useCallback(() => setAttempt((count) => count + 1), [])
  if (held.of !== asked) return { advice, proposal, thinking: 'suspects', problem: null, retry, begin }
  return { advice, proposal, thinking: held.isWhole || held.problem !== null ? null : 'next check', problem: held.problem, retry, begin }
}
