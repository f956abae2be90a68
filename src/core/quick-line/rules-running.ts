import { ignitionOf } from '@/src/core/quick-line/flame'
import { asks, NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import { nothingCalls } from '@/src/core/quick-line/sense'
import { leading, loadOf, type Sentence, statHere, worded } from '@/src/core/quick-line/sentence'
import { boardHere } from '@/src/core/quick-line/which-part'
import { SHOWS_CALL } from '@/src/core/readings/looks'
import { parsePoint } from '@/src/core/wiring/point'
import { callsOf, partById, partsOf, placeById } from '@/src/core/wiring/system'

/** What runs where one stands, or does not; what a display shows of it, and what is heard of it. */

const NOT_ON =
  '(?:does not|doesnt|did not|didnt|wont|will not|never|not|isnt|is not)(?: run| running| runs| come on| comes on| came on| coming on| kick in| kicks in| start| starts| starting| work| works| working| pull in| pulls in| pulling in| come in| comes in| coming in)'

/**
 * A stage, where one call alone has two of them, or where the call that is on says which: the call, and what that stage brings on or does
 * not. Cooling's have a compressor each where there are two.
 */
const stageIs =
  (number: 1 | 2, ofCompressor: string, ofUnit: string) =>
  (the: Sentence, named: string): string | null => {
    const { call, jumpers } = the.state.bench
    // What a jumper on its own letter brings on is called by none.
    if (jumpers.some(({ a, b }) => [a, b].some((point) => /2$/.test(parsePoint(point).name)))) return the.asNote()
    const seconds = callsOf(the.system).filter((one) => /^(?:cool|heat)-2$/.test(one) && one.startsWith(named.slice(0, 4)))
    const first = (second: string) => second.slice(0, -'-2'.length)
    const second = seconds.length === 1 ? seconds[0] : seconds.find((one) => call === one || call === first(one))
    if (second === undefined) return null
    const isCooling = second === 'cool-2'
    const compressor = isCooling ? loadOf(the, 'second compressor') && loadOf(the, number === 1 ? 'compressor' : 'second compressor') : null
    const place = the.place(isCooling ? 'outdoor' : 'indoor')
    const what = compressor ? `${compressor} ${ofCompressor}` : place && `${place} ${ofUnit}`
    // The first stage runs on with the second.
    const calls = number === 2 ? `call ${second}; ` : call === second || call === first(second) ? '' : `call ${first(second)}; `
    return what && `${calls}${what}`
  }

const IS_ON =
  '(?:is on|on|comes on|came on|runs|running|is running|kicks in|kicked in|works|pulls in|pulled in|comes in|came in)(?: too| fine| ok)?'

const STAGE = { 1: 'stage (?:1|one)|first stage|1st stage|low stage', 2: 'stage (?:2|two)|second stage|2nd stage|high stage' } as const

/** Amps of the smallest motor of a house on its line: assumption. */
const LEAST_OF_A_MOTOR = 1.5

const NO_OUTDOOR_FAN = 'The outdoor fan is not in the record of this house. Put "note" before it to keep it as a remark.'

export const runningRules: readonly Rule[] = [
  rule(`both fans (?:are )?(on|running|run|going|not running|off|dead)`, (the, how) => {
    const fans = [loadOf(the, 'blower'), loadOf(the, 'condenser fan')]
    const word = /^(?:on|run|running|going)$/.test(how) ? 'runs' : 'still'
    return fans.includes(null) ? null : fans.map((fan) => `${fan} ${word}`).join('; ')
  }),
  // With the power on it may be let go as well as off its wires.
  rule('(?:reversing )?(?:valve|rv)(?: is)? off', (the) => {
    const id = the.part('reversing valve')
    return id === null || !the.state.bench.power ? null : { asks: `De-energized, or unplugged? Say "${id} out", or "unplug ${id}".` }
  }),
  asks(
    'gas valve(?: is)? off',
    'Shut by its knob, de-energized, or unplugged? Say "gas valve out", "unplug gas valve", or put "note" before it.',
  ),
  rule('(blower|fan|inducer)(?: motor)? (?:is |runs |running |on |at |in )*(?:low|high|medium|full)(?: speed)?', (the, what) => {
    const load = loadOf(the, what)
    return load && `${load} runs; ${the.asNote()}`
  }),
  rule('(?:outdoor |condenser |outside )?fan motor (?:is |was )?(?:dead|bad|burned|burned up|shot|seized|locked|locked up)', (the) => {
    const isOutdoors = placeById(the.system, the.state.bench.place)?.kind === 'outdoor' || the.says(/\b(?:outdoor|condenser|outside)\b/i)
    return worded(loadOf(the, isOutdoors ? 'condenser fan' : 'blower'), 'still') ?? { asks: NO_OUTDOOR_FAN }
  }),
  // Its own overload, or the fuse of the 24 V side.
  asks(
    '(?:outdoor |the )?(?:compressor|blower|condenser fan|fan|motor) (?:starts|started|runs|ran|kicks on|comes on|came on|gets hot|got hot|overheats|overheated|heats up)(?: up)?(?: for .+)?(?:,| and| then)+ (?:it )?(?:trips|tripped|cuts? out|pops)',
    'What trips: the fuse or breaker of the 24 V side, or the motor on its overload? Say "it trips", or put "note" before it.',
  ),
  rule(
    '(?:it is |its |went |goes |cut |cuts )?(?:off|out) on (?:thermal |internal |its )?overload|(?:just )?(?:humming|hums|buzzing),? (?:and |but )?(?:no|wont|not|doesnt) start(?:ing)?',
    (the) => the.asNote(),
  ),
  asks(
    '(?:only |just )?(?:one|1|a) leg|(?:lost|missing|dropped|dead|down) (?:a |one )?leg',
    'Which leg? Read each: "L1 to ground 120", "L2 to ground 0".',
  ),
  asks(
    '(.+?) (?:gets|has|getting|reads|only has|only gets|sees) (?:only )?half (?:the |its )?(?:voltage|volts)|half (?:the |its )?(?:voltage|volts) (?:at|to|on) (.+)',
    'How many volts does it read? Say the figure: "igniter 62 V".',
  ),
  asks(
    '(?:took|taken|cut|pulled) .*(?:switch|switches|limit|safety|safeties) out (?:circuit|line|loop|string)',
    'Joined past them, or off their plugs? Say "bypassed low-pressure", or "unplug low-pressure".',
  ),
  rule(
    '(?:i )?(?:forced|forcing|initiated|jumped|put it in(?:to)?|sent it into|called for|triggered)(?: it)?(?: (?:in|into))?(?: (?:a|test))* defrost(?: (?:cycle|pins|mode|test))?',
    (the) => the.asNote(),
  ),
  rule('(.+?) (?:just )?(?:lets? go|released|releases|dropped|fell out)', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' && part.role !== 'damper' ? `${part.id} out` : null
  }),
  rule('(.+?) (?:stays|stayed|remains|remained) (in|out)', (the, what, how) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? `${part.id} ${how}` : null
  }),
  // What the 24 V side draws on a call: no motor draws so little.
  rule('(\\d?[.]\\d+|1) ?(?:a|amps?) (?:on |in |with |for )?(?:a )?(cool|cooling|heat|heating|fan)(?: call)?', (the, amps, said) => {
    const call = the.call(said)
    return call && Number(amps) < LEAST_OF_A_MOTOR ? `call ${call}; ${amps} A on R` : null
  }),
  // What stops while it is called no longer does what is called.
  rule(
    '(?:unit|system|outdoor unit|condenser|heat pump|furnace|air handler|it all) (?:just )?(?:shut off|shut down|quit|stopped|died|went off|dropped out)|(?:burners?|flame) (?:just )?(?:shuts? off|quits?|stopped|stops|dies|died|go(?:es)? (?:off|out)|went (?:off|out)|drops? out)',
    (the) => {
      const place = placeById(the.system, the.state.bench.place)
      return place && place.kind !== 'thermostat' && !nothingCalls(the) ? `${place.id} not as called` : null
    },
  ),
  rule(
    '([ywgob]\\d?) (?:is )?(?:not|never|doesnt|isnt|wont) (?:coming|come|comes|came) on(?: (?:in|on|with) (cool|cooling|heat|heating|fan))?',
    (the, letter, said) => {
      const [read, call] = [the.voltsAt(letter, '0'), said ? the.call(said) : null]
      return read && (call && nothingCalls(the) ? `call ${call}; ${read}` : read)
    },
  ),
  rule('([ywgob]\\d?) (?:dropped out|went away|went dead|disappeared)', (the, letter) => the.voltsAt(letter, '0')),
  // The heater of a crankcase is none of the strips.
  rule('.*\\bcrankcase\\b.*', (the) => (the.system.parts.some(({ name }) => /crankcase/i.test(name)) ? null : the.asNote())),
  rule('(?:no|0|zero) (?:amps|current|draw) (?:on|at|through|to)(?: the)? (.+)', (the, what) => {
    const load = loadOf(the, what)
    return load && `${load} still; ${the.asNote()}`
  }),
  rule('(.+?) (?:pull|draw|drawing|pulling)(?: about| around)? \\d[\\d.]* ?(?:a|amps?)', (the, what) => {
    const load = loadOf(the, what)
    return load && `${load} runs; ${the.asNote()}`
  }),
  rule('(compressor|blower|fan) 1 (?:at |draws |pulls )?\\d[\\d.]* ?(?:a|amps?)', (the, what) => {
    const load = loadOf(the, what)
    return load && `${load} runs; ${the.asNote()}`
  }),
  rule('(?:heat )?strips? (?:are |is )?(?:glowing|hot|red|red hot)', (the) => worded(loadOf(the, 'strips'), 'runs')),
  rule('(?:strips?|heaters?|elements?)(?: amps?| draw| pulling| pulls| drawing)+ \\d[\\d.]*(?: ?a| amps?)?', (the) => {
    const load = loadOf(the, 'strips')
    return load && `${load} runs; ${the.asNote()}`
  }),
  // With a call on, said of what it should bring on where one stands.
  rule('(?:still )?(?:nothing|no response|no reaction)(?: at all| happens| happened| comes on| came on)?', ({ state, system }) => {
    const here = placeById(system, state.bench.place)
    return state.bench.call !== 'off' && here?.kind !== 'thermostat' ? `${here?.id} not as called` : null
  }),
  ...([1, 2] as const).flatMap((number) => {
    const stage = `(?:${STAGE[number]})(?: (cooling|heating|cool|heat))?(?: compressor)?`
    return [
      rule(`${stage} ${IS_ON}`, stageIs(number, 'runs', 'as called')),
      rule(`${stage} (?:${NOT_ON}|not on|dead|out)`, stageIs(number, 'still', 'not as called')),
    ]
  }),
  rule(
    '(?:thermostat|stat|tstat|display|screen) (?:keeps |is )?(?:flickers?|flickering|flashes|flashing|reboots?|rebooting|restarts?|restarting|resets?|resetting|cycles|cycling|blinks out|drops out) (?:on|with|in|when) (?:calling )?(?:for )?(\\S+)(?: call| comes on| called)?',
    (the, said) => {
      const [seen, call] = [statHere(the, 'chatters'), the.call(said)]
      return seen && call && `call ${call}; ${seen}`
    },
  ),
  rule(
    '(?:started|made|put in|gave it|got)(?: a)? (cool|cooling|heat|heating|fan) call|(?:thermostat|stat|tstat) (?:to|on|in) (cool|cooling|heat|heating|fan)',
    (the, one, other) => leading('call', the.call(one || other)),
  ),
  rule('(?:ok|okay|good|no trip|does ok) (?:on|in|with) (cool|cooling|heat|heating|fan)(?: call)?', (the, said) => {
    const call = the.call(said)
    return call && `holds on ${call}`
  }),
  rule('(?:turned|turn|switched|switch|shut)(?: it)? off|(?:turn|shut|switch) it off', (the) =>
    placeById(the.system, the.state.bench.place)?.kind === 'thermostat' ? 'call off' : null,
  ),
  // A thermostat that hangs again, where it was off the wall.
  rule(
    '(?:thermostat|stat|tstat) (?:is )?back (?:on|up)(?: wall| base| its base)?|(?:put |hung )(?:thermostat|stat|tstat) back(?: on| up)?(?: wall| base)?',
    (the) => {
      const [off] = partsOf(the.system, 'thermostat').filter(({ id }) => the.state.bench.unplugged.includes(id))
      return off ? `plug ${off.id}` : null
    },
  ),
  // Contacts that are open are those of one that is out.
  rule('((?:second )?contactor)(?: is)? open', (the, what) => {
    // A coil that is open was read.
    const part = the.state.bench.power && !the.says(/\bcoil\b/i) ? the.part(what) : null
    return part && `${part} out`
  }),
  // After a repair it is run to see that it does.
  rule('(?:fan|blower) (?:runs|works|running|working|is running|comes on)(?: fine| good| now| again)*', (the) => {
    const place = the.place('indoor')
    return the.state.repairs.length > 0 && nothingCalls(the) && place && the.call('fan') ? `call fan; ${place} as called` : null
  }),
  rule(
    `amps ${NUMBER} (?:on|at|to|through) (?:the )?(.+)|${NUMBER} ?(?:a|amps?) (?:on|at|through) (?:the )?(compressor|blower|inducer|strips|condenser fan)`,
    (the, first, one, second, other) => {
      const load = loadOf(the, one || other)
      if (load === null) return null
      return nothingCalls(the) ? the.asNote() : `${load} ${Number(first || second) > 0 ? 'runs' : 'still'}; ${the.asNote()}`
    },
  ),
  // What runs where one stands, on the call that is on.
  rule('(?:it |unit |all |both )?(?:is |are )?(?:runs?|running|works?|working)(?: fine| good| great| ok| normal| now| again)*', (the) => {
    const { place } = the.state.bench
    return nothingCalls(the) || placeById(the.system, place)?.kind === 'thermostat' ? null : `${place} as called`
  }),
  rule(
    '(furnace|burners?|gas heat|heater) (?:fires|fired|fires up|lights|lights off|lights up|lit|lit off|kicks on|comes on|came on|kicked on|starts)(?: up| fine| right up)?',
    (the, what) => {
      // With an ignition control the burners are looked at by themselves.
      if (/^burner/.test(what) && ignitionOf(the.system)) return null
      const { call, jumpers } = the.state.bench
      const isCalled = /^heat|^emergency/.test(call) || jumpers.some(({ a, b }) => [a, b].some((end) => /^W\d?@/.test(end)))
      const place = the.place('indoor')
      return isCalled && place ? `${place} as called` : null
    },
  ),
  rule(
    '(?:thermostat|stat|tstat|display|screen) (?:says|shows|reads|is set to|is on|set to|on)(?: set to)? (heat|cool)(?:ing)?(?: (?:on|to|at|mode|call))*(?: (?:on|to|at))? [4-9]\\d(?: degrees)?',
    (the, said) => {
      const [seen, call] = [statHere(the, SHOWS_CALL), the.call(said)]
      return seen && call && `call ${call}; ${seen}`
    },
  ),
  rule('no (?:status )?(?:lights?|leds?)', (the) => {
    const board = boardHere(the)
    return board ? `${board} dark` : the.asNote()
  }),
  // What is heard of what holds no contact stays in words.
  rule(
    '(?:board|transformer|xfmr|panel|control board)(?: is)? (?:buzz(?:es|ing)|hum(?:s|ming)|clicks|clicking)(?: .*)?|(?:buzz(?:es|ing)?|hum(?:s|ming)?|noise)(?: sound| noise)? (?:at|from|in|inside|coming from|by) (?:board|transformer|xfmr|panel|control board)',
    (the) => the.asNote(),
  ),
  rule('(?:house |room )?lights? (?:flickers?|dims?|dimmed|flickered)(?: .*)?', (the) => the.asNote()),
]
