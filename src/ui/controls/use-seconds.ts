import { useEffect, useState } from 'react'
import { useIsHydrated } from '@/src/ui/controls/use-is-hydrated'

/**
 * The device's clock, milliseconds since 1970, drawn anew twice a second while something counts by it. `null` in what the server sends and
 * in the first pass over it: the server's clock is another.
 */
export function useSeconds(isCounting: boolean): number | null {
  const isHydrated = useIsHydrated()
  const [nowMs, setNowMs] = useState(() => Date.now())
  useEffect(() => {
    if (!isCounting) return
    setNowMs(Date.now())
    const timer = setInterval(() => setNowMs(Date.now()), 500)
    return () => clearInterval(timer)
  }, [isCounting])
  return isHydrated ? nowMs : null
}
