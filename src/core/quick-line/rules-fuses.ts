import { asks, NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'

/** What is in the holder and what goes into it: fuses and breakers by their size, good, blown, gone. */
export const fuseRules: readonly Rule[] = [
  // Of whatever is in the slot.
  rule('rated (\\d+) amp', (the, amps) => `${the.state.bench.slot.holds === 'breaker' ? 'breaker' : 'fuse'} ${amps} in`),
  // What went in last, or was tried last.
  rule('(?:(?:it is |its )?(?:so far )?(?:so )?(?:good|ok|fine|in|alive))', (the) => {
    const last = the.state.entries.at(-1)
    const isTried = last?.kind === 'trip' || (last?.kind === 'bench' && (last.change.do === 'slot' || last.change.do === 'call'))
    return isTried && the.state.bench.slot.holds !== 'nothing' && the.says(/\b(?:still|so far)\b/i) ? 'holds' : null
  }),
  // Fuses in a disconnect are on the line side.
  asks(
    '.*\\bfuses? (?:is |are |was |blown |bad |open |popped )*(?:in|at|of) (?:outdoor |unit |outside )?disconnect\\b.*|(?:outdoor |unit |outside )?disconnect fuses? .*',
    'A fuse in the disconnect is on the line side. Enter what you read there: "L1-L2 0 V", "L1 to ground 120 V". Put "note" before it to keep it as a remark.',
  ),
  asks(
    '(?:board|control|unit|system|furnace|air handler) (?:has no|without a|with no) fuse|no fuse on (?:board|control|transformer|unit)',
    'Is its holder empty, or was none ever fitted? Say "slot empty", or put "note" before it.',
  ),
  rule(
    '\\d{1,2} ?(?:a|amps?) fuse (?:is |was )?(blown|popped|bad|open|good|ok|fine)',
    (_, how) => `fuse ${/^(?:good|ok|fine)$/.test(how) ? 'good' : 'blown'}`,
  ),
  rule(
    '(?:\\d{1,2} ?(?:a|amps?) )?(?:in-?line|in line)(?: fuse)?(?: on (?:it|that one|transformer))?(?: is| was)? (blown|popped|burnt|burned|shot|toast|good|intact)',
    (_, how) => `fuse ${/^(?:good|intact)$/.test(how) ? 'good' : 'blown'}`,
  ),
  rule(
    '\\d{1,2} ?(?:a|amps?) (?:is |was )?(blown|popped|burnt|burned|shot|toast|good|intact)',
    (_, how) => `fuse ${/^(?:good|intact)$/.test(how) ? 'good' : 'blown'}`,
  ),
  rule(
    '(?:somebody|someone|last guy|they|he|owner|homeowner|customer) (?:put|stuck|left|had|has|have|got|used|jammed)(?: in)?(?: a| an)? (\\d{1,2}) ?(?:a|amps?)(?: fuse)?(?: in)?(?: (?:it|there|slot|holder|board))?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:little |purple |violet |tan )?(?:(?:\\d{1,2} ?(?:a|amps?) )?fuse|\\d{1,2} ?(?:a|amps?)) (?:on|in|at) (?:(?:furnace|control|main|air handler|unit) )?(?:board|slot|holder|control|furnace|air handler|unit)(?: is| was)? (blown|popped|bad|open|burnt|burned|gone|shot|toast|good|fine|ok|intact)',
    (_, how) => `fuse ${/^(?:good|fine|ok|intact)$/.test(how) ? 'good' : 'blown'}`,
  ),
  rule('fuse(?: is| says| reads| marked)? (\\d{1,2}) ?(?:a|amps?)', (_, size) => `fuse ${size} in`),
  rule(
    '(?:wired|spliced|put|added|installed|fitted)(?: in)?(?: an?)? (\\d{1,2}) ?(?:a|amps?) fuse (?:in-?line|in line|(?:in|on|to) r(?: leg| lead| wire)?)',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:wired|spliced|put)(?: in)?(?: an?)? (\\d{1,2}) ?(?:a|amps?) (?:in-?line|in line)(?: fuse)?(?: in)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(\\d{1,2}) ?(?:a|amps?) fuse in (?:there|it|holder|slot|board),? (?:plate|label|board|sticker|schematic|diagram) (?:says|calls for|wants) \\d+.*',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:put|stuck|threw|dropped|installed|tried)(?: in)? (\\d{1,2}) ?(?:a|amps?) fuse(?: in)?(?: (?:to see|just to see|to test|for now|for test|instead).*)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:in-?line|in line) (\\d{1,2}) ?(?:a|amps?) fuse(?: is)? (?:added|installed|fitted|in|put in|wired in)',
    (_, size) => `fuse ${size} in`,
  ),
  asks(
    '(?:wrap|wrapped|wrapping) (?:the )?fuse .*|(?:hold|held|holding|tape|taped) (?:the )?breaker (?:in|down|closed|shut)(?: .*)?|fuse (?:is |was )?(?:jumped|jumpered|bypassed|bridged|shorted)(?: out| across| past)?(?: .*)?|(?:jumped|jumpered|bypassed|bypass|jump|shorted)(?: out| around| across| past)? (?:fuse|fuse holder|breaker)|(?:.* )?(?:screw|nail|foil|paper ?clip|wire|jumper|penny|spoon|allen key) (?:across|over|around|past|in place of|instead of|in for|in|on) fuse(?: .*)?',
    'Nothing is run with its fuse bypassed: a short then burns the transformer. Put a resettable one in its place: "breaker in".',
  ),
  rule(
    '(?:put in|installed|dropped in|stuck in|popped in)(?: another)?(?: new)? (\\d{1,2})(?: ?(?:a|amps?))?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:put|stuck|threw|dropped|stick)(?: in)? (?:an? )?(?:new |another |fresh )?(\\d{1,2})(?: ?(?:a|amps?))?(?: in)?(?: (?:there|slot|it|holder))?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(\\d+) ?(?:a|amps?)(?: fuse)? in (?:slot|holder|there|board)(?:,? (?:should be|supposed to be|calls for|label says) .*)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(\\d+) ?(?:a|amps?)(?: fuse)? in (?:\\d+ ?(?:a|amps?) )?(?:slot|holder|board|it|there|place)(?: .*)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    'fuse(?: in it| there)? (?:is |was )?(\\d{1,2})(?: ?a| ?amps?)?,? (?:but )?(?:board|plate|label|it) (?:wants|calls for|says|needs) (?:an? )?\\d{1,2}(?: ?a| ?amps?)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(fuse (?:was )?(?:blown|bad|popped),? (?:and |so )?)?(?:replaced|changed|swapped)(?: it)?(?: out)? (?:with|for|to) (?:an? |new )*(\\d{1,2})(?: ?a| ?amps?)?(?: fuse| one)?',
    (_, blown, size) => `${blown ? 'fuse blown; ' : ''}fuse ${size} in`,
  ),
  rule(
    '(?:wrong|bigger|oversized|too big)(?: a| of a)? fuse(?: in (?:it|there|slot|board))?,? (\\d{1,2}) ?(?:a|amps?)',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:used|using|put in|stuck in) (\\d{1,2})(?: ?a| ?amps?)?(?: fuse)? instead (?:of )?\\d{1,2}(?: ?a| ?amps?)?(?: fuse)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:tried|trying) (?:new|another|fresh|second)(?: (\\d{1,2}) ?(?:a|amps?))? (?:fuse|one)|put (?:old|same|original) fuse back(?: in)?',
    (_, size) => (size ? `fuse ${size} in` : 'fuse in'),
  ),
  rule(
    'fuse (?:reads? |has |is |drops )?(\\d[\\d.]*) ?(?:v|volts?) across(?: it)?',
    (the, volts) => `${the.system.parts.flatMap((part) => (part.kind === 'fuse' ? [part.between.join('-')] : []))[0]} ${volts} V`,
  ),
  rule('fuse (?:just )?(?:let go|went)(?: again)?', () => 'fuse blown'),
  rule('fuse (?:was |is )?(?:missing|not there|not in|not in (?:it|there|slot|holder)|pulled)|missing fuse', () => 'fuse out'),
  rule(
    '(?:installed|fitted|put in|stuck in|dropped in|threw in)(?: a| another)?(?: new| fresh)? (\\d+) ?(?:a|amps?) fuse',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:put|stuck|dropped|popped|set)(?: in)?(?: a| in a)?(?: new| another| fresh)? (\\d+) ?(?:a|amps?)(?: fuse)?(?: in| back in)',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    '(?:put |stuck |using )?(?:a )?(\\d+) ?(?:a|amps?) (?:pocket )?breaker (?:is )?(?:in|into|where|instead|in place)(?: where)?(?: (?:the )?(?:fuse holder|fuse slot|holder|fuse|slot|of fuse|place of fuse|for fuse|fuse was|fuse goes|stead of fuse))?',
    (_, size) => `breaker ${size} in`,
  ),
  rule('breaker (?:is )?in place (?:of )?fuse', () => 'breaker in'),
  // In the leg itself, where there is no slot.
  rule(
    '(?:(?:put|stuck|wired|spliced|clipped)(?: in)? )?(?:an? )?(?:(\\d+) ?(?:a|amps?) )?(?:pocket |lamp )?breaker (?:is )?(?:in|on|into) (?:the )?(?:r|red|hot)(?: leg| wire| line| side)?',
    (_, size) => (size ? `breaker ${size} in` : 'breaker in'),
  ),
  rule('(?:blew|popped|lost|ate|took out)(?: up)? (?:another|second)(?: one| fuse)?', () => 'fuse blown'),
  rule(
    '(?:low voltage |control |board )?fuse(?: is)?,? \\d+ ?(?:a|amps?),?(?: and| is| looks)* (?:good|fine|ok|intact)',
    () => 'fuse good',
  ),
  rule('\\d+ ?(?:a|amp|amps) fuse (?:is |looks |checks |tests )?(?:good|fine|ok|intact)', () => 'fuse good'),
  rule(
    `(?:somebody|someone|last guy|they|he) (?:put|stuck|left|had|used)(?: in)?(?: a)? ${NUMBER} ?(?:a|amp|amps) fuse(?: in)?(?: .*)?`,
    (_, size) => `fuse ${size} in`,
  ),
  rule('(?:pop-out|popout|pop out|push-button) breaker (?:is )?in', () => 'breaker in'),
  rule(
    '\\d{1,2} ?(?:a|amps?) fuse(?: is| was)? (?:blown|popped|burnt|burned|open|bad) (?:on|in|at) (?:(?:furnace|control|main|air handler|unit) )?(?:board|slot|holder|control)',
    () => 'fuse blown',
  ),
  rule(
    '(?:(?:\\d+ ?(?:a|amps?)|board|control|inline|little) )?fuse(?: is| was| looks| tests| checks)? (?:shot|toast|gone|burnt|burnt up|burned|burned up|cooked|fried|bad|no good|dead|done|blown|popped|blew|open|history)(?: again)?|(?:\\w+ )?fuse (?:popped|blew|burned)',
    () => 'fuse blown',
  ),
  rule(
    'fuse (?:was |is |had been |got |been )*(?:swapped|changed|replaced|upsized|bumped|traded)(?: out)? (?:for|to|with|up to) (\\d+) ?(?:a|amps?)?(?: fuse| one)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule(
    `(?:put|stuck|installed|plugged|dropped|slid|threw|popped|pushed|using|have)(?: in)?(?: ${NUMBER} ?(?:a|amps?))? (?:pop-?out|pop out|push-?button|resettable|reset|little|mini|test|pocket|plug-?in)(?: \\w+)? breaker(?: in)?(?: (?:place of |for |where |instead of )?(?:fuse|slot|fuse slot|holder|fuse was))?`,
    (_, size) => (size ? `breaker ${size} in` : 'breaker in'),
  ),
  rule('(?:good|fine|intact) fuse', () => 'fuse good'),
  rule('fuse (?:ohms|ohmed|checks|tests|rings)(?: out)? (?:good|ok|fine|closed)', () => 'fuse good'),
  rule('(?:stuck|put|threw|popped|dropped) (?:new |another )?fuse (?:in|back in)', () => 'fuse in'),
  rule('(?:pocket |test )?breaker with (?:lamp|light|bulb|telltale)(?: is)? in', () => 'breaker in'),
  rule('(?:took|pulled|take|pull) \\d+ ?(?:a|amp|amps)(?: fuse)?(?: out)?', () => 'fuse out'),
  rule(
    '(?:swapped|changed|replaced|traded|switched)(?: out)? (?:(?:pocket|lamp|test|resettable) )?breaker (?:for|with|to|back to) (?:new )?(?:(\\d{1,2}) ?(?:a|amps?) )?fuse',
    (_, size) => (size ? `fuse ${size} in` : 'fuse in'),
  ),
  rule(
    '(?:swapped|changed|replaced|traded)(?: out)? fuse (?:for|with|to) (?:my |our )?(?:(?:pocket|lamp|test|resettable|reset|pop-?out|push-?button|little|mini) )*breaker',
    () => 'breaker in',
  ),
]
