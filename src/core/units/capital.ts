/** A sentence begins with a capital. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
