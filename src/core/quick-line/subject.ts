import { plain } from '@/src/core/quick-line/said'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { coilMeant } from '@/src/core/quick-line/which-part'

const LONGEST_NAME = 3

/** What a clause speaks of: the first part that it names; null where it names none. */
export function findSubject(clause: string, the: Sentence): string | null {
  const words = plain(clause)
    .split(/[\s,]+/)
    .filter(Boolean)
  for (let at = 0; at < words.length; at++)
    for (let count = Math.min(LONGEST_NAME, words.length - at); count > 0; count--) {
      const said = words.slice(at, at + count).join(' ')
      if (said.length > 2 && (the.part(said) !== null || (said === 'coil' && coilMeant(the) !== null))) return said
    }
  return null
}
