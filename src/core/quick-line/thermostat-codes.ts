import { callClosing } from '@/src/core/job/code-seen'
import { type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { wordOf } from '@/src/core/readings/check'
import { codeFor, isCode } from '@/src/core/readings/code-looks'
import type { PartOf } from '@/src/core/wiring/part'
import { callerOf, partById, partsOf } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/** Over-current codes as they are told of a thermostat: which one, on which wire, gone or back again. */

const STAT = '(?:(?:(?:smart |zone )?(?:thermostat|stat|t-?stat|tstat|display)|zone \\d)(?: \\d)?(?: (?:stat|thermostat))?)'
const SHOWS = '(?:shows?|showing|says?|gives?|giving|has|have|reads?|displays?|throws?|throwing|threw|gave|got|with|is showing)'
const OVER =
  '(?:(?:an? )?(?:over ?-?current|overload(?:ed)?|high current|too much current|current too high|short(?:ed)?(?: circuit)?)(?: (?:code|error|fault|alert|warning|message))?|(?:an? )?(?:code|error|fault) (?:for |of )?(?:over ?-?current|overload|too much current|short))'

/** The thermostat that is meant: named, the one where one stands, the one that calls, or the only one. */
function statMeant(the: Sentence, named: string): PartOf<'thermostat'> | null {
  const { system, state } = the
  const stats = partsOf(system, 'thermostat')
  const place = named === '' ? null : the.place(named.replace(/^smart /, ''))
  const zone = /\d/.exec(named)?.[0]
  const found =
    stats.find((stat) => zone !== undefined && (stat.id.endsWith(`-${zone}`) || stat.place.endsWith(`-${zone}`))) ??
    stats.find((stat) => stats.length > 1 && stat.place === place) ??
    stats.find((stat) => stat.place === state.bench.place) ??
    (stats.length === 1 ? stats[0] : state.bench.call === 'off' ? undefined : callerOf(system, state.bench.call))
  return found && found.power !== 'mechanical' ? found : null
}

/** The call on which a wire carries anything: the one that is on, or the first that closes it. */
function onCall(the: Sentence, stat: PartOf<'thermostat'>, terminal: string | null, said: string): Said {
  const { call } = the.state.bench
  if (call !== 'off') return said
  const of = terminal === null ? null : callClosing(the.system, stat, terminal)
  // Nobody said which call brought it: it goes to the complaint, not to the bench.
  return of ? `call ${of.replace('-zone-', ' zone ')}; ${said}` : the.asComplaint()
}

function over(the: Sentence, named: string, wire: string): Said {
  const stat = statMeant(the, named)
  if (!stat)
    return partsOf(the.system, 'thermostat').length > 1
      ? { asks: 'Which thermostat shows it? Say it with its zone: "zone 2 stat shows over-current on Y".' }
      : the.asNote()
  const letter = wire === '' || !the.isLetter(wire) ? null : the.letter(wire)
  // By its screw on the panel: Y1 of zone 1 is the Y of its thermostat.
  const zone = /(\d)$/.exec(stat.id)?.[1]
  const terminal = switchedTerminals(stat).find((one) => one === letter || (zone !== undefined && letter === `${one}${zone}`)) ?? null
  if (letter !== null && terminal === null)
    return { asks: `The ${stat.name} closes ${switchedTerminals(stat).join(', ')}: which of them does the code name?` }
  return onCall(the, stat, terminal, `${stat.id} ${terminal === null ? 'over-current code' : codeFor(terminal)}`)
}

/** The last code that was seen in this job. */
function lastCode(the: Sentence): { readonly stat: PartOf<'thermostat'>; readonly word: string } | null {
  for (const { probe, answer } of [...the.state.observations].reverse()) {
    const stat = probe.meter === 'look' ? partById(the.system, probe.at) : undefined
    const word = wordOf(answer)
    if (stat?.kind === 'thermostat' && isCode(word)) return { stat, word }
  }
  return null
}

const again = (the: Sentence): Said => {
  const last = lastCode(the)
  return last && onCall(the, last.stat, null, `${last.stat.id} ${last.word}`)
}

const ON_WIRE = '(?: (?:(?:on|for|at|of) )?(?:wire )?(\\w{1,3}\\d?)(?: wire| terminal| output)?)?'
/** Without a thermostat in the sentence, "short" alone is no code: it has to be called one. */
const CALLED_CODE = '(?:code|error|fault|alert|warning|message)'
const TOLD_AS_CODE = `(?:an? )?(?:(?:over ?-?current|overload)(?: ${CALLED_CODE})?|(?:high current|too much current|current too high|short(?:ed)?(?: circuit)?) ${CALLED_CODE}|${CALLED_CODE} (?:for |of )?(?:over ?-?current|overload|too much current|short))`

export const thermostatCodeRules: readonly Rule[] = [
  rule(`(?:error|code|fault|alert)(?: [a-z]?\\d+)?,? (?:says |is |for )?${OVER}`, (the) => over(the, '', '')),
  rule(
    `(?:(?:code|error|fault|alert|message|this)(?: on it| it)? )?(?:${SHOWS}|is|was|reads|for)(?: for)? (?:an? )?(?:(\\w{1,3}\\d?)(?: wire)? )?${OVER}${ON_WIRE}`,
    (the, before, after) => (before === '' || the.isLetter(before) ? over(the, '', before || after) : null),
  ),
  rule(`(${STAT}) (?:code|error|fault|alert|message)[:,]? (?:says |is |for )?${OVER}${ON_WIRE}`, (the, named, wire) =>
    over(the, named, wire),
  ),
  rule(`(${STAT}) (?:${SHOWS} )?(?:[a-z]?\\d{1,3}[:,]? )?${OVER}${ON_WIRE}`, (the, named, wire) => over(the, named, wire)),
  rule(
    `${TOLD_AS_CODE}${ON_WIRE}(?: (?:on|at) (${STAT}))?(?: (?:when|while|during|in|on) (?:calling |called )?(?:for )?(?:cool|cooling|heat|heating|fan)(?: call)?)?`,
    (the, wire, named) => over(the, named, wire),
  ),
  rule(
    `(?:over ?-?current|overload)(?: code| error)? (?:on |at )?(zone \\d)(?: stat| thermostat)?(?: (?:on|for|names))? ([a-z]\\d?)(?: wire)?`,
    (the, zone, wire) => (the.isLetter(wire) ? over(the, zone, wire) : null),
  ),
  rule('zone (\\d) ([a-z]\\d?)(?: wire)? (?:over ?-?current|overload(?:ed)?)(?: code)?', (the, zone, wire) =>
    the.isLetter(wire) ? over(the, `zone ${zone}`, wire) : null,
  ),
  // Of which kind it is was told: that one is meant.
  rule(`(?:code|error|fault|alert)(?: is)? (?:on|at) (${STAT})`, (the, named) => {
    const isTold = the.state.complaint.symptoms.includes('code') || lastCode(the) !== null
    return isTold && the.state.bench.call !== 'off' ? over(the, named, '') : null
  }),
  rule(
    `(?:(${STAT}) ${SHOWS} )?(?:a )?(\\w{1,3}\\d?)(?: wire)? (?:over ?-?current|overload(?:ed)?|short(?:ed)?)(?: (?:code|error|fault|alert|message))`,
    (the, before, wire) => (the.isLetter(wire) ? over(the, before, wire) : null),
  ),
  rule('(?:code|it|error) (?:names|points to|is for|says)(?: the)? (\\w{1,3}\\d?)(?: wire| terminal)?', (the, wire) => {
    const last = lastCode(the)
    return last && the.isLetter(wire) ? over(the, '', wire) : null
  }),
  rule(
    '(?:same |over ?-?current )?(?:code|error)(?: is| came| comes| shows| showed)?(?: right| straight)? (?:back|again|up again|still there|still on|there again)(?: .*)?|(?:still|same)(?: the)?(?: same)? (?:code|error)(?: again)?',
    again,
  ),
  rule(
    '(?:no|without)(?: more| over ?-?current)? (?:code|error)(?: now| this time| any ?more)?|(?:code|error)(?: is| has| did)? (?:gone|cleared|clears|clear|went away|not come back|stays away|stayed away|off)(?: now)?',
    (the) => {
      const last = lastCode(the)
      const stat = last?.stat ?? (the.state.complaint.symptoms.includes('code') ? statMeant(the, '') : null)
      return stat && onCall(the, stat, null, `${stat.id} alive`)
    },
  ),
  rule(
    `(${STAT}) (?:${SHOWS}|reads?) (\\w{1,3}\\d?)(?: wire (?:is )?short(?:ed)?| (?:wire )?(?:is )?(?:overload(?:ed)?|over ?-?current))(?: .*)?`,
    (the, named, wire) => (the.isLetter(wire) ? over(the, named, wire) : null),
  ),
  // Any other code is kept as it reads: what it means is on its own sheet.
  rule(`${STAT} ${SHOWS} (?:an? )?(?:code |error |fault )?(?:[ef]-?\\d{1,3}|[a-z]{1,2}-?\\d{2,3}|(?:code|error|fault) \\S+)`, (the) =>
    the.asNote(),
  ),
]
