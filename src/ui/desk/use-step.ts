import { useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useState } from 'react'
import { readStep, type Step } from '@/src/ui/desk/steps'

/**
 * The open step, and how to open another. The desk keeps it and the address bar only shows it: a step opens at once and without a signal,
 * whether or not the router has taken note.
 */
export function useStep(): readonly [Step, (next: Step) => void] {
  const [step, setStep] = useState(readStep(useSearchParams().get('step')))
  useEffect(() => {
    const goBack = () => setStep(readStep(new URLSearchParams(window.location.search).get('step')))
    window.addEventListener('popstate', goBack)
    return () => window.removeEventListener('popstate', goBack)
  }, [])
  const open = useCallback((next: Step) => {
    setStep(next)
    window.history.pushState(null, '', `?step=${next}`)
  }, [])
  return [step, open]
}
