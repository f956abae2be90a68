import type { Bench } from '@/src/core/bench/bench'
import type { Probe } from '@/src/core/readings/check'
import { parseLook } from '@/src/core/readings/look-target'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { Part } from '@/src/core/wiring/part'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { partById, placeById, type System } from '@/src/core/wiring/system'

/**
 * The bench with the hand where a reading was taken: whoever holds two leads on terminals of one place stands there, or looks at what one
 * has to stand before, also where nobody said that they walked.
 */
export function standingWhereRead(system: System, bench: Bench, probe: Probe): Bench {
  const place = probe.meter === 'look' ? lookedAtFrom(system, probe.at) : 'a' in probe ? placeOfBoth(probe.a, probe.b) : null
  return place === null || place === bench.place ? bench : { ...bench, place }
}

function placeOfBoth(a: Point, b: Point): PlaceId | null {
  const [at, other] = [a, b].map((point) => parsePoint(point).place)
  return at === other ? at : null
}

const SEEN_UP_CLOSE: ReadonlySet<Part['kind']> = new Set(['coil', 'switch', 'board'])

/** Where one stands to see it; null for what is heard from afar, or told: motors, what runs, a thermostat's screen. */
function lookedAtFrom(system: System, look: string): PlaceId | null {
  const { what, of } = parseLook(look)
  if (what === 'landings') return placeById(system, of)?.id ?? null
  const part = partById(system, of)
  const isUpClose = what === 'contacts' || what === 'capacitor' || (what === 'part' && part !== undefined && SEEN_UP_CLOSE.has(part.kind))
  return isUpClose ? (part?.place ?? null) : null
}
