import { useEffect, useState, useSyncExternalStore } from 'react'
import type { Entry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { type DeviceTimeline, JobSync } from '@/src/ui/device/job-sync'
import { useServerEvents } from '@/src/ui/device/use-server-events'

export interface TimelineState extends DeviceTimeline {
  /** Kept on the device when it returns; sent after. */
  readonly add: (entries: readonly Entry[]) => Promise<void>
}

/** A job's timeline: what the server has, then what waits on this device. Kept here first, sent when there is signal. */
export function useTimeline(initial: JobFile): TimelineState {
  const [sync] = useState(() => new JobSync(initial))
  const timeline = useSyncExternalStore(sync.subscribe, sync.snapshot, sync.snapshot)
  useEffect(() => sync.begin(), [sync])
  useServerEvents(initial.job.id, sync.sync)
  return { ...timeline, add: sync.add }
}
