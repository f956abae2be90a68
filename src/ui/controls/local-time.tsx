'use client'
import { format } from 'date-fns'
import { useIsHydrated } from '@/src/ui/controls/use-is-hydrated'

interface LocalTimeProps {
  /** ISO 8601. */
  readonly at: string
  readonly say?: (date: Date) => string
  readonly className?: string
}

/** A moment by the device's clock and time zone, which the server does not know. */
export function LocalTime({ at, say = sayMinute, className }: LocalTimeProps) {
  const isHydrated = useIsHydrated()
  return (
    <time dateTime={at} className={className}>
      {isHydrated && say(new Date(at))}
    </time>
  )
}

const sayMinute = (date: Date): string => format(date, 'HH:mm')
