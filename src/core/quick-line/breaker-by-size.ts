import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { modelValue } from '@/src/core/units/model-value'

const DOES = '(?:still )?(?:trips?|tripped|pops?|popped|kicks?|kicked|holds?|held)'
const AMPS = String.raw`(\d{1,2}) ?a(?:mps?)?`

/** `3 A breaker trips, 5 A holds`: what is left out of the second. */
const OTHER_SIZE = new RegExp(`(?<=breaker ${DOES}(?: on \\w+)?,? (?:and |but |then )?)(?:the |a )?${AMPS}(?: one)? (?=${DOES}\\b)`, 'gi')

const BY_SIZE = new RegExp(`(^|[,;] ?|\\b(?:and|but|then) )(?:my |the |a )?${AMPS} (?:pocket |lamp )?breaker (?=${DOES}\\b)`, 'gi')

/** What goes in the slot of a 24 V side; a bigger one is the line's. */
export const LARGEST_IN_SLOT = modelValue({
  value: 10,
  unit: 'A',
  source: 'assumption: pocket breakers are sold at 3 and 5 A; the smallest of a house has 15',
})

/**
 * `3 amp breaker trips on cool`: a breaker that is called by its size, and tripped or held, is the one in the slot; where the record has
 * something else there it was put in. A line about a bigger one, in the panel of the house, is a note. The line as it is where it names none.
 */
export function breakerBySize(line: string, { system, entries }: QuickLineContext): string {
  const said = line.replace(OTHER_SIZE, '$1 A breaker ')
  if (/^\s*(?:note|complaint|repaired)\b/i.test(line) || said.search(BY_SIZE) < 0) return line
  if ([...said.matchAll(BY_SIZE)].some(([, , size]) => Number(size) > LARGEST_IN_SLOT)) return `note ${line.trim()}`
  const { slot } = foldJob(system, entries).bench
  let inSlot = slot.holds === 'breaker' ? slot.ratingA : null
  return said.replace(BY_SIZE, (_, joint: string, size: string) => {
    const isIn = inSlot === Number(size)
    inSlot = Number(size)
    return `${joint}${isIn ? 'breaker ' : `breaker ${size} in; `}`
  })
}
