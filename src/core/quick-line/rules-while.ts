import { letterOfColour } from '@/src/core/quick-line/colours'
import { allOf, landAll, pluggable, wiresOf } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { asks, NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import { leading, loadOf, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { coilMeant } from '@/src/core/quick-line/which-part'
import { SHOWS_CALL } from '@/src/core/readings/looks'
import type { CallName } from '@/src/core/wiring/call'
import { conductorEnd } from '@/src/core/wiring/point'
import { cableById, callerOf, callsOf, partById, partsOf, placeById } from '@/src/core/wiring/system'

/** What is read or seen while something else is so: with a wire off, a part by itself, on a call that the words imply. */

const GROUND = '(?:ground|gnd|chassis|metal|cabinet|frame)'
const OUT = '(?:off|lifted|disconnected|pulled|unhooked|loose)'

const kindHere = ({ system, state }: Sentence) => placeById(system, state.bench.place)?.kind

/** The terminals that a call closes at its thermostat; none where it is no call here. */
const callerTerminals = ({ system }: Sentence, call: CallName): readonly string[] =>
  callsOf(system).includes(call) ? (callerOf(system, call).calls[call] ?? []) : []

/** A load of the ignition, seen to run: on the call that is on, else on heat. */
const onHeat = ({ state }: Sentence, load: string | null): string | null =>
  load && `${state.bench.call === 'off' && state.bench.jumpers.length === 0 ? 'call heat; ' : ''}${load} runs`

/** A coil or switch by itself: unplugged, if it is not, and read across its own pins. */
function byItself(the: Sentence, what: string, read: string): string | null {
  const id = /^(?:coil|it)$/.test(what) ? coilMeant(the) : (the.part(what.replace(/ coil$/, '')) ?? the.part(what))
  const part = partById(the.system, id ?? '')
  if (the.state.bench.power || !part || (part.kind !== 'coil' && part.kind !== 'switch')) return null
  const isOff = the.state.bench.unplugged.includes(part.id)
  return `${isOff ? '' : `unplug ${part.id}; `}ohms ${part.id} ${read === 'open' ? 'OL' : read}`
}

export const whileRules: readonly Rule[] = [
  rule(
    `(.+?) (?:by itself|alone|isolated|on its own|out of circuit|off its leads|(?:with )?(?:its )?leads off)(?: is| reads?| reading| measures?| ohms(?: out)?)*(?: at)? (ol|open|${NUMBER})(?: ?ohms?)?`,
    (the, what, read) => byItself(the, what, read),
  ),
  rule(
    `(.+?) (?:is |reads? |reading |measures? )*(ol|open|${NUMBER})(?: ?ohms?)? (?:by itself|alone|isolated|on its own|out of circuit|off its leads|(?:with )?(?:its )?leads off)`,
    (the, what, read) => byItself(the, what, read),
  ),
  // What feeds a thermostat is good, or dead.
  rule('(r[ch]?) (?:is |looks |side )*(good|fine|ok|hot|live|dead|out|nothing)', (the, letter, how) =>
    the.state.bench.power && the.isLetter(letter)
      ? (the.voltsAt(letter, 'X')?.replace('X V', /^(?:dead|out|nothing)$/.test(how) ? '0 V' : 'jumps between 20 and 28') ?? null)
      : null,
  ),
  rule(
    '([a-z]\\d?) (?:is |was )?not (?:energized|hot|live|powered|getting power|getting 24)(?: (?:on|in|with|during) (.+))?',
    (the, letter, when) => {
      const call = when ? the.call(when === 'second stage' && /^w/.test(letter) ? 'second stage heat' : when) : null
      const read = the.state.bench.power && the.isLetter(letter) ? the.voltsAt(letter, '0') : null
      return read && (when ? call && `call ${call}; ${read}` : read)
    },
  ),
  rule(`([a-z]\\d?) (?:is )?(?:hot|live|energized|has voltage) (?:to|against) ${GROUND}`, (the, letter) =>
    the.state.bench.power && the.isLetter(letter) ? `${the.letter(letter)}-gnd jumps between 20 and 28 V` : null,
  ),
  // A wire that still reads to the metal, or no longer does, once a cable is off here.
  rule(
    `([a-z]\\d?) (?:is )?(still (?:grounded|shorted|shorts|to ${GROUND})|clears?|cleared|clear|is clear|goes open|opens up|reads open)(?: to ${GROUND})? (?:with|when|once|after) (?:the )?(.+?)(?: wires?| cable| leads?)? (?:is |are )?${OUT}`,
    (the, letter, how, whose) => {
      const cable = cableTowards(the, whose)
      if (the.state.bench.power || !the.isLetter(letter) || cable === null || kindHere(the) === 'thermostat') return null
      const off = allOf(the, cable)
      return `${off ? `${off}; ` : ''}${the.letter(letter)}-gnd ${/still/.test(how) ? 'jumps between 0 and 1' : 'OL'}`
    },
  ),
  rule(
    `(?:it |24 |voltage |transformer |secondary )?(?:drops?|dropped|sags?|sagged|falls?|fell|dips?|dipped|pulls? down) to ${NUMBER}(?: ?v| volts)?,? (?:with|when|as|once) (?:the )?(?:contactor|compressor|condenser) (?:is )?(?:in|pulls? in|pulled in|comes in|on|comes on|called|running|runs)`,
    (the, volts) => {
      const read = the.state.bench.power ? the.voltsAt('r', volts) : null
      const contactor = the.part('contactor')
      return read && `${the.state.bench.call === 'off' ? 'call cool; ' : ''}${read}${contactor ? `; ${contactor} in` : ''}`
    },
  ),
  // Who stands before a contactor that buzzes means it.
  rule('(?:is |thing )?(?:buzzing|humming|chattering|buzzes|hums|chatters) (?:out here|outside|outdoors)', (the) => {
    const contactors = partsOf(the.system, 'coil').filter(({ role, place }) => role === 'contactor' && place === the.state.bench.place)
    return contactors.length === 1 ? worded(contactors[0].id, 'chatters') : null
  }),
  // A contactor that hums was called in: where one call alone closes it, by that.
  rule(
    '(?:outdoor |compressor )?(?:contactor|relay) (?:just |only )?(hums|humming|buzzes|buzzing|chatters|chattering)(?: (?:like crazy|loud|loudly|badly|bad))?',
    (the) => {
      const contactors = partsOf(the.system, 'coil').filter(({ role }) => role === 'contactor')
      const calls = callsOf(the.system).filter(
        (call) => !/-/.test(call) && callerTerminals(the, call).some((letter) => /^Y1?$/.test(letter)),
      )
      const { call, jumpers } = the.state.bench
      if (contactors.length !== 1 || call !== 'off' || jumpers.length > 0 || calls.length !== 1) return null
      return `call ${calls[0]}; ${contactors[0].id} chatters`
    },
  ),
  rule(
    '(?:jumper|jumpered|jumped|jump) (r[ch]?) (?:to|and) ([a-z]\\d?)(?: (?:at|on) (.+?))?,? (?:and |it |still )*(trips|tripped|holds|held)(?: it)?',
    (the, hot, letter, where, how) => {
      const place = where ? the.place(where) : null
      if (!the.isLetter(letter) || (where && place === null)) return null
      return `jumper ${the.letter(hot)} ${the.letter(letter)}${place ? ` at ${place}` : ''}; ${/^trip/.test(how) ? 'trips' : 'holds'}`
    },
  ),
  rule('(?:new|other|replacement) (.+?) (pulls? in|pulled in|works|is in)', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? `${part.id} in` : null
  }),
  rule('(?:emergency heat|aux|auxiliary heat|second stage|heat call|heat) brings? (?:the )?(.+?) on', (the, what) => {
    const load = loadOf(the, what)
    const call = the.call('emergency heat') ?? the.call('heat')
    return load && call && `call ${call}; ${load} runs`
  }),
  rule(
    '(?:strips?|blower|indoor fan|compressor|condenser|outdoor unit|furnace|burners?) (?:stays?|stay|is|are|keeps?) (?:on|running|going) (?:all (?:the )?time|constantly|non ?-?stop|all day|all night)',
    (the) => the.asComplaint(),
  ),
  rule('(?:switched|turned|set)(?: it)? (?:to )?off', (the) => (kindHere(the) === 'thermostat' ? 'call off' : null)),
  rule('(?:untwisted|unjumped|unjumpered|separated|took apart) (\\S+) (?:and|from|to) (\\S+)', (the, one, other) =>
    the.isLetter(one) && the.isLetter(other) ? `jumper out ${the.letter(one)} ${the.letter(other)}` : null,
  ),
  rule(
    '(\\w+)(?: wire)? (?:is |was )?not (?:landed|connected|hooked up|under (?:its |the )?screw)(?: (?:on|to|at) ([a-z]\\d?))?',
    (the, wire, screw) => {
      const letter = the.isLetter(wire) ? the.letter(wire) : letterOfColour(the, wire)
      return letter === null || (screw && the.letter(screw) !== letter) ? null : `landings ${letter} off`
    },
  ),
  rule(`bare (?:wire|copper|\\w+)(?: wire)? (?:is )?(?:against|touching|on) ${GROUND}`, (the) => `rubbed ${the.state.bench.place}`),
  rule('power (?:is |was )?(?:killed|cut|shut off|turned off)(?:,? (?:and )?(?:verified|checked|proved|tested)(?: dead| off)?)?', (the) =>
    the.state.bench.power ? 'power off' : the.asNote(),
  ),
  rule('no (?:ac|cooling|cool|heat|heating) (?:upstairs|downstairs|at all|in (?:the )?\\w+),? .+ (?:is )?(?:fine|ok|works|good)', (the) =>
    the.asComplaint(),
  ),
  asks(
    '(?:put|spliced|wired|stuck)(?: an?)? (?:inline|in-line|in line) fuse(?: holder)? (?:in|on|into) (?:r|red|hot|the hot leg)(?: leg| wire)?',
    'What size is it? Say "fuse 3 in" or "fuse 5 in".',
  ),
  // Two wires by the cable that they go along.
  rule(
    '(?:lifted|lift|pulled|took off|disconnected|unhooked) (\\S+)(?:,? and|,|) (\\S+)(?: wires?)? (?:going|that go|that goes|headed|running) (?:out )?(?:to )?(.+)',
    (the, one, other, towards) => {
      const cable = cableById(the.system, cableTowards(the, towards) ?? '')
      if (!cable?.between.includes(the.state.bench.place)) return null
      const wires = wiresOf(cable, [one, other])
      if (wires) return wires.map(({ id }) => `lift ${conductorEnd(cable.id, id, the.state.bench.place)}`).join('; ')
      const has = cable.conductors.flatMap(({ id, colour, lands }) => (lands.some(Boolean) ? [`${id} (${colour})`] : []))
      return { asks: `The record of the ${cable.name} has ${has.join(', ')}. Say which of these came off.` }
    },
  ),
  // A jumper, and what came of it, by the letter that it calls.
  rule(
    '(?:jump(?:er|ed|ered)? )?(r[ch]?) (?:to|and) ([a-z]\\d?)(?: jumper)?(?: (?:at|on) (.+?))?,? (?:does nothing|did nothing|nothing happens|no effect|(?:fires|starts|runs|brings on|kicks on) (.+))',
    (the, hot, letter, joinedAt, what) => {
      const at = joinedAt === '' ? '' : the.place(joinedAt)
      if (at === null) return null
      const [call] = (['fan', 'cool', 'heat'] as const).filter((one) => callerTerminals(the, one).at(0) === the.letter(letter))
      if (!the.isLetter(letter) || call === undefined) return null
      const where = call === 'cool' ? the.place('outdoor') : the.place('indoor')
      const load = what ? loadOf(the, what) : null
      const runs = load ? `${load} runs` : where && `${where} ${what ? 'as called' : 'not as called'}`
      return runs && `jumper ${the.letter(hot)} ${the.letter(letter)}${at && ` at ${at}`}; ${runs}`
    },
  ),
  rule(
    '(?:board|unit|air handler|furnace|transformer) has (?:power|24(?: ?v)?),? (?:but |and )?(?:stat|thermostat|tstat) (?:does not|doesnt|has none|is dead|is blank|dead|blank)',
    (the) => {
      const stat = the.thermostat()
      const read = the.state.bench.power ? the.voltsAt('r', 'X') : null
      return stat && read && `${read.replace('X V', 'jumps between 20 and 28')}; ${stat} blank`
    },
  ),
  rule(
    '([a-z]\\d) (?:is )?(ok|good|hot|live|dead|nothing|cold),? (?:and |but )?([a-z]\\d) (?:is )?(ok|good|hot|live|dead|nothing|cold)',
    (the, one, first, other, second) => {
      const read = (letter: string, how: string) => {
        const volts =
          the.isLetter(letter) && the.state.bench.power ? the.voltsAt(letter, /^(?:dead|nothing|cold)$/.test(how) ? '0' : 'X') : null
        return volts?.replace('X V', 'jumps between 20 and 28') ?? null
      }
      const both = [read(one, first), read(other, second)]
      return both.every(Boolean) ? both.join('; ') : null
    },
  ),
  rule(
    `([a-z]\\d?)(?: terminal)? (?:is )?(?:hot|live|energized) (?:in|on) (cool|cooling|heat|heating|fan),? (?:and |but )?(?:dead|not|off|nothing|cold) (?:in|on) (cool|cooling|heat|heating|fan)`,
    (the, letter, hotOn, deadOn) => {
      const [hot, dead] = [the.call(hotOn), the.call(deadOn)]
      const read = the.isLetter(letter) && the.state.bench.power ? the.voltsAt(letter, 'X') : null
      return (
        hot && dead && read && `call ${hot}; ${read.replace('X V', 'jumps between 20 and 28')}; call ${dead}; ${read.replace('X V', '0 V')}`
      )
    },
  ),
  rule(`amps (?:on|of|at|to) (.+?) (?:is |are |reads? )?${NUMBER}(?: ?a| ?amps?)?`, (the, what, amps) => {
    const load = loadOf(the, what)
    return load && Number(amps) > 0 ? `${load} runs; ${the.asNote()}` : null
  }),
  rule('(?:stat|thermostat|tstat|display) (?:says|shows|reads) (cool|heat)(?:ing)? on(?:,? (?:but )?no clicks?)?', (the, said) => {
    const stat = the.thermostat()
    const call = the.call(said)
    return stat && call && `call ${call}; ${stat} ${SHOWS_CALL}`
  }),
  rule(`(?:igniter|ignitor|hsi|hot surface igniter) ${NUMBER} ?(?:ohms?)? cold`, (the, ohms) =>
    the.state.bench.power ? null : leading('igniter', `${ohms} ohm`),
  ),
  rule(
    '(?:lights|lit|fires|ignites),? (?:and )?burns?(?: for)?(?: about)?(?: \\d+| a few| two| five| ten)?(?: ?s| secs?| seconds?)?,?(?: and| then)* (?:drops?|goes|cuts|shuts) (?:out|off)',
    (the) => (the.part('gas valve') ? 'call heat; flame lights and goes out' : null),
  ),
  rule(
    `([a-z]\\d?) (?:to|and) ([a-z]\\d?|${GROUND})(?: is| are)? (?:shorted|grounded|down to|dead short)(?: at)? ${NUMBER}(?: ?ohms?)?`,
    (the, one, other, ohms) => {
      const isGround = new RegExp(`^${GROUND}$`).test(other)
      if (the.state.bench.power || !the.isLetter(one) || !(isGround || the.isLetter(other))) return null
      return `${the.letter(one)}-${isGround ? 'gnd' : the.letter(other)} ${ohms}`
    },
  ),
  rule('([a-z]\\d?) and ([a-z]\\d?)(?: (?:in|on))? (?:run|cable|wire)? ?(?:are |is )?(?:dead )?shorted(?: together)?', (the, one, other) =>
    !the.state.bench.power && the.isLetter(one) && the.isLetter(other) && one !== other
      ? `${the.letter(one)}-${the.letter(other)} jumps between 0 and 1`
      : null,
  ),
  rule(
    `(?:transformer (?:puts out |out )|secondary )${NUMBER}(?: ?v| volts)?,? (?:and |with )?(?:in )?${NUMBER}(?: ?v| volts)?(?: in)?`,
    (the, outOf, into) => {
      const [transformer, another] = partsOf(the.system, 'transformer')
      if (another || !the.state.bench.power || Number(into) < Number(outOf)) return null
      return `${transformer.primary.join('-')} ${into} V at ${transformer.place}; ${transformer.secondary.join('-')} ${outOf} V at ${transformer.place}`
    },
  ),
  rule(
    '(.+?) (?:comes |pulls |came |pulled )?(in|on) after (?:about )?(?:\\d+|a few|two|three|five|ten) ?(?:s|secs?|seconds?|min|mins|minutes?)',
    (the, what, how) => {
      const part = partById(the.system, the.part(what) ?? '')
      const word = part?.kind === 'coil' && how === 'in' ? 'in' : part?.kind === 'load' ? 'runs' : null
      return part && word ? `${part.id} ${word}; ${the.asNote()}` : null
    },
  ),
  rule(
    'inducer (?:runs|on|running|starts),? (?:and )?igniter (?:glows|lights up|hot),? (?:and |then )?(?:burners?|flame) (?:lights?|burns?|comes on|stays on)',
    (the) => (the.part('gas valve') ? 'call heat; flame burns' : null),
  ),
  // Nothing of an ignition is on but on heat; what should not be on is said to stay on.
  rule('(?:hot surface )?(?:igniter|ignitor|hsi|glow ?bar) (?:is )?(?:glows|glowing|lit|lit up|hot|red|red hot|on)', (the) =>
    onHeat(the, the.part('igniter')),
  ),
  rule('(?:draft )?inducer (?:is )?(?:runs|running|on|comes on|starts|spins|spinning)', (the) => onHeat(the, loadOf(the, 'inducer'))),
  // What feeds a coil, by the name of the coil.
  rule(
    `(.+?) (?:hot|out|output|lead|feed) (?:to|and) (c\\d?|${GROUND})(?: is| reads?)? ${NUMBER}(?: ?v| volts)?`,
    (the, what, against, read) => {
      const part = partById(the.system, the.part(what) ?? '')
      if (part?.kind !== 'coil') return null
      return `${part.between[0]}-${/^c/.test(against) && against !== 'chassis' && against !== 'cabinet' ? part.between[1] : 'gnd'} ${read} at ${part.place}`
    },
  ),
  rule(
    '(?:(?:stat |thermostat )?batteries (?:were |are |was )?(?:dead|low|bad|leaking),? (?:and )?)?(?:put|installed|changed|replaced|swapped|fitted)(?: in| out)?(?: new| fresh)* (?:batteries|ones|them)(?: in)?',
    (the) => (/batter/.test(the.asNote()) ? the.asRepair() : null),
  ),
  rule(
    '(?:taped|wrapped|insulated)(?: (?:it|up|wire))* (?:and|,) (?:tied|zip ?tied|routed|secured|strapped)(?: .*)?|(?:rewired|respliced|resoldered)(?: it)? and taped(?: .*)?',
    (the) => the.asRepair(),
  ),
  rule('unwired (.+)', (the, what) => leading('unplug', pluggable(the, what.replace(/ coil$/, '')) ?? pluggable(the, what))),
  rule('(?:relanded|put back|landed)(?: all)? (?:the )?(.+?) (?:wires|conductors)', (the, whose) =>
    landAll(the, cableTowards(the, whose) ?? whose),
  ),
]
