import type { Symptom } from '@/src/core/job/complaint'
import { toldBy } from '@/src/core/job/customer-words'
import type { EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { sayDraft } from '@/src/core/job/say-draft'
import { type QuickLineContext, readInGrammar, type Understood } from '@/src/core/quick-line/in-grammar'
import { isUnread } from '@/src/core/quick-line/no-entry'
import { wordsInFull } from '@/src/core/quick-line/spelling'
import { parseLook } from '@/src/core/readings/look-target'
import { partById } from '@/src/core/wiring/system'

/** `blown 3A, no cooling`: the complaint beside what was seen is no remark. */
export function toldBeside(read: Understood, asked: QuickLineContext): Understood | null {
  if (!read.ok || asked.entries.length > 0 || read.drafts.length < 2) return null
  const note = read.drafts.find((draft) => draft.kind === 'note')
  const told = note?.kind === 'note' && toldBy(note.text, asked.system).symptoms.includes('mode-dead') ? note.text : null
  const complaint = told === null ? null : readInGrammar(`complaint ${told}`, asked)
  if (!complaint?.ok) return null
  const drafts = [...complaint.drafts, ...read.drafts.filter((draft) => draft !== note)]
  return { ok: true, drafts, say: drafts.map((draft) => sayDraft(asked.system, draft)).join(', then ') }
}

/**
 * The first line of a visit is the complaint when it holds no reading and says what the house does: nothing has been called yet, so it was not
 * seen just now. Null for any other line.
 */
export function firstTold(typed: string, read: Understood, asked: QuickLineContext): Understood | null {
  const line = wordsInFull(typed, asked.system)

  const { observations, complaint, bench } = foldJob(asked.system, asked.entries)
  if (observations.length > 0 || complaint.symptoms.length > 0 || bench.call !== 'off' || bench.jumpers.length > 0) return null
  if (/^\s*(?:note|complaint)\b/i.test(line) || /\d/.test(line.replace(TOLD_BY_NUMBER, ''))) return null
  // A letter that is live or dead is a reading.
  if (/^(?:no )?[YGWOB]\d? (?:is |has |not |never |isn|doesn|dead|hot|off|on\b)/.test(line.trim())) return null
  // So is what stands between two points.
  if (/\bOL\b|\b[A-Z]\d?(?:-| to )(?:[A-Z]\d?|ground|gnd)\b/.test(line)) return null
  if (OF_A_SWITCH.test(line) && !toldBy(line, asked.system).symptoms.includes('mode-dead')) return null
  // Before anybody went or did a thing, what does not run was not seen on a call.
  const isUntouched = !asked.entries.some(({ kind }) => kind === 'bench')
  const isOpen = (problem: string) =>
    isUnread(line, problem) ||
    (isUntouched && ON_AND_ON.test(line)) ||
    (isUntouched &&
      (problem.startsWith('No call is on') ||
        problem.startsWith('Which zone is that') ||
        problem.startsWith('A number is missing') ||
        problem.startsWith('I heard')))
  // "Blows the fuse on cool": what it keeps doing, before anybody has tried it.
  const isOfTrials = /\b(?:ok|okay|fine|good|holds?|held)\b/i.test(line) && !/\bfuses\b/i.test(line)
  const isHabit = isUntouched && BLOWS.test(line) && !isOfTrials && !readInGrammar(line, asked).ok
  // "No heat, heat pump, aux runs" names a unit, and walks nowhere.
  const isOfUnit = (draft: EntryDraft) =>
    draft.kind === 'bench' && draft.change.do === 'walk' && read.ok && read.drafts[0].kind === 'complaint' && !WALKED.test(line)
  // A mode that works was told in one breath with the one that does not.
  // Which mode works has to be said: what a motor does is seen, and what runs in cool was tried.
  const isInOneBreath =
    read.ok &&
    !/\b(?:in|on) (?:cool|heat|fan)/i.test(line) &&
    read.drafts.some((draft) => draft.kind === 'complaint' && draft.complaint.call !== null) &&
    read.drafts.some((draft) => draft.kind === 'bench' && draft.change.do === 'call')
  const isSaid = (draft: EntryDraft) =>
    (isUntouched && isOfUnit(draft)) ||
    (isInOneBreath && isToldBeside(draft)) ||
    draft.kind === 'note' ||
    // Nor was anything repaired or proved yet.
    (isUntouched && (draft.kind === 'repair' || draft.kind === 'proof')) ||
    (isUntouched && isOfWhatRuns(draft, asked)) ||
    (isHabit && (draft.kind === 'trip' || (draft.kind === 'reading' && draft.probe.meter === 'amps')))
  const isOfCallAlone = read.ok && read.drafts.every(({ kind }) => kind === 'bench')
  if (read.ok ? isOfCallAlone || !read.drafts.every(isSaid) : !isOpen(read.problem) && !isHabit) return null
  const { symptoms, call, changed } = toldBy(line, asked.system)
  // What runs is seen, unless a mode is said to be dead beside it, or it was said to run on and on.
  const isSeen = !symptoms.includes('mode-dead') && !(symptoms.includes('never-stops') && ON_AND_ON.test(line))
  if (read.ok && !isHabit && read.drafts.some(({ kind }) => kind !== 'note') && isSeen) return null
  const isTicked =
    symptoms.length > 0 &&
    symptoms.every(
      (symptom) =>
        (TOLD.has(symptom) || (symptom === 'code' && isUntouched && symptoms.includes('mode-dead'))) &&
        !(read.ok && !isHabit && asked.entries.length > 0 && IS_SEEN.has(symptom)),
    )
  // One side of the house works and the other does not.
  const isUnheard = !read.ok || read.drafts.every(({ kind }) => kind === 'note')
  const isHalf = isUntouched && symptoms.length === 0 && ONE_WORKS.test(line) && isUnheard
  const isTold =
    isHalf ||
    (isUntouched &&
      isUnheard &&
      complaint.words === '' &&
      symptoms.length === 0 &&
      (changed.some((what) => what !== 'storm') || (!read.ok && isStory(line)))) ||
    (isTicked
      ? call !== 'fan' || isHabit || ON_AND_ON.test(line)
      : symptoms.length === 0 && ((isHabit && IS_STORY.test(line)) || (!read.ok && WONT.test(line))))
  const told = isTold ? readInGrammar(`complaint ${typed.trim().replaceAll(';', ',')}`, asked) : null
  return told?.ok ? told : null
}

/** That the other mode is called, and that it holds. */
const isToldBeside = (draft: EntryDraft): boolean =>
  draft.kind === 'complaint' ||
  (draft.kind === 'trip' && draft.result === 'holds') ||
  (draft.kind === 'bench' && draft.change.do === 'call') ||
  (draft.kind === 'reading' && draft.probe.meter === 'look' && draft.probe.at === 'blower')

const WALKED = /\b(?:at|to|went|walk\w*|now|going|outside|inside)\b/i

/** A call, and what it brings on or does not, motor by motor or a unit as a whole; what the line has of a complaint already. */
function isOfWhatRuns(draft: EntryDraft, { system }: QuickLineContext): boolean {
  if (draft.kind === 'complaint') return true
  // That the other mode works was told, too.
  if (draft.kind === 'trip') return draft.result === 'holds'
  if (draft.kind === 'bench') return draft.change.do === 'call' || draft.change.do === 'slot'
  if (draft.kind !== 'reading' || draft.probe.meter !== 'look') return false
  return parseLook(draft.probe.at).what === 'runs' || partById(system, draft.probe.at)?.kind === 'load'
}

/** Symptoms that a customer reports. The others may be what was seen or heard a moment ago. */
const TOLD: ReadonlySet<Symptom> = new Set([
  'mode-dead',
  'nothing-runs',
  'never-stops',
  'half-works',
  'fuse-on-call',
  'fuse-at-power-up',
  'fuse-now-and-then',
])
/** A remark that ticks one of these stays a remark: it may be what was just seen. */
const IS_SEEN: ReadonlySet<Symptom> = new Set(['half-works', 'fuse-now-and-then'])
/** What nobody who has just come can have seen. */
const ON_AND_ON =
  /\b(?:stays on|(?:runs?|on) with (?:the )?(?:thermostat|stat|tstat) off|all the time|nonstop|non-stop|constantly|24\/7|all day|all night|(?:won[’']?t|will not|doesn[’']?t|does not) (?:shut|turn|go|cycle) off|(?:won[’']?t|will not) (?:stop|quit)|never (?:shuts?|stops?|quits?|turns?|cycles?))\b/i
/** The first words on a job that say what the house does, in no words of a hand, a letter or a part by its leads. */
const isStory = (line: string): boolean =>
  /^(?:\S+\s+){1,}\S+$/.test(line.trim()) &&
  !/(?<![a-z'’])[RYGWOBC][1-3ch]?(?![a-z'’])/.test(line) &&
  !/^\s*(?:lift|land|jumper|jump|unplug|plug|pull|pulled|took|take|swap|walk|call|power|trip|trips|hold|holds|ohm|volts|reset|breaker|fuse|put|at the|went|go)\b/i.test(
    line,
  ) &&
  OF_A_STORY.test(line)
const OF_A_STORY =
  /\b(?:not responding|freez\w*|frozen|ices?|iced|icing|leak\w*|noise|noisy|loud|smell\w*|water|issue|problem|weak|warm|hot|cold|same time|at once|short cycl\w*|cycles?|cycling|bill|humid|drip\w*|quits?|random\w*|sometimes|intermittent\w*|now and then|takes forever|never (?:gets|reaches|comes on|kicks on|kicks in|turns on)|errors?|not (?:keeping|reaching|getting)|called (?:for|because|about))\b/i

/** Five words or more tell what it keeps doing; fewer, what it just did. */
const IS_STORY = /(?:\S+\s+){4}\S+/
/** What it does to its fuse or breaker, time and again. */
const BLOWS =
  /\b(?:blows|pops|trips|kills|eats|burns up|takes out|keeps (?:on )?(?:blowing|popping|tripping))\b.*\b(?:fuses?|breaker|\d+ ?a(?:mps?)?)\b|\b(?:fuse|breaker) (?:on|at|in) (?:the )?(?:[a-z]+ ){1,3}(?:blows|pops|trips)\b|\b(?:blowing|popping|eating) (?:\d+ ?a(?:mps?)? )?fuses\b|\b(?:fuses?|breaker) (?:keeps (?:on )?(?:blowing|popping|tripping)|blows|pops|trips)\b|^(?:it )?(?:trips|pops|blows) (?:only (?:in|on) \w+|(?:in|on) \w+ only)$/i
/** Numbers that are not readings: a supply, a fuse rating, a stage, a zone. */
const TOLD_BY_NUMBER =
  /\b(?:1st|2nd|3rd)\b|^\d+ ?v(?:olts?)?\b|\b\d+ ?(?:min|minutes?|hours?|sec|seconds?|days?|times)\b|\b(?:24|120|208|230|240) ?v(?:olts?)?(?= (?:breaker|fuse))|\b\d+ ?a(?:mps?)?\b|\b(?:stage|zone|rooftop|rtu|unit|ahu|suite|apt|building|floor)(?: unit)?[ -]?#?\d+\b/gi
/** "The heat pump won't defrost": a complaint that ticks no symptom. */
const WONT =
  /^(?:the )?(?:heat pump|unit|system|ac|a\/c|furnace|air handler|house|it)\b.* (?:won[’']?t|will not|doesn[’']?t|does not|isn[’']?t|never|keeps) \w+/i
const ONE_WORKS =
  /\b(?:works?|runs?|heats?|cools?|fine|ok|good),? (?:and |but )?(?:the )?(?:\w+ ){1,3}(?:doesn[’']?t|does not|won[’']?t|isn[’']?t|is dead|dead|not)\b/i
const OF_A_SWITCH = /\b(?:limit|rollout|pressure|float|switch|safety|overload)\b/i
