'use client'
import { type ComponentType, useEffect, useState } from 'react'
import type { ChartsProps } from '@/src/ui/power/charts'

export const loadCharts = () => import('@/src/ui/power/charts')

/** The charts bring a drawing library with them: the page is of use before it is there, and without it where it cannot be had. */
export function LateCharts(props: ChartsProps) {
  const [Charts, setCharts] = useState<ComponentType<ChartsProps> | null>(null)
  const [isMissing, setMissing] = useState(false)
  useEffect(() => {
    const load = () =>
      loadCharts()
        .then((module) => setCharts(() => module.Charts))
        .catch(() => setMissing(true))
    void load()
    window.addEventListener('online', load)
    return () => window.removeEventListener('online', load)
  }, [])
  if (Charts) return <Charts {...props} />
  return (
    <p className="h-56 text-muted">
      {isMissing ? 'Charts load when there is a signal. The readings below work without them.' : 'drawing the charts …'}
    </p>
  )
}
