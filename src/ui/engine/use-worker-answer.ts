import { useQuery } from '@tanstack/react-query'
import type { Remote } from 'comlink'
import type { Entry } from '@/src/core/job/entry'
import { diagnosisWorker } from '@/src/ui/engine/engine-client'
import type { DiagnosisApi } from '@/src/workers/diagnosis.worker'

export interface WorkerAnswer<T> {
  /** Null until it is there. */
  readonly answer: T | null
  /** Why there will be none, in a sentence. */
  readonly problem: string | null
}

/** What the worker is asked about. */
interface Asked {
  readonly job: { readonly id: string }
  readonly entries: readonly Entry[]
}

/**
 * One answer of the worker about a timeline, kept: whoever comes back to a screen, or to an earlier point, has it at once. An answer about
 * another timeline is not shown. The worker needs no signal, and what it answered does not go out of date.
 *
 * @param question the question in words, with all that it speaks of; another one is another answer
 * @param hangsOn what else the answer hangs on: the whole timeline, where nothing less is given
 */
export function useWorkerAnswer<T>(
  { job, entries }: Asked,
  question: string,
  ask: (worker: Remote<DiagnosisApi>) => Promise<T>,
  hangsOn = entries.map(({ id }) => id).join(' '),
): WorkerAnswer<T> {
  const { data, error } = useQuery<T, Error>({
    queryKey: ['worker', job.id, question, hangsOn],
    queryFn: async () => ask(await diagnosisWorker()),
    enabled: true,
    networkMode: 'always',
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    structuralSharing: false,
  })
  return { answer: data ?? null, problem: error?.message ?? null }
}
