import { readQuickLine } from '@/src/core/quick-line/read-line'
import { correctedWord } from '@/src/core/quick-line/spelling'
import { systemOf } from '@/tests/setup/engines'
import { answerTo, drafts, standing } from '@/tests/setup/standing'

/** What is typed in as few words as a wet hand types, each beside the words in full that it stands for. */
const at = {
  furnace: standing('furnace-ac', 'indoor', 'on'),
  furnaceOff: standing('furnace-ac', 'indoor', 'off'),
  cooling: standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' }),
  airHandler: standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'cool' }),
  airHandlerOff: standing('heat-pump-o', 'indoor', 'off'),
  heating: standing('furnace-induced-draft', 'indoor', 'on', { do: 'call', call: 'heat' }),
  rooftop: standing('rooftop-gas', 'package', 'on', { do: 'call', call: 'cool' }),
  panel: standing('zoned-furnace-ac', 'panel', 'on', { do: 'call', call: 'cool' }),
}

describe('a few words', () => {
  it.each([
    ['furnace', 'no blow on cool', 'holds on cool'],
    ['furnace', 'took about 5 seconds to trip', 'trips after 5 s'],
    ['furnace', 'stuck a 5 in there to see', 'fuse 5 in'],
    ['furnace', 'got an inline breaker in place of the fuse', 'breaker in'],
    ['furnaceOff', 'rollout ok 0.2', 'rollout 0.2'],
    ['furnaceOff', "low pressure doesn't beep", 'no beep on low pressure'],
    ['furnaceOff', 'Y wire to G wire OL both ends off', 'Y to G OL both ends off'],
    ['furnaceOff', 'juice on', 'power on'],
    ['furnaceOff', 'yanked the outdoor pair', 'lift outdoor cable'],
    ['cooling', 'secondary reading 26.8', 'secondary 26.8'],
    ['cooling', 'half an amp on Y', '0.5 amps on Y'],
    ['cooling', 'max on R 7.2', 'max 7.2 A on R'],
    ['cooling', 'Y calling from stat 24', 'Y-C 24'],
    ['cooling', 'across contactor coil 24 dropping to 11', 'contactor coil jumps between 11 and 24 V'],
    ['cooling', 'contactor in out in out', 'contactor chatters'],
    ['cooling', 'heat too', 'heat works'],
    ['furnace', 'hot 121 to ground, 62 to neutral', '121 to ground, 62 to neutral'],
    ['furnace', 'L1-N 120 L1-G 120', 'L1-N 120; L1-gnd 120'],
    ['furnace', 'stat reads W wire overload', 'stat shows W wire short'],
    ['furnace', 'power on, cool', 'power on; call cool'],
    ['rooftop', "comp 2 won't run, comp 1 fine", 'second compressor still; compressor runs'],
    ['rooftop', 'stage 2 call', 'call cool-2'],
    ['cooling', 'pulls 2.5A on call then drops to .8', 'max 2.5 A on R; 0.8 A on R'],
    ['cooling', '0.9A on 24v', '0.9 A on R'],
    ['cooling', 'trips at 6 amps', 'trips; max 6 A on R'],
    ['cooling', 'low voltage is 19.5', 'R-C 19.5'],
    ['cooling', 'only getting 12 at contactor', '12 at contactor'],
    ['cooling', "contactor won't hold in", 'contactor out'],
    ['cooling', 'found contactor jammed with a stick', 'contacts contactor blocked'],
    ['cooling', 'whip rubbed through', 'rubbed outdoor'],
    ['cooling', 'wire cut at the pad', 'rubbed outdoor'],
    ['furnaceOff', 'Y to C OL, contactor unplugged', 'unplug contactor; Y-C OL'],
    ['furnaceOff', 'ohm R to C with fuse out 18', 'slot empty; R-C 18 ohm'],
    ['cooling', 'good 24 at Y out here', '24 at Y outside'],
    ['airHandler', 'aux hot', 'W hot'],
    ['airHandler', 'calling for Y and O', 'call cool'],
    ['airHandler', 'stat calls Y and G', 'call heat'],
    ['airHandler', 'bumped the stat up', 'call off'],
    ['airHandler', 'dropped it to 65', 'call cool'],
    ['airHandler', 'stat says emergency heat', 'call emergency; stat shows a call'],
    ['airHandler', 'Y 26 in the attic, 0 outside', 'Y-C 26 at indoor; Y-C 0 at outdoor'],
    ['airHandler', '240 at the contactor', 'contactor line side 240'],
    ['airHandler', 'T1 T2 0', 'contactor load side 0'],
    ['airHandler', 'bottom of contactor 238', 'contactor load side 238'],
    ['airHandlerOff', 'rv 52 ohms to common', 'valve 52 ohms'],
    ['airHandlerOff', 'O good to ground', 'no ground on O'],
    ['airHandlerOff', 'Y open between stat and air handler', 'stat cable Y end to end OL'],
    ['heating', 'hot surface not glowing', 'igniter still'],
    ['heating', 'PS stuck closed', 'pressure switch closed'],
    ['heating', '24 in and out of pressure switch', '24 both sides of pressure switch'],
    ['heating', 'limit tripped', 'limit open'],
    ['heating', "flame's lit", 'burners lit'],
    ['rooftop', 'low stage runs', 'compressor runs'],
    ['rooftop', "second stage won't come in", 'call cool-2; second compressor still'],
    ['rooftop', 'Y2 24 no second stage', 'call cool-2; second compressor still; Y2-C 24'],
    ['panel', 'D1 24v', 'damper 1 24'],
    ['panel', '24 at D2', 'damper 2 24'],
    ['cooling', 'both sides of the high pressure 25', '25 both sides of the high pressure'],
    ['airHandlerOff', 'G coil 35', 'fan relay 35'],
    ['airHandler', 'compressor off in heat', 'compressor not running in heat'],
    ['airHandler', 'heat pump running, no aux', 'heat pump running; strips still'],
    ['furnace', 'neutral loose, 58 to ground', 'neutral to ground 58; note neutral loose'],
    ['panel', 'holds on zone 1, trips zone 2', 'holds on zone 1, trips on zone 2'],
  ] as const)('%s: %s', (where, said, inFull) => {
    // The words in full have to be an entry: two lines that are refused alike would pass for the same.
    expect(at[where](inFull)).toMatchObject({ ok: true })
    expect(answerTo(at[where], said)).toBe(answerTo(at[where], inFull))
  })

  it('volts of the line at the contactor are read where it is', () =>
    expect(drafts(at.airHandler, '240 at the contactor')).toMatchObject([
      { answer: 240, probe: { a: expect.stringMatching(/@outdoor$/) } },
    ]))

  it('half an amp is 0.5 A', () =>
    expect(drafts(at.cooling, 'half an amp on Y')).toMatchObject([{ answer: 0.5, probe: { meter: 'amps' } }]))

  it('the call is the one whose letters are called', () => {
    expect(drafts(at.airHandler, 'calling for Y and O')).toMatchObject([{ change: { do: 'call', call: 'cool' } }])
    expect(drafts(at.airHandler, 'stat calls Y and G')).toMatchObject([{ change: { do: 'call', call: 'heat' } }])
  })
})

describe('what is asked, and not taken for something else', () => {
  it.each([
    ['cooling', '1.4 on R when cool calls', 'Amps, or volts to common?'],
    ['cooling', 'no call from stat', 'What did you read there?'],
    ['heating', 'ohmed igniter 65', 'The power is on in the record'],
    ['heating', 'igniter open', 'The power is on in the record'],
    ['heating', "won't light", 'Did the igniter glow?'],
    ['airHandler', 'holds on G', 'Is that the call, or G joined to R at the unit?'],
    ['airHandler', 'no blow on G', 'Is that the call, or G joined to R at the unit?'],
    ['airHandlerOff', 'looped R and C at the stat, 1.8', 'A loop is read with both wires off at both ends'],
    ['airHandlerOff', 'twisted Y and C at the outdoor, read 2.1 here', 'A loop is read with both wires off at both ends'],
    ['airHandlerOff', 'reconnected outdoor cable', 'The record has those wires on their terminals'],
    ['furnaceOff', 'wires back on', 'The record shows nothing lifted'],
    ['airHandlerOff', 'R to W 0.4 stat wires off', 'On the wires that are off, or on the screws?'],
  ] as const)('%s: %s', (where, said, asked) => expect(answerTo(at[where], said)).toContain(asked))

  it.each([
    ['contractor', 'contractor'],
    ['bumped', 'bumped'],
    ['contacter', 'contactor'],
  ])('%s is spelled %s', (word, is) => expect(correctedWord(word, systemOf('furnace-ac'))).toBe(is))
})

it('a mode that works is told in one breath with the one that does not, in the middle of a visit, too', () => {
  for (const line of ['AC out, furnace fine', 'no AC but heat ok', 'heat fine, no ac'])
    expect(drafts(at.furnace, line)).toMatchObject([{ kind: 'complaint', complaint: { symptoms: ['mode-dead'], call: 'cool' } }])
})

it('two letters side by side are read at the place with which they end, and what a jumper brings on is no call', () => {
  const twoStage = standing('furnace-ac-two-stage', 'indoor', 'on', { do: 'call', call: 'cool' })
  expect(drafts(twoStage, 'Y1 26.2 Y2 25.9 at cond')).toMatchObject([{ probe: { a: 'Y1@outdoor' } }, { probe: { a: 'Y2@outdoor' } }])
  expect(
    drafts(twoStage, 'R-Y2 jumpered second stage came on').map(({ kind, ...draft }) => 'change' in draft && draft.change),
  ).toMatchObject([{ do: 'jumper' }, false])
})

it.each(['unit 2 of 3', 'walk to condenser is 2 min', 'customer said yes', 'breaker in the panel tripped', '40 VA transformer'])(
  '%s stays a note, and nothing else comes of it',
  (said) => expect(drafts(at.furnace, said)).toMatchObject([{ kind: 'note' }]),
)

it("the unit's number is kept beside the walk to it", () =>
  expect(drafts(standing('rooftop-gas', 'thermostat', 'on'), 'roof, unit 2')).toMatchObject([
    { kind: 'bench', change: { do: 'walk', place: 'package' } },
    { kind: 'note', text: 'unit 2' },
  ]))

it('behind an open fuse one volt and a bit is asked after: it is mostly the ohms of a short', () => {
  const blown = standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'nothing' })
  expect(answerTo(blown, 'Y to C 1.1')).toContain('Volts, or ohms with the power off?')
  expect(drafts(blown, 'Y to C 0.1')).toMatchObject([{ answer: 0.1, probe: { meter: 'volts' } }])
})

it('what quit stands before the comma', () => {
  const first = (line: string) => readQuickLine(line, { system: systemOf('furnace-ac'), entries: [], suspects: [], proposed: null })
  expect(drafts(first, 'AC quit, heat works')).toMatchObject([{ kind: 'complaint', complaint: { call: 'cool' } }])
  expect(drafts(first, 'trips in heat only')).toMatchObject([
    { kind: 'complaint', complaint: { symptoms: ['fuse-on-call'], call: 'heat' } },
  ])
})

it('the board that flashes is the one that lights the burners, in its own words; a thermostat that is called by letters is the only one', () => {
  expect(answerTo(at.heating, 'board flashing 2')).toBe('ignition control: flashes, then note: board flashing 2')
  expect(drafts(at.furnace, 'board flashing 2')).toMatchObject([{ kind: 'note' }])
  expect(standing('zoned-furnace-ac', 'panel', 'on')('calling for Y').ok).toBe(false)
})
