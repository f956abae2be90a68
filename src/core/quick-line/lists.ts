/** One thing said of two, and two things said without a sign between them: the clauses that a sentence may stand for. */

/** What can be said of two at once: what they do, how they are, what they read. */
const PREDICATE =
  /^(?:(?:are|is|were|was|both|still|all|just|now|do|does|not|reads?|have|has|show|measure|check) )*(?:run|runs|running|on|off|out|in|still|dead|open|shorted|closed|chattering|chatter|buzzing|humming|trips?|tripped|holds?|held|fine|good|ok|hot|ol|beeps?|unplugged|plugged|rubbed|chewed|loose|landed|burnt|melted|won['’]?t|don['’]?t|doesn['’]?t|aren['’]?t|isn['’]?t|not|to (?:ground|gnd|chassis|metal|c|common)|-?[\d.]+)\b/i

/** `fan and compressor running` is `fan running` and `compressor running`; null where it is no such list. */
export function listed(text: string): readonly [string, string] | null {
  const found = /^(?:both )?(?:the )?(\S+(?: \S+){0,2}?) and (?:the )?(\S+(?: \S+)*)$/i.exec(text.trim())
  if (!found) return null
  const words = found[2].split(' ')
  // The name of the second is as short as it can be.
  for (let length = 1; length <= Math.min(3, words.length - 1); length++) {
    const said = words.slice(length).join(' ')
    if (PREDICATE.test(said)) return [`${found[1]} ${said}`, `${words.slice(0, length).join(' ')} ${said}`]
  }
  return null
}

/** A sentence that runs on is no longer than this. */
export const MOST_WORDS = 10

/** What a clause can end with: a state, or what was read. */
const ENDS =
  /^(?:holds?|held|trips?|tripped|pops?|popped|blows?|blew|fine|good|ok|auto|dead|blank|open|closed|shut|shorted|grounded|in|out|off|on|up|down|running|runs|still|chatters|buzzes|hums|hot|ol|blown|lifted|unplugged|clicks|jumper|jumpered|jumped|joined|landed|energized|calling|connected|plugged|wall|-?\d[\d.]*(?:v|a|ohms?)?|v|volts?|a|amps?|ohms?)$/i

/** What was read at one terminal ends with its letter: 26 on Rc, nothing on Rh. */
const LETTER = /^(?:[RYGWOBC][ch]?\d?|[TL]\d)$/

/** What is missing, said right behind a reading: 120 at the igniter no glow. */
export const ABSENT = /^(?:no (?:glow|click|flame|fire|spark|hum)|(?:board )?lights? (?:is |are )?(?:out|off))$/i

/** `fan holds heat holds cool trips`: the ways to part a sentence behind what can end a clause, the longest first part first. */
export function runOn(text: string): readonly (readonly [string, string])[] {
  const words = text.trim().split(/\s+/)
  if (words.length < 4 || words.length > MOST_WORDS) return []
  return words
    .flatMap((word, at) =>
      at > 0 && at < words.length - 1 && (ENDS.test(word) || LETTER.test(word) || ABSENT.test(words.slice(at + 1).join(' ')))
        ? [[words.slice(0, at + 1).join(' '), words.slice(at + 1).join(' ')] as const]
        : [],
    )
    .reverse()
}
