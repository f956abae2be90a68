import { type Bench, type Slot, slotOf } from '@/src/core/bench/bench'
import { sayOnTheWay } from '@/src/core/bench/say'
import { asOwn } from '@/src/core/wiring/build-system'
import type { PartOf } from '@/src/core/wiring/part'
import type { Cable, Conductor, System } from '@/src/core/wiring/system'

type Left = Pick<Bench, 'swaps' | 'slot' | 'further'>

/**
 * A house as a job leaves it, for the next one there: a conductor that a spare took over from has that one's color, and neither the wire
 * that was given up nor a spare that was cut for a section serves again; a fuse that was fitted where there was none is there. The same
 * system where none of it was done.
 */
export function systemAsLeft(system: System, bench: Left): System {
  const parts = system.parts.map((part) => (part.kind === 'fuse' ? fuseAsLeft(part, slotOf(system, bench, part.id)) : part))
  if (bench.swaps.length === 0 && parts.every((part, index) => part === system.parts[index])) return system
  return { ...asOwn(system), parts, cables: system.cables.map((cable) => cableAsLeft(cable, bench.swaps)) }
}

/** A breaker on clip leads goes home with the technician; what is fitted stays. */
function fuseAsLeft(fuse: PartOf<'fuse'>, { holds, ratingA }: Slot): PartOf<'fuse'> {
  if (fuse.holds !== 'none' || holds !== 'fuse') return fuse
  const { holds: _, ...fitted } = fuse
  return { ...fitted, ratingA }
}

function cableAsLeft(cable: Cable, made: Bench['swaps']): Cable {
  // An exchange is a test, and goes back.
  const swaps = made.filter((swap) => swap.cable === cable.id && !swap.exchange)
  const conductors = cable.conductors
    .filter(({ id }) => swaps.every(({ to }) => to !== id))
    .map((conductor): Conductor => {
      const swap = swaps.find(({ from }) => from === conductor.id)
      const spare = cable.conductors.find(({ id }) => id === swap?.to)
      if (!swap || !spare) return conductor
      if (swap.section) return { ...conductor, onTheWay: sayOnTheWay(cable, swap.to, swap.section) }
      const { onTheWay: _, ...plain } = conductor
      return { ...plain, colour: spare.colour }
    })
  return { ...cable, conductors }
}
