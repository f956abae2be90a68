import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { isAside, isResult, isWiggled } from '@/src/core/quick-line/aside'
import { isJudgement } from '@/src/core/quick-line/lexicon'
import { ABSENT, listed, runOn } from '@/src/core/quick-line/lists'
import { findCable } from '@/src/core/quick-line/names'
import { isRemark, type Said } from '@/src/core/quick-line/rule'
import { afterAct, beforePredicate, beforeSubject } from '@/src/core/quick-line/run-on'
import { plain } from '@/src/core/quick-line/said'
import { Sentence } from '@/src/core/quick-line/sentence'
import { findSubject } from '@/src/core/quick-line/subject'
import { placeById, type System } from '@/src/core/wiring/system'

/** What a line is read with: where the job stands, one clause put into the grammar's words, and where it has led. */
export interface Reader {
  readonly system: System
  readonly entries: readonly Entry[]
  readonly read: (clause: string, entries: readonly Entry[]) => Said
  /** Whether a line of the grammar can be entered there. */
  readonly isReadable: (said: string, entries: readonly Entry[]) => boolean
  /** Whether it holds all that the clause names. */
  readonly isHeard: (clause: string, said: string, entries: readonly Entry[]) => boolean
  readonly after: (said: string, entries: readonly Entry[]) => readonly Entry[]
}

/** What stands between two clauses. A condition is said after what it leads to, and is there before it: trips with G off. */
const JOINTS =
  /\s*[,:]\s+(?:and\s+|but\s+|then\s+|so\s+|now\s+)*|\s+[-–]\s+(?=[a-z]{3,})|\s+(?<condition>with|when|whenever|while|once|as soon as|the (?:second|minute|moment|instant)|after|if)\s+|\s+(?:but|and|so|because|cause|plus|yet|though)\s+(?:now\s+|then\s+|it\s+still\s+)?|\s+(?=[A-Z][A-Za-z0-9]?(?:\s?[-/&]\s?|\s)[A-Z][A-Za-z0-9]?\s+[\d.])|(?<=\d)\s+(?=[a-z][a-z]\d? [\d.]+\b)|(?<=\d)\s+(?=[a-z]\d? to (?:c|gnd|ground|common|[a-z]\d?) (?:[\d.]+|ol)\b)|(?<=\d)(?<!\b(?:zone|stat|damper|stage|compressor|on|at) \d)\s+(?=[gywob]\d? \d+(?:\.\d+)?\b(?! ?(?:min|sec|hour|time)))|(?<=\d ?(?:[vV]|volts)?)(?<!\b(?:zone|stat|damper) \d)\s+(?=[A-Z][a-z0-9]?\s+(?:has |reads |is |shows |to (?:ground|gnd|common|[A-Z]\w?) )?[\d.])/g

/** Kept whole as a note: a contactor pushed in by hand, wires cut and capped, a fan this record does not have. The bench knows none of it. */
export const NOTE_ONLY =
  /\?,? (?:no|nope|yes|yep|yeah)\b(?!.*\d)|\bgfci\b|\bby hand\b|\bheld (?:the )?(?:door )?(?:switch|button|plunger)\b|\b(?:push|pushed|press|pressed) .*\b(?:contactor|relay|plunger|armature)\b|\bcut (?:back )?and (?:capped|taped|spliced)\b|\b(?:but|and) (?:the )?fan (?:is|does|wo)n.?t\b|\blights? (?:flicker|dim)|\bwire ?nuts?\b.*\b(?:fell|came|loose|off)\b|\bno (?:c|common) wire\b|\b(?:jumper|strap) (?:was|is) (?:left out|missing|not in|never|forgotten)\b|^(?:wiggled?|tugged|shook|tapped|flexed|bumped) .+,? (?:and )?(?:nothing|no change|no difference)(?: happen\w*| chang\w*)?$/i

/** More joints than a line has: what is longer is a story, and a note. */
const MOST_JOINTS = 7

/**
 * Several things said in one breath: the line as a whole where it says one thing, else parted where both sides say something, the longest
 * first. What has no subject of its own is said of the one before it; what only judges a reading ("dead short") adds nothing to it.
 */
export function readClauses(text: string, reader: Reader): Said {
  const whole = reader.read(text, reader.entries)
  // What drops something that is named says half of it: both halves are looked for.
  const isSaid = typeof whole === 'string' && reader.isReadable(whole, reader.entries) && reader.isHeard(text, whole, reader.entries)
  if (isSaid && (!isRemark(whole) || NOTE_ONLY.test(text))) return whole
  // What trips on a letter is asked back as a whole: the call, or that terminal joined to R.
  if (whole !== null && typeof whole === 'object' && (TRIPS_ON_LETTER.test(text) || BOTH_RUN.test(text) || MOTOR_TRIPS.test(text)))
    return whole
  const judged = typeof whole === 'string' ? null : JUDGED.exec(text)
  if (judged && isJudgement(plain(judged[2]))) return readClauses(judged[1], reader)
  const onCall = whole === null ? READ_ON_CALL.exec(text) : null
  if (onCall) {
    const read = readPair(`call for ${onCall[2]}`, onCall[1], reader, false)
    if (typeof read === 'string' && !isRemark(read)) return read
  }
  // What is missing is told first; what was seen of it is one thing.
  const told = TOLD_FIRST.exec(text)
  if (told && !isSaid) {
    const both = readPair(told[1], told[2], reader, true)
    if (typeof both === 'string' && both.startsWith('complaint') && !isRemark(both)) return both
  }
  const joints = [...text.matchAll(JOINTS)]
  if (joints.length > MOST_JOINTS) return whole
  // A line that is only half understood may be two things without a comma between them.
  const inParts = (): Said => (whole !== null && !isSaid ? (unsigned(text, reader) ?? whole) : (whole ?? unsigned(text, reader)))
  if (joints.length === 0) return inParts()
  // What stands in the way of one clause is asked where nothing else is.
  let question: Said = null
  for (const joint of inTurn(joints)) {
    const [left, right] = [text.slice(0, joint.index), text.slice(joint.index + joint[0].length)]
    if (left.trim() === '' || right.trim() === '' || (GOES_OUT.test(right.trim()) && BURNS.test(left))) continue
    // With all as it should be is no condition.
    if (joint.groups?.condition && AS_IT_SHOULD.test(right.trim())) return readClauses(left, reader)
    const isCondition = joint.groups?.condition !== undefined || CALL_ON.test(right.trim())
    // A terminal that goes hot on the call is part of the call, not a separate reading.
    if (isCondition && LETTER_ON.test(right.trim())) return withNote(readClauses(left, reader), right)
    const both = isCondition
      ? (readPair(asCondition(ofIt(right, left, reader), reader), left, reader, false) ?? underRemark(left, right, reader))
      : (readPair(left, right, reader, true) ?? concluded(joint[0], left, right, reader))
    // With the heat pump is beside it, and no walk there.
    if (joint.groups?.condition === 'with' && typeof both === 'string' && /^walk \S+(?:;|$)/.test(both)) continue
    if (typeof both === 'string' && !(isSaid && isRemark(both))) return both
    question ??= both
  }
  // One half of it is asked after: no note takes it, half understood as it is.
  if (question !== null && typeof whole === 'string' && isRemark(whole) && !NOTE_ONLY.test(text) && SAYS_MORE.test(text)) return question
  return whole ?? question ?? unsigned(text, reader)
}

/** A trial is told in it. */
const SAYS_MORE = /\b(?:holds?|held|trips?|tripped)\b/i

const TOLD_FIRST =
  /^(no (?:heat|heating|cool|cooling|ac|a\/c)|no air|nothing (?:runs|works))(?:[,:]| (?=(?:igniter|ignitor|inducer|burners?|flame|blower|fan|contactor|compressor|condenser|outdoor|stat|thermostat|board|fuse|breaker)\b)) ?(?:but |and )?(.+)$/i

/** What is concluded from a reading ("so it is not closing") is a remark beside it. */
const concluded = (joint: string, left: string, right: string, reader: Reader): Said =>
  (/\b(?:so|because|cause)\b/i.test(joint) && !/\d/.test(right)) || (/\d/.test(left) && JUDGES_IT.test(right.trim()))
    ? withNote(readClauses(left, reader), right)
    : null

/** `R to Y 0, it's closed`. */
const JUDGES_IT =
  /^(?:so )?(?:it|that|they)(?:['’]?s| is|['’]?re| are) (?:closed|made|open|good|ok|okay|fine|bad|shorted|normal|right|high|low|about right)$/i

/** Several things said with no sign between them: of two at once, or one after the other. Each has to say something that is weighed. */
function unsigned(text: string, reader: Reader): string | null {
  const list = listed(text)
  const the = new Sentence(reader.system, foldJob(reader.system, reader.entries), text)
  for (const [first, second] of [
    ...(list ? [list] : []),
    ...beforeSubject(text, the),
    ...runOn(text),
    ...beforePredicate(text, the),
    ...afterAct(text, the),
  ]) {
    const one = reader.read(first, reader.entries)
    // A place that is named is not walked to by half a sentence.
    if (typeof one !== 'string' || isRemark(one) || /^walk\b/.test(one) || !reader.isReadable(one, reader.entries)) continue
    const entries = reader.after(one, reader.entries)
    const next = { ...reader, entries }
    const other = reader.read(second, entries)
    const rest = typeof other === 'string' && reader.isReadable(other, entries) ? other : unsigned(second, next)
    // What came of an act may be a remark: jumped R to W heat came on.
    if (rest !== null && !/^walk\b/.test(rest) && (!isRemark(rest) || ACTS.test(one) || ABSENT.test(second))) return inOneLine(one, rest)
  }
  return null
}

const ACTS = /^(?:jumper|lift|land|plug|unplug|call) /

const AS_IT_SHOULD = /^(?:everything|all|it all) (?:is )?(?:hooked up|connected|landed|back on|back in|on|in place)$/i

/** Commas part first, from the last; then conditions, which belong to what stands before them; then words that join. */
function inTurn(joints: readonly RegExpExecArray[]): RegExpExecArray[] {
  const isCondition = ({ groups }: RegExpExecArray) => groups?.condition !== undefined
  const isMark = ([joint]: RegExpExecArray) => /[,:–-]/.test(joint) || /\bbut\b/.test(joint)
  const [marks, others] = [joints.filter(isMark), joints.filter((one) => !isMark(one))]
  return [...marks.reverse(), ...others.filter(isCondition), ...others.filter((one) => !isCondition(one)).reverse()]
}

/** Under which it was so, in words by which nothing is weighed: with the pan dry. */
const underRemark = (left: string, right: string, reader: Reader): string | null =>
  isAside(right, reader) ? withNote(readClauses(left, reader), right) : null

/** `dead with 120 on it`: on what was spoken of before. */
function ofIt(condition: string, said: string, reader: Reader): string {
  if (!/\b(?:on|at|to|across|into|through) it$/i.test(condition.trim())) return condition
  const subject = findSubject(said, new Sentence(reader.system, foldJob(reader.system, reader.entries)))
  return subject === null ? condition : condition.trim().replace(/\bit$/i, `the ${subject}`)
}

/** What goes out is a fire, and nobody who walks. */
const GOES_OUT = /^(?:then )?(?:go|goes|went|going) out\b/i
const BURNS = /\b(?:burners?|flames?|pilot|fire|fires|lights?|lit)\b/i
const LETTER_ON = /^[A-Z]\w? (?:is |gets |was |comes? )?(?:energized|hot|on|powered|power)$/
/** Two units in one breath: which of them was to run is asked. */
const BOTH_RUN = /\band\b.*\bboth (?:are )?(?:running|on|run)\b/i
/** `compressor starts and trips`: on its overload, or the fuse. */
const MOTOR_TRIPS = /\b(?:compressor|motor|fan|blower)\b.*\b(?:starts?|runs|comes on)\b.*\b(?:and|then|,) (?:it )?(?:trips|cuts out)$/i
const TRIPS_ON_LETTER = /\b(?:trip|pop|blow|blew)\w*\b.*\b(?:on|when|with|once|as soon as) [A-Z]\d?\b/

/** Several readings, and behind the last of them the call on which they all were: Y 24, O 0 in heat. */
const READ_ON_CALL =
  /^(?!.*\b(?:trip|hold|pop|blow|held))(.*\d.*[ ,].*\d.*?) (?:in|on|during|with) (cool|cooling|heat|heating|fan)(?: mode| call(?:ed)?)?$/i

/** A call that is on, said behind what it leads to. */
const CALL_ON =
  /^(?:with |in |on )?(?:the )?(?:cool|cooling|heat|heating|fan|emergency|aux)(?: heat)?(?: call)? (?:on|called|calling|is on|mode)$/i

/** With the fan off is with nothing called. */
const asCondition = (said: string, { system, entries }: Reader): string => {
  if (CALL_OFF.test(said.trim())) return 'call off'
  const call = callComes(said.trim())
  // The fan that starts where an outdoor unit stands is its own.
  const isOutdoors = () => placeById(system, foldJob(system, entries).bench.place)?.kind === 'outdoor'
  return call === null || (call === 'call fan' && !/\bcall/i.test(said) && isOutdoors()) ? said : call
}
const CALL_OFF =
  /^(?:the )?(?:fan|cool|heat|cooling|heating|call|everything)(?: call)? off$|^(?:the )?(?:stat|thermostat|house|room)(?: is)? satisfied$/i

/** When the AC kicked in is on a call for it. */
function callComes(said: string): string | null {
  const found =
    /^(?:the )?(ac|a\/c|cool|cooling|heat|heating|fan)(?: call)? (?:calls|called|is calling|is called|kick(?:s|ed)|com(?:es)|came|turn(?:s|ed)|starts?|started|goes|went)(?: in| on| up)?$/i.exec(
      said,
    )
  return found && `call ${/^(?:a|c)/i.test(found[1]) ? 'cool' : /^h/i.test(found[1]) ? 'heat' : 'fan'}`
}

/** `0.4 ohm dead short`: a reading, and what is thought of it. */
const JUDGED = /^(.*\d ?(?:ohms?|v|volts?|amps?)|\d.*? (?:to|and|-) \w{1,3})\s+(\D+)$/i

/** `0.6 between them`: the two wires that were spoken of before. */
function withThem(second: string, first: string, { system }: Reader): string {
  // To the metal, of the one wire that was spoken of before.
  const wire = /^(?:reads? )?to (?:ground|gnd|chassis|metal|the cabinet)\b/i.test(second.trim())
    ? /\b(?:(\w+) )?([A-Z]\d?)\b(?!.*\b[A-Z]\d?\b)/.exec(first)
    : null
  if (wire) {
    const cable = wire[1] && findCable(system, wire[1]) !== null ? `${wire[1]} ` : ''
    return `${/\b(?:lifted|off|loose|unhooked|pulled)\b/i.test(first) ? 'lifted ' : ''}${cable}${wire[2]} ${second.trim().replace(/^reads? /i, '')}`
  }
  const two = /\b(?:(\w+) )?([A-Z]\w?) (?:and|&|to) ([A-Z]\w?)\b/.exec(first)
  if (!two) return second
  const along = two[1] && findCable(system, two[1]) !== null ? `${two[1]} ` : ''
  return second.replace(/\b(?:between|across) (?:them|those|the two|both|the wires)\b/i, `between ${along}${two[2]} and ${along}${two[3]}`)
}

function readPair(first: string, said: string, reader: Reader, isInOrder: boolean): Said {
  const second = withThem(said, first, reader)
  if (isInOrder && CONDEMNED.test(plain(first))) {
    const readings = readClauses(second, reader)
    if (typeof readings === 'string' && !isRemark(readings)) return withNote(readings, first)
  }
  const one = readClauses(first, reader)
  if (typeof one !== 'string') {
    // How a switch is said to stand is what its reading behind it says.
    const about =
      isInOrder && one?.asks.startsWith('Read the ')
        ? findSubject(first, new Sentence(reader.system, foldJob(reader.system, reader.entries)))
        : null
    const across =
      about && (ofSubject(about, second, reader) ?? readClauses(second.replace(/\bacross it\b/i, `across the ${about}`), reader))
    if (typeof across === 'string' && !isRemark(across)) return withNote(across, first)
    // What was wiggled when it happened is a remark beside it.
    const isBeside = isInOrder ? isAside(first, reader) : isWiggled(first)
    if (!isBeside) return one
    const said = readClauses(second, reader)
    return typeof said === 'object' ? said : withNote(said, first)
  }
  if (isInOrder && isJudgement(plain(second)) && !(READ_OF_IT.test(second.trim()) && !/\d/.test(first))) return one
  // What came of it is no complaint. Nothing, on a call that was just made, is what it should bring on and does not.
  const isOnCall = /(?:^|; )call (?!off\b)\S+$/.test(one) && /^(?:still )?nothing happen/.test(plain(second))
  const next = { ...reader, entries: reader.after(one, reader.entries) }
  // Burners that stay cold are seen, where nothing else watches them.
  const seen = isInOrder && NO_FIRE.test(plain(second)) ? readClauses(second, next) : null
  if (typeof seen === 'string' && !isRemark(seen)) return inOneLine(one, seen)
  if (isInOrder && !isOnCall && !one.startsWith('complaint') && isResult(second)) return withNote(one, second)
  const subject = isInOrder ? findSubject(first, new Sentence(reader.system, foldJob(reader.system, reader.entries))) : null
  const other =
    (subject && LACKS_SUBJECT.test(second.trim()) && !isOfUnit(subject, second) ? ofSubject(subject, second, next) : null) ??
    readClauses(second, next)
  if (typeof other === 'string') return inOneLine(one, other)
  // "Unhooked Y at the stat, still running outside": not the thermostat runs.
  const isOther = ELSEWHERE.test(second) || STILL_READS.test(second.trim())
  const another = subject === null || isOther || isOfUnit(subject, second) ? null : ofSubject(subject, second, next)
  if (another !== null) return inOneLine(one, another)
  // A question is what is wondered, not what was read.
  return isInOrder && (isAside(second, reader) || /\?\s*$/.test(second)) ? withNote(one, second) : other
}

const NO_FIRE = /^(?:but |and |still )*no (?:flame|fire|burners?)$/

/** `took the stat wires off, still 0.6`: read where it was read before, and not at what came off. */
const STILL_READS = /^(?:it |and )*(?:is |reads? )?still (?:reads? |at )?(?:\d|\.\d|ol\b)/i

/** What runs is no thermostat. */
const isOfUnit = (subject: string, said: string): boolean => /stat$/.test(subject) && /\brun(?:s|ning)?\b/i.test(said)

const ELSEWHERE = /\b(?:outside|outdoors?|out there|inside|indoors?|condenser|upstairs|downstairs)\b/i

/** Said by the meter, of what was spoken of before. */
const READ_OF_IT = /^(?:it |and )*(?:reads?|measures?|meters?|ohms|tests|checks) /i

/** What is condemned before its readings are told: the readings say it. */
const CONDEMNED =
  /^(?:transformer|board|contactor|relay|valve|coil|compressor|motor)(?: coil| is| looks)* (?:dead|bad|shot|toast|toasted|cooked|fried|burnt up|gone|no good|burnt|burned out|fried|not (?:shorted|open|bad|grounded|dead))$/

/** `still won't close`, `not pulling in`, `hums`: said of what was spoken of before. */
const LACKS_SUBJECT =
  /^(?:tripped|stuck(?: \w+)?|wet|full)$|^it['’]?s (?:still |just )?(?:in|out|off|on|open|shut|closed|still|stuck|dead|hot|running|chattering|buzzing|blinking|welded)\b|^(?:it |still |just )*(?:won['’]?t|doesn['’]?t|does not|isn['’]?t|is not|not|never|hums?|buzzes|chatters|drops|shuts|quits?|stops|stopped|dies|died|locks|reads|has|is|gets|shows)\b/i

function ofSubject(subject: string, clause: string, reader: Reader): string | null {
  const said = reader.read(`${subject} ${clause.trim().replace(/^(?:it['’]?s|it|they|which) /i, '')}`, reader.entries)
  return typeof said === 'string' ? said : null
}

/** Notes stand behind everything else, as one: a note takes the rest of its line. */
function inOneLine(one: string, other: string): string {
  const [[said, noted], [saidToo, notedToo]] = [one, other].map(parted)
  const notes = [noted, notedToo].filter(Boolean).join('; ')
  const both = [said, saidToo].filter(Boolean).join('; ')
  // A repair in words takes the rest of its line, too.
  return /(?:^|; )repaired /.test(both) && notes ? `${both}, ${notes}` : [both, notes && `note ${notes}`].filter(Boolean).join('; ')
}

const parted = (said: string): readonly [string, string] => {
  const found = /^(?:(.*?);\s*)?note\s+(.+)$/is.exec(said)
  return found ? [found[1] ?? '', found[2].trim()] : [said, '']
}

const withNote = (said: Said, note: string): string | null =>
  typeof said === 'string' && !isRemark(said) ? inOneLine(said, `note ${note.trim()}`) : null
