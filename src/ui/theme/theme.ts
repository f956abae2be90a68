/** Attic is dark; roof is for bright sun. */
export const themes = ['attic', 'roof'] as const
export type Theme = (typeof themes)[number]

export const readTheme = (value: string | undefined): Theme => (value === 'roof' ? 'roof' : 'attic')

/** Switches between the two, on this page at once and for the next visit. */
export function toggleTheme(): void {
  const theme: Theme = readTheme(document.documentElement.dataset.theme) === 'attic' ? 'roof' : 'attic'
  document.documentElement.dataset.theme = theme
  // biome-ignore lint/suspicious/noDocumentCookie: the server must see it before the first paint
  document.cookie = `theme=${theme}; path=/; max-age=31536000; samesite=lax`
}
