import { emptyComplaint } from '@/src/core/job/complaint'
import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { drafts, standing, standingAfter } from '@/tests/setup/standing'

const furnace = standing('furnace-ac', 'indoor', 'on')
const furnaceDead = standing('furnace-ac', 'indoor', 'off')
const condenser = standing('furnace-ac', 'outdoor', 'on')
const condenserDead = standing('furnace-ac', 'outdoor', 'off')
const stat = standing('furnace-ac', 'thermostat', 'on')
const statOff = standing('furnace-ac', 'thermostat', 'off')
const heatPump = standing('heat-pump-o', 'indoor', 'on')
const panelDead = standing('zoned-furnace-ac', 'panel', 'off')
const rooftop = standing('rooftop-gas', 'package', 'on')

describe('readings under a condition, and what goes back on', () => {
  it.each([
    ['fuse went as soon as i hit the switch', furnace, 'trips'],
    ['3 amp popped the second the ac kicked on', furnace, 'call cool; trips'],
    ['swapped the fuse for my resettable breaker', furnace, 'breaker in'],
    ['dampers unplugged', panelDead, 'unplug damper-1; unplug damper-2'],
    ['blower comes on, outside nothing', furnace, 'call cool; blower runs; outdoor not as called'],
    ['ran r to g at the board, blower starts', furnace, 'jumper R G; blower runs'],
    ['flame for 3 seconds then out', rooftop, 'call heat; flame lights and goes out'],
    ['cycled cooling three times all good', furnace, 'cycles 3 cool'],
    ['y hot to ground', furnace, 'Y-gnd jumps between 20 and 28 V'],
    ['24 drops to 12 on cool', furnace, 'R-C 24 V; call cool; R-C 12 V'],
    ['sags to 18 with the contactor in', furnace, 'call cool; R-C 18 V; contactor in'],
    ['coil by itself 12.4', condenserDead, 'unplug contactor; ohms across contactor 12.4'],
    ['y clears when the outside wire is off', furnaceDead, 'lift outdoor Y; lift outdoor C; Y-gnd OL'],
    ['y still grounded with the outside lifted', furnaceDead, 'lift outdoor Y; lift outdoor C; Y-gnd jumps between 0 and 1'],
    ['all conductors of the outdoor cable clear to ground', furnaceDead, 'Y-gnd OL; C-gnd OL'],
    ['bare yellow against the cabinet', condenserDead, 'rubbed outdoor'],
    ['new contactor pulls in', condenser, 'contactor in'],
    ["it's buzzing out here", condenser, 'contactor chatters'],
    ['contactor hums', furnace, 'call cool; contactor chatters'],
    ['jumper r to y trips', furnace, 'jumper R Y; trips'],
    ['turned the stat down to 65', stat, 'call cool'],
    ['switched off', stat, 'call off'],
    ['red is not landed on r', statOff, 'landings R off'],
    ['board has power, stat does not', furnace, 'R-C jumps between 20 and 28 V; thermostat blank'],
    ['jumper r to y does nothing', furnace, 'jumper R Y; outdoor not as called'],
    ['r to w jumper fires the furnace', furnace, 'jumper R W; indoor as called'],
    ['fuse is a 3, board wants a 5', furnace, 'fuse 3 in'],
    ['outdoor pair reads 12 which is the coil', furnaceDead, 'outdoor pair reads 12'],
    ['stat says cool on, no clicks', stat, 'call cool; thermostat shows a call'],
    ['all wires off the sub base', statOff, ['R', 'Y', 'G', 'W', 'C'].map((wire) => `lift stat ${wire}`).join('; ')],
    ['lights, burns 10 seconds and drops out', rooftop, 'call heat; flame lights and goes out'],
    ['fuse blown, replaced with 5', furnace, 'fuse blown; fuse 5 in'],
    ['unwired contactor coil', condenserDead, 'unplug contactor'],
    ['y and c of the run dead shorted', condenserDead, 'Y-C jumps between 0 and 1'],
    ['y to c shorted 0.5', condenserDead, 'Y-C 0.5'],
    ['ran new 18/2', condenserDead, 'repaired Ran new 18/2'],
    ['contactor in after 5 minutes', condenser, 'contactor in; note contactor in after 5 minutes'],
    ['inducer runs igniter glows burner lights', rooftop, 'call heat; flame burns'],
    ['lifted w at both ends', furnaceDead, 'lift stat W at thermostat; lift stat W at indoor'],
    ['all stat wires off both ends, R to W 0.3', furnaceDead, 'stat cable off at both ends; ohms lifted stat R-lifted stat W 0.3'],
    ['o out to c 26', standing('heat-pump-o', 'outdoor', 'on'), 'O-out-C 26 V'],
    ['y in 26, o out 0', standing('heat-pump-o', 'outdoor', 'on'), 'Y-C 26 V; O-out-C 0 V'],
    ['low pressure switch OL by itself', condenserDead, 'unplug low-pressure; ohms across low-pressure OL'],
    ['heat pump not cooling, blower runs', heatPump, 'call cool; outdoor not as called; blower runs'],
    ['not heating, blower runs', furnace, 'complaint not heating; blower runs'],
    ['blower still runs', furnace, 'blower runs'],
    ['batteries were dead, put new ones in', stat, 'repaired batteries were dead, put new ones in'],
    ['y1 ok y2 dead', rooftop, 'Y1-C jumps between 20 and 28 V; Y2-C 0 V'],
    ['emergency heat brings the strips on', heatPump, 'call emergency heat; strips runs'],
  ])('"%s"', (said, at, entered) => {
    expect(drafts(at, said)).toEqual(drafts(at, entered))
  })

  it('all of a cable that is off goes back, and what it does then', () => {
    const lifts = ['Y', 'C'].map((wire) => ({ do: 'lift', end: `outdoor-cable.${wire}@indoor` }) as const)
    const off = standing('furnace-ac', 'indoor', 'off', ...lifts, { do: 'power', on: true })
    expect(drafts(off, 'condenser wires back on, trips')).toEqual(drafts(off, 'land outdoor Y; land outdoor C; trips'))
    const nothingOff = furnace('condenser wires back on, trips')
    expect(nothingOff.ok ? '' : nothingOff.problem).toContain('no wire of that cable off')
  })

  it('a breaker that tripped was reset before it holds, or trips on something else; the same trial told again is no second one', () => {
    const slot = { do: 'slot', holds: 'breaker', ratingA: 3 } as const
    const cooling = [slot, { do: 'call', call: 'cool' } as const]
    const tripped = standingAfter('furnace-ac', 'indoor', [...cooling, 'trips', { do: 'unplug', part: 'contactor' }])
    expect(drafts(tripped, 'holds')).toEqual([
      { kind: 'bench', change: { do: 'reset' } },
      { kind: 'trip', result: 'holds' },
    ])
    expect(drafts(tripped, 'still trips')).toEqual([
      { kind: 'bench', change: { do: 'reset' } },
      { kind: 'trip', result: 'trips' },
    ])
    const untouched = standingAfter('furnace-ac', 'indoor', [...cooling, 'trips'])('trips')
    expect(untouched.ok ? '' : untouched.problem).toContain('It tripped already')
  })

  it('a fuse that blew was replaced before it holds, or blows on something else', () => {
    const cool = { do: 'call', call: 'cool' } as const
    const again = { kind: 'bench', change: { do: 'slot', holds: 'fuse', ratingA: 3 } }
    const blew = standingAfter('furnace-ac', 'indoor', [cool, 'trips', { do: 'call', call: 'fan' }])
    expect(drafts(blew, 'holds')).toEqual([again, { kind: 'trip', result: 'holds' }])
    expect(drafts(blew, 'trips')).toEqual([again, { kind: 'trip', result: 'trips' }])
    expect(drafts(standingAfter('furnace-ac', 'indoor', [cool, 'trips']), 'heat trips')).toEqual([
      again,
      { kind: 'bench', change: { do: 'call', call: 'heat' } },
      { kind: 'trip', result: 'trips' },
    ])
  })

  it('a jumper that is in and said again says what it brings, also with a wire off its screw; by itself it is refused', () => {
    const jumper = { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' } as const
    const jumped = standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'breaker', ratingA: 3 }, jumper, {
      do: 'lift',
      end: 'outdoor-cable.Y@indoor',
    })
    expect(drafts(jumped, 'jumped r to y, holds')).toEqual([{ kind: 'trip', result: 'holds' }])
    const alone = jumped('jumper R Y')
    expect(alone.ok ? '' : alone.problem).toContain('in already')
  })

  it('where a wire comes off, and the stage that is called, are heard', () => {
    expect(drafts(condenserDead, 'pulled y at the contactor')).toEqual(drafts(condenserDead, 'lift outdoor Y'))
    const twoStage = standing('furnace-ac-two-stage', 'indoor', 'on')
    expect(drafts(twoStage, 'call second stage heat')).toEqual([{ kind: 'bench', change: { do: 'call', call: 'heat-2' } }])
  })

  it('a letter that is live on the call that the line implies was read on it', () => {
    const induced = standing('furnace-induced-draft', 'indoor', 'on')
    expect(drafts(induced, 'w 26, inducer running')).toEqual(drafts(induced, 'call heat; W-C 26 V; inducer runs'))
    expect(drafts(induced, 'w 0, inducer running')).toEqual(drafts(induced, 'W-C 0 V; call heat; inducer runs'))
  })

  it('a reading taken outside moves the technician there: "y out" is then the output of the board outside', () => {
    const walked = standing('heat-pump-o', 'indoor', 'on')
    const out = walked('y out to c 0')
    expect(out.ok ? '' : out.problem).toContain('nothing of "y out"')
    const system = systemOf('heat-pump-o')
    const [reading] = drafts(walked, 'outside y to c 26')
    const entries = [stampEntry(reading, { newId: () => 'read', now: () => '2026-05-04T09:10:00Z' })]
    expect(foldJob(system, entries).bench.place).toBe('outdoor')
  })

  it('the code that was told is the one that is seen, and the one that is gone', () => {
    const happened: EntryDraft[] = [
      { kind: 'complaint', complaint: { ...emptyComplaint, words: 'over current code', symptoms: ['code'] } },
      { kind: 'bench', change: { do: 'call', call: 'cool' } },
    ]
    const entries = happened.map((draft, index) => stampEntry(draft, { newId: () => `e${index}`, now: () => '2026-05-04T09:10:00Z' }))
    const read = (line: string) => readQuickLine(line, { system: systemOf('furnace-ac'), entries, suspects: [], proposed: null })
    expect(drafts(read, 'code on the stat')).toMatchObject([{ probe: { at: 'stat' }, answer: { word: 'over-current code' } }])
    expect(drafts(read, 'no code')).toMatchObject([{ probe: { at: 'stat' }, answer: { word: 'alive' } }])
  })

  it('a zone that is named has its own call', () => {
    const [told] = drafts(standing('zoned-furnace-ac', 'indoor', 'on'), 'zone 2 does not cool')
    expect(told).toMatchObject({ kind: 'complaint', complaint: { symptoms: ['mode-dead'], call: 'cool-zone-2' } })
  })

  it('a complaint first, then what the burners do as one look', () => {
    const induced = standing('furnace-induced-draft', 'indoor', 'on')
    expect(drafts(induced, 'no heat, igniter glows, no flame')).toEqual(
      drafts(induced, 'complaint no heat; call heat; flame glows without flame'),
    )
  })

  it('a wire of two cables is asked after, and neither end of it is dropped', () => {
    const understood = furnaceDead('y off at both ends')
    expect(understood.ok ? '' : understood.problem).toContain('Which cable?')
  })

  it('a jumper that is pulled off is none that is put in', () => {
    const over = { do: 'jumper', a: 'high-low@outdoor', b: 'low-contactor@outdoor' } as const
    const jumped = standing('furnace-ac', 'outdoor', 'off', over)
    expect(drafts(jumped, 'pulled the jumper off the low pressure')).toEqual([{ kind: 'bench', change: { ...over, do: 'unjumper' } }])
    expect(condenserDead('pulled the jumper off the low pressure').ok).toBe(false)
  })

  it.each([
    ['aux heat is running with the heat pump', 'No call is on'],
    ['water in the pan, safety tripped', 'Which safety?'],
  ])('"%s" is asked back: no walk, no trip', (said, question) => {
    const understood = heatPump(said)
    expect(understood.ok ? '' : understood.problem).toContain(question)
  })

  it('"no c wire here" is asked back, not entered as 0 V', () => {
    const understood = stat('no c wire here')
    expect(understood.ok ? '' : understood.problem).toContain('there no wire on C')
  })

  it.each([
    'over current code on the stat when cooling',
    'ac quits after ten minutes, works again after an hour',
    'heat only works on emergency heat',
    'somebody was mowing last weekend',
    'ac dead since the storm',
    'strips stay on all the time',
    'no ac upstairs, furnace fine',
  ])('"%s" is the customer\'s', (said) => {
    expect(drafts(furnace, said).map(({ kind }) => kind)).toEqual(['complaint'])
  })
})
