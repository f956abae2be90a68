/**
 * What is thought, not seen: "so it's in the run", "must be the board", "I think it's the stat". It names parts and places, and says of none of
 * them what a meter or an eye would: kept as a note. A figure in it, or an act, is for the rules.
 */
export const isConclusion = (said: string): boolean => {
  const text = said.trim().replace(/[.!]+$/, '')
  if (HAS_FIGURE.test(text)) return false
  // What is asked is not seen, and what is thought is so with all that hangs on it.
  if (/\?$/.test(text) || IS_ASKED.test(text) || NEARLY.test(text) || THOUGHT.test(text) || IN_DEFROST.test(text)) return true
  if (SEVERAL.test(text)) return false
  return (
    SOMEWHERE.test(text) || IN_THE_RUN.test(text) || BLAMED.test(text) || (/^so\b/i.test(text) && JUDGES.test(text) && !ACTS.test(text))
  )
}

/** What happens while a unit defrosts is no answer of its call, with all that hangs on it. */
const IN_DEFROST = /^(?:it |then it |unit )?(?:goes|went|going|kicks|kicked) (?:in ?to|to) defrost\b/i

/** A number that is no part of a letter: Y2 is none. */
const HAS_FIGURE = /(?<![A-Za-z])\d|\bOL\b/
/** More than one thing is said: each clause is looked at by itself. */
const SEVERAL = /[,;:]/

/** A question without its mark: is Y hot, does it trip. What begins with "is" and names nothing is said of what stands before it. */
const IS_ASKED =
  /^(?:is|are|does|did|can|should|was|were) (?:the|there|it|that|[A-Z]\d?(?= )|contactor|compressor|blower|fan|fuse|breaker|stat|thermostat|board|transformer|limit|valve|relay|anything)\b/

/** About to trip, almost tripped, has never tripped: nothing that was tried just now. */
const NEARLY =
  /^(?:it |fuse |breaker )?(?:is |was )?(?:about to|almost|nearly) (?:trip|pop|blow)\w*$|^(?:the )?(?:fuse|breaker) (?:has )?never (?:tripped|blew|popped|blown)$/i

const THOUGHT =
  /^(?:so |then |ok |and )*(?:i(?:['’]?m)? |we |im )?(?:(?:think|thinking|guess|guessing|bet|betting|suspect|suspecting|figure|figuring|believe|suppose|pretty sure|almost sure|leaning)\b|(?:it |that |this )?(?:must|might|may|could|has to|have to|got to|gotta|got ta|should) be\b(?! (?:on|off|set)\b)|(?:probably|maybe|perhaps|likely|most likely|sounds like|smells like(?! (?:burn|smok|hot|electric|plastic|scorch|gas))|points? (?:to|at)|pointing (?:to|at))\b)/i

/** A part or a place that is blamed, with nothing seen of it. */
const BLAMED =
  /^(?:so |then |ok |and )*(?:it|that|this|problem|the problem|fault|the fault|trouble|the trouble|short|the short)(?:['’]?s| is)(?: (?:got to be|gotta be|probably|either|likely))? (?:in|between|downstream|upstream|somewhere|after|before|past|beyond|(?:in |on )?(?:the|a|my|our|his|her|their)) (?!.*\b(?:off|out|in|on|open|closed|blank|dead|dark|loose|wet|hot|burnt|burned|broken|cut|chewed|rubbed|tripped|stuck|blown|missing|full|flashing|blinking|chattering|buzzing)$)[a-z /'’-]+$/i

/** So it is outdoors: no walk there. */
const SOMEWHERE =
  /^so (?:it )?(?:outdoors|outside|inside|indoors|upstairs|downstairs)$|^(?:so |then |ok |and )*(?:it|that|problem|the problem|fault|the fault|trouble|the trouble|short|the short)(?:['’]?s| is) (?:outdoors|outside|inside|indoors|upstairs|downstairs|out there|in there|down there|up there)$/i

/** Along the way between two ends, where nobody looked: broken somewhere, lost between inside and outside, so it's O. */
const IN_THE_RUN =
  /^(?:the |a )?(?:\w+ )?(?:wires?|cables?|conductors?)?(?:['’]?s| is| are)? ?(?:broken|shorted|open|bad|cut) (?:somewhere|in the (?:walls?|attic|run|ground|middle|ceiling)|underground)\b|^lost (?:the )?(?:[A-Z]\d?|voltage|power|24 ?v?|signal) (?:between|somewhere|along)\b|^so (?:it[’']?s|it is|that[’']?s) (?:the )?[A-Z]\d?(?: wire| conductor)?$/i

const JUDGES =
  /^so (?:the )?[A-Z]\d?(?: wire)? (?:open|shorted|broken|grounded|bad)$|^so (?:there is |we have |i have )?no [A-Z]\d?(?: (?:coming )?(?:from|out of|leaving) .+)?$|\b(?:is|isn['’]?t|isnt|are|aren['’]?t|arent|not|or|somewhere|between|means)\b/i
const ACTS =
  /^so (?:i|we|then|now|just|going|gonna|let|took|put|cut|swapped|pulled|lifted|landed|set|called|hooked|moved|went|walked|ran)\b/i
