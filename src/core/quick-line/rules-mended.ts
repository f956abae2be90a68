import { ignitionOf } from '@/src/core/quick-line/flame'
import { NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import { wasOfFuse } from '@/src/core/quick-line/which-part'
import { wordOf } from '@/src/core/readings/check'
import { seenContacts } from '@/src/core/readings/contact-looks'
import { isOpenedWord } from '@/src/core/readings/switch-looks'
import { partsOf } from '@/src/core/wiring/system'

/** What was put right that is no part of the circuit, and judgements by which nothing is weighed. */

const MENDED =
  '(?:wrapped|taped|separated|insulated|sleeved|rerouted|re-routed|wire ?nutted|zip ?tied|tied|heat ?shrunk|shrink ?wrapped|protected|secured|spliced|patched)'
const FITTED =
  '(?:transformer|contactor|(?:reversing |gas )?valve|(?:run |dual |start )?(?:capacitor|cap)|board|thermostat|stat|solenoid|coil|relay|sequencer|igniter|(?:(?:inducer|blower|fan|damper) )?motor|inducer|defrost board|zone board|zone panel|control)'

export const mendedRules: readonly Rule[] = [
  rule(
    '(?:spliced|joined|connected)(?: it| them| both)?(?: back)?(?: together)? (?:with|using) (?:an? )?(?:new )?(?:gel |wire |crimp |butt |waterproof )*(?:caps?|nuts?|splices?|connectors?|crimps?|beans?)(?: .*)?',
    (the) => the.asRepair(),
  ),
  rule(
    '(?:cleaned|washed|rinsed|hosed|blew|brushed|knocked|vacuumed|wiped|dug|scraped|flushed) (?:it|them|all|everything)(?: all)? (?:out|off|clean|down)|(?:washed|rinsed|hosed|cleaned) (?:it|them)|(?:washed|rinsed|hosed|cleaned|brushed)(?: off| out| down)? (?:condenser |outdoor |evaporator |indoor )?coils?(?: off| out| down)?',
    (the) => {
      const [contactor, another] = seenContacts(the.system)
      const last = the.state.observations.at(-1)?.probe
      return contactor && !another && last?.meter === 'look' && last.at.includes(contactor.id)
        ? `${the.asRepair()} at the ${contactor.name}`
        : the.asRepair()
    },
  ),
  rule(
    `(?:changed|swapped|replaced|switched)(?: it| them| both)?(?: out)? (?:with|for) (?:an? )?(?:new )?(?:\\d+ ?va )?${FITTED}|(?:changed|swapped|replaced|switched) (?:them|both)(?: out)?`,
    (the) => the.asRepair(),
  ),
  rule('(?:changed|swapped|replaced|switched) it(?: out)?|(?:put|installed|fitted) (?:in )?(?:a )?new one(?: in| on)?', (the) =>
    wasOfFuse(the) ? 'fuse in' : the.asRepair(),
  ),
  rule(`(?:put|installed|fitted)(?: in)? (?:an? )?new (?:coil|solenoid|contacts|motor|plug) (?:on|in|for) ${FITTED}`, (the) =>
    the.asRepair(),
  ),
  rule(`(?:put|stuck|swapped|threw|dropped|wired)(?: in)? (?:an? )?new ${FITTED}(?: in| on)?`, (the) => the.asRepair()),
  rule(
    `new ${FITTED}(?:(?: and|,|,? and) (?:new )?${FITTED})+(?: (?:in|on|installed))?(?:,? (?:and )?fused)?|new (?:zone panel|${FITTED} (?:in|on|installed))`,
    (the) => the.asRepair(),
  ),
  rule(
    '(?:aux(?:iliary)?(?: heat)?|strips?|emergency heat|em heat|backup(?: heat)?) only|(?:low ?voltage|24 ?v(?:olt)?) short(?: somewhere| in (?:the )?system| .*)?|(?:there is |have |got )?(?:a )?short somewhere(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:compressor |internal |thermal )?overload (?:is )?(?:open|tripped|out)|limit (?:trips|tripped|cycles|opens|keeps tripping)(?: .*)?|short cycl(?:es|ing|ed)(?: .*)?|(?:lost|open|bad|loose) neutral|(?:is |its |unit is |system is )?(?:low on|out of|short on) (?:charge|gas|freon|refrigerant)(?: .*)?|(?:[a-z]+ )?[a-z]\\d? (?:wire|conductor) (?:is |was )?(?:open|broken|bad|damaged)(?: somewhere| inside)?|(?:.+ )?(?:wire|conductor) (?:to|going to|from) (?:outside|the outdoor unit|outdoor unit|the stat|stat|the condenser|condenser) (?:is )?(?:open|broken|bad|shorted)',
    (the) => the.asNote(),
  ),
  rule('(?:outdoor |condenser |unit )?disconnect (?:is |was )?(?:on|in|closed|good)', (the) =>
    the.state.bench.power ? the.asNote() : null,
  ),
  rule(
    '(?:tightened|retightened|remade|redid|cleaned up|resecured)(?: up)? (?:it|that|them|connection|joint|wire nut|screw|lug|terminal|lead|wire)s?(?: .*)?',
    (the) => the.asRepair(),
  ),
  rule(
    'new (?:\\w+ )?(?:wire|cable|conductor|stat wire|thermostat wire)(?: (?:is |was )?(?:pulled|run|in|installed|ran|landed))?(?: (?:to|from) .+)?|(?:install|installed|add|added|wired in|put in) (?:an? )?(?:inline|in-line|in line)(?: \\d+ ?(?:a|amps?))?(?: fuse)?(?: holder)?(?: (?:on|in|to) .+)?',
    (the) => the.asRepair(),
  ),
  rule(
    '(?:cleaned|cleared|blew|brushed|removed|dug|knocked|pulled|got|vacuumed)(?: (?:out|off))? (?:dead |fire |mud )*(?:ants?|bugs?|insects?|nest|lizard|gecko|spiders?|wasps?|daubers?|slug|snail|debris|contactor|contacts|points)(?: (?:out|off))?(?: (?:of|from|in) (?:contactor|contacts))?',
    (the) => {
      const [contactor, another] = seenContacts(the.system)
      return contactor && !another ? `${the.asRepair()} at the ${contactor.name}` : the.asRepair()
    },
  ),
  rule(
    '(?:cleaned|polished|sanded|scuffed|wiped|scrubbed)(?: off| up)? (?:flame )?(?:sensor|rod|flame rod|sense rod)(?: with .+)?|flame (?:sensor|rod|sense rod) (?:is |was )?(?:cleaned|polished|sanded)',
    (the) => the.asRepair(),
  ),
  rule(
    `((?:cleaned|polished|sanded|scuffed|wiped|scrubbed)(?: off| up)? (?:flame )?(?:sensor|rod|sense rod)),? (?:now|and|reads|reading|it is|up to|is|at| )+${NUMBER} ?(?:ua|µa|microamps?)?`,
    (the, did, read) => (ignitionOf(the.system) ? `repaired ${did}; flame ${read} µA` : the.asNote()),
  ),
  rule(`${MENDED}(?:,? (?:and |then )?${MENDED})*(?: up)? (?:it|them|that|both)(?: (?:up|apart|off|back|away|again))?(?: and .+)?`, (the) =>
    the.asRepair(),
  ),
  rule(
    '(?:spliced|patched|wire ?nutted|soldered|crimped)(?: in)? (?:\\w+ )?(?:\\w+ )?(?:wire|conductor|lead|splice|break)(?: .*)?',
    (the) => the.asRepair(),
  ),
  rule(
    '(?:replaced|changed|new|installed) (transformer|contactor|board|thermostat|stat|valve|relay) and (?:new )?fuse',
    (_, what) => `fuse in; repaired ${what}`,
  ),
  rule(
    '(?:tightened|retightened|remade|redid|fixed|cleaned)(?: up)? (?:loose )?(?:neutral|hot|ground|common|line)(?: wire)?(?: (?:nut|wire nut|lug|screw|connection|spade|terminal))?(?: .*)?',
    (the) => the.asRepair(),
  ),
  // Water that had lifted a float was drained.
  rule('(?:redid|remade|redone|retied|retwisted|replaced) (?:the )?(?:wire ?nuts?|splices?|connections?|butt connectors?)(?: .*)?', (the) =>
    the.asRepair(),
  ),
  // Air through a line, and no fuse.
  rule('(?:blew|blowing|blow) (?:out|off|through) (?!(?:a |the )?(?:fuse|breaker)).+', (the) => the.asRepair()),
  rule(
    '(?:cleaned|cleared|blew|snaked|unclogged|drained|flushed|emptied|vacuumed|dumped|bailed|pumped|sucked|vacced|shop vacced)(?: out)? (?:condensate |ac )?(?:drain|drain line|drain trap|drain tube|pan|drain pan|trap|line|flue|vent|vent pipe|intake|pressure port|port|hose|tubing)(?: out)?|(?:drained|emptied) (?:it|that)(?: out)?',
    (the) => {
      const floats = partsOf(the.system, 'switch').filter(({ role }) => role === 'float')
      const wasUp = the.state.observations.some(
        ({ probe, answer }) => probe.meter === 'look' && floats.some(({ id }) => id === probe.at) && isOpenedWord(wordOf(answer)),
      )
      return wasUp ? `${the.asRepair()} at the ${floats[0].name}` : null
    },
  ),
  rule(
    '(?:contactor|board|thermostat|stat|valve|sequencer|relay|igniter|control) (?:is |looks )?(?:bad|junk|shot|toast|burnt|burned|burnt up|burned up|fried|cooked)',
    (the) => the.asNote(),
  ),
  rule(
    '(?:(?:pressure |vent |draft )?(?:hose|tube|tubing|port)|vent|flue|intake|inducer housing)(?: was| is)? (?:plugged|clogged|blocked|off|cracked|kinked|full of water|disconnected),? (?:and |so |i )*(?:cleaned|cleared|fixed|replaced|reconnected|blew|put|drained)(?: it| out| back| on)*',
    (the) => {
      const [draft] = partsOf(the.system, 'switch').filter(({ role }) => role === 'draft')
      return draft ? `${the.asRepair()} at the ${draft.name}` : the.asNote()
    },
  ),
  rule(
    '(?:replaced|changed|new|cut and reconnected|fixed)(?: (?:cracked|split|bad|pressure|vent|draft|switch|inducer))* (?:hose|tube|tubing)(?: .*)?',
    (the) => {
      const [draft] = partsOf(the.system, 'switch').filter(({ role }) => role === 'draft')
      return draft ? `${the.asRepair()} at the ${draft.name}` : the.asRepair()
    },
  ),
  rule('(?:(?:furnace|service|wall|emergency|unit|door) )?switch (?:is |was )?(on|ok|good|bad|burnt|shot)', (the, how) =>
    how === 'on' && !the.state.bench.power ? 'power on' : the.asNote(),
  ),
  rule(
    '(?:put|pushed|slipped|reconnected|plugged|stuck|hooked)(?: back)? (?:pressure |vent |draft |switch )*(?:hose|tube|tubing)(?: back)?(?: (?:on|up|in))?',
    (the) => {
      const [draft] = partsOf(the.system, 'switch').filter(({ role }) => role === 'draft')
      return draft ? `${the.asRepair()} at the ${draft.name}` : the.asNote()
    },
  ),
  rule('primary (?:to|and) secondary (?:are |is )?shorted(?: together)?', (the) => the.asNote()),
]
