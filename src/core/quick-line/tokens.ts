/** One word, number or sign of a quick line, with where it stands. */
export interface Token {
  readonly kind: 'word' | 'number' | 'sign'
  readonly text: string
  readonly value: number
  readonly start: number
  readonly end: number
}

const isDigit = (char: string): boolean => char >= '0' && char <= '9'
const isWordStart = (char: string): boolean => /[A-Za-z]/.test(char)
const isWordPart = (char: string): boolean => /[A-Za-z0-9._@/]/.test(char)

/** `12,000` is twelve thousand to one hand and twelve to another. A leading zero can only be a decimal comma's. */
export const isAmbiguous = (text: string): boolean => /^[1-9]\d{0,2}(,\d{3})+(\.\d*)?$/.test(text)

/**
 * Splits a line into tokens. A dash joins the words of an id (`outdoor-cable.Y@indoor`, `high-pressure`) when the whole
 * is a known name, else it stands between two points (`R-C`).
 */
export function tokenize(line: string, isKnownName: (word: string) => boolean): Token[] {
  const tokens: Token[] = []
  let at = 0
  while (at < line.length) {
    const char = line[at]
    if (char === ' ' || char === '\t' || char === ',') {
      at++
    } else if (isDigit(char) || (char === '.' && isDigit(line[at + 1] ?? ''))) {
      const start = at
      // A comma between digits is a decimal comma; one before a space parts words.
      while (at < line.length && (isDigit(line[at]) || ((line[at] === '.' || line[at] === ',') && isDigit(line[at + 1] ?? '')))) at++
      if (line[at] === '.') at++
      const text = line.slice(start, at)
      const value = isAmbiguous(text) ? Number.NaN : Number(text.replace(',', '.'))
      tokens.push({ kind: 'number', text, value, start, end: at })
    } else if (isWordStart(char)) {
      const start = at
      at = endOfWord(line, at, isKnownName)
      tokens.push({ kind: 'word', text: line.slice(start, at), value: Number.NaN, start, end: at })
    } else {
      tokens.push({ kind: 'sign', text: char, value: Number.NaN, start: at, end: at + 1 })
      at++
    }
  }
  return tokens
}

/** The longest run of dash-joined words that is a known name, else the first word alone. */
function endOfWord(line: string, start: number, isKnownName: (word: string) => boolean): number {
  const wordEnd = (from: number) => {
    let at = from
    while (at < line.length && isWordPart(line[at])) at++
    return at
  }
  const ends = [wordEnd(start)]
  while (line[ends[ends.length - 1]] === '-' && /[A-Za-z0-9]/.test(line[ends[ends.length - 1] + 1] ?? ''))
    ends.push(wordEnd(ends[ends.length - 1] + 1))
  for (const end of [...ends].reverse()) if (isKnownName(line.slice(start, end))) return end
  return ends[0]
}
