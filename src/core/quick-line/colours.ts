import type { Sentence } from '@/src/core/quick-line/sentence'
import type { CableId } from '@/src/core/wiring/ids'
import { placeById } from '@/src/core/wiring/system'

/** Wires by their colors, where one stands. */

/** A color that a wire has, as it is typed in small letters. */
export const COLOUR = '(?:red|white|green|yellow|blue|brown|orange|black|purple|violet|gr[ae]y|pink|tan)'

export const IS_COLOUR = new RegExp(`^${COLOUR}$`)

/** The wires of a color that are on a screw where one stands, by their cable and letter. */
const wiresOfColour = ({ system, state }: Sentence, colour: string): { cable: CableId; letter: string }[] =>
  system.cables.flatMap(({ id, between, conductors }) => {
    const side = between.indexOf(state.bench.place)
    return side < 0
      ? []
      : conductors.flatMap(({ colour: own, lands }) => (own === colour && lands[side] ? [{ cable: id, letter: lands[side] }] : []))
  })

/** The cables that have a wire of a color where one stands, spares too. */
const cablesWithColour = ({ system, state }: Sentence, colour: string) =>
  system.cables.filter(({ between, conductors }) => between.includes(state.bench.place) && conductors.some((one) => one.colour === colour))

const theOne = (some: readonly string[]): string | null => (new Set(some).size === 1 ? some[0] : null)

/** The letter that a color serves where one stands, and the cable of that wire: each where there is one alone. */
export function letterOfColour(the: Sentence, colour: string): string | null {
  if (!IS_COLOUR.test(colour)) return null
  const here = wiresOfColour(the, colour)
  if (here.length > 0) return theOne(here.map(({ letter }) => letter))
  // The wire of that color is elsewhere, and its letter is here: orange is O at a unit whose own cable has another color on it.
  const letter = theOne(
    the.system.cables.flatMap(({ conductors }) =>
      conductors.flatMap(({ colour: own, lands }) => (own === colour ? lands.filter((one) => one !== null) : [])),
    ),
  )
  return letter !== null && placeById(the.system, the.state.bench.place)?.terminals.includes(letter) ? letter : null
}
export const cableOfColour = (the: Sentence, colour: string): string | null =>
  !IS_COLOUR.test(colour) ? null : theOne(wiresOfColour(the, colour).map(({ cable }) => cable))

/** The letters of two colors at a place, here where none is named: those of the one cable there that has both; null where several have, or none. */
export function lettersOfPair(
  { system, state }: Sentence,
  one: string,
  other: string,
  at: string | null,
): readonly [string, string] | null {
  const pairs = system.cables.flatMap(({ between, conductors }) => {
    const side = between.findIndex((place) => place === (at ?? state.bench.place))
    const screw = (colour: string) => (side < 0 ? null : (conductors.find((wire) => wire.colour === colour)?.lands[side] ?? null))
    const [a, b] = [screw(one), screw(other)]
    return a !== null && b !== null ? [[a, b] as const] : []
  })
  return pairs.length === 1 ? pairs[0] : null
}

/** A wire by its color, where several cables have one of that color here: asked after by their names. */
export function askWhichOf(the: Sentence, colour: string): { readonly asks: string } | null {
  const cables = cablesWithColour(the, colour)
  if (cables.length < 2) return null
  return { asks: `Which ${colour}? Say ${cables.map(({ name }) => `"${name.replace(/ cable$/, '')} ${colour}"`).join(' or ')}.` }
}
