import { useEffect } from 'react'
import { sharesOfZones } from '@/src/core/job/job-summary'
import { api } from '@/src/ui/device/api-client'
import { keepSharesOnDevice } from '@/src/ui/device/kept-jobs'
import type { Advice } from '@/src/workers/diagnosis.worker'

/** The list needs them some time: not before the desk is at rest. */
const AFTER_MS = 2000

/**
 * Keeps how suspect each zone is, here and on the server when that has all the entries, so that the list shows it without weighing
 * anything. `advice` is null while that is not settled.
 */
export function useKeepShares(jobId: string, entries: number, isSent: boolean, advice: Advice | null): void {
  useEffect(() => {
    if (!advice) return
    const shares = sharesOfZones(advice.zones)
    // Nobody waits for it: without a signal the next opening tells it.
    const keep = () => Promise.allSettled([keepSharesOnDevice(jobId, shares), isSent ? api.keepShares(jobId, { entries, shares }) : null])
    const timer = setTimeout(keep, AFTER_MS)
    return () => clearTimeout(timer)
  }, [jobId, entries, isSent, advice])
}
