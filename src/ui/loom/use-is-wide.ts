import { useSyncExternalStore } from 'react'

const QUERY = '(min-width: 60rem)'

/** Room for the whole loom; the same breakpoint as the desk's. */
export function useIsWide(): boolean {
  return useSyncExternalStore(
    (onChange) => {
      const query = window.matchMedia(QUERY)
      query.addEventListener('change', onChange)
      return () => query.removeEventListener('change', onChange)
    },
    () => window.matchMedia(QUERY).matches,
    () => true,
  )
}
