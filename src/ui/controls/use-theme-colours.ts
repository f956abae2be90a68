import { useEffect, useState } from 'react'

const names = ['ground', 'ink', 'muted', 'line', 'ember', 'next', 'hold'] as const
export type ThemeColours = Readonly<Record<(typeof names)[number], string>>

const read = (): ThemeColours => {
  const style = getComputedStyle(document.documentElement)
  return Object.fromEntries(names.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as ThemeColours
}

/** The theme's colours as values, for a canvas that cannot read them from the style sheet; follows the theme. */
export function useThemeColours(): ThemeColours | null {
  const [colours, setColours] = useState<ThemeColours | null>(null)
  useEffect(() => {
    const update = () => setColours(read())
    update()
    const observer = new MutationObserver(update)
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
    return () => observer.disconnect()
  }, [])
  return colours
}
