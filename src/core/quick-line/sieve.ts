import { neededBy } from '@/src/core/quick-line/needs'

/**
 * Many regular expressions, of which a text is matched only against those that it has the needed strings for. All strings of all expressions
 * are found in one walk over the text.
 */
export class Sieve {
  /** Strings by their first two characters. */
  private readonly byStart = new Map<number, { readonly word: string; readonly id: number }[]>()
  private readonly ids = new Map<string, number>()
  /** Of each expression, the lists of which one string each has to be there. */
  private readonly needs: readonly (readonly (readonly number[])[])[]
  /** The expressions that are looked at once a string is there: by their rarest list. */
  private readonly wokenBy: number[][] = []
  private readonly always: readonly number[]

  /** @param sources of the expressions; letters of either case are held for the same, so that no more than matches is passed over */
  constructor(sources: readonly string[]) {
    const needed = sources.map((source) => neededBy(source).map((some) => some.map((word) => word.toLowerCase())))
    this.needs = needed.map((lists) => lists.map((some) => some.map((word) => this.idOf(word))))
    for (const [index, lists] of needed.entries()) {
      const [rarest] = [...lists].sort((a, b) => shortest(b) - shortest(a))
      for (const word of rarest ?? []) this.wokenBy[this.idOf(word)].push(index)
    }
    this.always = needed.flatMap((lists, index) => (lists.length === 0 ? [index] : []))
  }

  /** For each expression 1 where it may match the text, else 0. */
  of(text: string): Uint8Array {
    const lower = text.toLowerCase()
    const has = new Uint8Array(this.ids.size)
    const found: number[] = []
    for (let at = 0; at + 1 < lower.length; at++)
      for (const { word, id } of this.byStart.get(startOf(lower, at)) ?? [])
        if (has[id] === 0 && lower.startsWith(word, at)) {
          has[id] = 1
          found.push(id)
        }
    const mayMatch = new Uint8Array(this.needs.length)
    for (const index of this.always) mayMatch[index] = 1
    const isThere = (id: number) => has[id] === 1
    for (const id of found)
      for (const index of this.wokenBy[id])
        if (mayMatch[index] === 0 && this.needs[index].every((some) => some.some(isThere))) mayMatch[index] = 1
    return mayMatch
  }

  private idOf(word: string): number {
    const known = this.ids.get(word)
    if (known !== undefined) return known
    const id = this.ids.size
    this.ids.set(word, id)
    this.wokenBy.push([])
    const start = startOf(word, 0)
    this.byStart.set(start, [...(this.byStart.get(start) ?? []), { word, id }])
    return id
  }
}

const shortest = (some: readonly string[]): number => Math.min(...some.map((word) => word.length))

const startOf = (text: string, at: number): number => text.charCodeAt(at) * 0x1_0000 + text.charCodeAt(at + 1)

/** A text put through forms one after the other: each takes what those before it have left, and those that cannot match are passed over. */
export function rewriter<F extends readonly [RegExp, unknown]>(
  forms: readonly F[],
): (text: string, put: (text: string, form: F) => string) => string {
  const sieve = new Sieve(forms.map(([says]) => says.source))
  return (text, put) => {
    let now = text
    let mayMatch = sieve.of(now)
    for (let index = 0; index < forms.length; index++) {
      if (mayMatch[index] === 0) continue
      const next = put(now, forms[index])
      if (next === now) continue
      now = next
      mayMatch = sieve.of(now)
    }
    return now
  }
}
