import { ignitionOf } from '@/src/core/quick-line/flame'
import { allOf, endsBetween, landLast, offOnSpare, pluggable } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import { nothingDone } from '@/src/core/quick-line/sense'
import { leading, loadOf, type Sentence } from '@/src/core/quick-line/sentence'
import { primary } from '@/src/core/quick-line/volts'
import { coilMeant } from '@/src/core/quick-line/which-part'
import { wordOf } from '@/src/core/readings/check'
import { isCode } from '@/src/core/readings/code-looks'
import { parseLook } from '@/src/core/readings/look-target'
import { modelValue } from '@/src/core/units/model-value'
import { conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById, callsOf, isUnknown, partById, partsOf } from '@/src/core/wiring/system'

/** Lines that depend on what was done before: the other end of a lifted wire, its spare, the fuse that goes back in, "it" for the last switch. */

const TOOK_OFF = '(?:lift|lifted|took|take|pulled|pull|disconnect|disconnected|unhook|unhooked|unland|unlanded|loosened)'

/** Both ends of the wire that came off last, and of what else of its cable is off beside it. */
function endsOfLast({ system, state }: Sentence): Point[] {
  const last = state.bench.lifted.at(-1)
  const { cable: id, place: at } = last === undefined ? { cable: null, place: null } : parsePoint(last)
  const cable = id === null ? undefined : cableById(system, id)
  if (!cable || at === null) return []
  return cable.conductors
    .filter((wire) => state.bench.lifted.includes(conductorEnd(cable.id, wire.id, at)))
    .flatMap((wire) => cable.between.flatMap((place, side) => (wire.lands[side] === null ? [] : [conductorEnd(cable.id, wire.id, place)])))
}

/** What of them is still on. */
function otherEndOff(the: Sentence): string | null {
  const on = endsOfLast(the).filter((end) => !the.state.bench.lifted.includes(end))
  return on.length === 0 ? null : on.map((end) => `lift ${end}`).join('; ')
}

/** Bare copper was seen on a wire: what is taped after that is mended. */
const wasBare = ({ state }: Sentence): boolean =>
  state.observations.some(
    ({ probe, answer }) => probe.meter === 'look' && parseLook(probe.at).what === 'wiring' && wordOf(answer) !== 'sound',
  )

/** A code that was told or seen is gone: that is read of its thermostat. */
const sawCode = ({ state }: Sentence): boolean =>
  state.complaint.symptoms.includes('code') || state.observations.some(({ answer }) => isCode(wordOf(answer)))

/** The last reading was across a switch, so how it stands is on record already. */
function wasAcrossSwitch({ system, state }: Sentence): boolean {
  const last = state.observations.at(-1)?.probe
  if (last?.meter !== 'volts' && last?.meter !== 'ohms') return false
  return partsOf(system, 'switch').some(({ between, place }) =>
    [last.a, last.b].every((point) => between.some((name) => terminalPoint(name, place) === point)),
  )
}

/** The switch on which a meter stood last, on one of its sides or across it. */
function lastSwitch({ system, state }: Sentence): string | null {
  const switches = partsOf(system, 'switch')
  for (const { probe } of [...state.observations].reverse()) {
    if (probe.meter === 'look') continue
    if (probe.meter !== 'volts' && probe.meter !== 'ohms') return null
    const on = switches.filter(({ between, place }) =>
      [probe.a, probe.b].some((point) => between.some((name) => terminalPoint(name, place) === point)),
    )
    const across = on.filter(({ between, place }) =>
      [probe.a, probe.b].every((point) => between.some((name) => terminalPoint(name, place) === point)),
    )
    // On a lead between two of them it is the one behind which nothing came: the last that has the lead as its far side.
    const meant =
      across.length > 0 ? across : on.filter(({ between, place }) => [probe.a, probe.b].includes(terminalPoint(between[1], place)))
    return meant.length === 1 ? meant[0].id : null
  }
  return null
}

/** A wire by its letter at two places, each end where one cable goes; or two wires that are told apart by where they are. */
function bothEndsNamed(the: Sentence, one: string, there: string, other: string, elsewhere: string): string | null {
  const places = [the.place(there), the.place(elsewhere)]
  if (places.includes(null) || places[0] === places[1]) return null
  const ends = [one, other].map((letter, side) => endsBetween(the, letter, places).find((end) => parsePoint(end).place === places[side]))
  return ends.includes(undefined) ? null : ends.map((end) => `lift ${end}`).join('; ')
}

/** Volts at a primary, or across a part; beside a contactor that is in, a few volts are across its contacts. */
function voltsSaid(the: Sentence, what: string, volts: string): Said {
  if (!the.state.bench.power) return null
  if (/primary/.test(what)) return primary(the, volts)
  const coil = partById(the.system, the.part(what) ?? '')
  const isIn = the.state.observations.some(
    ({ probe, answer }) => probe.meter === 'look' && probe.at === coil?.id && wordOf(answer) === 'in',
  )
  if (coil?.kind === 'coil' && coil.contact && isIn && Number(volts) < HELD_IN_FROM)
    return { asks: `Across its coil, or its contacts? Say "${coil.id} coil ${volts} V", or "${coil.contact.join('-')} ${volts} V".` }
  return null
}
/** Less than this holds no coil in. */
const HELD_IN_FROM = modelValue({ value: 10, unit: 'V', source: 'assumption: 24 V coils drop out at 6 to 12 V' })

export const courseRules: readonly Rule[] = [
  rule(
    `(?:and |then )?${TOOK_OFF}(?: off| loose)? (?:both ends|other end)(?: (?:off|loose))?(?: of (?:it|that|that wire|wire))?(?: off| loose)?|(?:both ends|other end)(?: of it)? (?:is |are )?(?:off|lifted|loose|disconnected)`,
    otherEndOff,
  ),
  rule(
    '(?:moved|move|put|swapped|swap|switched|landed) ([a-z]\\d?)(?: wire)? (?:to|on|onto|over to) (?:spare|(?:spare )?(\\w+?)(?: spare)?)',
    (the, letter, spare) => offOnSpare(the, letter, spare),
  ),
  rule(
    '(?:used|use|using) (?:(\\w+?)(?: spare| wire)?|spare|spare (\\w+)) (?:for|in place of|instead of) ([a-z]\\d?)(?: (?:at |on )?both ends)?',
    (the, spare, other, letter) => offOnSpare(the, letter, (spare === 'spare' ? '' : spare) || other),
  ),
  // What a thermostat shows that no record knows.
  rule(
    '(?!.*\\b(?:over ?-?current|overload|short))(?:.* )?(?:thermostat|stat|tstat|display|zone \\d|board|screen)(?: \\d)?(?: (?:thermostat|stat|display))? (?:is )?(?:says|said|shows|showing|reads|displays|displaying|has|throws|throwing|gives|giving|flashes|flashing) (?:an? )?(?:(?:error|fault|service|code)s? )*(?:code )?[ef]-?\\d{1,3}(?: .*)?',
    (the) => the.asNote(),
  ),
  rule('(?:there is |there are |shows |showing )?no (?:error |fault )?codes?(?: (?:now|any ?more|showing|at all|stored|on it))?', (the) =>
    sawCode(the) ? null : the.asNote(),
  ),
  rule(
    `(?:looked over|looked at|checked|followed|went over|traced|inspected|walked|examined) (\\w+) (?:cable|wire|run),? (?:and )?(?:found |see |saw )?(?:bare|nicked|rubbed|chewed)(?: (?:copper|spot|place))?(?: (?:on|in))? ([a-z]\\d?)(?: wire)?(?: .*)?`,
    (the, cable, letter) => (the.isLetter(letter) ? `bare ${cable} ${the.letter(letter)}` : null),
  ),
  rule(
    `(?:taped|wrapped|insulated|sleeved|heat ?shrunk|shrink ?wrapped|covered)(?: (?:up|off|over))? (?:bare |rubbed |nicked |damaged |exposed )*(?:wire|wires|conductor|spot|copper|place|nick|cable|rub|insulation)(?: .*)?`,
    (the) => (wasBare(the) ? the.asRepair() : null),
  ),
  rule(
    `(?:it |unit |system |furnace |ac |air handler |heat pump )?(?:trips|pops|blows|kicks|kicks out|knocks out|takes out)(?: out)? (?:little |control |24 ?v |low voltage )?(?:breaker|fuse)(?: on .+?| in .+?)? (?:when|whenever|every time|each time|as soon as|once) .+`,
    (the) => (nothingDone(the) ? the.asComplaint() : null),
  ),
  rule(
    '(?:it |unit |system |furnace |ac )?(?:is |keeps )?(?:on )?(?:tripping|popping|blowing) (?:its |the )?(?:\\w+ ){0,2}(?:breaker|fuse)s?(?: .*)?',
    (the) => (nothingDone(the) ? the.asComplaint() : null),
  ),
  // Before anything is done, what the house does, or did another day, is the complaint.
  rule(
    'zone \\d (?:works|is working|cools|heats|runs|is fine|is ok|ok|fine|good)(?: fine| ok| great| good| now)*,? (?:but |and )?zone \\d (?:no|wont|will not|doesnt|does not|isnt|is not|dead|is dead|never|nothing|does)(?: .*)?',
    (the) => (nothingDone(the) ? the.asComplaint() : the.asNote()),
  ),
  rule(
    '(?:(?:customer|homeowner|he|she|they|somebody|someone|last guy) )?(?:replaced|changed|put in|installed|swapped)(?: in| out)?(?: new)? (?:.+?) (?:yesterday|this morning|last \\w+|(?:\\w+ )?(?:days?|weeks?|months?|years?) (?:ago|back)|over weekend)(?:,? .*)?',
    (the) => (nothingDone(the) ? the.asComplaint() : the.asNote()),
  ),
  rule(
    '(?:it )?(?:blew|popped|tripped|ate|burned up|lost)(?: up)? (?:another|one|again|fuse|breaker|it|another fuse|second fuse)* ?(?:this morning|last night|yesterday|last \\w+|today|overnight|earlier)(?: .*)?',
    (the) => (nothingDone(the) ? the.asComplaint() : the.asNote()),
  ),
  rule('(?:thermostat|stat|tstat) (?:is |hangs )?(?:back )?on wall', (the) => {
    const stat = the.thermostat()
    return stat !== null && the.state.bench.unplugged.includes(stat) ? `plug ${stat}` : the.asNote()
  }),
  rule('no (?:jumper|strap|jumper wire) (?:between|from|on|at) .+', (the) => the.asNote()),
  rule('(?:primary|primary side|line side|line)(?: is| reads| looks)? (?:good|ok|fine)', (the) => the.asNote()),
  rule('(?:so )?switch (?:is |was )?(?:open|bad|not closed|closed|made)', (the) => (wasAcrossSwitch(the) ? the.asNote() : null)),
  rule('(?:swapped|changed|replaced)(?: out)? (?:bad |shorted |burnt )?coil', (the) => (coilMeant(the) === null ? null : the.asRepair())),
  // Past the switch that was read or looked at last.
  rule('(?:jump|jumped|jumper|jumpered|bypass|bypassed)(?: out| across| around| past)? (?:it|that|that one|switch)(?: out)?', (the) => {
    const last = lastSwitch(the)
    return last === null ? null : the.around(last)
  }),
  rule('(?:(?:.+) )?(?:jumper|strap) (?:was |is )?(?:left out|missing|not in|never (?:installed|put in)|forgotten)', (the) => the.asNote()),
  rule(
    '(?:wiggled|wiggle|tugged|moved|pulled on|shook|tapped|flexed|bumped) .+?,? (?:and )?(?:nothing|no change|no difference)(?: happened| happens| changed| changes)?',
    (the) => the.asNote(),
  ),
  // What comes out of the switch on which the meter stood.
  rule(`${NUMBER} ?${VOLTS}? out(?: now)?`, (the, volts) => {
    const found = partById(the.system, lastSwitch(the) ?? '')
    return found?.kind === 'switch' && the.state.bench.power ? `${found.between[1]}-C ${volts} V at ${found.place}` : null
  }),
  // It runs, and nothing follows.
  rule(
    '(.+?) (?:is )?(?:runs|running|on|comes on|came on|starts|started),? (?:and |but )?(?:then )?(?:nothing(?: (?:else|more|further|after|happens|comes on|follows))?(?: that| this)?|thats (?:it|all))',
    (the, what) => {
      const load = loadOf(the, what)
      return load && `${load} runs; ${the.asNote()}`
    },
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:on|at|across) (?:field |control |low voltage )?wires? (?:coming (?:in|from .+)|from .+)`, (the, volts) =>
    the.voltsAt(the.state.bench.place, volts),
  ),
  rule(
    '(?:igniter |ignitor |it )?(?:glows|glowed|glowing|lights up) and (?:it |burners? )?(?:lights?|lit|fires?|fired|ignites?)(?: off| up)?',
    (the) => {
      const igniter = ignitionOf(the.system)?.ignites?.igniter
      return igniter === undefined ? null : `${igniter} runs; flame burns`
    },
  ),
  // Two wires at two places, or both ends of one.
  rule(`${TOOK_OFF}(?: off)? (\\w\\d?)(?: wire)? (?:at|on|in) (.+?),? and (\\w\\d?)(?: wire)? (?:at|on|in) (.+?)(?: off)?`, bothEndsNamed),
  rule('([a-z]\\d?)(?:(?: and |, ?)([a-z]\\d?))?(?: wires?)?(?: are| is)? back on(?: (?:at|on|in) (.+))?', (the, one, other, where) => {
    const place = where ? the.place(where) : null
    const off = the.state.bench.lifted.filter(
      (end) => [one, other].includes(parsePoint(end).name.toLowerCase()) && (place === null || parsePoint(end).place === place),
    )
    const isEach = off.length === (other ? 2 : 1)
    return (where && place === null) || !isEach ? null : off.map((end) => `land ${end}`).join('; ')
  }),
  rule('(?:fixed|repaired|corrected|remade) (?:it|that|them)(?: up)?', (the) => the.asRepair()),
  rule(
    '(?:found )?(?:loose|burnt|burned|corroded|melted|bad) (?:wire ?nut|splice|connection|spade|lug|butt connector) (?:on|at|in|for) .+',
    (the) => the.asNote(),
  ),
  // Where no call has it: what stands in for it is another call.
  rule('(?:called|calling|call|set|set to|run|running)(?: for)? aux(?:iliary)?(?: heat)?|aux(?:iliary)?(?: heat)? works', ({ system }) =>
    callsOf(system).includes('heat-2') || !callsOf(system).includes('emergency')
      ? null
      : { asks: 'This house has no aux call: with the furnace alone it is emergency heat, "call emergency", else "call heat".' },
  ),
  // Heat is on already: it is seen to run, or called as well.
  rule('(?:aux|auxiliary|emergency|second stage|backup)(?: heat)?(?: is)? on', ({ system, state }) =>
    state.bench.call === 'heat' && partsOf(system, 'load').some(({ id }) => /strips/.test(id))
      ? { asks: 'Called for, or seen to run? Say "call heat2" or "call emergency", or "strips run".' }
      : null,
  ),
  rule('(?:(?:second|2nd|high) stage|stage (?:2|two)) (?:is )?(?:calls?|calling|called)', (the) => {
    const seconds = callsOf(the.system).filter((one) => /-2$/.test(one))
    const meant = seconds.filter((one) => [the.state.complaint.call, `${the.state.bench.call}-2`].includes(one))
    const [call, another] = meant.length > 0 ? meant : seconds
    return call && !another ? `call ${call.replace('-2', '2')}` : null
  }),
  // A conclusion from the last reading is a note.
  rule('(?:wire|cable|conductor|coil|winding|it) is (?:open|broken|shorted|grounded|bad)(?: .*)?', (the) =>
    the.says(/^\s*so\b/i) ? the.asNote() : null,
  ),
  rule(
    `(?:line |control |low )?(?:voltage|volts) (?:at|on|across|to) (.+?)(?: leads| terminals| side)? (?:is |reads |shows |at )?${NUMBER} ?${VOLTS}?`,
    (the, what, volts) => voltsSaid(the, what, volts),
  ),
  // The test breaker comes out for the fuse.
  rule(
    '(?:pulled|took|take|pull|removed)(?: out)? (?:pocket |lamp |test )?breaker(?: back)?(?: out| off)?,? (?:and |then )?(?:put |stuck |dropped |installed )?(?:back )?(?:in )?(?:new )?(?:(\\d+) ?a(?:mps?)? )?fuse(?: back)?(?: in)?(?: place| slot)?',
    (the, size) => (size ? `breaker out; fuse ${size} in` : isUnknown(the.system, 'fuse') ? null : 'breaker out; fuse in'),
  ),
  rule('(?:regular |right |proper |original )?fuse (?:is |goes |went )?back in(?: place| slot| holder)?', ({ system }) =>
    isUnknown(system, 'fuse') ? null : 'fuse in',
  ),
  rule('(?:put |hooked |hook |landed )?(?:both )?wires(?: are| is)? back(?: (?:on|up|in))?', (the) => landLast(the, true)),
  rule(
    '(?:let|letting|left) (?:it|transformer|everything|unit)(?: sit and)? (?:cool|cool down|cool off|sit|rest)(?: down| off)?(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(`(?:pull|pulled|unplug|unplugged|pop|popped|disconnected) (.+?) (?:plug|connector|harness)(?: off| apart)?`, (the, what) =>
    leading('unplug', pluggable(the, what)),
  ),
  // Number one, where there is only one.
  rule('(?:unplug|unplugged|pull|pulled|disconnect|disconnected) (.+?) (?:1|one|number one|no 1)', (the, what) =>
    leading('unplug', pluggable(the, what)),
  ),
  // The meter's leads stay where they are while the cable comes off.
  rule(
    `${TOOK_OFF}(?: off)? (.+?)(?: off)?,? (?:and |it |still |is |reads |now )*(ol|open|\\d*\\.?\\d+)(?: ohms?)?(?: now)?`,
    (the, what, value) => {
      const cable = /cable|wires|pair/.test(what) ? cableTowards(the, what.replace(/ (?:cable|wires|pair)$/, '')) : null
      const off = cable === null ? null : allOf(the, cable)
      const last = the.state.observations.at(-1)?.probe
      if (off === null || the.state.bench.power || last?.meter !== 'ohms') return null
      return `${off}; ohms ${last.a} to ${last.b} ${/^o/.test(value) ? 'OL' : value}`
    },
  ),
  rule(
    '(?!(?:went|going|goes) out (?:and|to|there|back|here)\\b)(?:furnace |unit |it |system |boiler )?(?:goes|went|going|locks|locked|locking|keeps locking|drops)(?: into| in to)? ?(?:out|lockout|lock out)(?: .*)?',
    (the) => {
      const isOfNow = the.state.bench.call !== 'off' || the.state.observations.length > 0
      return isOfNow ? the.asNote() : the.asComplaint()
    },
  ),
]
