import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/**
 * False on the server and in the first pass over what it sent, true from then on, and at once on all that is drawn later. What hangs on the
 * device (its clock, its time zone) waits for it: text that differs from what the server sent makes React throw the page away and draw it
 * anew, and a tap made meanwhile is lost with it.
 */
export const useIsHydrated = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
