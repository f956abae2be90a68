import { landAll } from '@/src/core/quick-line/hands'
import { asks, NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import { leading, type Sentence } from '@/src/core/quick-line/sentence'
import { conductorEnd } from '@/src/core/wiring/point'
import { cableById, partsOf, placeById } from '@/src/core/wiring/system'

const TRIPS = '(?:trips|tripped|tripping|pops|popped|blows|blew|kills|killed|takes|took)'
const HOLDS = '(?:holds|held|holding|is fine|fine|is ok|ok|works|runs)'
const TOOK_OFF = '(?:lift|lifted|took|take|pulled|pull|disconnect|disconnected|unhook|unhooked)'
const CALL = '(cool|cooling|heat|heating|fan)'

/** A call of that zone is on. */
const isCalling = (call: string, zone: string): boolean =>
  zone === '1' ? call !== 'off' && !/-zone-/.test(call) : call.endsWith(`-zone-${zone}`)

/** What one zone does to the protection: by the call of that zone, which has to be said or to be on. */
function ofZone(the: Parameters<Rule['as']>[0], zone: string, call: string, word: 'trips' | 'holds'): Said {
  if (!the.system.places.some(({ kind }) => kind === 'zone-panel')) return null
  const { bench } = the.state
  const isOn = isCalling(bench.call, zone)
  if (call !== '') {
    const named = the.call(`zone ${zone} ${call}`)
    return named && `${word} on ${named}`
  }
  // What another zone was asked before it, where it was said so.
  const mode = bench.call === 'off' ? null : bench.call.replace(/-.*$/, '')
  const other = mode === null || isOn ? null : the.call(`zone ${zone} ${mode}`)
  if (other) return `${word} on ${other}`
  return isOn ? word : { asks: `On which call of zone ${zone}? Say "${word} on cool zone ${zone}".` }
}

/** All the wires of that zone's thermostat, off the panel; null where one stands at a thermostat and says no panel. */
function offThePanel({ system, state }: Sentence, zone: string, saysPanel: boolean): string | null {
  const panel = system.places.find(({ kind }) => kind === 'zone-panel')
  const cable = cableById(system, `stat-cable-${zone}`)
  const isAtStat = placeById(system, state.bench.place)?.kind === 'thermostat'
  if (!panel || !cable || (!saysPanel && isAtStat)) return null
  const ends = cable.conductors
    .filter(({ lands }) => lands[cable.between.indexOf(panel.id)] !== null)
    .map(({ id }) => conductorEnd(cable.id, id, panel.id))
    .filter((end) => !state.bench.lifted.includes(end))
  if (ends.length === 0) return null
  return [...(state.bench.place === panel.id ? [] : [`walk ${panel.id}`]), ...ends.map((end) => `lift ${end}`)].join('; ')
}

/** The letter of a zone against its common: on the panel where that is said or one stands, on its thermostat where that is. */
function ofZonesLetter(the: Sentence, zone: string, letter: string, read: string, unit: string): Said {
  const { place, power } = the.state.bench
  const stat = the.place(`zone ${zone} stat`)
  const isAtStat = the.says(/\b(?:stat|thermostat|tstat)\b/i) || stat === place
  const panel = the.system.places.find(({ kind }) => kind === 'zone-panel')?.id
  const isAtPanel = the.says(/\bpanel\b/i) || place === panel
  const isOhms = /^ohm/.test(unit) || (unit === '' && !power)
  const between = (a: string, b: string, at: string) => (isOhms ? `ohms ${a}-${b} ${read} at ${at}` : `${a}-${b} ${read} V at ${at}`)
  if (isAtStat) return stat && between(letter.toUpperCase(), 'C', stat)
  const screw = `${letter}${zone}`.toUpperCase()
  if (!panel || !the.isLetter(screw)) return null
  if (isAtPanel) return between(screw, the.commonOf(screw, panel), panel)
  const said = `zone ${zone} ${letter.toUpperCase()} to C ${read}`
  return { asks: `At the panel, or at its thermostat? Say "${said} at panel", or "${said} at stat".` }
}

const bothDampers = ({ system }: Sentence, word: string): string | null => {
  const dampers = partsOf(system, 'coil').filter(({ role }) => role === 'damper')
  return dampers.length === 2 ? dampers.map(({ id }) => `${id} ${word}`).join('; ') : null
}

/** Two letters of a zone, read from neither of the two places where it has them. */
function pairElsewhere(the: Sentence, zone: string, one: string, other: string, read: string): Said {
  const { place } = the.state.bench
  const panel = the.system.places.find(({ kind }) => kind === 'zone-panel')?.id
  const isThere = place === panel || placeById(the.system, place)?.kind === 'thermostat' || the.says(/\b(?:panel|stat|thermostat|tstat)\b/i)
  if (!panel || isThere || ![one, other].every((letter) => the.isLetter(`${letter}${zone}`))) return null
  const pair = (a: string, b: string) => `${a} to ${b} ${read}`.toUpperCase().replace('TO', 'to')
  const [a, b] = [one.toUpperCase(), other.toUpperCase()]
  return {
    asks: `At the panel, or at its thermostat? Say "${pair(`${a}${zone}`, `${b}${zone}`)} at panel", or "${pair(a, b)} at stat ${zone}".`,
  }
}

/** What is said of a zone as a whole: it trips, it holds, on which call. */
export const zoneRules: readonly Rule[] = [
  rule(
    `zone (\\d) ([a-z])(?: to | and |-)([a-z])(?: is| reads?| now)* (${NUMBER}|ol|open)(?: ?(?:ohms?|v|volts?))?`,
    (the, zone, one, other, read) => pairElsewhere(the, zone, one, other, read),
  ),
  // A zone panel has a cover and lights of its own.
  rule('(?:zone )?panel (?:cover|door|lid) (?:is )?(off|open|on|shut|closed|back on)', (the, how) => {
    const place = the.place('panel')
    return place && `panel ${place} ${/^o(?:ff|pen)$/.test(how) ? 'off' : 'on'}`
  }),
  rule(
    '(?:zone )?panel (?:(?:light|led)s?(?: (?:is|are))? )?(dead|dark|out|off|on|lit|steady|solid|flashing|blinking)(?: completely)?',
    (the, how) => {
      const board = the.part('zone board')
      const isLight = the.says(/\b(?:lights?|leds?)\b/i)
      if (!board || (!isLight && !/^(?:dead|dark)$/.test(how))) return null
      return `${board} ${/^(?:dead|dark|out|off)$/.test(how) ? 'dark' : /^(?:flash|blink)/.test(how) ? 'flashes' : 'steady'}`
    },
  ),
  rule(
    `${TOOK_OFF}(?: off)?(?: all| all of| whole)? zone (\\d)(?: (?:stat|thermostat|tstat))?(?: (?:wires|cable|conductors|wiring))?(?: off| loose)?( (?:of |off |at |from |on )*(?:zone )?(?:panel|board))?`,
    (the, zone, panel) => offThePanel(the, zone, panel !== ''),
  ),
  rule('zone (\\d) (?:wires|conductors|cable)(?: is| are)? off(?: (?:of |from |at )?(panel))?', (the, zone, panel) =>
    offThePanel(the, zone, panel !== ''),
  ),
  rule(
    `zone (\\d)(?: stat| thermostat| call)? (?:still |always )?${TRIPS}(?: it| fuse| breaker| out)*(?: (?:on|in|with) ${CALL})?`,
    (the, zone, call) => ofZone(the, zone, call, 'trips'),
  ),
  rule(`zone (\\d)(?: stat| thermostat| call)? ${HOLDS}(?: fine| ok)?(?: (?:on|in|with) ${CALL})?`, (the, zone, call) =>
    ofZone(the, zone, call, 'holds'),
  ),
  rule(
    `(?:it |breaker |fuse )?${TRIPS}(?: out)? (?:on|with|when|as soon as|if|in) zone (\\d)(?: (?:stat|thermostat|calls|is calling|call|comes on|is on))?(?: (?:for |in |on )?${CALL})?`,
    (the, zone, call) => ofZone(the, zone, call, 'trips'),
  ),
  rule(
    `(?:it |breaker |fuse )?${HOLDS}(?: fine)? (?:on|with|when|if|in) zone (\\d)(?: (?:stat|thermostat|calls|is calling|call|comes on|is on))?(?: (?:for |in |on )?${CALL})?`,
    (the, zone, call) => ofZone(the, zone, call, 'holds'),
  ),
  rule(`${CALL} (?:on|in|for) zone (\\d) (?:still )?(?:${TRIPS}|(${HOLDS}))(?: it| fine)*`, (the, call, zone, holds) =>
    ofZone(the, zone, call, holds ? 'holds' : 'trips'),
  ),
  rule('zone (\\d)(?: stat| thermostat)?(?: is| was)? (?:calling|calls|called|on)', (the, zone) => {
    const { call } = the.state.bench
    // Else for what the complaint is of.
    const [told] = /^(?:cool|heat|fan)/.exec(the.state.complaint.call ?? '') ?? []
    const ofTold = told ? the.call(`zone ${zone} ${told}`) : null
    return isCalling(call, zone)
      ? `call ${call.replace(/-zone-/, ' zone ')}`
      : ofTold
        ? `call ${ofTold}`
        : { asks: `For what does zone ${zone} call? Say "call cool zone ${zone}".` }
  }),
  rule(
    '(?:put|land|landed|hooked|connected|reconnected|reattached)(?: back)?(?: all)? zone (\\d)(?: (?:stat|thermostat|tstat))? (?:wires|cable|conductors|wiring)(?: back)?(?: (?:on|up|in))*',
    (the, zone) => landAll(the, `stat-cable-${zone}`),
  ),
  rule('zone (\\d)(?: (?:stat|thermostat))?(?: (?:cable|wires))? (?:is )?back on(?: (?:panel|at panel))?', (the, zone) =>
    landAll(the, `stat-cable-${zone}`),
  ),
  rule(`${TOOK_OFF}(?: off)? (?:both|all|all of)(?: of)? (?:stat|thermostat|zone) cables(?: off)?(?: panel)?`, (the) => {
    const zones = the.system.cables.flatMap(({ id }) => /^stat-cable-(\d)$/.exec(id)?.[1] ?? [])
    const off = zones.map((zone) => offThePanel(the, zone, true))
    return zones.length === 0 || off.includes(null) ? null : off.join('; ')
  }),
  rule(
    '(?:both|all) (?:stats|thermostats|displays) (?:are |came |is |lit )?(?:on|alive|back|back on|up|lit|lit up|working)(?: now| again)?',
    (the) => {
      const stats = partsOf(the.system, 'thermostat')
      return stats.length < 2 ? null : stats.map(({ id }) => `${id} alive`).join('; ')
    },
  ),
  rule('(?:both|all) (?:stats|thermostats) (?:are |went |is )?(?:blank|dead|dark|off)', (the) => {
    const stats = partsOf(the.system, 'thermostat')
    return stats.length < 2 || the.says(/\boff$/i) ? null : stats.map(({ id }) => `${id} blank`).join('; ')
  }),
  rule('zone (\\d) (cool|heat|fan)(?:ing)? (?:runs|works|is fine|fine|ok|good)(?: now| fine)*', (the, zone, said) => {
    const call = the.call(`zone ${zone} ${said}`)
    return call && `${the.state.repairs.length > 0 ? 'proved' : 'holds on'} ${call}`
  }),
  rule('zone (\\d) (cools|heats)(?: fine| ok| now| good| great| again| up| down)*', (the, zone, does) => {
    const call = the.call(`zone ${zone} ${does === 'cools' ? 'cool' : 'heat'}`)
    return call && `${the.state.repairs.length > 0 ? 'proved' : 'holds on'} ${call}`
  }),
  rule('dampers (?:are )?both (open|closed|shut)|both dampers (?:are |stay |stuck )*(open|closed|shut)', (the, one, other) =>
    bothDampers(the, (one || other) === 'open' ? 'open' : 'shut'),
  ),
  rule(
    '(?:zone )?(?:damper (\\d)|(\\d) damper) (opens|opened|closes|closed|shuts)(?: (?:fine|ok|up|fully|all the way))*',
    (the, one, other, does) => leading(the.part(`damper ${one || other}`) ?? '', does.startsWith('open') ? 'open' : 'shut'),
  ),
  // The bench makes one call; that the other is on as well is seen of its thermostat.
  rule('zone 1 and zone 2 (?:are )?both calling for (cool|heat|fan)(?:ing)?', (the, said) => {
    const call = the.call(`zone 1 ${said}`)
    return call && `call ${call}; thermostat-2 shows a call`
  }),
  rule('(?:both|all|all of) zones (?:are |turned |set to )*off|nothing calling (?:on|in|from) (?:either|both|any) zones?', (the) =>
    the.system.places.some(({ kind }) => kind === 'zone-panel') ? 'call off' : null,
  ),
  asks(
    '(?:call|set)(?: for)? (?:cool|heat|fan)(?:ing)?(?: on| to| for| in)? (?:the )?(?:upstairs|downstairs|basement|bedrooms?|main floor|first floor|second floor)|set (?:upstairs|downstairs) to (?:cool|heat|fan)|(?:upstairs|downstairs) (?:is |now )*calling(?: for .*)?',
    'Which zone is that? Say it by its number: "call cool zone 2", "zone 2 calling for cool".',
  ),
  asks(
    '(?:upstairs|downstairs|basement|bedroom|main floor|first floor|second floor) (?:stat|thermostat|tstat|zone).*',
    'Which zone is that? Say it by its number: "zone 2 stat blank", "call cool zone 2".',
  ),
  // Two letters of a zone: on its thermostat, or on the panel beside its own common.
  rule(
    `(?:zone|cable) (\\d)(?: stat| thermostat)? ([a-z])(?: to |[ -])([a-z])(?: (?:at|on|in) (?:stat|thermostat|panel|zone panel))?(?: is| reads| has)? ${NUMBER} ?(${VOLTS}|ohms?)?(?: (?:at|on) (?:stat|thermostat|panel))?`,
    (the, zone, one, other, read, unit) =>
      other === 'c' || one === 'c' ? ofZonesLetter(the, zone, one === 'c' ? other : one, read, unit) : null,
  ),
  // Whose thermostat it is: its letter on the panel for whoever stands there, on its own screw else.
  rule(
    `(?:zone|cable) (\\d) ([a-z])(?: to c)?(?: (?:at|on|in) (?:stat|thermostat|panel|zone panel))?(?: has| is| reads)? ${NUMBER} ?(${VOLTS}|ohms?)?(?: (?:at|on) (?:stat|thermostat|panel))?`,
    (the, zone, letter, read, unit) => ofZonesLetter(the, zone, letter, read, unit),
  ),
  rule('no (?:24(?: ?v)?|volts|voltage|power) (?:on|at|to) zone (\\d) ([a-z])', (the, zone, letter) => {
    const isPanel = placeById(the.system, the.state.bench.place)?.kind === 'zone-panel'
    return isPanel && the.isLetter(`${letter}${zone}`) ? `${the.letter(`${letter}${zone}`)}-C${zone} 0 V` : null
  }),
]
