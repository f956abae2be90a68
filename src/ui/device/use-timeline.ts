import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type Entry, haveSameIds } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { api, Refused } from '@/src/ui/device/api-client'
import { acknowledge, keepOnDevice, waitingFor } from '@/src/ui/device/outbox'

const RETRY_MS = 5000

export interface TimelineState {
  readonly entries: readonly Entry[]
  /** Entries that are on this device only. */
  readonly unsent: number
  /** Why the last sending failed; null when all is well. */
  readonly problem: string | null
  /** Kept on the device when it returns; sent after. */
  readonly add: (entries: readonly Entry[]) => Promise<void>
}

/** A job's timeline: what the server has, then what waits on this device. Kept here first, sent when there is signal. */
export function useTimeline(initial: JobFile): TimelineState {
  const jobId = initial.job.id
  const client = useQueryClient()
  const key = useMemo(() => ['job', jobId], [jobId])
  const { data: job } = useQuery({ queryKey: key, queryFn: () => api.readJob(jobId), initialData: initial, staleTime: 60_000 })
  const [waiting, setWaiting] = useState<readonly Entry[]>([])
  const [problem, setProblem] = useState<string | null>(null)
  const isSending = useRef(false)

  const acknowledged = useCallback(
    (sent: readonly Entry[]) => {
      client.setQueryData<JobFile>(key, (known) => known && { ...known, entries: merge(known.entries, sent) })
      setWaiting((before) => before.filter(({ id }) => !sent.some((entry) => entry.id === id)))
    },
    [client, key],
  )

  const send = useCallback(async () => {
    if (isSending.current) return
    isSending.current = true
    try {
      for (let batch = await waitingFor(jobId); batch.length > 0; batch = await waitingFor(jobId)) {
        const sent = batch
        await api.sendEntries(jobId, sent)
        acknowledged(sent)
        await acknowledge(jobId, sent)
      }
      setProblem(null)
    } catch (error) {
      setProblem(error instanceof Refused ? `The server refused: ${error.message}` : (error as Error).message)
    } finally {
      isSending.current = false
    }
  }, [jobId, acknowledged])

  useEffect(() => {
    waitingFor(jobId).then((kept) => {
      setWaiting((before) => merge(kept, before))
      void send()
    }, setDeviceProblem)
    const timer = setInterval(send, RETRY_MS)
    window.addEventListener('online', send)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', send)
    }
    function setDeviceProblem(error: unknown) {
      setProblem(`This device keeps nothing (${String(error)}). Entries go straight to the server.`)
    }
  }, [jobId, send])

  const add = useCallback(
    async (added: readonly Entry[]) => {
      setWaiting((before) => merge(before, added))
      try {
        await keepOnDevice(jobId, added)
      } catch {
        // A browser that keeps nothing (private window, full disk): straight to the server, and told when that fails too.
        await api.sendEntries(jobId, added)
        acknowledged(added)
        return
      }
      void send()
    },
    [jobId, send, acknowledged],
  )

  const entries = useSame(
    useMemo(() => merge(job.entries, waiting), [job.entries, waiting]),
    haveSameIds,
  )
  return { entries, unsent: waiting.length, problem, add }
}

/** The list as it was while it holds the same: entries that only went from the device to the server are not weighed again. */
function useSame<T>(list: T, isSame: (a: T, b: T) => boolean): T {
  const kept = useRef(list)
  if (kept.current !== list && !isSame(kept.current, list)) kept.current = list
  return kept.current
}

function merge(known: readonly Entry[], added: readonly Entry[]): Entry[] {
  const ids = new Set(known.map(({ id }) => id))
  return [...known, ...added.filter(({ id }) => !ids.has(id))]
}
