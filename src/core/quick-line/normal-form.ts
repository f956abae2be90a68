import type { JobState } from '@/src/core/job/job-state'
import { answered } from '@/src/core/quick-line/answered'
import { isCommon } from '@/src/core/quick-line/meaning'
import { findCable, isGroundWord } from '@/src/core/quick-line/names'
import { inOtherWords } from '@/src/core/quick-line/other-words'
import { Sentence } from '@/src/core/quick-line/sentence'
import { correctedWord } from '@/src/core/quick-line/spelling'
import { Memo } from '@/src/core/units/cache'
import { cableById, partById, type System } from '@/src/core/wiring/system'

/**
 * A clause in the grammar's own forms, where it says the same in another: `R/C 26`, `27.1 R C`, `Y-C 24 at the condenser`, `fan relay in`,
 * `xfmr secondary 26`, a letter too few. What comes back is read like anything typed, and shown before it is entered.
 */
export function normalForm(clause: string, system: System, state: JobState): string {
  const the = new Sentence(system, state)
  const plain = inOtherWords(clause, the)
  if (/^(?:note|repaired)\b/i.test(plain)) return plain
  const spelt = plain
    .split(' ')
    .map((word) => spell(word, the))
    .join(' ')
  return inOrder(readingOfPart(namedParts(answered(pairFirst(placeLast(spelt, the), the), the), system), the))
}

/** Short forms of the trade, whatever the system. */
const shortForms = new Map(
  Object.entries({
    trans: 'transformer',
    rv: 'reversing valve',
    rev: 'reversing',
    seq: 'sequencer',
    ahu: 'air handler',
    cond: 'condenser',
    tstat: 'thermostat',
    stat: 'thermostat',
    htg: 'heat',
    clg: 'cool',
    comp: 'compressor',
    cc: 'contactor',
    gv: 'gas valve',
    mv: 'gas valve',
    hps: 'high-pressure',
    lps: 'low-pressure',
    hp: 'high-pressure',
    lp: 'low-pressure',
    hi: 'high',
    lo: 'low',
    pri: 'primary',
    zero: '0',
  }),
)

/** A short form of the trade, or a word that is misspelt. */
function spell(word: string, the: Sentence): string {
  const lower = word.toLowerCase()
  const short = shortForms.get(lower)
  // A terminal may be called like a short form: its letters are left alone.
  if (short !== undefined && (word === lower || !the.isLetter(word))) return short
  return correctedWord(word, the.system)
}

/** `outside Y-C 24`, `Y-C 24 at the condenser`: the place last, as the grammar has it. */
function placeLast(text: string, the: Sentence): string {
  if (/^(?:walk|walked|go|going|went|at|lift|land|call|set)\b/i.test(text) && !/^at\b/i.test(text)) return text
  const words = text.split(' ')
  const says = /\d|\bol\b|\bopen\b|\bnothing\b|\bbeeps?\b/i
  const side = /^(?:outside|outdoors|inside|indoors)$/
  for (const count of [4, 3, 2, 1]) {
    if (words.length <= count) continue
    const last = words.slice(-count).join(' ').toLowerCase()
    const tail = /^(?:at|in|on|by|from) (?:the )?(.+)$/.exec(last)?.[1] ?? (count === 1 && last.length > 3 ? last : null)
    const ends = tail === null || /^[a-z]$| cable$/.test(tail) ? null : the.place(tail)
    const before = words.slice(0, -count).join(' ')
    if (ends !== null && (says.test(before) || last !== tail || side.test(last)) && before.includes(' ')) return `${before} at ${ends}`
    const first = words.slice(0, count).join(' ').toLowerCase()
    const head = /^(?:at|in|on|by) (?:the )?(.+)$/.exec(first)?.[1] ?? (count === 1 && first.length > 3 ? first : null)
    const begins = head === null || /^[a-z]$/.test(head) ? null : the.place(head)
    const after = words.slice(count).join(' ')
    // `outdoor Y`, where that cable is: the wire of it that is here.
    const isOfCable = head !== null && comesHere(the, head, words[count] ?? '')
    // `panel transformer 26`: a part that is called by its place.
    if (
      the.part(
        words
          .slice(0, count + 1)
          .join(' ')
          .toLowerCase(),
      ) !== null
    )
      continue
    if (begins !== null && !isOfCable && says.test(after)) return `${after} at ${begins}`
  }
  return text
}

/** A cable of that name has an end where one stands, and what is said behind it is one of its wires. */
function comesHere(the: Sentence, name: string, wire: string): boolean {
  const cable = cableById(the.system, findCable(the.system, name) ?? '')
  const isWire = the.isLetter(wire) || (cable?.conductors.some(({ colour }) => colour === wire.toLowerCase()) ?? false)
  return isWire && (cable?.between.includes(the.state.bench.place) ?? false)
}

const NUMBER = String.raw`-?\d*[.,]?\d+`
const UNIT = '(?:(?:k|m)?(?:v|volts?|ohms?|vac)|k|megs?|megohms?)'

/** Two letters with a number, however they are joined: `R/C 26`, `R&C 26`, `R+C 26`, `RC 26`, `27.1 R C`, `R-C=24.6`. */
function pairFirst(text: string, the: Sentence): string {
  const isLetter = (word: string) => the.isLetter(word)
  const pair = (a: string, b: string) => `${the.letter(a.toLowerCase())}-${the.letter(b.toLowerCase())}`
  const spaced = text
    .replace(/\s*[=:]\s*(?=\d|ol\b)/gi, ' ')
    .replace(/\b(\w+)(?:\s*[/&+]\s*|:)(\w+)\b/g, (all, a: string, b: string) => (isLetter(a) && isLetter(b) ? pair(a, b) : all))
  const first = new RegExp(
    `^(${NUMBER}) ?(${UNIT})? (?:(on|at|across|between|from) )?(\\w+)( ?- ?| to | and | )(\\w+)(?= |$)(.*)$`,
    'i',
  ).exec(spaced)
  if (first && isLetter(first[4]) && isLetter(first[6])) {
    // On O and Y is on each of them, unless one is what volts are read against.
    const isList = /^(?:on|at)$/i.test(first[3] ?? '') && first[5] === ' and ' && ![first[4], first[6]].some((one) => isReference(the, one))
    if (!isList) return `${pair(first[4], first[6])} ${first[1]}${first[2] ? ` ${first[2]}` : ''}${first[7]}`
  }
  const run = /^([a-z]\w?)([a-z]\w?)(?= )(.*)$/i.exec(spaced)
  // What is a word of its own is no two letters.
  if (
    run &&
    !/^(?:no|on|so|go|to|or|it|in|is|at|of|by|we|ok|gnd)$/i.test(run[1] + run[2]) &&
    !isLetter(run[1] + run[2]) &&
    isLetter(run[1]) &&
    isLetter(run[2])
  )
    return `${pair(run[1], run[2])}${run[3]}`
  return spaced
}

/** Common, or the metal. */
const isReference = (the: Sentence, letter: string): boolean => isGroundWord(letter.toLowerCase()) || isCommon(the, letter)

/** Parts by their names or ids, in two words or one, with or without what kind of thing they are: the longest first. */
const formsOf = new Memo(({ parts }: System) =>
  parts
    .flatMap((part) => {
      const { id, name, kind } = part
      const isFanRelay = kind === 'coil' && part.role === 'blower-relay'
      const forms = [
        name.toLowerCase(),
        id.replaceAll('-', ' '),
        name.toLowerCase().replaceAll('-', ' '),
        ...(isFanRelay ? ['fan relay', 'indoor fan relay'] : []),
      ]
      const kindOf = kind === 'coil' || kind === 'switch' ? forms.map((form) => `${form} ${kind}`) : []
      return [...forms, ...kindOf].map((form) => ({ form, id }))
    })
    .filter(({ form, id }) => form !== id && form.includes(' '))
    .sort((a, b) => b.form.length - a.form.length),
)

function namedParts(text: string, system: System): string {
  const lower = text.toLowerCase()
  for (const { form, id } of formsOf.of(system)) {
    const at = lower.indexOf(form)
    const isWhole = at >= 0 && !/\w/.test(text[at - 1] ?? ' ') && !/[\w-]/.test(text[at + form.length] ?? ' ')
    if (isWhole) return `${text.slice(0, at)}${id}${text.slice(at + form.length)}`
  }
  return text
}

/** `contactor 15.9` with the power off, `limit to ground OL`: a part's own leads. */
function readingOfPart(text: string, the: Sentence): string {
  const isOff = !the.state.bench.power
  const toGround = /^(\S+)(?: leads?| coil)? (?:to )?(?:ground|gnd|chassis|metal|frame|cabinet|case|housing) (\S+)(?: ohms?)?$/i.exec(text)
  const grounded = toGround && partById(the.system, the.part(toGround[1].toLowerCase()) ?? '')
  if (grounded && (grounded.kind === 'switch' || grounded.kind === 'coil'))
    return `ohms ${grounded.between[0]}-gnd ${toGround[2]} at ${grounded.place}`
  const across = new RegExp(
    `^(\\S+|[a-z-]+ [a-z-]+|[a-z-]+ [a-z-]+ [a-z-]+?)(?: coil| switch| solenoid)? (?:is |reads )?(${NUMBER}|ol|open|shorted|closed)(?: (ohms?|k|kohm))?$`,
    'i',
  ).exec(text)
  const part = across && partById(the.system, the.part(across[1].toLowerCase()) ?? '')
  if (!part || (part.kind !== 'switch' && part.kind !== 'coil') || !(isOff || across[3])) return text
  return /^(?:shorted|closed)$/i.test(across[2]) ? `ohms across ${part.id} jumps between 0 and 1` : `ohms across ${part.id} ${across[2]}`
}

/** No space before a sign that joins. */
const inOrder = (text: string): string => text.replace(/\s+/g, ' ').trim()
