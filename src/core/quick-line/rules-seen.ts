import { letterOfColour } from '@/src/core/quick-line/colours'
import { type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { nothingCalls, unitDoes } from '@/src/core/quick-line/sense'
import { leading, loadOf, type Sentence, statHere, worded, zoneOf } from '@/src/core/quick-line/sentence'
import { motorMeant } from '@/src/core/quick-line/which-part'
import { partById, partsOf } from '@/src/core/wiring/system'

/** What all runs at a place, or does not, while something is called. */
const wholeUnit = (the: Sentence, where: string, how: 'as called' | 'not as called'): Said => {
  const place = where === '' ? the.state.bench.place : the.place(where)
  if (place === null) return null
  return unitDoes(the, place, how)
}

/** What is seen and heard: what runs, what stands still, and how the wires lie on their screws. */
export const seenRules: readonly Rule[] = [
  // What runs.
  rule('(.+?) (?:is |was )?(?:stuck )?(in|out)', (the, what, how) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? `${part.id} ${how}` : null
  }),
  rule('(.+?) (?:is )?(open|opens|opened|closed|shut)', (the, what, how) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' && part.role === 'gas-valve' ? `${part.id} ${/^op/.test(how) ? 'in' : 'out'}` : null
  }),
  rule('(.+?) (?:is )?stuck', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? { asks: `Is it in or out? Say "${part.id} in", or "${part.id} out".` } : null
  }),
  rule(
    '(?:first|1st|low|stage (?:1|one)) (?:stage )?(?:compressor )?(runs|running|is running|comes on|works|on)(?: fine)?,? (?:and |but )?(?:the )?(?:second|2nd|high|stage (?:2|two))(?: stage)?(?: compressor)? (?:(?:doesnt|does not|isnt|is not|wont|not)(?: run| running| start| come on| work)?|dead|is dead|off|is off|still|out)',
    (the) => worded(loadOf(the, 'second compressor'), 'still') && `compressor runs; ${loadOf(the, 'second compressor')} still`,
  ),
  rule('(?:both|all) dampers (?:are )?(?:stay )?(closed|shut|open)', (the, how) => {
    const dampers = partsOf(the.system, 'coil').filter(({ role }) => role === 'damper')
    return dampers.length === 0 ? null : dampers.map(({ id }) => `${id} ${how === 'open' ? 'open' : 'shut'}`).join('; ')
  }),
  rule(
    '(furnace|gas heat|burners?|strips?|electric heat|air handler|heat pump|condenser|outdoor unit) (?:fires|fired|lights|lit|kicks on|comes on|starts)(?: up| fine)? (?:on|in|with) (aux|aux heat|auxiliary|emergency|emergency heat|em heat|second stage|heat|heating|cool|cooling)(?: call)?',
    (the, what, on) => {
      const [call, place] = [the.call(on), /^(?:heat pump|condenser|outdoor)/.test(what) ? the.place('outdoor') : the.place('indoor')]
      return call && place && `call ${call}; ${place} as called`
    },
  ),
  rule('(.+?) sounds like (?:a )?(?:doorbell|buzzer|machine gun|bee|angry bees?|rattle)', (the, what) =>
    worded(the.part(what), 'chatters'),
  ),
  rule('(.+?) (?:just )?(?:dropped|drops|fell|falls|kicked|kicks) out(?: .*)?', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? `${part.id} out` : null
  }),
  rule('(.+?)(?: (?:is|at|pulls|draws|running|amps?))* (\\d*[.]?\\d+) ?(?:a|amps?)', (the, what, amps) => {
    const load = loadOf(the, what)
    if (load === null || Number(amps) === 0 || !the.state.bench.power) return null
    // With no call in the record nobody knows what brings it on.
    return nothingCalls(the) ? the.asNote() : `${load} runs; ${the.asNote()}`
  }),
  rule('(.+?)(?: motor)?(?: is)? (?:stuck|seized|seized up|locked up|frozen up)', (the, what) => {
    const load = /^(?:its )?motor$/.test(what) ? motorMeant(the) : loadOf(the, what)
    return load && (typeof load === 'object' ? load : `${load} still; ${the.asNote()}`)
  }),
  rule('(.+?) (?:draws? |pulls? |at )?(?:0|zero|no) ?(?:a|amps?)', (the, what) => worded(loadOf(the, what), 'still')),
  rule('(?:no|0|zero) ?(?:a|amps|current|draw) (?:on|at|to|through|going to) (.+)', (the, what) => worded(loadOf(the, what), 'still')),
  rule(
    '(?:ran|running|ran unit|ran it|let it run)(?: it)?(?: for)? (?:\\d+|five|ten|fifteen|twenty|thirty|half an) ?(?:mins?|minutes|hours?)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule('no (?:display|screen)|nothing on (?:display|screen)', (the) => statHere(the, 'blank')),
  rule(
    '(.+?) (?:is )?(?:runs|running|on),? but (.+?) (?:doesnt|does not|dont|wont|isnt|is not|not|is off)(?: run| running| start)?',
    (the, one, other) => {
      const [runs, still] = [worded(loadOf(the, one), 'runs'), worded(loadOf(the, other), 'still')]
      return still && (runs === null ? still : `${runs}; ${still}`)
    },
  ),
  rule(
    '(.+?) (?:is |keeps |just )?(?:runs?|running|on|heating|hot|energized) (?:nonstop|non-stop|constantly|continuously|all time|24/7|with no call|without call|with nothing calling|no matter what)',
    (the, what) => worded(loadOf(the, what), 'runs'),
  ),
  rule('(.+?) (?:is |are )?(?:off|down)', (the, what) => worded(loadOf(the, what.replace(/^air handler (?=blower)/, '')), 'still')),
  rule(
    '(?:everything|it all|all)(?: here)? (?:runs|is running|running|working|works|comes on)(?: (?:like it should|as it should|fine|here|ok))?(?: (out here|outside|outdoors|inside|indoors|in here))?',
    (the, where) => wholeUnit(the, where.replace(/ here$/, ''), 'as called'),
  ),
  rule(
    '(?:nothing|not thing)(?: is)? (?:runs|running|comes on|works|working|happening|moving|doing anything)(?: (out here|outside|outdoors|inside|indoors|in here|here))?',
    (the, where) => wholeUnit(the, /^(?:out|in)? ?here$/.test(where) ? '' : where, 'not as called'),
  ),
  rule(
    '((?:outside|outdoor|indoor|inside) unit|condenser|heat pump|furnace|air handler)(?:(?: is)?(?: completely| totally| just| stone)? dead| (?:stops|stopped|quits|quit|shuts off|shut off|shuts down|shut down|cuts out|cut out))',
    (the, where) => wholeUnit(the, where, 'not as called'),
  ),
  rule('(?:unit|whole unit|system|equipment) (?:is )?(?:completely |totally |just )?dead', (the) => wholeUnit(the, '', 'not as called')),
  rule('everythings? (?:is )?dead(?: (out here|outside|outdoors|inside|indoors|in here|here))?', (the, where) =>
    wholeUnit(the, /^(?:out|in)? ?here$/.test(where) ? '' : where, 'not as called'),
  ),
  // The strip, as found.
  rule('(\\S+)(?: wire)? (?:is )?(?:under|on) (?:the )?(\\S+) (?:screw|terminal)', (the, name, screw) =>
    the.isLetter(name) && the.isLetter(screw) ? `landings ${the.letter(name)} on ${the.letter(screw)}` : null,
  ),
  rule(
    '(?:corrosion|green|rust|corroded) (?:on|at|under) (?:\\S+ )?(?:terminals?|screws?|strip|landings?)|(?:terminals?|screws?|landings?|strip)(?: are| is| look| looks)? (?:all )?(?:corroded|green|rusty|rusted)(?: .*)?',
    () => 'landings corroded',
  ),
  rule(
    '(?:no (?:(?:signs?|evidence|traces?) (?:any )?)?(?:damage|marks?|rub marks?|rubs?|a rub|rubbing|chafing|chewing|wear|problems?|breaks?|rodents?|mice)(?: (?:anywhere|at all))?(?: (?:on|at|in|along|to))?(?: |$)|nothing (?:wrong|chewed|rubbed|burnt|burned|melted|scorched|nicked|chafed)(?: (?:with|on|along|at|in))?(?: |$))(.*)|(.+?) (?:looks|look|is|are) (?:good|fine|ok|clean|undamaged|intact)(?: .*)?',
    (the, one, other) =>
      leading(
        'sound',
        /cable|wiring|wires|run$/.test(one || other)
          ? zoneOf(the, (one || other).replace(/ (?:wiring|wires|run)$/, ' cable'))
          : !other
            ? one
              ? the.place(one)
              : the.state.bench.place
            : null,
      ),
  ),
  rule(
    '(?:all |every )(?:wires?|landings?|terminals?|screws?|connections?)(?: are| is| look| looks)? (?:landed|tight|good|on|fine|ok|snug)(?: (?:good|tight|right|well|fine|ok))?',
    () => 'landings ok',
  ),
  rule('(\\S+) wire (?:is )?(?:hanging|dangling|loose|disconnected|came off|fell off)(?: .*)?', (the, colour) => {
    const letter = the.isLetter(colour) ? colour : letterOfColour(the, colour)
    return letter === null ? (colour === 'wire' ? null : the.asNote()) : `landings ${the.letter(letter)} off`
  }),
  rule(
    '(cable|wire|wiring) (?:got |is |was |has been )?(chewed|rubbed|scorched|stapled|burnt|melted|gnawed)(?: through| up)?(?: by \\w+)?(?: (?:at|in|on|near) (.+))?',
    (the, what, how, where) => {
      const place = where ? the.place(where) : the.state.bench.place
      const [cable, another] = the.system.cables.filter(({ between }) => place !== null && between.includes(place))
      const mark = how === 'burnt' || how === 'melted' ? 'scorched' : how === 'gnawed' ? 'chewed' : how
      if (where && what !== 'cable') return leading(mark, place)
      return cable && !another ? `${mark} ${cable.id}` : { asks: `Along which one? Say "${mark} outdoor cable", or the place.` }
    },
  ),
  rule(
    '(?:board|terminal strip|strip) (?:has |is |looks )?(?:burn marks?|burnt|burned|scorched|melted|black)(?: .*)?|(?:scorch|burn|black|burnt) (?:marks?|spots?) (?:on|at|behind) (?:board|terminal strip|strip)',
    (the) => `scorched ${the.state.bench.place}`,
  ),
]
