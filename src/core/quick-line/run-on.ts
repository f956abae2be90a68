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

/** What a part or a unit does, or reads, right behind its name. */
const PREDICATE =
  /^(?:(?:is|was|has|still|just|never|not|only) )*(?:runs?|running|ran|starts?|started|comes?|came|kicks?|kicked|fires?|fired|lights?|lit|lights? up|spins?|pulls? in|pulled in|clicks?|clicked|hums?|buzz(?:es)?|chatters?|drops? out|dropped out|in|out|dead|blank|dark|won['’]?t|does ?n['’]?t|did ?n['’]?t|isn['’]?t|stops?|stopped|trips?|tripped|blown|blew|popped|holds?|held|\d+(?:\.\d+)?)\b/i
/** What leads up to a name that is said of something else: at the furnace, the contactor and the valve. */
const LEADS_UP = /^(?:at|on|in|to|from|of|off|for|with|when|and|or|the|a|an|by|near|past|across|outside|inside|no|new|both|set|reset)$/i
/** What trips and holds begins a clause of its own, too. */
const HAPPENS = /^(?:fuse|breaker)$/i

/** `put R and Y together condenser kicks on`: a part or a unit, with what it does, behind something else that is whole. */
export function beforeSubject(text: string, the: Sentence): readonly Pair[] {
  const words = text.trim().split(/\s+/)
  if (words.length < 4 || isStory(text)) return []
  return words.flatMap((word, at): Pair[] => {
    if (at < 2 || word.length < 3 || LEADS_UP.test(words[at - 1]) || /[,;:]$/.test(words[at - 1])) return []
    // What does not arrive is said behind what does: 24 at the furnace none at the contactor.
    if (/^(?:none|nothing)$/i.test(word) && /^(?:at|on|to|out|past|behind|outside)$/i.test(words[at + 1] ?? ''))
      return [[words.slice(0, at).join(' '), words.slice(at).join(' ')]]
    const begins = [2, 1].some((length) => {
      const name = words
        .slice(at, at + length)
        .join(' ')
        .toLowerCase()
      const isNamed = HAPPENS.test(name) || the.part(name) !== null || the.place(name) !== null
      return isNamed && PREDICATE.test(words.slice(at + length).join(' '))
    })
    return begins ? [[words.slice(0, at).join(' '), words.slice(at).join(' ')]] : []
  })
}

const isStory = (text: string): boolean => text.trim().split(/\s+/).length > MOST_WORDS
