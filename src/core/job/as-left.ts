import type { Bench } from '@/src/core/bench/bench'
import { asOwn } from '@/src/core/wiring/build-system'
import type { Cable, System } from '@/src/core/wiring/system'

/**
 * A house as a job leaves it, for the next one there: a conductor that a spare took over from has that one's color, and neither the wire
 * that was given up nor a spare that was cut for a section serves again. The same system where no spare was used.
 */
export function systemAsLeft(system: System, { swaps }: Pick<Bench, 'swaps'>): System {
  if (swaps.length === 0) return system
  return { ...asOwn(system), cables: system.cables.map((cable) => cableAsLeft(cable, swaps)) }
}

function cableAsLeft(cable: Cable, made: Bench['swaps']): Cable {
  const swaps = made.filter((swap) => swap.cable === cable.id)
  const conductors = cable.conductors
    .filter(({ id }) => swaps.every(({ to }) => to !== id))
    .map((conductor) => {
      const swap = swaps.find(({ from, section }) => from === conductor.id && !section)
      const spare = cable.conductors.find(({ id }) => id === swap?.to)
      return spare ? { ...conductor, colour: spare.colour } : conductor
    })
  return { ...cable, conductors }
}
