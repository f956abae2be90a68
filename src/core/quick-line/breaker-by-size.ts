import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'

const DOES = '(?:still )?(?:trips?|tripped|pops?|popped|kicks?|kicked|holds?|held)'
const AMPS = String.raw`(\d{1,2}) ?a(?:mps?)?`

/** `3 A breaker trips, 5 A holds`: what is left out of the second. */
const OTHER_SIZE = new RegExp(`(?<=breaker ${DOES}(?: on \\w+)?,? (?:and |but |then )?)(?:the |a )?${AMPS}(?: one)? (?=${DOES}\\b)`, 'gi')

const BY_SIZE = new RegExp(`(^|[,;] ?|\\b(?:and|but|then) )(?:my |the |a )?${AMPS} (?:pocket |lamp )?breaker (?=${DOES}\\b)`, 'gi')

/**
 * `3 amp breaker trips on cool`: a breaker that is called by its size, and tripped or held, is the one in the slot; where the record has
 * something else there it was put in. The line as it is where it names none.
 */
export function breakerBySize(line: string, { system, entries }: QuickLineContext): string {
  const said = line.replace(OTHER_SIZE, '$1 A breaker ')
  if (/^\s*(?:note|complaint|repaired)\b/i.test(line) || said.search(BY_SIZE) < 0) return line
  const { slot } = foldJob(system, entries).bench
  let inSlot = slot.holds === 'breaker' ? slot.ratingA : null
  return said.replace(BY_SIZE, (_, joint: string, size: string) => {
    const isIn = inSlot === Number(size)
    inSlot = Number(size)
    return `${joint}${isIn ? 'breaker ' : `breaker ${size} in; `}`
  })
}
