import type { RunFinding, RunReport } from '@/src/core/cable/of-job'
import type { Distance } from '@/src/core/cable/run'
import { placeById, type System } from '@/src/core/wiring/system'

export const sayMetres = (metres: number): string => `${metres < 10 ? Number(metres.toFixed(1)) : Math.round(metres)} m`

/** What is along a run, in a word: Y open, Y and C shorted together, Y shorted to ground. */
export function sayFinding({ of, conductors }: Pick<RunFinding, 'of' | 'conductors'>): string {
  const names = conductors.join(' and ')
  return of === 'open' ? `${names} open` : of === 'short' ? `${names} shorted together` : `${names} shorted to ground`
}

/** Where to open a wall: between which landmarks, and how far from the first end. */
export function sayWhere(system: System, { cable, landmarks, lengthM }: RunReport, { lowM, middleM, highM }: Distance): string {
  const [from, to] = cable.between.map((place) => placeById(system, place)?.name ?? place)
  const marks = [{ name: from, metres: 0 }, ...landmarks, { name: to, metres: lengthM }]
  const before = marks.findLast(({ metres }) => metres <= Math.max(0, lowM))
  const behind = marks.find(({ metres }) => metres >= highM)
  const between = landmarks.length > 0 && before && behind ? `between the ${before.name} and the ${behind.name}, ` : ''
  return `${between}${sayMetres(middleM)} from the ${from} (${sayMetres(Math.max(0, lowM))} to ${sayMetres(highM)}, 19 times in 20)`
}
