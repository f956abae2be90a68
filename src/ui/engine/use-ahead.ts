import { proxy } from 'comlink'
import { useEffect, useState } from 'react'
import { diagnosisWorker } from '@/src/ui/engine/engine-client'

/**
 * How far the worker has thought ahead: a share, null when nothing is under way. Held by the one line that shows it, so that
 * the rest of the desk is not drawn again with every step.
 */
export function useAhead(): { ahead: number | null; stop: () => void } {
  const [ahead, setAhead] = useState<number | null>(null)
  useEffect(() => {
    let isHere = true
    const told = proxy((share: number) => isHere && setAhead(share < 1 ? share : null))
    // A worker that does not start is told of by the advice itself.
    diagnosisWorker().then(
      (worker) => worker.watchAhead(told),
      () => {},
    )
    return () => {
      isHere = false
    }
  }, [])
  const stop = () => {
    setAhead(null)
    diagnosisWorker().then(
      (worker) => worker.stopAhead(),
      () => {},
    )
  }
  return { ahead, stop }
}
