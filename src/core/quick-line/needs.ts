/**
 * What a regular expression cannot match without: of each of these lists one string has to be in the text, so that most rules are passed
 * over by a look for a word. Nothing is claimed of what is optional, a class, or looked ahead at.
 *
 * @param source of an expression without flags, in small letters
 */
export function neededBy(source: string): readonly (readonly string[])[] {
  const reader = { source, at: 0 }
  const needed = alternatives(reader)
  return reader.at < source.length ? [] : needed
}

/** One of each list. */
type Needed = readonly (readonly string[])[]
interface Source {
  readonly source: string
  at: number
}

/** Any of them may be what matched: of each the list that is rarest, where all of them need something. */
function alternatives(reader: Source): Needed {
  const all: Needed[] = [sequence(reader)]
  while (reader.source[reader.at] === '|') {
    reader.at++
    all.push(sequence(reader))
  }
  if (all.length === 1) return all[0]
  const rarest = all.map((needed) => [...needed].sort((a, b) => shortest(b) - shortest(a))[0])
  return rarest.every((one) => one !== undefined) ? [rarest.flat()] : []
}

const shortest = (some: readonly string[]): number => Math.min(...some.map((one) => one.length))

/** Everything in it has to be there. */
function sequence(reader: Source): Needed {
  const needed: (readonly string[])[] = []
  let run = ''
  const endRun = () => {
    if (run.trim().length > 1) needed.push([run])
    run = ''
  }
  while (reader.at < reader.source.length && !/[|)]/.test(reader.source[reader.at])) {
    const one = element(reader)
    const isOptional = quantified(reader)
    if (one.literal !== null && !isOptional) {
      run += one.literal
      continue
    }
    endRun()
    if (!isOptional) needed.push(...one.needed)
  }
  endRun()
  return needed
}

/** One character, class or group: the character itself where it is one. */
function element(reader: Source): { readonly literal: string | null; readonly needed: Needed } {
  const { source } = reader
  const char = source[reader.at++]
  if (char === '\\') {
    const escaped = source[reader.at++]
    return { literal: /\W/.test(escaped) ? escaped : null, needed: [] }
  }
  if (char === '[') {
    while (source[reader.at] !== ']') reader.at += source[reader.at] === '\\' ? 2 : 1
    reader.at++
    return { literal: null, needed: [] }
  }
  if (char === '(') {
    const opens = /^\?(?::|<?[=!]|<\w+>)/.exec(source.slice(reader.at))?.[0] ?? ''
    reader.at += opens.length
    const inside = alternatives(reader)
    reader.at++
    return { literal: null, needed: /[=!]$/.test(opens) ? [] : inside }
  }
  return { literal: /[.^$]/.test(char) ? null : char, needed: [] }
}

/** Passes over a quantifier; whether there is one. What may stand more than once is no run of characters, and is not counted. */
function quantified(reader: Source): boolean {
  const found = /^(?:[?*+]|\{\d+(?:,\d*)?\})\??/.exec(reader.source.slice(reader.at))
  reader.at += found?.[0].length ?? 0
  return found !== null
}
