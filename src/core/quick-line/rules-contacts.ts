import { asks, NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import { type Sentence, worded } from '@/src/core/quick-line/sentence'
import { NOT_24_V } from '@/src/core/quick-line/units'
import { lineSide } from '@/src/core/quick-line/volts'
import { BLOCKED, BURNED, CLEAN, seenContacts } from '@/src/core/readings/contact-looks'
import type { PartOf } from '@/src/core/wiring/part'
import { partById, partsOf } from '@/src/core/wiring/system'

/** What is seen at, and read across, the contacts of a contactor or a relay: not across its coil. */

const CONTACTS = '(?:contacts?|points|contact points|contact faces)'
const SO = '(?: (?:are|is|look|looks|looked|both|all|really|very|pretty|badly|kind of|kinda|little|bit|totally|all))*'
const HOW_BURNED =
  '(?:burnt|burned|pitted|blackened|black|fried|cooked|charred|scorched|worn|toasted|toast|shot|eaten|rough|arced|carboned|carbon)(?: (?:up|out|away|bad|badly|pretty bad|through))*'
const CREATURES =
  '(?:(?:dead|few|some|lots|bunch|bunch of|lot|lot of|mud|fire|ant|mouse|wasp|bird) )*(?:ants?|bugs?|insects?|wasps?|bees?|daubers?|dauber nest|spiders?|roach(?:es)?|earwigs?|lizards?|geckos?|slugs?|snails?|beetles?|nest|hill|dirt|debris|crud|mud)(?: (?:stuck|caught|packed|jammed|smashed|crushed|all))*'

/** The coil whose contacts are spoken of: the one that is named, else the one here that has any. */
function coilOf(the: Sentence, named: string): PartOf<'coil'> | null {
  const name = named.replace(/ (?:coil|switch)$/, '')
  if (name) {
    const part = partById(the.system, the.part(name) ?? '')
    return part?.kind === 'coil' && part.contact ? part : null
  }
  const all = partsOf(the.system, 'coil').filter(({ contact }) => contact)
  const here = all.filter(({ place }) => place === the.state.bench.place)
  // Contacts are said of a contactor: beside a relay here, the contactor elsewhere may be meant as well.
  const contactors = here.filter(isContactor)
  const [one, another] = contactors.length > 0 ? contactors : all.some(isContactor) ? [] : here
  return one && !another ? one : null
}

/** The contactor where one stands; null where there is none, or more than one. */
function contactorHere({ system, state }: Sentence): string | null {
  const [one, another] = partsOf(system, 'coil').filter(({ role, place }) => role === 'contactor' && place === state.bench.place)
  return one && !another ? one.id : null
}

const isContactor = ({ role }: PartOf<'coil'>): boolean => role === 'contactor'

const WHICH: Said = {
  asks: 'Which contacts? Say of what, and where: "contacts of the contactor burned", "3 V across the fan relay contacts".',
}

function seen(the: Sentence, named: string, word: string): Said {
  const coil = coilOf(the, named)
  if (!coil) return WHICH
  // What is closed in a case nobody looks into without taking it apart.
  return seenContacts(the.system).includes(coil) ? `contacts ${coil.id} ${word}` : the.asNote()
}

function read(the: Sentence, named: string, value: string, unit: string): Said {
  const coil = coilOf(the, named)
  if (!coil?.contact) return WHICH
  const isOhms = /ohm|^ol$|^open$/.test(unit || value) || !the.state.bench.power
  const [a, b] = coil.contact
  return `${isOhms ? 'ohms ' : ''}${a}-${b} ${/^(?:ol|open)$/.test(value) ? 'OL' : value}${isOhms ? '' : ' V'} at ${coil.place}`
}

/** What a contactor passes on, read at what it feeds. */
function loadSide(the: Sentence, named: string, volts: string): Said {
  const coil = coilOf(the, named)
  const fed = coil?.contact && partsOf(the.system, 'load').find(({ between }) => between[0] === coil.contact?.[1])
  return fed ? `${fed.between[0]}-${fed.between[1]} ${volts} V at ${fed.place}` : WHICH
}

const UNIT = `(?: ?(${VOLTS}|ohms?))?`

export const contactRules: readonly Rule[] = [
  rule(`(?:(.+?) )?${CONTACTS}${SO} ${HOW_BURNED}`, (the, named) => seen(the, named, BURNED)),
  // Pitted is said of contacts only.
  rule(`((?:.+ )?(?:contactor|relay))${SO} (?:pitted|arced|carboned)(?: (?:up|out|bad|badly))*`, (the, named) => seen(the, named, BURNED)),
  rule(`${HOW_BURNED} ${CONTACTS}(?: (?:on|in|at) (.+))?`, (the, named) => seen(the, named, BURNED)),
  rule(`${CONTACTS} (?:on|in|at) (.+?)${SO} ${HOW_BURNED}`, (the, named) => seen(the, named, BURNED)),
  rule(`(?:(.+?) )?${CONTACTS}${SO} (?:clean|good|fine|ok|shiny|like new)`, (the, named) => seen(the, named, CLEAN)),
  rule(`${CREATURES} (?:in|inside|between|under|across|on|all over) (?:(.+?) )?${CONTACTS}`, (the, named) => seen(the, named, BLOCKED)),
  rule(`${CREATURES} (?:in|inside|under|all over) (contactor(?: \\d)?|.+ contactor)`, (the, named) => seen(the, named, BLOCKED)),
  rule(
    `(.*contactor(?: \\d)?) (?:is |was )?(?:full|packed|jammed|jammed up|stuffed|plugged|clogged)(?: up)? (?:with )?${CREATURES}`,
    (the, named) => seen(the, named, BLOCKED),
  ),
  rule(`${NUMBER}${UNIT} (?:drop |dropped |lost )?(?:across|over|through) (?:(.+?) )?${CONTACTS}`, (the, value, unit, named) =>
    read(the, named, value, unit),
  ),
  rule(`${NUMBER}${UNIT} (?:drop|dropped|lost) (?:across|over|through) (.*contactor(?: \\d)?)`, (the, value, unit, named) =>
    read(the, named, value, unit),
  ),
  rule(
    `(?:(.+?) )?${CONTACTS} (?:(?:have|has|read|reads|drop|drops|dropping|ohm|ohms|show|shows|measure|measures|got|at|out) )*(?:${NUMBER}|(ol|open))${UNIT}(?: (?:drop|across(?: them)?))?`,
    (the, named, value, open, unit) => read(the, named, value || open, unit),
  ),
  rule(
    `(?:voltage )?drop (?:across|over|through) (?:(.+?) )?(?:${CONTACTS}|contactor) (?:is |of )?${NUMBER}${UNIT}`,
    (the, named, value, unit) => read(the, named, value, unit),
  ),
  rule(
    `${NUMBER}(?: ?${VOLTS})? (?:on |at )?both sides(?: (?:of )?(.*contactor(?: \\d)?))?|${NUMBER}(?: ?${VOLTS})? (?:in and out|on line and load)(?: (?:sides? )?(?:(?:of|at|on) )?(.*contactor(?: \\d)?))`,
    (the, one, of, other, at) => {
      const volts = one || other
      const [line, load] = [lineSide(the, volts), loadSide(the, of || at, volts)]
      return the.state.bench.power && Number(volts) > NOT_24_V && typeof load === 'string' && line !== null ? `${line}; ${load}` : null
    },
  ),
  // The line's screws of a contactor by their numbers.
  rule(
    `l1(?: ?- ?| to | and |/| )t1 (?:is |reads? |has )?${NUMBER}${UNIT}|${NUMBER}${UNIT} (?:from |across |between )?l1(?: ?- ?| to | and |/| )t1`,
    (the, value, unit, other, otherUnit) => read(the, '', value || other, unit || otherUnit),
  ),
  rule(
    `t1(?: ?- ?| to | and |/| )t2 (?:is |reads? |has )?(?:${NUMBER}|(zero|nothing|none|dead))(?: ?${VOLTS})?|(?:${NUMBER}|(zero|nothing|no))(?: ?${VOLTS})? (?:from |across |between |at |on )?t1(?: ?- ?| to | and |/| )t2`,
    (the, value, _, other) => (the.state.bench.power ? loadSide(the, '', value || other || '0') : null),
  ),
  rule(
    `load side(?: of)?(?: (.*contactor(?: \\d)?))? (?:is |reads? |has )?(?:dead|nothing|no power|no ${VOLTS}|0|zero)(?: ?${VOLTS})?`,
    (the, named) => loadSide(the, named, '0'),
  ),
  rule(
    '(.*contactor(?: \\d)?) (?:is |was |got )?(?:jammed|hung up|hung|seized|stuck open|stuck out|bound up|binding)(?: open)?',
    (the, named) => worded(the.part(named), 'out'),
  ),
  // What does not pull in, where one contactor is: its coil.
  rule(
    `${NUMBER} ?${VOLTS}? (?:on|at|across|to) (?:its )?coil,? (?:and |but )?(?:it )?(?:still )?(?:wont|doesnt|isnt|not|will not|does not) (?:pull|pulling|pulled) in`,
    (the, volts) => {
      const contactor = contactorHere(the)
      const read = contactor && the.voltsAt(contactor, volts)
      return read && `${read}; ${contactor} out`
    },
  ),
  // By the wire that it hangs on.
  rule(
    `([ywgob]\\d? (?:contactor|relay|sequencer|valve))(?: coil)?(?: is| reads| has| at)? ${NUMBER}${UNIT}`,
    (the, named, value, unit) => {
      const part = the.part(named)
      const coil = part === null ? undefined : partById(the.system, part)
      const isOhms = /ohm/.test(unit) || (unit === '' && !the.state.bench.power)
      if (coil?.kind !== 'coil' || !(isOhms || unit)) return null
      return `${isOhms ? 'ohms ' : ''}${coil.between.join('-')} ${value}${isOhms ? '' : ' V'} at ${coil.place}`
    },
  ),
  asks(
    '(?:is |it is |its |they are |theyre )?(?:welded|stuck|fused)(?: (?:shut|closed|together|in))',
    'What is? Say it with its name: "contactor in" while nothing calls, "fan relay in", "limit open".',
  ),
  rule('nothing (?:is )?(?:pulls|pulling|pulled) in(?: out here| outside| here)?', (the) => {
    const contactor = contactorHere(the)
    return contactor && `${contactor} out`
  }),
  // What moves by a tap: how it is now, and by what, kept in its words.
  rule(
    '(?:tapped|tapping|hit|whacked|banged|bumped|thumped|knocked)(?: on)? (.*(?:contactor|relay)(?: \\d)?),? (?:and |then )?(?:it )?(?:came|comes|pulled|pulls|went|goes|clicked|kicked|snapped) in',
    (the, named) => {
      const seenIn = worded(the.part(named), 'in')
      return seenIn && `${seenIn}; ${the.asNote()}`
    },
  ),
  asks(
    `(?:.+ )?${CONTACTS}${SO} (?:bad|dirty|not (?:good|making)(?: contact)?)`,
    'Burned, or is something between them? Say "contacts burned", "ants in the contactor", or read across them: "3 V across the contacts".',
  ),
]
