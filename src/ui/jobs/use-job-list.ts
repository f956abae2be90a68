import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query'
import { useDeferredValue, useEffect, useState } from 'react'
import type { JobList } from '@/src/core/formats/api'
import { foldJob } from '@/src/core/job/fold'
import { type JobSummary, summarise } from '@/src/core/job/job-summary'
import { api, type ListAsked } from '@/src/ui/device/api-client'
import { listenToDevice } from '@/src/ui/device/device-events'
import { listKeptJobs } from '@/src/ui/device/kept-jobs'
import { waitingByJob, waitingFor } from '@/src/ui/device/outbox'

export interface ListedJob extends JobSummary {
  /** Entries of it that are on this device only. */
  readonly waiting: number
  /** The server does not know it yet, or does not answer: what stands here is what this device has. */
  readonly isOnDevice: boolean
}

export interface Listed {
  readonly jobs: readonly ListedJob[]
  readonly fitting: number
  readonly total: number
  readonly open: number
  /** The server does not answer. */
  readonly isOffline: boolean
  readonly hasMore: boolean
  readonly more: () => void
}

/** Pages of the list from the server; without a signal, the jobs that this device has. */
export function useJobList(first: JobList | null, words: string, show: ListAsked['show']): Listed {
  const wanted = useDeferredValue(words.trim().toLowerCase())
  const isFirst = wanted === '' && show === 'all'
  const { data, error, hasNextPage, fetchNextPage } = useInfiniteQuery({
    queryKey: ['jobs', wanted, show],
    queryFn: ({ pageParam }) => api.listJobs({ words: wanted, show, after: pageParam }),
    initialPageParam: null as ListAsked['after'],
    getNextPageParam: ({ jobs, fitting }, pages) => {
      const last = jobs.at(-1)
      const listed = pages.reduce((sum, page) => sum + page.jobs.length, 0)
      return last && listed < fitting ? { createdAt: last.createdAt, id: last.id } : null
    },
    ...(isFirst && first && { initialData: { pages: [first], pageParams: [null] } }),
    placeholderData: keepPreviousData,
    staleTime: 5000,
    refetchOnWindowFocus: true,
  })
  const own = useOwnJobs()
  const client = useQueryClient()
  // What this device has sent, or taken in, changes the list that the server gives.
  useEffect(
    () =>
      listenToDevice(({ kind }) => {
        if (kind === 'sent' || kind === 'restored') void client.invalidateQueries({ queryKey: ['jobs'] })
      }),
    [client],
  )
  const isOffline = error !== null || (first === null && data === undefined)
  const fits = (job: JobSummary) =>
    (show === 'all' || (show === 'closed') === (job.closedAt !== null)) &&
    [job.title, job.system, job.words, ...job.repairs].join('\n').toLowerCase().includes(wanted)
  const fromServer = isOffline ? [] : (data?.pages.flatMap(({ jobs }) => jobs) ?? [])
  const listed = new Set(fromServer.map(({ id }) => id))
  const onlyHere = own.jobs.filter((job) => !listed.has(job.id) && fits(job) && (isOffline || job.isBegun))
  const jobs = [
    ...onlyHere.map((job): ListedJob => ({ ...job, isOnDevice: true, waiting: own.waiting.get(job.id) ?? 0 })),
    ...fromServer.map((job): ListedJob => ({ ...job, isOnDevice: false, waiting: own.waiting.get(job.id) ?? 0 })),
  ]
  const page = isOffline ? null : data?.pages[0]
  return {
    jobs,
    fitting: page ? page.fitting + onlyHere.length : jobs.length,
    total: page ? page.total + own.jobs.filter(({ isBegun }) => isBegun).length : own.jobs.length,
    open: page ? page.open : own.jobs.filter(({ closedAt }) => closedAt === null).length,
    isOffline,
    hasMore: !isOffline && hasNextPage,
    more: () => void fetchNextPage(),
  }
}

type OwnJob = JobSummary & { readonly isBegun: boolean }

/** What this device has: jobs it has seen or begun, and how many entries of each wait here. */
function useOwnJobs(): { jobs: readonly OwnJob[]; waiting: ReadonlyMap<string, number> } {
  const [own, setOwn] = useState<{ jobs: readonly OwnJob[]; waiting: ReadonlyMap<string, number> }>({ jobs: [], waiting: new Map() })
  useEffect(() => {
    let isHere = true
    const look = async () => {
      const [kept, waiting] = await Promise.all([listKeptJobs(), waitingByJob()])
      const jobs = await Promise.all(
        kept.map(async ({ id, file, opening, shares = null }): Promise<OwnJob> => {
          const mine = waiting.has(id) ? (await waitingFor(id)).map(({ entry }) => entry) : []
          return {
            ...summarise(file.job, file.system, foldJob(file.system, [...file.entries, ...mine]), shares),
            isBegun: opening !== undefined,
          }
        }),
      )
      if (isHere) setOwn({ jobs, waiting })
    }
    // A device that keeps nothing has nothing to list.
    const lookAgain = () => void look().catch(() => undefined)
    lookAgain()
    const unlisten = listenToDevice(({ kind }) => {
      if (kind !== 'problem') lookAgain()
    })
    return () => {
      isHere = false
      unlisten()
    }
  }, [])
  return own
}
