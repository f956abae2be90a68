import { asks, NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { placeById } from '@/src/core/wiring/system'

/** Volts that sag once something is called: read on that call, and not at rest. */

const SUBJECT =
  '(?:it|24 volts|voltage|volts|control(?: voltage)?|low voltage|transformer(?: secondary)?|secondary|r(?: ?[-/] ?| to | and | )?c|rc|r)'
const FALLS =
  '(?:drops?|dropped|dropping|sags?|sagged|sagging|falls?|fell|dips?|dipped|tanks?|tanked|crashes|crashed|goes down|went down|comes down|came down|(?:pulls?|pulled|drags?|dragged)(?: it)? down)(?: down| off)?'
const WHEN = '(?:on|in|with|when|whenever|as soon as|once|during|if|under|second)'

/** What a letter calls. */
const CALLED_BY = new Map([
  ['y', 'cool'],
  ['y1', 'cool'],
  ['g', 'fan'],
  ['w', 'heat'],
  ['w1', 'heat'],
])

/** The call that words like "when it calls for cool", "with Y on" speak of: null where they name none, "" for one that is not said. */
function callIn(the: Sentence, when: string): string | null {
  const bare = when
    .replace(/^(?:it|i|we|you|stat|thermostat|there is) /, '')
    .replace(/^(?:calls?|calling|called|ask(?:s|ed|ing)?|turn(?:s|ed)?|set|goes|went|switch(?:es|ed)?) ?(?:for|on|to|in|into)? ?/, '')
    .replace(
      / ?(?:is )?(?:call|calls|called|calling|mode|on|comes on|came on|kicks (?:in|on)|starts?|gets power|energized|hot|is on|runs?|running)$/,
      '',
    )
    .trim()
  if (bare === '' || /^(?:call|load|it)$/.test(bare)) return ''
  return the.call(CALLED_BY.get(bare) ?? bare)
}

function sags(the: Sentence, from: string, volts: string, when: string): Said {
  const here = placeById(the.system, the.state.bench.place)
  if (here && the.says(/\b[Rr](?: ?[-/]| to| and)? ?[Cc]\b|^R\b/) && !here.terminals.includes('R'))
    return { asks: `There is no R at the ${here.name}. Where did you read ${volts} V? Say the place, as in "R-C ${volts} at indoor".` }
  const read = the.voltsAt(the.state.bench.place, volts)
  if (read === null || !the.state.bench.power) return null
  const call = when ? callIn(the, when) : ''
  if (call === null) return null
  if (call === '' && the.state.bench.call === 'off' && the.state.bench.jumpers.length === 0)
    return when ? { asks: `On which call does it sag to ${volts} V? Say "call cool; R-C ${volts}".` } : null
  if (call === '' || call === the.state.bench.call) return read
  const before = from && the.state.bench.call === 'off' ? `${the.voltsAt(the.state.bench.place, from)}; ` : ''
  return `${before}call ${call}; ${read}`
}

export const sagRules: readonly Rule[] = [
  rule(`(?:${SUBJECT} )?${FALLS} (?:from ${NUMBER} ?${VOLTS}? )?to ${NUMBER} ?${VOLTS}?(?:,? ${WHEN} (.+))?`, sags),
  rule(`${NUMBER} ?${VOLTS}? ${FALLS} to ${NUMBER} ?${VOLTS}?(?:,? ${WHEN} (.+))?`, sags),
  rule(`${WHEN} (.+?),? (?:${SUBJECT} )?${FALLS} (?:from ${NUMBER} ?${VOLTS}? )?to ${NUMBER} ?${VOLTS}?`, (the, when, from, volts) =>
    sags(the, from, volts, when),
  ),
  // A letter that is pulled down as something starts: W drops to 8 when the heat kicks on.
  rule(
    `([a-z]\\d?)(?: ?[-/] ?| to )?(?:c|common)? ?${FALLS} (?:from ${NUMBER} ?${VOLTS}? )?to ${NUMBER} ?${VOLTS}?,? ${WHEN} (.+)`,
    (the, letter, _, volts, when) => {
      const call = the.isLetter(letter) && the.state.bench.power ? callIn(the, when) : null
      return call ? `${call === the.state.bench.call ? '' : `call ${call}; `}${the.letter(letter)}-C ${volts} V` : null
    },
  ),
  // Which of several runs is the whole of what is told.
  asks(
    'only (?:one|1|half) (?:of )?(?:compressors?|contactors?|fans?|stages?|dampers?|strips?)(?: .*)?',
    'Which one? Say what each does: "compressor runs; compressor 2 still".',
  ),
]
