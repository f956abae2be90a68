import { readQuickLine } from '@/src/core/quick-line/read-line'
import type { Point } from '@/src/core/wiring/point'
import { systemOf } from '@/tests/setup/engines'
import { drafts, standing, standingAfter } from '@/tests/setup/standing'

const lift = (end: Point) => ({ do: 'lift', end }) as const
const walk = (place: string) => ({ do: 'walk', place }) as const

/** A line as it is said enters what a line of the grammar does. */
function meansTheSame(system: string, place: string, power: 'on' | 'off', line: string, meant: string): void {
  const at = standing(system, place, power)
  expect(drafts(at, line)).toEqual(drafts(at, meant))
}

describe('what leans on the course of the visit', () => {
  const bOff = standing('heat-pump-b', 'indoor', 'off', lift('outdoor-cable.B@outdoor'), lift('stat-cable.B@thermostat'))

  it('a letter of two cables is the wire whose other end came off last', () => {
    expect(drafts(bOff, 'lifted B at the air handler too')).toEqual(drafts(bOff, 'lift stat-cable.B@indoor'))
    expect(drafts(bOff, 'lifted both ends')).toEqual(drafts(bOff, 'lift stat-cable.B@indoor'))
    expect(drafts(bOff, 'took the other end loose')).toEqual(drafts(bOff, 'lift stat-cable.B@indoor'))
  })

  it('with neither end off it is asked which', () => {
    const read = standing('heat-pump-b', 'indoor', 'off')('lift B')
    expect(read.ok ? '' : read.problem).toContain('More than one conductor')
  })

  it.each([
    ['furnace-ac', 'indoor', 'on', 'fuse back in', 'fuse in'],
    ['heat-pump-o', 'outdoor', 'on', 'pulled the reversing valve plug', 'unplug valve'],
    ['rooftop-electric', 'package', 'off', 'unplugged sequencer 1', 'unplug sequencer'],
    ['furnace-ac', 'indoor', 'on', 'cool holds, condenser runs', 'holds on cool; outdoor as called'],
    ['furnace-ac', 'indoor', 'on', 'cool holds, blower runs', 'holds on cool; blower runs'],
    ['furnace-ac', 'indoor', 'on', 'looked over the outdoor cable, bare Y where it goes through the cabinet', 'bare outdoor Y'],
    ['furnace-induced-draft', 'indoor', 'on', 'pressure switch will not close', "pressure switch won't close"],
    [
      'furnace-induced-draft',
      'indoor',
      'on',
      'jumped the pressure switch to test, igniter glows',
      'jumped the pressure switch, igniter glows',
    ],
    ['zoned-furnace-ac', 'panel', 'off', 'Y to C on the zone 2 cable 3 ohms', 'stat-cable-2 Y to stat-cable-2 C 3'],
    ['furnace-ac', 'indoor', 'on', 'stat shows E74', 'note stat shows E74'],
    ['furnace-ac', 'indoor', 'on', 'no code', 'note no code'],
    ['heat-pump-o', 'indoor', 'on', 'transformer is burnt', 'note transformer is burnt'],
    ['air-handler-plain', 'indoor', 'on', 'breaker off', 'power off'],
    ['air-handler-plain', 'indoor', 'on', "breaker's on", "note breaker's on"],
    ['air-handler-plain', 'indoor', 'off', 'turned the breaker back on', 'power on'],
    ['air-handler-plain', 'indoor', 'on', 'line voltage at the primary leads 0', 'primary 0'],
    ['dual-fuel', 'indoor', 'on', 'pull W off the defrost board', 'lift W at outdoor'],
    ['furnace-ac', 'indoor', 'off', 'lifted Y at the furnace and Y at the stat', 'lift stat Y; lift stat Y at thermostat'],
    ['furnace-ac', 'outdoor', 'on', 'Y-C 26 outside on the wires coming in', 'Y-C 26'],
    ['furnace-two-transformers', 'indoor', 'on', 'checked the AC transformer, 120 in, nothing out', 'AC transformer 120 in, nothing out'],
    ['heat-pump-o', 'indoor', 'on', 'pulled my breaker and put a 5 amp fuse in', 'breaker out; fuse 5 in'],
    ['furnace-induced-draft', 'indoor', 'on', 'inducer runs but nothing else', 'inducer runs; note inducer runs but nothing else'],
    ['furnace-induced-draft', 'indoor', 'on', 'igniter glows and lights', 'igniter runs; flame burns'],
    ['furnace-ac', 'indoor', 'on', 'cool comes on', 'holds on cool'],
    ['furnace-ac', 'indoor', 'on', 'no jumper between R and Y', 'note no jumper between R and Y'],
    ['furnace-ac', 'indoor', 'on', 'loose wire nut on L2', 'note loose wire nut on L2'],
    ['furnace-ac', 'indoor', 'on', 'power off first', 'power off'],
  ] as const)('%s, at %s, power %s: "%s" is "%s"', meansTheSame)

  it('wires that are off go back as "the wires"', () => {
    const off = standing('furnace-ac', 'outdoor', 'off', lift('outdoor-cable.Y@outdoor'), lift('outdoor-cable.C@outdoor'))
    expect(drafts(off, 'wires back on')).toEqual(drafts(off, 'land outdoor-cable.Y@outdoor; land outdoor-cable.C@outdoor'))
  })

  it('the cable that came off under the leads is read at the screws', () => {
    const read = standingAfter('heat-pump-o', 'indoor', [{ do: 'power', on: false }, 'R-C 0.4'])
    const last = drafts(read, 'pulled the outdoor wires, still 0.4').at(-1)
    expect(last).toMatchObject({ probe: { meter: 'ohms', a: 'R@indoor', b: 'C@indoor' }, answer: 0.4 })
  })

  it('what is taped is mended where copper was seen, and a remark before that', () => {
    const seen = standingAfter('furnace-ac', 'indoor', ['bare outdoor Y'])
    expect(drafts(seen, 'taped the wire')).toMatchObject([{ kind: 'repair' }])
    expect(drafts(standing('furnace-ac', 'indoor', 'on'), 'taped the wire')).toMatchObject([{ kind: 'note' }])
  })

  it('lock-out before anything is done is the complaint, and a remark after', () => {
    expect(drafts(standing('furnace-induced-draft', 'indoor', 'on'), 'furnace locks out')).toMatchObject([{ kind: 'complaint' }])
    const called = standing('furnace-induced-draft', 'indoor', 'on', { do: 'call', call: 'heat' })
    expect(drafts(called, 'furnace locks out')).toMatchObject([{ kind: 'note' }])
  })

  it.each([
    ['heat-pump-o', 'breaker on the transformer trips in heat', 'heat'],
    ['rooftop-electric', 'unit trips the breaker on the transformer when heat comes on', 'heat'],
    ['heat-pump-o', 'heat pump blows a 3 amp every couple days', null],
    ['zoned-furnace-ac', 'zone 1 works, zone 2 no cooling', 'cool-zone-2'],
    ['furnace-two-transformers', 'replaced t-stat yesterday and now nothing', null],
    ['dual-fuel', 'rats in the attic, fuse blows on fan', 'fan'],
    ['furnace-ac', "AC blows fuses, heat's fine", 'cool'],
    ['furnace-two-transformers', "new thermostat installed, AC works but heat doesn't", 'heat'],
    ['furnace-induced-draft', "furnace won't fire", 'heat'],
  ] as const)('%s: "%s", before anything is done, is the complaint', (system, line, call) => {
    const read = (said: string) => readQuickLine(said, { system: systemOf(system), entries: [], suspects: [], proposed: null })
    expect(drafts(read, line)).toMatchObject([{ kind: 'complaint', complaint: { call } }])
  })

  it('what is off already and told again beside a reading is left out', () => {
    const off = standing('cool-strips', 'indoor', 'off', lift('stat-cable.W@indoor'))
    expect(drafts(off, 'W off, W screw to C 2.4')).toEqual(drafts(off, 'W-C 2.4'))
    const alone = off('lift W')
    expect(alone.ok ? '' : alone.problem).toContain('lifted already')
  })

  it('two wires on the cable that is off are read on its ends, and not on the screws', () => {
    const off = standing('dual-fuel', 'indoor', 'off', lift('stat-cable.Y@indoor'))
    expect(drafts(off, 'Y wire to C wire OL')).toEqual(drafts(off, 'stat Y to stat C OL'))
    expect(drafts(off, 'Y to C on the cable OL')).toEqual(drafts(off, 'stat Y to stat C OL'))
  })

  it('what is jumpered as "it" is the switch that nothing came out of', () => {
    const read = standingAfter('heat-pump-o', 'outdoor', [
      { do: 'walk', place: 'outdoor' },
      { do: 'call', call: 'cool' },
      'low pressure switch 24 in and nothing out',
    ])
    expect(drafts(read, 'jumpered across it and the contactor pulled in')).toEqual(
      drafts(read, 'jumpered across the low pressure switch and the contactor pulled in'),
    )
  })

  it('what goes back on and what comes off in one line are two things', () => {
    const off = standing('cool-strips', 'indoor', 'on', lift('stat-cable.R@indoor'))
    expect(drafts(off, 'R back on, stat unplugged, blows').map((draft) => (draft.kind === 'bench' ? draft.change.do : draft.kind))).toEqual(
      ['land', 'unplug', 'trip'],
    )
  })

  it('a thermostat that is off may be set to off, or off the wall', () => {
    const read = standing('rooftop-electric', 'package', 'on')('G to C 26 with stat off')
    expect(read.ok ? '' : read.problem).toContain('Set to off, or off the wall?')
  })

  it('what a supply reads, with the power still off in the record, is asked after', () => {
    const read = standingAfter('heat-pump-o', 'indoor', [{ do: 'power', on: false }, 'replaced the contactor'])
    const asked = read('R-C 25')
    expect(asked.ok ? '' : asked.problem).toContain('Volts, with the power back on?')
    expect(drafts(read, 'R-C 25 ohms')).toMatchObject([{ probe: { meter: 'ohms' }, answer: 25 }])
    expect(drafts(standing('heat-pump-o', 'indoor', 'off'), 'Y-C 25')).toMatchObject([{ probe: { meter: 'ohms' }, answer: 25 }])
  })

  it('more amps than a control circuit has are asked after', () => {
    const read = standing('rooftop-electric', 'package', 'on')('41 amps')
    expect(read.ok ? '' : read.problem).toContain('Amps on what?')
  })

  it('what was read on a call is no ohms: it is asked whether the power is on again', () => {
    const read = standing('dual-fuel', 'indoor', 'off')('R-C 25 in cool')
    expect(read.ok ? '' : read.problem).toContain('Is it back on?')
  })

  it('wires go back on by their letters', () => {
    const off = standing('furnace-no-common', 'outdoor', 'on', lift('outdoor-cable.Y@outdoor'), lift('outdoor-cable.C@outdoor'))
    expect(drafts(off, 'Y and C back on at the condenser')).toEqual(drafts(off, 'land outdoor Y; land outdoor C'))
  })

  it('a repair keeps its words', () => {
    const at = standing('furnace-ac', 'outdoor', 'off', walk('outdoor'))
    expect(drafts(at, 'replaced the high pressure switch')).toMatchObject([{ kind: 'repair', what: 'Replaced the high pressure switch' }])
  })
})

describe('where it was, of several places', () => {
  it.each([
    ['dual-fuel', 'indoor', 'off', 'W off at the stat and the furnace', 'lift stat W at thermostat; lift stat W'],
    ['dual-fuel', 'indoor', 'off', 'Y is off at the heat pump and at the furnace', 'lift outdoor Y; lift outdoor Y at outdoor'],
    ['heat-pump-b', 'indoor', 'off', 'unplugged W from the defrost board', 'lift outdoor W at outdoor'],
    ['heat-pump-o', 'outdoor', 'on', 'reversing valve clicks off', 'valve out'],
    ['heat-pump-o', 'outdoor', 'on', 'O dropped to 0', 'O-C 0'],
    ['heat-pump-o', 'outdoor', 'on', 'should be off in heat', 'note should be off in heat'],
    ['rooftop-gas', 'package', 'on', 'shut it down', 'power off'],
    ['rooftop-gas', 'package', 'off', 'turned it back on', 'power on'],
    ['furnace-induced-draft', 'indoor', 'on', 'heat, holds, lights', 'holds on heat; flame burns'],
    ['heat-pump-o', 'indoor', 'on', 'supply 98', 'note supply 98'],
  ] as const)('%s, at %s, power %s: "%s" is "%s"', meansTheSame)

  it('a unit that is off, or something that was pulled, is no power that is off', () => {
    for (const line of ['unit is off', 'system off', 'pulled it', 'cut it']) {
      const read = standing('rooftop-gas', 'package', 'on')(line)
      const entered = read.ok ? read.drafts : []
      expect(entered).not.toContainEqual({ kind: 'bench', change: { do: 'power', on: false } })
    }
  })

  it('where a house has two switches it is asked which is off', () => {
    const read = standing('furnace-ac', 'indoor', 'on')('shut it down')
    expect(read.ok ? '' : read.problem).toContain('Which one?')
  })
})

describe('as it is typed in a hurry', () => {
  it.each([
    ['heat-pump-o', 'indoor', 'on', 'pwr off', 'power off'],
    ['heat-pump-o', 'indoor', 'on', 'htg - holds', 'holds on heat'],
    ['heat-pump-o', 'indoor', 'on', 'clg: trips', 'trips on cool'],
    ['heat-pump-o', 'indoor', 'on', '240 L1-L2', 'L1-L2 240'],
    ['zoned-furnace-ac', 'panel', 'on', 'W-C 26 @ furn', 'W-C 26 at indoor'],
    ['zoned-furnace-ac', 'panel', 'on', 'W2-C2 26 @ panel', 'W2-C2 26'],
    ['furnace-induced-draft', 'indoor', 'on', 'ind runs, no ign', 'inducer runs; note no ignition'],
    ['furnace-induced-draft', 'indoor', 'on', 'reset pwr', 'power off; power on'],
    ['furnace-ac', 'indoor', 'on', 'new fuse 3a', 'fuse 3 in'],
    ['furnace-ac', 'indoor', 'on', 'stat set for cool', 'call cool'],
    ['furnace-ac', 'indoor', 'on', 'outdoor cable is chewed', 'chewed outdoor cable'],
    ['furnace-ac', 'indoor', 'on', 'stat has no display', 'stat blank'],
    ['zoned-furnace-ac', 'indoor', 'on', 'unit cable Y off the panel', 'lift unit-cable Y at panel'],
    ['zoned-furnace-ac', 'indoor', 'on', 'damper 1 unplugged, stat 1 clears', 'unplug damper-1; thermostat-1 alive'],
    ['heat-pump-o', 'indoor', 'on', 'amps 1.2 steady 30 minutes', '1.2 A on R'],
    ['air-handler-plain', 'indoor', 'on', 'so outside', 'note so outside'],
    ['furnace-two-transformers', 'indoor', 'on', 'Rc and Rh jumper was left out', 'note Rc and Rh jumper was left out'],
    ['air-handler-120', 'indoor', 'on', 'wiggled the float wires, nothing', 'note wiggled the float wires, nothing'],
    ['rooftop-gas', 'package', 'on', 'unit 4 on roof, tstat blank', 'stat blank'],
    ['furnace-ac', 'indoor', 'on', 'put a 3 amp breaker in line', 'breaker 3 in'],
    ['furnace-ac', 'indoor', 'on', 'at the condenser 26 volts between the two low voltage wires', 'Y-C 26 V at outdoor'],
    ['furnace-ac', 'outdoor', 'on', 'checked the coil with power off, 11 ohms', 'power off; contactor 11 ohm'],
    ['furnace-ac', 'indoor', 'on', 'R-C 24 no call, 15 with cool on', 'R-C 24 V; call cool; R-C 15 V'],
    ['package-heat-pump', 'package', 'on', 'contactor is in with no power on coil', 'contactor coil 0 V; contactor in'],
    ['heat-pump-b', 'indoor', 'on', 'stat cool', 'call cool'],
    ['furnace-no-common', 'indoor', 'on', 'breaker never tripped', 'note breaker never tripped'],
    ['furnace-ac', 'thermostat', 'on', 'bare C touching R', 'bare stat C'],
    ['dual-fuel', 'indoor', 'off', 'at the unit Y off contactor', 'lift outdoor Y at outdoor'],
  ] as const)('%s, at %s, power %s: "%s" is "%s"', meansTheSame)

  it('a built-in breaker that is found tripped was found so; once something is called it tripped on that', () => {
    expect(drafts(standing('rooftop-electric', 'package', 'on'), 'bkr tripped')).toMatchObject([
      { probe: { at: 'fuse' }, answer: { word: 'blown' } },
    ])
    const called = standing('rooftop-electric', 'package', 'on', { do: 'call', call: 'heat' })
    expect(drafts(called, 'bkr tripped')).toMatchObject([{ kind: 'trip', result: 'trips' }])
  })
})
