import { MOST_WORDS } from '@/src/core/quick-line/lists'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { findSubject } from '@/src/core/quick-line/subject'

/** Two things said with no sign between them, where the parts of this house tell the one from the other. */

type Pair = readonly [first: string, second: string]

/** What begins to say what the part before it does. */
const DOES =
  /(?<=\S) (?=(?:but |and |still |just )*(?:not|never|still|won['’]?t|doesn['’]?t|isn['’]?t|wouldn['’]?t|hum(?:s|ming)|buzz(?:es|ing)|chatter(?:s|ing)|clicking|welded|stuck)\b)/gi

/** `24.3 at contactor coil not pulled in`: what was read, and what that part does; the last such place first. */
export function beforePredicate(text: string, the: Sentence): readonly Pair[] {
  if (isStory(text)) return []
  return [...text.matchAll(DOES)].reverse().flatMap(({ index }): Pair[] => {
    const [first, does] = [text.slice(0, index), text.slice(index + 1).replace(/^(?:(?:but|and) )+/i, '')]
    const subject = /\d/.test(first) ? findSubject(first, the) : null
    return subject === null ? [] : [[first, `${subject} ${does}`]]
  })
}

const ACT =
  /^(?:i )?(?:jump(?:ed|er|ered)?(?: out)?|bypass(?:ed)?|unplug(?:ged)?|plug(?:ged)?|pull(?:ed)?|lift(?:ed)?|disconnect(?:ed)?|reconnect(?:ed)?|reset) /i

/** `jumped pressure switch igniter glows`: what was done to one part, and what another does. */
export function afterAct(text: string, the: Sentence): readonly Pair[] {
  if (!ACT.test(text) || isStory(text)) return []
  const words = text.trim().split(/\s+/)
  return words.flatMap((word, at): Pair[] => {
    const isPart = at > 1 && at < words.length - 1 && word.length > 2 && the.part(word.toLowerCase()) !== null
    return isPart ? [[words.slice(0, at).join(' '), words.slice(at).join(' ')]] : []
  })
}

const isStory = (text: string): boolean => text.trim().split(/\s+/).length > MOST_WORDS
