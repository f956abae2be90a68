import { numberIn } from '@/src/core/quick-line/number-words'

/** `went 10 seconds, then tripped`: one trial. */
const HELD_FIRST =
  /^(?:it |fuse |breaker )?(?:went|goes|ran|runs|held|holds|lasted|lasts)(?: for| about| like| maybe| only)* (\d+ ?(?:s|secs?|seconds?|mins?|minutes?)),? (?:and |then |before it |but |and then )+(?:it )?(?:trips|tripped|pops|popped|blows|blew)(?: it)?$/i

/** `fuse lasts about 20 seconds`. */
const LASTS =
  /^(?:it |(?:the |a )?(?:new )?fuse |breaker )(?:only )?(?:lasts|lasted)(?: for| about| like| maybe| only)* (\d+ ?(?:s|secs?|seconds?|mins?|minutes?))$/i

/** How long it took, in words. */
const SPELT =
  /\b(half a|an?|one|two|three|four|five|ten|fifteen|twenty|thirty|a couple(?: of)?|couple(?: of)?) (sec|second|min|minute)s?\b(?! (?:time|stage|call|one|fuse|breaker|transformer|contactor|compressor|zone|thermostat|stat)\b)/gi

/** The time until a trip as a number: after a minute, after half a minute. */
function counted(typed: string): string {
  if (!/\b(?:trip|pop|blow|blew|lasts)/i.test(typed)) return typed
  return typed.replace(SPELT, (_, count: string, unit: string) => {
    const said = count.toLowerCase()
    const isSeconds = /^s/i.test(unit)
    if (said === 'half a') return `${isSeconds ? 0.5 : 30} s`
    return `${/couple/.test(said) ? 2 : (numberIn(said) ?? 1)} ${isSeconds ? 's' : 'min'}`
  })
}

/** From here on the line is a note, and stays as it was typed. */
const AS_TYPED = /(?:^|;|\bthen\b)\s*note\b/i

/** What was tried after a repair: replaced the contactor, holds on cool. */
const TRIED_AFTER =
  /((?:^|;\s*)(?:i |we )?(?:cleaned|replaced|installed|new|fixed|repaired|changed|spliced|rewired|ran (?:a )?new|pulled (?:a )?new|put in (?:a )?new)\b.*?)(?:,| and(?= (?:now )?it (?:holds?|held|trips?|tripped)))\s*(?=(?:and |now |it |still |all |everything |(?:cool|heat|fan|cooling|heating) )*(?:holds?|held|trips?|tripped|no trip|(?<=(?:cool|heat|fan|cooling|heating) )(?:works?|runs?|is running|comes on|came on)|(?:burners?|furnace|flame|it) (?:lit|lights?|stays?|stayed)|(?:stays?|stayed) (?:lit|on)|\d[\d.]* ?(?:[uµ]a|microamps?))\b)/i

/** The clauses of a line; a note that was typed as one takes the rest of it. */
export function clausesOf(typed: string): string[] {
  const at = AS_TYPED.exec(typed)?.index ?? typed.length
  const kept = typed
    .slice(at)
    .replace(/^\s*(?:;|then\b)\s*/i, '')
    .replace(/^(\s*note)\s*:/i, '$1')
  const clauses = counted(typed.slice(0, at))
    // What a flame does one after the other is seen in one look.
    .replace(
      /^(.*\b(?:burners?|flames?|lights?|lit|fires?|ignites?|igniters?|glows?)\b.*?),? then (?=(?:go|goes|went|drops?|dropped|shuts?|cuts?|dies|died|quits?|out|gone|nothing|no)\b)/i,
      '$1 and ',
    )
    // What the same thing does next is said of it.
    .replace(/,? then (?=(?:chatters|buzzes|hums|drops|shuts|quits|stops|stopped|dies|died|locks)\b)/gi, ', ')
    .replace(/(?<=\b(?:compressor|motor|fan|blower)\b.*?)(?:,| and)? then (?=(?:it )?(?:trips|tripped|cuts out)\b)/gi, ' and ')
    .replace(LASTS, 'tripped after $1')
    .replace(/(?<=\b(?:s|secs?|seconds?|mins?|minutes?)) of (?:running|run time|cooling|heating)$/i, '')
    .replace(HELD_FIRST, 'tripped after $1')
    .replace(TRIED_AFTER, '$1; ')
    .replace(/(?<=\w)\s*(?:\.{2,}|…)\s*(?=\w)/g, ', ')
    .replace(/(?<=[a-z])\.\s+(?=[a-z])/gi, ', ')
    .split(/;|(?<!\bnow and )\bthen\b(?! (?:came|comes|coming|went|goes) (?:right )?(?:back|on|off|blank|dark|out|away)\b)/i)
  return [...clauses.filter((clause) => clause.trim() !== ''), ...(kept === '' ? [] : [kept])]
}
