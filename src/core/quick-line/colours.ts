import type { Sentence } from '@/src/core/quick-line/sentence'

/** Wires by their colors, where one stands. */

/** The wires of a color that are on a screw where one stands, by their cable and letter. */
const wiresOfColour = ({ system, state }: Sentence, colour: string): { cable: string; letter: string }[] =>
  system.cables.flatMap(({ id, between, conductors }) => {
    const side = between.indexOf(state.bench.place)
    return side < 0
      ? []
      : conductors.flatMap(({ colour: own, lands }) => (own === colour && lands[side] ? [{ cable: id, letter: lands[side] }] : []))
  })

/** The cables that have a wire of a color where one stands, spares too. */
export const cablesWithColour = ({ system, state }: Sentence, colour: string) =>
  system.cables.filter(({ between, conductors }) => between.includes(state.bench.place) && conductors.some((one) => one.colour === colour))

const theOne = (some: readonly string[]): string | null => (new Set(some).size === 1 ? some[0] : null)

/** The letter that a color serves where one stands, and the cable of that wire: each where there is one alone. */
export const letterOfColour = (the: Sentence, colour: string): string | null =>
  theOne(wiresOfColour(the, colour).map(({ letter }) => letter))
export const cableOfColour = (the: Sentence, colour: string): string | null => theOne(wiresOfColour(the, colour).map(({ cable }) => cable))
