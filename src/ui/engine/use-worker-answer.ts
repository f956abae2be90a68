import type { Remote } from 'comlink'
import { useEffect, useState } from 'react'
import { diagnosisWorker } from '@/src/ui/engine/engine-client'
import type { DiagnosisApi } from '@/src/workers/diagnosis.worker'

export interface WorkerAnswer<T> {
  /** Null until it is there. */
  readonly answer: T | null
  /** Why there will be none, in a sentence. */
  readonly problem: string | null
}

/** One answer of the worker, asked again when `key` changes. An answer to an older key is not shown. */
export function useWorkerAnswer<T>(ask: (worker: Remote<DiagnosisApi>) => Promise<T>, key: string): WorkerAnswer<T> {
  const [state, setState] = useState<WorkerAnswer<T> & { readonly key: string }>({ key, answer: null, problem: null })
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for what is asked
  useEffect(() => {
    let isCurrent = true
    diagnosisWorker()
      .then(ask)
      .then(
        (answer) => isCurrent && setState({ key, answer, problem: null }),
        (error: Error) => isCurrent && setState({ key, answer: null, problem: error.message }),
      )
    return () => {
      isCurrent = false
    }
  }, [key])
  return state.key === key ? state : { answer: null, problem: null }
}
