import { NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import { loadOf, worded } from '@/src/core/quick-line/sentence'
import { partById } from '@/src/core/wiring/system'

/** Told beside a search, each in its words: no reading, and nothing of the bench. */
const REMARKS: readonly string[] = [
  '.+ (?:was|were) .*\\b(?:earlier|before|yesterday|last (?:night|week|time|year))|.+ (?:is |are )?(?:not|isnt|stopped|no longer|quit|never) (?:chatter|buzz|hum|click)\\S*(?: .*)?',
  '(?:breaker|disconnect|plug|wire) (?:is |feels |gets |was )?(?:hot|warm)(?: .*)?|(?:two|three|2|3) wires (?:under|on|in) [a-z]\\d?(?: .*)?',
  '.*\\b(?:touching|loose strand|stray strand|whisker)\\b.*|(?:relays?|something) (?:clicks?|clicking|clicked) in(?:side)? (?:thermostat|stat|tstat)(?: .*)?|(?:relays?|something) in(?:side)? (?:thermostat|stat|tstat) (?:clicks?|clicking|clicked)(?: .*)?',
  '(?:\\S+ )?(?:sensor|economizer|humidifier|uv light|zone valve|dehumidifier|air cleaner) (?:is |was )?(?:unplugged|disconnected|off|bad|dead|missing)',
  '.*\\bpush(?:ed|ing|es)?\\b.*\\b(?:contactor|relay|armature)\\b.*|(?:thermostat|stat|tstat) was (?:off|never set|set to off|not set|not on)(?: .*)?|.*\\bnever set to (?:cool|heat)(?:ing)?',
  '(?:.+ )?code (?:on|at) (?:the )?(?:board|control|panel)|(?:.+ )?goes off on (?:its )?overload',
  '(?:control |main )?board flashes \\d+ times|.*\\btransformer (?:is |was |looks )?(?:cooked|toast|toasted|fried|smoked|roasted|shot|bulged)(?: out)?',
  '(?:rc|rh)(?:[ /-]| to )(?:rc|rh) (?:jumper|strap|link)\\b.*|(?:moved|switched|changed|put)(?: it| primary| transformer)?(?: over)? (?:to|on) (?:the )?\\d+(?: ?v)? tap(?: .*)?',
  '(?:display|screen) (?:says|shows|reads) .+|(?:burners?|flames?|pilot|it) (?:lights?|lit|catch|catches|fires?|fired)(?: up| off)? (?:and|then|but|and then) (?:goes?|went|drops?|dropped|dies|died|shuts?) (?:out|off|right out|away).*|(?:hard start|dual cap|run cap|start cap)\\b.*|[a-z]\\d? (?:is )?not coming out (?:of )?(?:thermostat|stat)|(?:thermostat|stat) (?:doesnt|does not|wont|isnt|not) clos(?:e|ing) [a-z]\\d?|check wiring(?: .*)?|(?:high|low)[ -]pressure(?: switch)? (?:was |is )?tripped(?:,? (?:and )?reset(?: it)?)?',
  '(?:second|third|fourth|fifth|2nd|3rd|4th|5th) fuse (?:today|this \\w+|so far)|(?:open|bad|dead) (?:stat|thermostat|contacts?)|limit opens (?:after|in) .+',
  '(?:economizer|humidifier|uv light|dehumidifier|air cleaner|zone valve|pump|smoke detector|float) (?:is |was )?(?:wired|tied|tapped|spliced|hooked) (?:in|into|to|off|on|across) .+',
  '(?:[a-z]\\d?|red|white|green|yellow|blue|black|orange|brown) (?:wire|screw|conductor|terminal)? ?(?:looks|is|looked|was) (?:ok|good|tight|fine|snug|clean)(?: .*)?',
  '(?:there is |theres |has |have |got )?no (?:(?:c|common) wire(?: .*)?|common(?: (?:at|on) (?:the )?(?:stat|thermostat))?)|(?:(?:thermostat|stat) )?(?:has |only |got |just )*(?:two|three|four|five|six|seven|eight|[2-8]) (?:wires?|conductors?)(?: .*)?',
  '(?:all )?(?:buttoned|closed|cleaned) up(?:,? (?:and )?.*)?|(?:all |everything )?back together(?:,? (?:and )?(?:leaving|done|heading out|gone))?|(?:condenser |evap(?:orator)? |indoor |outdoor |a )?coil (?:is |was )?(?:all )?(?:dirty|plugged|iced|iced up|frozen|clogged|matted)(?: .*)?',
  '(?:is |it is |unit is |still )?blowing (?:cold|cool|warm|hot|lukewarm)(?: air)?|(?:unit |it |coil |system )?(?:ices|iced|icing|freezes|froze|freezing) up(?: .*)?|(?:thermostat|stat)(?: in .+)? (?:is )?(?:locked|has lock box|in lock box)',
  'no (?:gas|spark|ignition|fire)(?: .*)?',
  '(?:stat|thermostat)s? (?:is |just )?(?:not|isnt|never|doesnt|wont)(?: even)? (?:making|closing|switching|sending|passing|make|close|send|switch|pass)(?: .*)?',
  '(?:hot|burned|burnt) (?:transformer|wire)|fuse (?:holder|clip|block) (?:is )?(?:melted|burned|burnt|loose|corroded)|(?:secondary |aux |emergency |overflow |condensate )?(?:drain )?pan (?:is )?(?:full|wet|dry|rusted)(?: .*)?',
  '(?:heat pump|unit|ac|furnace|it) (?:is |just |keeps )*blow(?:s|ing) (?:cold|cool|warm|hot|lukewarm)(?: air)?',
  '(?:\\d{3} ?v? tap|tap \\d{3})(?: is)? (?:in use|used|on|connected|landed)',
  '(?:it |furnace |unit )?(?:tries|tried|retries|trials)(?: for ignition)?(?: (?:\\d|once|twice|two|three|four|five))?(?: times?)?,? (?:and |then )?(?:locks|locked|goes into lock) ?out|(?:display|screen|stat|lights?) (?:fades|faded|dims|dimmed)(?: .*)?|(?:[a-z]\\d?|red|white|green|yellow|blue|black|orange|brown) (?:megs|megged|meggers)(?: .*)?',
  '.*\\bgreen (?:crud|corrosion|gunk)\\b.*',
  '(?:it |stat |thermostat |something )?clicked(?: (?:once|twice|on|off|over))?',
  '(?:ready|about) to (?:power up|try it|fire it up|turn it on)|(?:meter )?(?:checks|checked|proved|works) on (?:a )?(?:live|known) (?:source|circuit)(?: .*)?|(?:panel|door|cover) was (?:off|open|loose|not on)(?: .*)?|(?:it|stat|thermostat|fan) was (?:set (?:to|on)|in|on) (?:heat|cool|off|auto|on|emergency)(?: .*)?',
  '(?:stat|thermostat|display|it) (?:reads?|says|shows) \\d{2}(?: degrees)?,? (?:but )?(?:actual|room|house|it|real temp|my thermometer)(?: is| reads| shows)? \\d{2}(?: .*)?|(?:phase loss|lost (?:a )?phase|phase monitor (?:tripped|out))(?: .*)?',
  'tightened (?:up )?(?:all )?(?:the )?(?:screws|terminals|connections|lugs|landings)(?: .*)?|(?:[a-z]\\d?|red|white|green|yellow|blue|black|orange|brown)(?: wire| conductor)? (?:was |is )(?:a little |kind of )?loose(?: .*)?',
  '(?:unit|system|compressor|it) (?:cycled|went|cut|kicked|shut) (?:off|out) on (?:the )?(?:high|low) (?:pressure|head)(?: .*)?|compressor (?:trips|tripped|pops|popped|takes out|kicks) (?:the )?(?:breaker|line breaker|main)(?: .*)?|lost [a-z]\\d? for (?:a |just a )?(?:second|sec|moment|minute)|fusible link (?:is )?(?:blown|open|bad)|(?:neutral|hot|ground|line)(?: wire)? (?:is |was )?loose,? (?:tightened|fixed|remade)(?: it)?(?: up)?',
]

/** What belongs to a visit and is no entry of its own: kept as it was said, and nothing is weighed by it. Asked last. */
export const remarkRules: readonly Rule[] = [
  // Across a coil it is what may be wrong; between R and C it has its own supply.
  rule(
    '(?:an? )?(?:accessory|humidifier|added relay|extra relay|isolation relay|pump|dehumidifier|air cleaner|uv light|timer|doorbell|fan interlock) (?:is |was |has been )?(?:wired|tied|tapped|hooked|spliced|added) (?:in )?across (?:the )?(.+)',
    (the, across) => {
      const coil = partById(the.system, the.part(across) ?? '')
      return coil?.kind === 'coil' ? `accessory ${coil.place}` : the.asNote()
    },
  ),
  ...REMARKS.map((says) => rule(says, (the) => the.asNote())),
  rule('(?:held|holding|hold|pushed) (?:the )?(?:door |safety )?(?:switch|button|plunger)(?: (?:in|shut|down|closed))?(?: .*)?', (the) =>
    the.asNote(),
  ),
  rule(
    '(?:(?:furnace |draft )?pressure switch )?(?:hose|tube|tubing|vent|flue)s? .*|(?:pressure switch|inducer|draft switch) (?:hose|tube|port)s? .*|.*\\bset up as\\b.*|compressor (?:is )?(?:off|out|down|cut out|went off) on (?:the )?(?:high|low|head|thermal|pressure)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:condensate |ac |coil |drain )?(?:drain|drain line|trap|condensate pump|pump|pan)(?: is| was)? (?:all )?(?:plugged|clogged|backed up|blocked|full|dry|stopped up|overflowing|dead|not pumping|cleared|blown out)(?: .*)?|.*\\b(?:droppings|set up wrong|set wrong|wired wrong|programmed wrong|configured wrong)\\b.*|(?:cleared|blew out|snaked|unclogged|drained) (?:the )?(?:drain|trap|pan|line).*',
    (the) => the.asNote(),
  ),
  rule(
    '(?:neutral|hot|ground|bond|spade|lug|wire nut|connection|terminal|plug|splice)s?(?: wire)?(?: is| are| was)? (?:a little |kind of |very )?(?:loose|burnt|corroded|green|open|broken|gone|lost)(?: .*)?|(?:(?:took|pulled|removed|found|put|left)(?: out| in)? )?(?:(?:jumper|strap|link) (?:between|from) )?(?:rh|rc)(?: and | to |[ -/])(?:rh|rc)(?: (?:jumper|strap|link))?(?: (?:is )?(?:still )?(?:in|in place|there|out|off|missing))|(?:rh|rc)(?: and|[-/])? ?(?:rh|rc) (?:strap|jumper|link)(?: is)?(?: still)? (?:in|in place|there|out|missing|off|gone|removed)|no fuse(?: anywhere| at all| on| in)?(?: .*)?',
    (the) => the.asNote(),
  ),
  // What was found out some time ago is told, not read.
  rule('.+ (?:was|were) (?:shorted|grounded|open|broken|bad|rubbed|chewed|burnt)(?: .*)?', (the) =>
    the.state.bench.power ? the.asNote() : null,
  ),
  rule(
    '(?:thats|that is|this is|now|on|its|it is)(?: my| our)? (?:second|third|fourth|fifth|2nd|3rd|4th|5th) (?:fuse|one|breaker)(?: today| now)?|\\S+ and \\S+ (?:are )?(?:touching|touch|crossed|reversed|swapped|mixed up)(?: .*)?|(?:wires |leads )?(?:crossed|reversed) (?:on )?\\S+ and \\S+(?: .*)?|(?:outdoor|stat|thermostat) \\S+ and \\S+ (?:are )?(?:crossed|reversed|swapped)(?: .*)?|compressor (?:tries|trying|tried) to (?:start|run)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule('(?:red|green|amber|yellow|blue) (?:light|led) (?:is )?(?:flashing|blinking|solid|steady|on|off)(?: .*)?', (the) => the.asNote()),
  rule(
    '(?:furnace|unit|system|heat pump|ac|air handler|(?:inside |indoor )?fan|condenser|outdoor unit|outside unit) (?:wont|will not|doesnt|does not|never) (?:shut off|shut down|quit|stop|stops|turn off|go off|cycle off)',
    (the) => the.asComplaint(),
  ),
  rule(
    '(?:second|third|2nd|3rd) (?:transformer|board|contactor|fuse) (?:this|in a|in the last) (?:year|month|week|summer|season)|(?:compressor|unit|condenser|furnace|heat pump|it is|it) (?:is )?short cycl(?:ing|es)|igniter sparks?(?:ing)?|spark(?: and gas)?,? (?:but |and )?no flame(?: signal)?|(?:condensate )?(?:pump|pan|drain) overflow(?:ed|ing|s)|(?:zone \\d )?(?:thermostat|stat)(?:-\\d)? (?:shows|says) low (?:voltage|battery)|(?:zone panel|panel|cooling|heating|cool|heat|second)s? transformer (?:is |gets |getting )?(?:hot|warm|buzzing|humming)',
    (the) => the.asNote(),
  ),
  rule('(?:thermostat|stat) (?:reset|resets|restarted|restarts|rebooted|reboots)(?: itself| by itself)?', (the) =>
    worded(the.thermostat(), 'chatters'),
  ),
  rule('(.+?) draws? (?:0|nothing|zero|no)(?: amps?| a| current)?', (the, what) => {
    const load = loadOf(the, what)
    return load && `${load} still; ${the.asNote()}`
  }),
  rule('(?:second|third|fourth|another|2nd|3rd) transformer (?:burned|burnt|cooked|gone|dead|smoked|fried|that)(?: .*)?', (the) =>
    the.asNote(),
  ),
  // A light or a fire of which the record has none.
  rule(
    '(?:board |status |control )?(?:led|light)s?(?: is| are| stays)? (?:solid|steady|lit|on|off|out|dark)(?: \\w+)?|(?:it |furnace |burners? |heat )?(?:wont|will not|doesnt|does not|never|not) (?:light|lighting|lights|lit|ignite|ignites|igniting)(?: off| up)?',
    (the) => the.asNote(),
  ),
  rule('(.+?) (?:is )?(?:runs|running|draws|drawing|pulls|pulling)(?: at| with)? \\d*[.]?\\d+(?: ?(?:a|amps?))?', (the, what) => {
    const load = loadOf(the, what)
    return load && `${load} runs; ${the.asNote()}`
  }),
  rule(
    '(?:compressor|motor|blower|fan) (?:is )?(?:locked up|seized|stuck|frozen)(?: .*)?|(?:it is |unit is |heat pump |unit |hp )?(?:stuck |locked |hung up |still |always |keeps going )?in(?:to)? defrost(?: .*)?|(?:thermostat |stat )?(?:display|screen) (?:is )?(?:weak|dim|faint|faded|hard to read)|(?:thermostat|stat) (?:is )?(?:dim|faint)|(?:float )?(?:is )?clip(?:ped)?(?: is)? (?:at|on|to|in) (?:the )?(?:coil|pan|drain|float|primary|secondary)(?: .*)?|(?:rc|rh) jumper (?:is )?(?:in|out|missing)|no (?:factory )?(?:jumper|strap) (?:(?:between|from|on|at) )?(?:rc|rh|r)(?: (?:and|to|-|/) ?| )?(?:rc|rh)?|(?:jumper|strap|link) (?:is )?(?:in|out|missing|gone)(?: place)? (?:between|from) (?:rc|rh) (?:and|to) (?:rc|rh)',
    (the) => the.asNote(),
  ),
  rule(
    '(?:transformer (?:is )?(?:a |rated )?)?\\d{2} ?va(?: transformer)?(?: .*)?|.*\\btap (?:used|in use|is|was)\\b.*|(?:transformer |primary )?(?:is |was )?(?:on )?\\d{3} ?v? tap|(?:transformer |primary |it )?(?:is |was )?tapped (?:at|for|to|on)? ?\\d+(?: .*)?|spade .*|compressor (?:tripped|off|out|cut out) on (?:its |internal )?overload(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?!.*\\d.*\\b(?:line|load) side|.*\\b(?:line|load) side.*\\d).*\\b(?:load side|line side)\\b.*|(?:push|pushed|press|pressed)(?: in)? .*\\b(?:contactor|relay|plunger|armature)\\b.*|.*\\b(?:by hand|manually|batteries|battery|dripping|leaking|wet|soaked|leaving it|left it off|waiting for parts|parts come|fires up|fired up|lights up and)\\b.*',
    (the) => the.asNote(),
  ),
  rule(
    `(?!.*\\w-\\w)(?!.*\\d,\\d{3}\\b)(?:.+ )?(?:${NUMBER}) ?(?:a|amps?|f|degrees|psi|in wc|w|kw|hz)(?: .*)?|(?:zone \\d |upstairs |downstairs )?(?:supply|return|room|outside|ambient|superheat|subcooling|delta|temp|split|set ?point)(?: .*)? ${NUMBER}(?: .*)?|(?:igniter|ignitor|inducer|flame|flame sensor)(?: .*)? ${NUMBER}(?: .*)?`,
    (the) => the.asNote(),
  ),
  rule(
    '(?:contactor )?(?:contacts?|points)(?: are| is| look)? (?:burnt|burned|pitted|worn|black|bad)(?: .*)?|.*\\b(?:refrigerant|freon|filter|capacitor|cap reads|coil is (?:dirty|iced)|iced up|frozen up|lightning|storm|rain|yesterday|last (?:night|week|month|year|time|summer|winter)|somebody|someone|capped|not used|unused|rust|rusty|dirty|locked out|lockout|splice|spliced|wasps|ants|bees|bugs?|insects?|lizard|gecko|snake|nest)\\b.*',
    (the) => the.asNote(),
  ),
  // What works, said of the whole visit, is no proof of a mode; what the contactor does under a finger is no call.
  rule(
    '(?:it |unit |system |everything )?(?:runs|works|running|working|ran)(?: fine| good| great| ok)?(?: now| again| today)+|(?:aux|strips?|emergency heat|blower|fan|heat|cool|burners?) (?:comes?|came|fires?|fired|kicks?|kicked) (?:right |straight )?(?:on|up|in)(?: .*)?|(?:stat|thermostat)s? (?:is |keeps )?(?:calling|asking) but (?:nothing|no) .*|put (?:the )?disconnect back(?: in)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:c|common) (?:is not|isnt|not) (?:grounded|bonded)(?: .*)?|(?:furnace|heat pump|compressor|strips?) (?:fires|runs|starts|comes on) on .+ call(?: .*)?|(?:.* )?(?:goes|going|went) (?:to|into) defrost(?: .*)?|(?:cut|cut back) and capped .*',
    (the) => the.asNote(),
  ),
  rule(
    '(?:stat|thermostat)s? clicks?,? (?:but )?(?:nothing|no) .*|waits? .+ (?:and |then )?(?:starts?|comes on)|(?:thermostat|stat|(?:\\w+ )?board) (?:is )?not (?:sending|calling|putting|giving|passing|feeding|making|closing) .*|[a-z]\\d? (?:is )?not (?:closing|making|coming through)|(?:bypassed|bypass|jumped (?:out|around|past)) (?:thermostat|stat)|.*\\b(?:clicks?|sparks?|sparking),? (?:but |and |then )?(?:no (?:flame|fire)|wont light|does not light|doesnt light)(?: .*)?|(?:\\d+|two|three|four|five) tries.*|tries \\d+ times.*|locks? out(?: .*)?|.*\\btaped (?:in|shut|closed|down)|(?:(?:gas )?heat works|furnace (?:heats|works|runs)),? (?:but )?heat pump (?:doesnt|does not|wont)(?: .*)?|(?:switched|went|changed)(?: over)? to gas(?: heat)?|(?:\\d|one|two|three|four|five|six) (?:blinks|flashes)(?: .*)?|(?:two )?(?:\\w+ )?wires (?:were |are )?(?:twisted|taped|wrapped) together(?: .*)?|(?:no|there is no) c wire(?: .*)?|(?:furnace |draft )?pressure switch (?:closes|makes|wont (?:close|make)|doesnt (?:close|make)|stays (?:open|closed))(?: .*)?|second transformer (?:is )?(?:dead|bad|fine|good)',
    (the) => the.asNote(),
  ),
  rule('(?:reset|pushed|pressed)(?: it| switch| button)?(?: back)?(?: in)?', (the) => the.asNote()),
  rule(
    '(?:contactor|relay|armature|plunger) (?:sticks|stuck|binds|drags|is slow|moves)(?: .*)? (?:push|pushed|press|pressed|touch)(?: .*)?|[a-z]\\d? (?:is |was )?(?:wired|landed|hooked up|connected) instead(?: of)? [a-z]\\d?(?: .*)?|(?:unit|system|everything|furnace|air handler|heat pump|it all) (?:came|comes|kicked|started)(?: right)? back(?: on| up)?(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:thermostat|stat)(?: is)? (?:not calling|isnt calling|in (?:time |compressor )?(?:delay|lockout)|flash(?:es|ing) .+|has power(?:,? (?:but )?no call)?|calls|calling)|(?:back|coming back|be back|return(?:ing)?) (?:tomorrow|monday|tuesday|wednesday|thursday|friday|next week|in the morning)(?: .*)?|(?:smoke|co) (?:detector|alarm)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule('transformer(?: is| feels)? (?:too |very |really |so )?(?:cold|cool|humming|hums|buzzing|buzzes|warm|hot)(?: .*)?', (the) =>
    the.asNote(),
  ),
  // What others did before.
  rule(
    '(?:customer|homeowner|owner|tenant|landlord|last (?:guy|tech|company|one)|previous (?:guy|tech|company)|other (?:guy|tech|company)|handyman)(?: already| had| just)* (?:replaced|changed|swapped|installed|tried|reset|added|wired|fixed) .+',
    (the) => the.asNote(),
  ),
]
