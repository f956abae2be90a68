import { useCallback, useRef } from 'react'

const NAME = 'nest-trace lines'
const MOST = 40

function read(): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(NAME) ?? '[]')
    return Array.isArray(kept) ? kept.filter((line): line is string => typeof line === 'string') : []
  } catch {
    return []
  }
}

/** Lines that were taken on this device, to be had again with the arrow keys: `earlier` walks back, `later` forward. */
export function useLineHistory(): { keep: (line: string) => void; earlier: (typed: string) => string | null; later: () => string | null } {
  const at = useRef<number | null>(null)
  const begun = useRef('')
  const keep = useCallback((line: string) => {
    const lines = [...read().filter((other) => other !== line), line].slice(-MOST)
    at.current = null
    try {
      localStorage.setItem(NAME, JSON.stringify(lines))
    } catch {
      // A device that keeps nothing has no history; the line itself is taken all the same.
    }
  }, [])
  const earlier = useCallback((typed: string) => {
    const lines = read()
    if (at.current === null) begun.current = typed
    const next = (at.current ?? lines.length) - 1
    if (next < 0) return null
    at.current = next
    return lines[next]
  }, [])
  const later = useCallback(() => {
    if (at.current === null) return null
    const lines = read()
    at.current = at.current + 1 < lines.length ? at.current + 1 : null
    return at.current === null ? begun.current : lines[at.current]
  }, [])
  return { keep, earlier, later }
}
