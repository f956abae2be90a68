import { type RefObject, useLayoutEffect, useRef, useState } from 'react'

/**
 * How many of a list's items stand whole in the room that it has; all of them where nothing bounds it. Items that do not must
 * keep their place in the layout (`invisible`), so that what is measured does not hang on what is shown.
 */
export function useFitting<T extends HTMLElement>(items: number): { list: RefObject<T | null>; fits: number } {
  const list = useRef<T>(null)
  const [fits, setFits] = useState(items)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another count of items is measured anew
  useLayoutEffect(() => {
    const element = list.current
    if (!element) return
    const measure = () => {
      const bottom = element.getBoundingClientRect().bottom
      const whole = [...element.children].filter((child) => child.getBoundingClientRect().bottom <= bottom + 1).length
      setFits(Math.max(1, whole))
    }
    measure()
    // A page that is drawn without a layout has nothing to watch.
    if (typeof ResizeObserver === 'undefined') return
    const watcher = new ResizeObserver(measure)
    watcher.observe(element)
    for (const child of element.children) watcher.observe(child)
    return () => watcher.disconnect()
  }, [items])
  return { list, fits }
}
