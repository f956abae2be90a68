import { LARGEST_IN_SLOT } from '@/src/core/quick-line/breaker-by-size'
import { ignitionOf } from '@/src/core/quick-line/flame'
import { cableInHand, landLast, offOnSpare } from '@/src/core/quick-line/hands'
import { asks, NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { backOn } from '@/src/core/quick-line/rules-put-back'
import { isFoundOut } from '@/src/core/quick-line/rules-where'
import { nothingCalls, nothingDone } from '@/src/core/quick-line/sense'
import { loadOf, worded } from '@/src/core/quick-line/sentence'
import { parsePoint } from '@/src/core/wiring/point'
import { partById, placeById } from '@/src/core/wiring/system'

/** What is told in passing: answered questions, what a display or a gauge shows, what was hung or gone over, in the words that it takes. */

export const passingRules: readonly Rule[] = [
  rule('(?:heat pump|gas|furnace|ac|strips|air|heat|blower|fan) only(?: now)?', (the) =>
    the.state.observations.length > 0 ? the.asNote() : null,
  ),
  rule('(?:its |it is |thats )?(?:cooked|toast|fried|roasted|done for|burnt up|burned up|smoked|shot|junk)', (the) => the.asNote()),
  rule(
    '(?:so )?(?:it is|its) (?:the )?[a-z]\\d? (?:wire )?(?:going|running|to|at|from) (?:outside|outdoors|condenser|heat pump|thermostat|stat|panel)',
    (the) => the.asNote(),
  ),
  rule('so (?:it is|its|it was|it has to be|it has got to be|that is|thats)(?: got to be)? (?!.*\\d{2}).+', (the) => the.asNote()),
  // What is found in order, without a figure.
  rule('(.+?)(?: coil| itself)? (?:is |looks |checks |tests |checks out |tests out )+(?:fine|ok|good|sound)', (the, what) => {
    const kind = partById(the.system, the.part(what) ?? '')?.kind
    return kind === 'coil' || kind === 'board' || kind === 'transformer' ? the.asNote() : null
  }),
  asks(
    '(?:jumped|jumpered|shorted|jump|bridged)(?: out| across)? (?:defrost |test |speed ?up |speedup |forced defrost )+(?:pins|terminals|posts|test pins)(?: .*)?|(?:forced|put it in|put it into|went into forced) defrost(?: .*)?',
    'A forced defrost is not kept on the bench, and what is seen in it would count as seen on the call. Put "note" before it, and before what you see until it ends.',
  ),
  rule(
    `power (?:is )?(?:back )?(?:on|up),? (?:and )?(?:its? (?:is |reads? )?|i have |got |reads? |at )*(2\\d(?:[.]\\d+)?) ?${VOLTS}?`,
    (the, volts) => {
      const place = placeById(the.system, the.state.bench.place)
      return place?.terminals.includes('R') && place.terminals.includes('C')
        ? `${the.state.bench.power ? '' : 'power on; '}R-C ${volts} V`
        : null
    },
  ),
  rule(
    '(?:(?:it is|its|that is|thats|which is) )?supposed to (?:be|read|have) .+|(?:that is|thats|which is) (?:normal|right|good|what it should be|how it should be|ok)(?: .*)?',
    (the) => the.asNote(),
  ),
  // After a repair it is run to see that it does.
  rule('(?:it |unit |system |ac |a/c )?(cools|heats|cooling|heating)(?: (?:now|fine|good|again|great|ok))*', (the, does) => {
    const call = the.state.repairs.length > 0 ? the.call(/^cool/.test(does) ? 'cool' : 'heat') : null
    return call && `proved ${call}`
  }),
  // A question, and its own answer: nothing is weighed by it.
  asks(
    '.*\\b(?:trips?|pops?|holds?|off|lifted|unplugged)\\b.*\\?,? (?:no|nope|yes|yep|yeah)\\b.*',
    'Say what was seen, without the question: "W off at the board, holds".',
  ),
  rule('.+\\?,? (?:no|nope|yes|yep|yeah|ok|all|none|not|it is|theres|there is|there isnt|doesnt|cant)\\b(?!.*\\d).*', (the) =>
    the.asNote(),
  ),
  rule(
    '(?:thermostat|stat|display) (?:reads|says|shows|is at|at) \\d{2}(?: degrees)?,? (?:and |is )?set(?: to| at| for)? \\d{2}(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:gauges?|pressures?|suction|head|superheat|subcooling|charge|refrigerant|freon) (?:show|shows|is|are|look|looks|reads?|at) .+',
    (the) => the.asNote(),
  ),
  rule(
    '(?:so )?(?:it is |its |that is |thats )?(?:a )?short (?:from |between )?([a-z]\\d?) (?:to|and) (?:[a-z]\\d?|ground|gnd|chassis)(?: .*)?',
    (the, letter) => (the.says(/^\s*so\b/i) && the.isLetter(letter) ? the.asNote() : null),
  ),
  rule('not (?:on|in) (cool|heat|fan|emergency|aux|second stage)(?:ing)?(?: heat)?', (the, said) => {
    const last = the.state.observations.at(-1)?.probe
    const isOfTrips = last?.meter === 'trip' || (last === undefined && the.state.complaint.symptoms.includes('fuse-on-call'))
    const call = isOfTrips ? the.call(said) : null
    return call && `holds on ${call}`
  }),
  rule('(?:landed|relanded|reconnected|land) ([a-z]\\d?)(?: wire)?(?: back)?', (the, letter) => {
    const [off, another] = the.state.bench.lifted.filter((end) => parsePoint(end).name.toLowerCase() === letter)
    return off && !another ? `land ${off}` : null
  }),
  rule('(?:reconnected|relanded|rehooked)(?: it| them)?', (the) => landLast(the, true)),
  rule('(?:zone (\\d) )?(?:stat|thermostat|tstat|display|screen)(?:-(\\d))? (?:is )?back(?: on| up)?(?: now)?', (the, zone, number) => {
    const id = zone || number ? `thermostat-${zone || number}` : the.thermostat()
    const stat = partById(the.system, id ?? '')
    if (stat?.kind !== 'thermostat') return null
    return the.state.bench.unplugged.includes(stat.id) ? `plug ${stat.id}` : `${stat.id} alive`
  }),
  // Broken somewhere along its way: nobody saw where.
  rule('(?:so )?(?:the )?[a-z]\\d?(?: wire)? (?:is |was )?(?:cut|broken|severed)(?: somewhere| in (?:the )?(?:wall|attic|run))?', (the) =>
    the.asNote(),
  ),
  rule(
    'works (?:when|while|whenever|every time) i(?: am| get)? (?:here|there).*|(?:left|let) (?:it )?(?:cool|cooling|heat|heating|run|running)(?: for)? \\d+ ?(?:min|minutes?|hours?)(?:,? .*)?|jumped (?:the )?(?:defrost|test|speed.?up) (?:pins|terminals)(?:,? .*)?',
    (the) => the.asNote(),
  ),
  rule('(?:(?:main|house|panel|unit|air handler|furnace) )?breaker (?:is )?(?:ok|okay|good|fine|set|not tripped)', (the) => the.asNote()),
  // A protection of the line, and none of the 24 V side.
  rule(
    '(?:.+ )?(?:gfci|gfi|afci|outlet|receptacle)(?: outlet)? (?:is |was |had |has )?(?:tripped|popped|off|dead)(?:,? .*)?|reset (?:the )?(?:gfci|gfi|afci|outlet)(?:,? .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:flames? rolling out|cracked (?:heat )?exchanger|red ?tagged|shut (?:the )?gas off|gas (?:turned|shut) off)(?:,? .*)?|(?:furnace|board|control|air handler) (?:light|led) (?:is )?(?:ok|good|fine|normal|green)',
    (the) => the.asNote(),
  ),
  rule('(?:stripped|cleaned|cut back|trimmed)(?: it| them| wire| wires)? and (?:relanded|reconnected|landed|put (?:it|them) back)', (the) =>
    the.asRepair(),
  ),
  rule('(?:thermostat|stat|tstat) (?:is )?(?:ok|good|fine|alive|working)(?: now| again)?', (the) => worded(the.thermostat(), 'alive')),
  rule('(?:so )?bad ([a-z -]+)', (the, what) => (the.part(what) !== null && the.state.observations.length > 0 ? the.asNote() : null)),
  rule(
    '(?:it is |unit is |heat pump is )?(?:cooling|heating) when (?:it )?(?:should|is supposed to|supposed to) (?:be )?(?:heat|heating|cool|cooling)',
    (the) => (nothingDone(the) ? the.asComplaint() : the.asNote()),
  ),
  rule('new (\\d{1,2}) ?(?:a|amps?)(?: one)?', (the, size) => (Number(size) <= LARGEST_IN_SLOT ? `fuse ${size} in` : the.asNote())),
  rule(
    '(?:it |fan |blower |unit )?(?:runs|works|comes on) (?:only )?(?:on|with) (?:a )?call(?: now)?|(?:\\w+ )*board (?:is )?(?:sending|putting|feeding) .+',
    (the) => the.asNote(),
  ),
  rule('replaced (?:it )?with (?:a )?new .+', (the) => the.asRepair()),
  rule(
    '(?:aux|auxiliary|emergency|heat|cool|fan|strips?)(?: heat)? (?:stays?|stuck|always|is always|keeps) (?:on|running)(?: after .+)?|(?:low|first|1st) stage only',
    (the) => (nothingDone(the) ? the.asComplaint() : the.asNote()),
  ),
  rule('(?:hung|put up|mounted|installed|wired up) (?:a )?new (?:thermostat|stat|tstat)(?: .*)?', (the) => the.asRepair()),
  rule(
    '(?:put|buttoned|closed|got)(?: it| everything| all of it| unit)?(?: all)? back together|put (?:it|everything|all of it) back(?: .*)?|(?:hooked|wired|buttoned) (?:it|everything) (?:all )?(?:back )?up|(?:everything )?all hooked (?:back )?up',
    (the) => backOn(the, null),
  ),
  rule(
    '(?:checked|looked at|found) (?:breaker|breaker (?:on|at) (?:transformer|unit|board)),? (?:it (?:is|was) |is |was )?tripped',
    (the) => (isFoundOut(the) ? 'fuse blown' : null),
  ),
  rule(
    '(?:reconnected|relanded|rehooked|hooked up|hooked back up)(?: (?:all|both))?(?: of)?(?: low voltage| 24 ?v)? (?:wires|leads)(?: back)?(?: up| on)?',
    (the) => backOn(the, null),
  ),
  rule('(?:fixed|corrected|mended)(?: that| them| it)?', (the) => the.asRepair()),
  rule(
    '(?:checked|looked at|went over|inspected) (?:panel |stat |outdoor |low voltage |all )*(?:wiring|wires|connections)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:everything|all of it|all|it all|whole thing) (?:works|is working|working|runs|is running)(?: now| again| fine| good| ok)*',
    (the) => (the.state.repairs.length > 0 && nothingCalls(the) ? the.asNote() : null),
  ),
  asks('(?:indoor )?(?:fan|blower) blows', 'Air, or the fuse? Say "blower runs", or "trips on fan".'),
  // As it was found, before anything was tried: that it tripped on nothing at all was not seen.
  rule(
    '(?:(?:low voltage|24 ?v|transformer) )?(?:fuse|breaker)(?: (?:on|of|at) (?:transformer|unit|board))? (?:is |was |has )?(?:tripped|popped)',
    (the) => {
      if (!the.says(/\b(?:low[- ]?volt(?:age)?|24 ?v\w*|transformer)\b/i)) return null
      const wasTried = the.state.observations.some(({ probe }) => probe.meter === 'trip')
      return wasTried || the.state.bench.slot.holds !== 'as-found' || !nothingCalls(the) ? null : 'fuse blown'
    },
  ),
  rule(
    '(?:pulled|removed|took out|took off)(?: out)? jumper (?:from |off |between )?(r[ch]?|[ygwob]\\d?) (?:to|and) (r[ch]?|[ygwob]\\d?)',
    (the, one, other) => {
      const [a, b] = [the.letter(one), the.letter(other)]
      const [jumper, another] = the.state.bench.jumpers.filter((said) =>
        [said.a, said.b].every((end) => [a, b].includes(parsePoint(end).name)),
      )
      if (jumper && !another) return `jumper out ${jumper.a} ${jumper.b}`
      return {
        asks: `No jumper from ${a} to ${b} is on the bench. If it was found there, say "landings strap", then "repaired pulled the strap ${a} to ${b}".`,
      }
    },
  ),
  rule(
    `(?:ohms? |ohmed )?([a-z]\\d?)(?: to | and |-)([a-z]\\d?) wires(?: themselves)?,?(?: is| are| reads?)? (ol|open|${NUMBER})(?: ?ohms?)?`,
    (the, one, other, read) => {
      const { bench } = the.state
      const ends = [one, other].map((letter) =>
        bench.lifted.filter((end) => parsePoint(end).place === bench.place && parsePoint(end).name.toLowerCase() === letter),
      )
      if (bench.power || ends.some((found) => found.length !== 1)) return null
      return `ohms ${ends[0][0]} to ${ends[1][0]} ${Number.isNaN(Number(read)) ? 'OL' : read}`
    },
  ),
  // The copper in the hand, not the screw that it came off.
  rule(`([a-z]\\d?) wire(?: itself)?(?: is| reads?| has| to c| still| now)* ${NUMBER} ?${VOLTS}?(?: hot| to c)?`, (the, letter, volts) => {
    const { bench } = the.state
    const [end, another] = bench.lifted.filter(
      (one) => parsePoint(one).place === bench.place && parsePoint(one).name.toLowerCase() === letter,
    )
    const common = placeById(the.system, bench.place)?.terminals.includes('C')
    return end && !another && common && bench.power && Number(volts) <= 40 ? `${end} to C ${volts} V` : null
  }),
  rule(`amps? (?:is |are |at )?${NUMBER} (?:on |at )?(.+)`, (the, _, what) => {
    const load = loadOf(the, what)
    return load && `${load} runs; ${the.asNote()}`
  }),
  rule('(?:igniter|ignitor) (?:lights|lit|comes on|came on|fires)(?: up)?', ({ system }) => {
    const igniter = ignitionOf(system)?.ignites?.igniter
    return worded(igniter ?? null, 'runs')
  }),
  rule(
    '([a-z]\\d?)(?: wire)? (?:is |was )?(?:loose|off|hanging|broken|broke off|pulled out) (?:from|of|out of) (?:base|plate|sub ?base|strip|terminal|board|back)(?: at (.+))?',
    (the, letter, where) => {
      const place = where ? the.place(where) : the.state.bench.place
      return place !== null && the.isLetter(letter) ? `landings ${the.letter(letter)} off at ${place}` : null
    },
  ),
  rule('(?:furnace |air handler |indoor |control |defrost )?board has power(?:,? (?:and )?(?:light|led) (?:is )?on)?', (the) =>
    the.asNote(),
  ),
  rule('new (?:wire ?nut|splice|connector|spade|plug|capacitor|cap)s?(?: .*)?', (the) => the.asRepair()),
  rule('used (?:the )?(?:spare (\\w+)|(\\w+) spare)', (the, one, other) => offOnSpare(the, null, one || other)),
  rule(
    '(?:used|using|use|go to|went to|switched to|put it on|moved it to) (?:the |a )?spare(?: wire| conductor)?(?: (?:at|on) both ends)?',
    (the) =>
      offOnSpare(the, null, '') ?? { asks: `For which wire? Say "swap ${the.system.cables.at(-1)?.id} Y", with the color of the spare.` },
  ),
  rule('([a-z]\\d?) (?:is )?(?:there|present)(?: now| again)?', (the, letter) => {
    const { bench } = the.state
    const isOff = bench.lifted.some((end) => parsePoint(end).name.toLowerCase() === letter)
    return the.isLetter(letter) && bench.power && !isOff
      ? `${the.letter(letter)}-${the.commonOf(the.letter(letter))} jumps between 20 and 28`
      : null
  }),
  rule(
    '(?:came|come|got) (?:in|here|on site)(?:,? .*)?|(?:house|room|attic|inside) (?:is )?(?:at |about )?\\d{2,3}(?: degrees)?|(?:it is |real |too )?hot to (?:the )?touch|left (?:it )?(?:running|cool only|heat only|on cool|on heat|in cool|in heat)|ordered (?:.+)',
    (the) => the.asNote(),
  ),
  // "It" is the cable that is in the hand.
  rule('(?:found )?(?:a |an )?(?:drywall |old )?(?:nail|staple|screw|brad) (?:is |was |went )?(?:through|in|into) it(?: .*)?', (the) => {
    const cable = cableInHand(the)
    return cable ? `stapled ${cable}` : { asks: `Through which cable? Say "stapled ${the.system.cables.at(-1)?.id}".` }
  }),
  rule('(?:found |saw )?it (?:is |was |got |all )?(chewed|rubbed|melted|scorched|nicked)(?: through)?(?: .*)?', (the, how) => {
    const mark = how === 'melted' ? 'scorched' : how === 'nicked' ? 'rubbed' : how
    const cable = cableInHand(the)
    return cable ? `${mark} ${cable}` : { asks: `What is ${how}? Say "${mark} ${the.system.cables.at(-1)?.id}", or its place.` }
  }),
  rule('new (?:\\d{2} ?va )transformer(?: and .+)?', (the) => the.asRepair()),
  rule('pulled (?:the )?(?:staple|nail|screw)s?(?: out)?(?: of .+)?', (the) => the.asRepair()),
]
