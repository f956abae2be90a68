import { asks, type Rule, rule } from '@/src/core/quick-line/rule'
import { leading, type Sentence, statHere } from '@/src/core/quick-line/sentence'
import { SHOWS_CALL, SHOWS_NO_CALL } from '@/src/core/readings/looks'
import type { CallName } from '@/src/core/wiring/call'
import { partsOf, placeById } from '@/src/core/wiring/system'

const STAT = '(?:thermostat|stat|tstat|t-stat|screen|display)s?'

const isAtStat = ({ system, state }: Sentence): boolean => placeById(system, state.bench.place)?.kind === 'thermostat'

/** It holds the compressor off on a call, which is on then. */
function waitsOn(the: Sentence, mode: string): string | null {
  const [call, waits] = [the.call(mode), isAtStat(the) ? statHere(the, 'waits') : null]
  return waits && call && (the.state.bench.call === 'off' ? `call ${call}; ${waits}` : waits)
}

/** The call that closes these terminals, and none beside the fan's; with G alone the fan's own. */
function callOfLetters(the: Sentence, letters: readonly string[]): CallName | null {
  const named = letters.map((letter) => the.letter(letter))
  const [stat, another] = partsOf(the.system, 'thermostat')
  if (another) return null
  const wanted = new Set(named.filter((name) => name !== 'G'))
  const found = Object.entries(stat.calls).find(([, closes]) => {
    const own = closes.filter((name) => name !== 'G')
    return closes.length > 0 && own.length === wanted.size && own.every((name) => wanted.has(name))
  })
  return found ? (found[0] as CallName) : null
}

/** What a thermostat shows, loses and asks for. */
export const thermostatRules: readonly Rule[] = [
  asks(
    '(?:thermostat|stat|tstat|display|board)(?: is)? (?:shows?|showing|has|throws|throwing|flashing|gives|giving)(?: an?)? (?:error |fault )?(?:code|error|fault)',
    'Which code? Say it as displayed: "code E4", or "code says Y short".',
  ),
  rule('(?:thermostat|stat|tstat|display) (?:shows?|showing|says) (?:call|calling|it is calling|its calling)', (the) =>
    the.state.bench.call === 'off' ? null : statHere(the, SHOWS_CALL),
  ),
  rule(
    '(?:thermostat|stat|tstat) (?:loses|losing|lost|drops|dropping) power (?:on|in|with|when) (cool|cooling|heat|heating|fan)(?: call| calls| called)?',
    (the, call) => {
      const [seen, named] = [statHere(the, 'blank'), the.call(call)]
      return seen && named && `call ${named}; ${seen}`
    },
  ),
  rule(
    '(?:shows |says |is )?(?:calling|call) for (?:heat|cool|heating|cooling) (?:on|showing on) (?:screen|display|stat|thermostat)',
    (the) => statHere(the, SHOWS_CALL),
  ),
  rule(
    `(?:${STAT} )?(?:goes|went|going) (?:blank|dark|dead)(?:,? and| then|,)+ (?:then )?(?:comes|came|coming) (?:right )?back(?: on| up)?(?: (?:on|with|in) (\\S+)(?: call)?)?`,
    (the, call) => {
      const [seen, named] = [statHere(the, 'chatters'), call ? the.call(call) : null]
      return seen && (call ? named && `call ${named}; ${seen}` : seen)
    },
  ),
  rule('(?:it is |its |still )?(?:in|on)(?: its)?(?: \\d+ ?(?:min|minute|minutes))?(?: time| compressor)? (?:delay|time ?out)', (the) =>
    isAtStat(the) ? statHere(the, 'waits') : null,
  ),
  rule(`${STAT} (?:is )?(?:lit|lit up|on|alive|up|working),? (?:and |but )?(?:it )?(?:says|shows) (cool|heat) on`, (the, mode) => {
    const [call, shown] = [the.call(mode), isAtStat(the) ? statHere(the, SHOWS_CALL) : null]
    return shown && call && (the.state.bench.call === 'off' ? `call ${call}; ${shown}` : shown)
  }),
  // A sign for cool or heat that blinks is a call that waits; one that stands is made.
  rule(
    `(?:${STAT} )?(?:is )?(?:calling,? (?:and |but |with )?)?(?:(?:shows|has|says) )?(?:an? )?(?:snow ?flake|flame(?: icon| symbol))(?: icon| symbol| sign)?(?: is)? (?:blinking|flashing|blinks|flashes)`,
    (the) => (isAtStat(the) ? statHere(the, 'waits') : null),
  ),
  rule('(?:it )?(?:says|shows|showing) (?:wait|waiting|delay|please wait)', (the) => (isAtStat(the) ? statHere(the, 'waits') : null)),
  rule(`${STAT} (?:shows|has|displays|showing|is showing) (?:an? )?(snow ?flake|flame|fire|fan)(?: icon| symbol| sign)?`, (the, icon) => {
    const call = the.call(/^snow/.test(icon) ? 'cool' : icon === 'fan' ? 'fan' : 'heat')
    const shown = statHere(the, SHOWS_CALL)
    return shown && call && (the.state.bench.call === 'off' ? `call ${call}; ${shown}` : shown)
  }),
  rule(`${STAT} (?:is |still )?in (?:time |compressor )?(?:delay|wait|lockout)`, (the) => statHere(the, 'waits')),
  rule(
    `${STAT} (?:went|goes|going|keeps going|cuts) (?:blank|dark|dead|out)(?: and)?(?: then)? (?:came|comes|coming) (?:right )?back(?: on| up)?`,
    (the) => statHere(the, 'chatters'),
  ),
  rule(
    `${STAT} (?:keeps |is )?(?:flashes (?:and|then) (?:goes|went) (?:off|out|blank)|reboots?|rebooting|rebooted|restarts?|restarting|restarted|resets|resetting|flickers?|flickering|cycles|cycling)(?: .*)?`,
    (the) => statHere(the, 'chatters'),
  ),
  rule(
    `(?:${STAT} |it )?(?:came|comes) (?:right )?back(?: on| up)?(?: again)? (?:when|once|as soon as|after) (?:i |we |you )?(?:turned|turn|set|switched|put) (?:it|stat|thermostat|call|cool|heat|cooling) (?:to )?off`,
    (the) => {
      const alive = statHere(the, 'alive')
      return alive && `call off; ${alive}`
    },
  ),
  // Most of them blink so while they hold the compressor off.
  rule(
    '(cool|cooling|heat|heating)(?: on)? (?:is )?(?:flashing|flashes|blinking|blinks)(?: (?:on )?(?:screen|display|stat|thermostat))?',
    (the, mode) => waitsOn(the, mode),
  ),
  rule(`${STAT} (?:is |are )?(?:blank|dark|dead|black)`, (the) => statHere(the, 'blank')),
  rule(
    '(?:says|shows|showing|display says|screen says|stat says|thermostat says|saying) (?:it is |its )?(?:calling|(cool|heat)(?:ing| on))(?: .*)?',
    (the, mode) => {
      const shown = isAtStat(the) ? statHere(the, SHOWS_CALL) : null
      const call = mode ? the.call(mode) : null
      return shown && (call && the.state.bench.call === 'off' ? `call ${call}; ${shown}` : shown)
    },
  ),
  // It is alive, and asks for nothing.
  rule(`(?:lights?|display|screen|power) (?:on|at)(?: the)? ${STAT},? (?:but |and )?no call(?: showing| shown)?`, (the) =>
    statHere(the, SHOWS_NO_CALL),
  ),
  rule('(?:no call (?:showing|on screen|on display)|shows no call|not calling|isnt calling|not showing (?:a )?call)(?: .*)?', (the) =>
    statHere(the, SHOWS_NO_CALL),
  ),
  rule(
    `(?:it |${STAT} )?(?:reboots?|restarts?|resets)(?: itself)? (?:every time|when|whenever|as soon as|once|each time)(?: the)? (contactor|compressor|outdoor unit|condenser|unit|y)\\b.*`,
    (the) => {
      if (!isAtStat(the)) return null
      const seen = statHere(the, 'chatters')
      return the.state.bench.call === 'off' ? { asks: `On which call? Say it first: "call cool; ${seen ?? 'thermostat chatters'}".` } : seen
    },
  ),
  // Down from where it was it asks for cooling, up for heat; the other way in a mode that is called it asks for nothing.
  rule(
    `(?:dropped|lowered|turn|turned|dialed|bumped|cranked|ran|raised|set)(?: down| up)?(?: it| ${STAT}| setpoint| set point| temp(?:erature)?)?(?: (?:way|all (?:the )?way))?(?: down| up)?(?: (?:all (?:the )?way|(?:all (?:the )?way )?(?:to |at )?[4-9]\\d(?: ?f| degrees)?))?`,
    (the) => {
      const isDown = the.says(/\b(?:dropped|lowered|down)\b/i)
      // What was dropped may be anything: it is said of the thermostat, by its degrees, or up and down.
      if (!the.says(/\d\d|\b(?:up|down|set ?point|temp\w*|stat|t-?stat|thermostat|screen|display)\b/i)) return null
      if (!isDown && !the.says(/\b(?:raised|up)\b/i)) return null
      const [mode, other] = isDown ? ['cool', 'heat'] : ['heat', 'cool']
      return the.state.bench.call.startsWith(other) ? 'call off' : leading('call', the.call(mode))
    },
  ),
  rule(
    `(?:${STAT} )?(?:is |its )?(?:calling|calls|call)(?: for| on)? ([a-z]\\d?(?:(?: and |, | \\+ |\\+| )[a-z]\\d?){0,3})`,
    (the, letters) => leading('call', callOfLetters(the, letters.split(/ and |, | ?\\+ ?| /))),
  ),
  rule(`${STAT} (?:says|shows|reads|displays|is showing|showing) (?:on )?(?:em|emergency|aux|auxiliary)(?: heat)?(?: on)?`, (the) => {
    const [call, shown] = [the.call(the.says(/\bem/i) ? 'emergency heat' : 'aux'), statHere(the, SHOWS_CALL)]
    return shown && call && `call ${call}; ${shown}`
  }),
  rule(
    `(?:waiting|wait|delay)(?: \\d+ (?:min|mins|minutes?))?(?: (?:on|showing on|is on) (?:screen|display|stat|thermostat))|${STAT} (?:says|shows) (?:wait|waiting|delay)(?: .*)?`,
    (the) => statHere(the, 'waits'),
  ),
]
