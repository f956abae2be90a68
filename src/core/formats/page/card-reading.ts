import { counted } from '@/src/core/units/counted'
import { conductorColours } from '@/src/core/wiring/insulation'
import type { Conductor, System } from '@/src/core/wiring/system'

type Colour = Conductor['colour']

/** What the code of a card inside a panel says: the wiring and the figures of the last visit. */
export interface CardRead {
  readonly title: string
  readonly system: string
  readonly day: string
  readonly fuse: string
  /** For each letter the colors that come to it at each place, in the order of the system's cables. */
  readonly rows: readonly { readonly letter: string; readonly colours: readonly (readonly Colour[])[] }[]
  readonly spare: string
  readonly known: readonly string[]
}

const NO_CARD = 'This is not the code of a card from inside a panel. Nothing was taken.'
const LONGEST = 4000

/** Reads the text of a card's code, as `cardText` writes it. */
export function readCard(text: string): { readonly ok: true; readonly card: CardRead } | { readonly ok: false; readonly problem: string } {
  const [title, system, head, places, ...rest] = text.split('\n')
  const [day, fuse] = (head ?? '').split('; ')
  const spareAt = rest.findIndex((line) => /^(?:spare: |no spare$)/.test(line))
  if (text.length > LONGEST || !title || !system || !fuse || spareAt < 0) return { ok: false, problem: NO_CARD }
  const count = places.split(' / ').length
  const rows = rest.slice(0, spareAt).map((line) => {
    const [letter, said = ''] = line.split(/: (.*)/s)
    return { letter, colours: said.split(' / ').map((one) => (one === '-' ? [] : one.split(' | ').flatMap(asColour))) }
  })
  if (rows.length === 0 || rows.some(({ letter, colours }) => !/^[A-Z]\w{0,3}$/.test(letter) || colours.length !== count))
    return { ok: false, problem: NO_CARD }
  return { ok: true, card: { title, system, day, fuse, rows, spare: rest[spareAt], known: rest.slice(spareAt + 1).filter(Boolean) } }
}

const asColour = (said: string): Colour[] => conductorColours.filter((one) => one === said)

/**
 * A system with the colors of the card. A wire whose place on the card does not say which of its conductors it is keeps its own; a spare
 * that serves now changes its color with the one that it took over from.
 */
export function wiredAsOnCard(system: System, { rows }: CardRead): System {
  const colours = new Map<string, Colour>()
  rows.forEach(({ letter, colours: said }) => {
    system.places.forEach(({ id: place }, at) => {
      const here = system.cables.flatMap(({ id, between, conductors }) =>
        conductors.flatMap((conductor) => (conductor.lands[between.indexOf(place)] === letter ? [`${id} ${conductor.id}`] : [])),
      )
      if (here.length !== (said[at] ?? []).length) return
      here.forEach((wire, index) => {
        colours.set(wire, said[at][index])
      })
    })
  })
  return {
    ...system,
    cables: system.cables.map((cable) => ({ ...cable, conductors: coloured(cable.conductors, (id) => colours.get(`${cable.id} ${id}`)) })),
  }
}

/** No two wires of a cable have one color: whichever had it before gets the color that was given up for it. */
function coloured(conductors: readonly Conductor[], colourOf: (id: string) => Colour | undefined): Conductor[] {
  const made = conductors.map((conductor) => ({ ...conductor }))
  for (const conductor of made) {
    const colour = colourOf(conductor.id)
    if (colour === undefined || colour === conductor.colour) continue
    const other = made.find((one) => one.colour === colour)
    if (other) other.colour = conductor.colour
    conductor.colour = colour
  }
  return made
}

/** The card in a line, for the new job's record. */
export const sayCard = ({ day, fuse, spare, known }: CardRead): string =>
  [`card of ${day}: ${fuse}`, spare, known.length > 0 ? `${counted(known.length, 'figure')}: ${known.join('; ')}` : 'no figures'].join('; ')
