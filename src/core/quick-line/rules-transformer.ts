import { type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { partsOf } from '@/src/core/wiring/system'

/** The 24 V leads of a transformer, off and on again. */

const OFF = '(?:take|took|pull|pulled|lift|lifted|disconnect|disconnected|unhook|unhooked|remove|removed|unwire|unwired|unplug|unplugged)'
const ON = '(?:put|hook|hooked|land|landed|reconnect|reconnected|connect|connected|plug|plugged|rewired)'
const OFF_NOW = '(?:off|disconnected|unhooked|isolated|unplugged|unwired)'
const LEADS = '(?:both )?(?:24 ?v(?:olts?|ac)? |low[- ]voltage |secondary )*(?:side )?(?:leads?|wires?)'
const TRANSFORMER = '(?:(\\w+) )?(?:transformer|xfmr|xformer|trans)'

/** Off, or on again, the one of that name; the one there is, or the one whose leads are off, where none is named. */
function leads(the: Sentence, named: string, act: 'unplug' | 'plug'): Said {
  const all = partsOf(the.system, 'transformer')
  const off = all.filter(({ id }) => the.state.bench.unplugged.includes(id))
  const typed = all.filter(({ name }) => the.says(new RegExp(name, 'i')))
  const meant = named
    ? all.filter(({ name }) => name.startsWith(named))
    : act === 'plug' && off.length > 0
      ? off
      : typed.length === 1
        ? typed
        : all
  if (meant.length === 1) return `${act} ${meant[0].id}`
  return meant.length === 0 ? null : { asks: `Which transformer? Say ${all.map(({ id }) => `"${act} ${id}"`).join(' or ')}.` }
}

const off = (says: string): Rule => rule(says, (the, named = '') => leads(the, named, 'unplug'))
const on = (says: string): Rule => rule(says, (the, named = '') => leads(the, named, 'plug'))

export const transformerRules: readonly Rule[] = [
  off(`${OFF} ${LEADS} (?:off|from|at|on) ${TRANSFORMER}`),
  off(`${OFF} ${LEADS} ${TRANSFORMER} off`),
  off(`${OFF} (?:r|red|c|hot|hot side|secondary)(?: wire| lead)? (?:off|from|at) ${TRANSFORMER}`),
  off(`${OFF} ${TRANSFORMER} (?:secondary(?: (?:leads?|wires?|side))?|${LEADS})(?: off)?`),
  off(`isolated? ${TRANSFORMER}(?: secondary)?`),
  off(`${LEADS} (?:are )?off ${TRANSFORMER}`),
  off(`${TRANSFORMER}(?: is)? (?:disconnected|unhooked|isolated|unplugged|unwired|out of circuit)`),
  off(`${TRANSFORMER} (?:secondary )?(?:${LEADS} |secondary )(?:is |are )?${OFF_NOW}`),
  on(`${ON} ${LEADS} (?:back )?(?:on|up|to|in) (?:to )?${TRANSFORMER}`),
  on(`${ON} ${LEADS} ${TRANSFORMER} back(?: on| up)?`),
  on(`${ON} (?:(\\w+) )?transformer (?:secondary(?: leads?| wires?)? |${LEADS} )?back(?: on| up| in)?`),
  on(`${ON} back ${TRANSFORMER}(?: secondary)?(?: ${LEADS})?`),
  on(`(?:(?:${LEADS} |secondary )?(?:of |on )?)${TRANSFORMER}(?: secondary)?(?: ${LEADS})? (?:is |are )?back (?:on|in|up)`),
  on(`(?:24 ?v(?:olts?)? |secondary )(?:leads?|wires?) (?:is |are )?back on()`),
]
