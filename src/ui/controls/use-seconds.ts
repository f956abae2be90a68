import { useEffect, useState } from 'react'

/** The clock, milliseconds since 1970, drawn anew twice a second while something counts by it. */
export function useSeconds(isCounting: boolean): number {
  const [nowMs, setNowMs] = useState(() => Date.now())
  useEffect(() => {
    if (!isCounting) return
    setNowMs(Date.now())
    const timer = setInterval(() => setNowMs(Date.now()), 500)
    return () => clearInterval(timer)
  }, [isCounting])
  return nowMs
}
