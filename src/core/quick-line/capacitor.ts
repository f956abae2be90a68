import type { EntryDraft } from '@/src/core/job/entry'
import type { Reader } from '@/src/core/quick-line/reader'
import { NUMBER, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { loadOf, type Sentence } from '@/src/core/quick-line/sentence'
import { BULGED, capacitorWords, HUMMING, isWeak, ON_ITS_LABEL, weakFor } from '@/src/core/readings/capacitor-looks'
import { capacitorAt } from '@/src/core/readings/look-target'
import { capacitorOf } from '@/src/core/wiring/fed-by'
import type { PartId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

/** What is seen, read and told of a run capacitor and of the motors that it starts. */

type Capacitor = PartOf<'capacitor'>
type Section = Capacitor['starts'][number]

/** The capacitor that is meant without a name: the one here, else the only one. */
function capacitorHere(system: System, place: string): Capacitor | undefined {
  const all = partsOf(system, 'capacitor')
  const here = all.filter((one) => one.place === place)
  const meant = here.length > 0 ? here : all
  return meant.length === 1 ? meant[0] : undefined
}

/** The figures of its label, to the digit: a meter seldom reads those. */
const isLabel = ({ starts }: Capacitor, said: readonly number[]): boolean =>
  said.length === starts.length && starts.every(({ microfarad }, index) => said[index] === microfarad)

/** `capacitor good`, `capacitor bulged`, `capacitor weak condenser-fan`, `capacitor 31/4.9`, `capacitor compressor 31`. */
export function readCapacitor(reader: Reader): EntryDraft[] {
  const { system, state } = reader.context
  const named = partsOf(system, 'capacitor').find(({ id }) => reader.accept(id))
  const capacitor = named ?? capacitorHere(system, state.bench.place)
  if (!capacitor) reader.fail('No run capacitor is on record here. Put "note" before it to keep it as a remark.')
  const { id, name, starts } = capacitor as Capacitor
  const found = (word: string): EntryDraft => ({
    kind: 'reading',
    probe: { meter: 'look', at: capacitorAt(id) },
    answer: { word },
  })
  const section = starts.find(({ load }) => reader.accept(load))
  if (reader.peek()?.kind === 'number') {
    const read = [reader.number()]
    while (reader.accept('/') || reader.accept('and')) read.push(reader.number())
    for (const unit of ['µF', 'uF', 'mfd']) reader.accept(unit)
    const of = section ? [section] : starts
    if (read.length !== of.length)
      reader.fail(
        `The ${name} has a side for each of ${starts.map(({ load }) => partById(system, load)?.name).join(' and ')}: say "capacitor ${starts.map(({ microfarad }) => microfarad).join('/')}", or which: "capacitor ${starts[0].load} ${read[0]}".`,
      )
    if (!section && isLabel(capacitor as Capacitor, read))
      reader.fail(`That is what its label says. Did the meter read that too? Say "capacitor good", or put "note" before it.`)
    const told = readLabel(reader, of.length)
    const labelled = of.map((one, index) => ({ ...one, microfarad: told[index] ?? one.microfarad }))
    const weak = labelled.find((one, index) => isWeak(read[index], one))
    const values = labelled.map((one, index) => `${read[index]} µF on ${partById(system, one.load)?.name} (label ${one.microfarad})`)
    return [found(weak ? weakFor(weak.load) : ON_ITS_LABEL), { kind: 'note', text: `${name}: ${values.join(', ')}` }]
  }
  if (reader.accept('weak')) {
    const weak = starts.find(({ load }) => reader.accept(load))
    if (!weak) reader.fail(`Say on which side: ${starts.map(({ load }) => `"capacitor weak ${load}"`).join(' or ')}.`)
    return [found(weakFor((weak as Section).load))]
  }
  const words = capacitorWords(capacitor as Capacitor).filter((word) => word === ON_ITS_LABEL || word === BULGED)
  return [found(reader.oneOf(Object.fromEntries(words.map((one) => [one, one])), 'Say how it is: good, bulged, or what it reads: 44/4.9.'))]
}

/** `of 40/5`: the label that this house has on it, where it was told. */
function readLabel(reader: Reader, sections: number): readonly number[] {
  if (!reader.accept('of')) return []
  const label = [reader.number()]
  while (reader.accept('/')) label.push(reader.number())
  if (label.length !== sections) reader.fail('Say the label as it is written, each side: "capacitor 41/3 of 40/5".')
  return label
}

const CAP = '(?:(?:the|its) )?(?:(?:dual|run|start|old|round|oval) )*(?:cap|capacitor)(?: top)?'
const READS =
  '(?: is| are| reads?| read| at| tests?| tested| checks?| checked| measures?| measured| shows?| only| just| out| like| about|,)*'
const MICRO = '(?: ?(?:[uµμ]f|mfd|micro ?farads?|mikes|mics))'
const SECTION = '(?:(?:c(?:ommon)? (?:to )?)?(herm|hermetic|compressor|comp|fan)(?: (?:side|section|terminal|leg|part))?)'

/** The section that a word names: the compressor's terminal is marked HERM. */
function sectionOf(the: Sentence, { starts }: Capacitor, word: string): PartId | undefined {
  const ofFan = word === 'fan'
  return starts.find(({ load }) => /fan|blower/.test(`${load} ${partById(the.system, load)?.name}`) === ofFan)?.load
}

/** With the power off, of the capacitor here; a remark where the record has none. */
function ofCapacitor(the: Sentence, as: (capacitor: Capacitor) => Said): Said {
  const capacitor = capacitorHere(the.system, the.state.bench.place)
  return capacitor ? as(capacitor) : the.asNote()
}

/** A meter is on it: never with the power on. */
function read(the: Sentence, as: (capacitor: Capacitor) => string | null): Said {
  return ofCapacitor(the, (capacitor) => {
    const said = as(capacitor)
    if (said === null || !the.state.bench.power) return said
    return {
      asks: `The power is on in the record, and a capacitor is read with the power off and discharged. Is it off now? Say "power off; ${said}".`,
    }
  })
}

const both = (the: Sentence, verb: string, first: string, second: string): Said =>
  ofCapacitor(the, (capacitor) => {
    // Where the meter is not spoken of, "a 45/5" is the label.
    const isRead = /read|test|check|measure|show/.test(verb)
    return read(the, () => (isRead && isLabel(capacitor, [first, second].map(Number)) ? 'capacitor good' : `capacitor ${first}/${second}`))
  })

const one = (the: Sentence, word: string, value: string): Said =>
  read(the, (capacitor) => {
    const load = sectionOf(the, capacitor, word)
    return load === undefined ? null : `capacitor ${load} ${value}`
  })

/** A section by its name, with its label beside what it reads. */
const labelled = (the: Sentence, word: string, value: string, label: string): Said => {
  const said = one(the, word, value)
  return typeof said === 'string' && !/^note/.test(said) ? `${said} of ${label}` : said
}

/** Told by the label of the section: 2.1 where 5 belongs. */
const byLabel = (the: Sentence, value: string, label: string): Said =>
  read(the, ({ starts }) => {
    const [section, another] = starts.filter(({ microfarad }) => microfarad === Number(label))
    if (section && !another) return `capacitor ${section.load} ${value}`
    // Another size than the record has: the section nearest to it, held against the label that was read.
    const far = ({ microfarad }: Section) => Math.abs(Math.log(microfarad / Number(label)))
    const meant = starts.reduce((nearest, other) => (far(other) < far(nearest) ? other : nearest))
    return `capacitor ${isWeak(Number(value), { ...meant, microfarad: Number(label) }) ? `weak ${meant.load}` : 'good'}; ${the.asNote()}`
  })

const bad = (the: Sentence, word: string): Said =>
  ofCapacitor(the, (capacitor) => {
    const load = word === '' ? (capacitor.starts.length === 1 ? capacitor.starts[0].load : undefined) : sectionOf(the, capacitor, word)
    if (load !== undefined) return read(the, () => `capacitor weak ${load}`)
    return { asks: 'What did it read? Say "cap reads 31/4.9", "fan side of the cap 2.1", or "cap bulged".' }
  })

/** A motor that hums and does not turn; one that no capacitor of the record starts just stands still. */
const hums = (the: Sentence, what: string): Said => {
  const load = loadOf(the, what)
  if (load === null) return null
  return capacitorOf(the.system, load) ? `${load} ${HUMMING}` : `${load} still; ${the.asNote()}`
}

const HUMS = '(?:is |are |just |only |sits there |sits |there |and |keeps |sat there |sat )*(?:hums?|humming|hummed|buzz(?:es|ing)?)'
const NO_START =
  '(?:,? (?:and |but |then )*(?:it )?(?:wont|doesnt|does not|will not|isnt|not|never|cant|no)(?: \\w+)? ?(?:start|starts|starting|run|running|turn|turning|spin|spinning|go|get going|turn over|move)?(?: up| over)?)'

export const capacitorRules: readonly Rule[] = [
  rule(
    `${CAP}(?: is| was| looks| looked| has|,| all)* (?:a )?(?:bulged?|bulging|swollen|swelled(?: up)?|puffed(?: up)?|domed|bloated|leaking|leaked|blown|popped|split|ruptured)(?: top| up| out| oil)?(?: .*)?`,
    (the) => ofCapacitor(the, () => 'capacitor bulged'),
  ),
  rule(`(?:bulged|swollen|blown|leaking|popped|bulging) ${CAP}`, (the) => ofCapacitor(the, () => 'capacitor bulged')),
  rule(`${CAP}(${READS}) ${NUMBER}(?: ?[/&+] ?| and | by |, ?| )${NUMBER}${MICRO}?`, both),
  rule(`${SECTION}(?: is| reads?| read| at)* ${NUMBER}${MICRO}`, one),
  rule(`${SECTION}(?: of| on)? ${CAP}${READS} ${NUMBER}${MICRO}?`, one),
  rule(`herm(?: side)?${READS} ${NUMBER}`, (the, value) => one(the, 'herm', value)),
  // Both sides, and the label behind them.
  rule(`(.*\\d.*?),? (?:(?:its )?label(?:led)?(?: says| is)?|rated|marked) ${NUMBER} ?[/+] ?${NUMBER}`, (the, left, first, second) => {
    for (const { says, as } of capacitorRules) {
      const [, ...found] = says.exec(left) ?? []
      const said = found.length > 0 ? as(the, ...found.map((one) => one ?? '')) : null
      if (typeof said === 'string' && /^capacitor [\d.]+\/[\d.]+$/.test(said)) return `${said} of ${first}/${second}`
    }
    return null
  }),
  rule(
    `${SECTION}${READS} ${NUMBER}${MICRO}?(?:,| and| but)? (?:should be|should read|supposed to be|rated|rated at|label(?: says)?|is rated) ${NUMBER}${MICRO}?`,
    (the, word, value, label) => labelled(the, word, value, label),
  ),
  rule(`${CAP}${READS} ${NUMBER}${MICRO}? (?:on|to|at|from|for) (?:the )?${SECTION}`, (the, value, word) => one(the, word, value)),
  rule(
    `${CAP}${READS} ${NUMBER}${MICRO}? (?:(?:on|to|at|for) )?(?:the )?${SECTION}(?:,| and|, and)? ${NUMBER}${MICRO}? (?:(?:on|to|at|for) )?(?:the )?${SECTION}`,
    (the, first, one, second, other) =>
      read(the, (capacitor) => {
        const said = new Map([
          [sectionOf(the, capacitor, one), first],
          [sectionOf(the, capacitor, other), second],
        ])
        const values = capacitor.starts.map(({ load }) => said.get(load))
        return values.includes(undefined) ? null : `capacitor ${values.join('/')}`
      }),
  ),
  rule(`${NUMBER}${MICRO} (?:on|to|at|from|for) (?:the )?${SECTION}(?: .*)?`, (the, value, word) => one(the, word, value)),
  rule(`${CAP},? ${SECTION}${READS} ${NUMBER}${MICRO}?`, one),
  rule(
    `${CAP}${READS} ${NUMBER}${MICRO}?(?:,| and| but)? (?:should be|should read|supposed to be|rated|rated at|label(?: says)?|its label is|is rated) ${NUMBER}${MICRO}?`,
    byLabel,
  ),
  rule(
    `(?:(?:herm|compressor|fan)(?: side)?(?: of)? )?${CAP}(?: herm| compressor| fan)?${READS} ${NUMBER}${MICRO}? (?:of|on|out of|for)(?: an?)? ${NUMBER}${MICRO}?(?: label)?(?: (?:on )?(?:herm|compressor|fan)(?: side)?)?`,
    byLabel,
  ),
  rule(`${NUMBER}${MICRO}? ${CAP}${READS} ${NUMBER}${MICRO}?`, (the, label, value) => byLabel(the, value, label)),
  rule(
    `${CAP}${READS} ${NUMBER}${MICRO}?`,
    (the, value) =>
      read(the, ({ starts }) => (starts.length === 1 ? `capacitor ${starts[0].load} ${value}` : null)) ?? {
        asks: `Which side? Say "herm ${value} µF" or "fan ${value} µF".`,
      },
  ),
  rule(`${CAP}${READS} (?:good|fine|ok|in spec|in range|in tolerance|on its label|right on|right where it should be)`, (the) =>
    read(the, () => 'capacitor good'),
  ),
  rule(`${CAP}${READS} (?:weak|low|open|dead|bad|shot|failed|no good|out of spec|gone|toast)(?: on (?:the )?${SECTION})?`, bad),
  rule(`(?:weak|bad|dead|failed|open|low) (?:(fan|compressor) )?cap(?:acitor)?`, bad),
  rule(`(.+?) ${HUMS}${NO_START}?(?: .*capacitor.*)?`, (the, what) =>
    loadOf(the, what) && capacitorOf(the.system, loadOf(the, what) ?? '') ? hums(the, what) : null,
  ),
  rule(`(.+?)${NO_START},? (?:and |but |it |just |only )*(?:hums?|humming|buzz(?:es|ing)?)`, hums),
  // Beside the outdoor unit it is the fan there that is on; a call is made at the thermostat.
  rule('(?:outdoor |condenser )?fan(?: is)? (?:on|running)', (the) => {
    const load = loadOf(the, 'fan')
    return load !== null && capacitorOf(the.system, load) && the.state.bench.call !== 'off' ? `${load} runs` : null
  }),
  rule(
    '(?:condenser |outdoor )?fan (?:wont|doesnt|will not|does not|not) (?:spin|start|turn|run)(?:ning|ing)?(?: on its own| by itself)?,? (?:but |and |unless |until |if )*(?:i |you )?(?:spin|spun|push|pushed|give|gave|start|started|flick|flicked|help|helped)(?: it)?(?: a)?(?: push| spin| flick| nudge| start)?(?: by hand| with a stick)?(?:,| and| then)* (?:it )?(?:goes|runs|ran|takes off|took off|starts|started|keeps going|kept going|spins)(?: .*)?',
    (the) => {
      const load = loadOf(the, 'condenser fan')
      return load && `${load} ${capacitorOf(the.system, load) ? HUMMING : 'still'}; ${the.asNote()}`
    },
  ),
]
