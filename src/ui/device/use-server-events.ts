import { useEffect } from 'react'

/** Where the server's events cannot be had, the job is looked at this often, and whenever the page comes to the front. */
const LOOK_MS = 15_000

/** Hears from the server how many entries a job has, whenever that changes: another device has entered something. */
export function useServerEvents(jobId: string, onCount: (count: number | null) => void): void {
  useEffect(() => {
    const look = () => onCount(null)
    const lookWhenSeen = () => document.visibilityState === 'visible' && look()
    let source: EventSource | null = null
    if (typeof EventSource !== 'undefined') {
      source = new EventSource(`/api/v1/jobs/${encodeURIComponent(jobId)}/events`)
      source.onmessage = ({ data }) => onCount(Number(data))
    }
    const timer = setInterval(() => {
      if (source === null || source.readyState !== EventSource.OPEN) lookWhenSeen()
    }, LOOK_MS)
    document.addEventListener('visibilitychange', lookWhenSeen)
    window.addEventListener('online', look)
    return () => {
      source?.close()
      clearInterval(timer)
      document.removeEventListener('visibilitychange', lookWhenSeen)
      window.removeEventListener('online', look)
    }
  }, [jobId, onCount])
}
