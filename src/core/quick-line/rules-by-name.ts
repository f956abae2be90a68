import { NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { across, windingVolts } from '@/src/core/quick-line/volts'
import { wordsOfLook } from '@/src/core/readings/looks'
import type { Part } from '@/src/core/wiring/part'
import { firstPart, partById } from '@/src/core/wiring/system'

/** What is said of a part by its name, before or behind it, by the kind of part it is. */

/** A fuse under this is whole by an ohmmeter: its own ohms and those of the leads: assumption. */
const WHOLE_BELOW_OHM = 5

const OF_GROUND = '(?:ground|gnd|chassis|cabinet|case|frame|metal|housing)'
/** Nothing is read there. */
export const NO_VOLTS = `(?:nothing|no (?:${VOLTS}|(?:24|110|115|120|208|220|230|240|277)(?: ?${VOLTS})?|voltage|power|juice)|(?:0|zero)(?: ?${VOLTS})?|dead)`

/** How something looks and feels that no check asks after: kept as it was said. */
const LOOKS =
  '(?:is |are |was |were |looks? |feels? |seems? |gets? |got |getting |runs |running )?(?:very |really |too |so |pretty |a little |kind of |kinda |all )?(?:hot|warm|burnt|burned|scorched|corroded|rusted|rusty|pitted|dirty|loose|cracked|old|new|noisy|loud|melted|discolored|swollen|bulged|wet|damp|soaked|green|rotten|original|sticky|sticking|worn|crusty|dusty|humming|hums|buzzing|vibrating)(?: up| out| to (?:the )?touch)?'

/** What stands before the name, what behind it, and the line of the grammar that it means. */
type Saying = readonly [before: string, after: string, as: (the: Sentence, part: Part, found: readonly string[]) => Said]

const sayings: { readonly [K in Part['kind']]?: readonly Saying[] } = {
  fuse: [
    // Volts on either side of it, or across it: what it passes on.
    [
      `${NUMBER}(?: ?${VOLTS})? (?:on|at) (?:both|either|each) (?:sides?|ends?)(?: of)?`,
      '',
      (the, part, [volts]) => besideFuse(the, part, volts, volts),
    ],
    [
      `${NUMBER}(?: ?${VOLTS})? (?:in|going in|into),? (?:and |but )?(?:${NUMBER}|nothing|none|zero)(?: ?${VOLTS})? (?:coming |going )?out(?: of| at| on| from)?`,
      '',
      (the, part, [into, outOf]) => besideFuse(the, part, into, outOf || '0'),
    ],
    [`${NUMBER}(?: ?${VOLTS})? (?:across|over)`, '', (the, part, [volts]) => (the.state.bench.power ? acrossFuse(part, volts) : null)],
    [
      '',
      `(?:reads? |is |at |ohms |ohms out )*${NUMBER} ?(?:ohms?)?`,
      (the, { id }, [ohms]) => (Number(ohms) < WHOLE_BELOW_OHM ? `${id} good; ${the.asNote()}` : null),
    ],
    [
      '',
      '(?:reads? |is )?(?:ol|infinite|open line|no continuity)|has no continuity|(?:doesnt|does not|wont) (?:beep|ring)',
      (_, { id }) => `${id} blown`,
    ],
    ['no continuity (?:through|across|on|in)', '', (_, { id }) => `${id} blown`],
    // What it is rated is said of the one in the slot.
    [
      '',
      'is (?:an? )?(\\d+)(?: ?a| ?amps?)?(?: fuse)?',
      (the, { id }, [amps]) => (id === firstPart(the.system, 'fuse').id ? `fuse ${amps} in` : null),
    ],
    ['', '(?:has|shows|got) continuity|beeps|rings(?: out)?', (_, { id }) => `${id} good`],
    ['(?:continuity|a beep|beep) (?:through|across|on)', '', (_, { id }) => `${id} good`],
  ],
  load: [
    // What turns slowly runs.
    [
      '',
      '(?:is |runs? |running |spins? |spinning |turns? |turning )*(?:slow|slowly|too slow)',
      (the, { id }) => `${id} runs; ${the.asNote()}`,
    ],
    ['', '(?:windings? |element )?(?:is |are |reads? )?(?:open|ol)', (the, part) => ofLoad(the, part, 1, 'OL')],
    [
      '',
      `(?:is |are )?(?:shorted|grounded)(?: out)?(?: to ${OF_GROUND})?`,
      (the, part) => ofLoad(the, part, 'gnd', 'jumps between 0 and 1'),
    ],
    [
      '',
      `to ${OF_GROUND} (?:is |reads? )?(?:${NUMBER}|(?:ol|open|nothing|infinite))(?: ?ohms?)?`,
      (the, part, [ohms]) => ofLoad(the, part, 'gnd', ohms || 'OL'),
    ],
  ],
  transformer: [
    [
      `${NO_VOLTS}(?: is)?(?: coming)? (?:out of|from|off|out|at|on)`,
      '(?:secondary|output)?',
      (the, part) => ofWinding(the, part, 'secondary', '0'),
    ],
    [
      '',
      `(?:secondary |output )?(?:has |is |reads? |puts out |putting out )*${NO_VOLTS}(?: out)?`,
      (the, part) => ofWinding(the, part, 'secondary', '0'),
    ],
    ['', `primary (?:is |reads? |has )?${NUMBER} ?(?:${VOLTS}|ohms?)?`, (the, part, [read]) => ofWinding(the, part, 'primary', read)],
    ['', `secondary (?:is |reads? |has )?${NUMBER} ?(?:${VOLTS}|ohms?)?`, (the, part, [read]) => ofWinding(the, part, 'secondary', read)],
    [
      '',
      '(primary|secondary) (?:is |reads? )?(?:open|ol)',
      (the, part, [side]) => ofWinding(the, part, side === 'primary' ? 'primary' : 'secondary', 'OL'),
    ],
    [
      '',
      `secondary to ${OF_GROUND} (?:is |reads? )?(?:${NUMBER}|ol|open)(?: ?ohms?)?`,
      (the, part, [ohms]) => windingToGround(the, part, ohms || 'OL'),
    ],
  ],
  switch: [
    [`${NO_VOLTS} (?:across|over)`, '', (the, { id }) => (the.state.bench.power ? across(the, id, '0') : null)],
    ['', `(?:has |reads? |is )?${NO_VOLTS} across(?: it)?`, (the, { id }) => (the.state.bench.power ? across(the, id, '0') : null)],
    [
      '',
      '(?:wont|will not|cant|doesnt|does not) reset|keeps (?:tripping|popping|opening)(?: .*)?',
      (the, { id }) => (wordsOfLook(the.system, id).includes('tripped') ? `${id} tripped` : the.asNote()),
    ],
    // One that shows its button is seen to be set then; one that does not is mended by it.
    [
      '(?:reset|pushed in|pushed|pressed)',
      '(?:(?:reset )?button)?(?: ?back)?(?: ?in)?',
      (the, { id }) => {
        const words = wordsOfLook(the.system, id)
        return words.includes('set') ? `${id} set` : words.length > 0 ? the.asNote() : the.asRepair()
      },
    ],
    ['', '(?:has )?resets? (?:itself|by itself|on its own|when .*)', (the) => the.asNote()],
    ['', '(?:is |was )?(?:taped|zip tied|jammed) (?:shut|in|down|closed)(?: .*)?', (the) => the.asNote()],
  ],
  thermostat: [
    ['no (?:display|screen|picture|lights?)(?: at all)? (?:on|at|in)', '', (_, { id }) => `${id} blank`],
    [
      '',
      '(?:has |is |shows |with )?(?:no (?:display|screen|lights?|picture)|(?:display|screen) (?:is )?(?:blank|dark|off|black|dead|out))(?: at all)?',
      (_, { id }) => `${id} blank`,
    ],
    ['', '(?:is )?click(?:s|ing|ed)', (the) => the.asNote()],
  ],
  electronics: [
    ['(?:no|dead|dark)(?: led)? (?:lights?|leds?|light)(?: at all)? (?:on|at)', '(?:at all)?', (the) => the.asNote()],
    [
      '',
      '(?:leds?|lights?|status light|code)(?: .*)?|(?:is )?(?:flashing|flashes|blinking|blinks|dark|dead|lit|fried|toast|shot|bad)(?: .*)?',
      (the) => the.asNote(),
    ],
  ],
  board: [['', '(?:is |was )?(?:stuck|locked up|fried|toast|shot|bad)(?: in .+)?', (the) => the.asNote()]],
}

/** The same as expressions, each over all that stands there. */
const patterns = new Map(
  Object.entries(sayings).map(([kind, all]) => [
    kind,
    all.map(([before, after, as]) => ({ before: new RegExp(`^(?:${before})$`), after: new RegExp(`^(?:${after})$`), as })),
  ]),
)

const OF_LOOKS = new RegExp(`^(?:(?:contacts?|points|coil|terminals?|spades?|plug|wires?|leads?|connector|body) )?${LOOKS}$`)

function ofLoad({ state }: Sentence, part: Part, other: 1 | 'gnd', reads: string): string | null {
  if (part.kind !== 'load' || state.bench.power) return null
  return `ohms ${part.between[0]}-${other === 'gnd' ? 'gnd' : part.between[1]} ${reads} at ${part.place}`
}

function besideFuse({ state }: Sentence, part: Part, into: string, outOf: string): string | null {
  if (part.kind !== 'fuse' || !state.bench.power) return null
  const [before, behind] = part.between
  return `${before}-C ${into} V at ${part.place}; ${behind}-C ${outOf} V at ${part.place}`
}

const acrossFuse = (part: Part, volts: string): string | null =>
  part.kind === 'fuse' ? `${part.between[0]}-${part.between[1]} ${volts} V at ${part.place}` : null

function ofWinding({ state }: Sentence, part: Part, side: 'primary' | 'secondary', reads: string): string | null {
  if (part.kind !== 'transformer') return null
  const { power } = state.bench
  if (power) return reads === 'OL' ? null : windingVolts(part, side, reads)
  const [a, b] = part[side]
  // With the power off nothing is no path, not no ohms: that is for the one who reads to say.
  return reads === '0' ? null : `ohms ${a}-${b} ${reads} at ${part.place}`
}

function windingToGround({ state }: Sentence, part: Part, ohms: string): string | null {
  return part.kind === 'transformer' && !state.bench.power ? `ohms ${part.secondary[0]}-gnd ${ohms} at ${part.place}` : null
}

/** Every name of a part in a sentence, the longest first, with what stands before and behind it. */
function* namedIn(text: string, the: Sentence): Generator<{ readonly part: Part; readonly before: string; readonly after: string }> {
  const words = text.split(' ')
  for (let length = Math.min(4, words.length); length > 0; length--)
    for (let at = 0; at + length <= words.length; at++) {
      const id = the.part(words.slice(at, at + length).join(' '))
      const part = id === null ? undefined : partById(the.system, id)
      if (part) yield { part, before: words.slice(0, at).join(' '), after: words.slice(at + length).join(' ') }
    }
}

function saidOfPart(text: string, the: Sentence): Said {
  for (const { part, before, after } of namedIn(text, the)) {
    for (const pattern of patterns.get(part.kind) ?? []) {
      const [lead, tail] = [pattern.before.exec(before), pattern.after.exec(after)]
      const said =
        lead &&
        tail &&
        pattern.as(
          the,
          part,
          [...lead.slice(1), ...tail.slice(1)].map((one) => one ?? ''),
        )
      if (said) return said
    }
    if (before === '' && OF_LOOKS.test(after)) return the.asNote()
  }
  return null
}

/** Asked where nothing else fits. */
export const byNameRules: readonly Rule[] = [rule('(.+)', (the, text) => saidOfPart(text, the))]
