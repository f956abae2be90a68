import { useCallback, useEffect, useState } from 'react'

/** A text that survives a reload while it is being typed; null when nothing is being typed. `keep(null)` lets it go. */
export function useKeptText(key: string): [string | null, (text: string | null) => void] {
  const name = `nest-trace ${key}`
  const [text, setText] = useState<string | null>(null)
  useEffect(() => setText(localStorage.getItem(name)), [name])
  const keep = useCallback(
    (next: string | null) => {
      setText(next)
      if (next === null) localStorage.removeItem(name)
      else localStorage.setItem(name, next)
    },
    [name],
  )
  return [text, keep]
}
