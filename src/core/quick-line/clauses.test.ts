import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }

/** A line, read where one stands with the power on or off. */
function at(id: string, place: string, power: 'on' | 'off' = 'on') {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  const entries: Entry[] = [stampEntry({ kind: 'bench', change: { do: 'walk', place } }, stamp)]
  if (power === 'off') entries.push(stampEntry({ kind: 'bench', change: { do: 'power', on: false } }, stamp))
  return (line: string) => {
    const understood = readQuickLine(line, { system, entries, suspects: [], proposed: null })
    if (!understood.ok) throw new Error(`${line}: ${understood.problem}`)
    return understood.drafts
  }
}

const inside = at('furnace-ac', 'indoor')
const deadInside = at('furnace-ac', 'indoor', 'off')
const outside = at('furnace-ac', 'outdoor')
const deadOutside = at('furnace-ac', 'outdoor', 'off')
const atPanel = at('zoned-furnace-ac', 'panel')
const onRoof = at('rooftop-gas', 'package')

describe('several things said in one breath', () => {
  it.each([
    [inside, 'jumped R to Y, popped right away', 'jumper R Y; trips'],
    [deadInside, 'outdoor Y and C off at the board, 0.6 between them', 'lift outdoor Y; lift outdoor C; outdoor Y-outdoor C 0.6'],
    [deadInside, 'Y/C 0.4 ohm dead short', 'Y-C 0.4'],
    [inside, 'turned it to cool and down to 65', 'call cool'],
    [inside, 'lifted G, still trips on cool', 'lift G; trips on cool'],
    [inside, 'fan and heat hold, cool trips', 'holds on fan; holds on heat; trips on cool'],
    [inside, 'ran heat for 5 min, no trip', 'call heat; holds'],
    [deadOutside, 'contactor coil 0.8 ohms, shorted', 'ohms across contactor 0.8'],
    [deadOutside, 'contactor coil wires off, 13 ohm across the coil', 'unplug contactor; ohms across contactor 13'],
    [outside, 'compressor not starting, contactor in', 'compressor still; contactor in'],
    [outside, 'contactor not pulling in, 24 at the coil', 'contactor out; low-contactor-C 24 V'],
    [inside, 'jumpered R-Y-G, holds', 'jumper R Y; jumper R G; holds'],
    [inside, '3 amp breaker in, call cool, trips in 2 sec', 'breaker 3 in; call cool; trips after 2 s'],
    [inside, 'took the 3 amp out, 5 amp breaker in', 'fuse out; breaker 5 in'],
    [inside, 'breaker kicks after a second or two on cool', 'trips on cool'],
    [inside, 'no problem on heat, cool blows it', 'holds on heat; trips on cool'],
    [inside, 'R to G 24 with fan off', 'call off; R-G 24 V'],
    [inside, 'jumpered fan, blower runs', 'jumper R G; blower runs'],
    [inside, 'Y 24.1 G 24.0', 'Y-C 24.1 V; G-C 24 V'],
    [deadInside, 'transformer secondary 1 ohm, primary 18', 'transformer secondary 1 ohm; ohms L1-unit-N 18'],
    [outside, 'Y hot out here but contactor not in', 'Y-C jumps between 20 and 28; contactor out'],
    [inside, 'G is dead, Y is hot', 'G-C 0 V; Y-C jumps between 20 and 28'],
    [inside, 'trips in heat not in cool', 'trips on heat; holds on cool'],
    [inside, 'fuse 3 amp, good', 'fuse good'],
    [inside, 'holds with the fan, trips with the AC', 'holds on fan; trips on cool'],
    [inside, 'tripped again with everything hooked up', 'trips'],
    [inside, 'no trip on heat or fan', 'holds on heat; holds on fan'],
    [inside, 'fuse looks ok but no 24', 'fuse good; R-C 0 V'],
    [inside, 'relay pulled in, blower not running', 'blower-relay in; blower still'],
    [inside, 'it quit tripping once I unhooked the outdoor run', 'lift outdoor Y; lift outdoor C; holds'],
    [inside, 'transformer in 121 out 0', 'primary 121; transformer secondary 0'],
  ])('%# %p', (read, line, means) => expect(read(line)).toEqual(read(means)))

  it('puts a condition before what came of it, wherever it is said', () => {
    expect(inside('trips when I jump R to Y')).toEqual(inside('jumper R Y; trips'))
    expect(inside('holds with the outdoor cable off')).toEqual(inside('lift outdoor Y; lift outdoor C; holds'))
    expect(inside('24 on Y with cool on')).toEqual(inside('call cool; Y-C 24 V'))
  })

  it('keeps what names nothing of the circuit as a remark beside the rest', () => {
    expect(inside('jumped R to W and nothing happened')).toEqual(inside('jumper R W; note nothing happened'))
    expect(inside('wiggled the harness and it tripped')).toEqual(inside('trips; note wiggled the harness'))
  })

  it('asks rather than leave a clause out', () => {
    for (const line of ['lift Q, trips', 'holds until Y is added'])
      expect(
        readQuickLine(line, { system: systemById('furnace-ac') ?? (undefined as never), entries: [], suspects: [], proposed: null }).ok,
      ).toBe(false)
  })
})

describe('what is read or seen on a call that is said beside it', () => {
  it.each([
    [inside, 'drawing 2.8 A on cool', 'call cool; 2.8 A on R'],
    [inside, 'blower dead on heat', 'call heat; blower still'],
    [inside, 'W has 26 on heat', 'call heat; W-C 26 V'],
    [atPanel, 'zone 2 calling for cool', 'call cool zone 2'],
    [atPanel, 'trips on zone 2 cool', 'trips on cool zone 2'],
  ])('%# %p', (read, line, means) => expect(read(line)).toEqual(read(means)))
})

describe('parts in their own way', () => {
  it.each([
    // A gas valve opens when it is energized; a damper closes; contacts close.
    [inside, "gas valve won't open", 'gas-valve out'],
    [outside, "contactor won't open", 'contactor in'],
    [atPanel, "damper 2 won't open", 'damper-2 shut'],
    [atPanel, 'damper 1 stuck open', 'damper-1 open'],
    [onRoof, '26 both sides of the limit', 'W1-C 26 V; limit-rollout-C 26 V'],
    [outside, '120 on L1, nothing on L2', 'L1-gnd 120 V; L2-gnd 0 V'],
    [deadOutside, 'coil to ground OL', 'ohms low-contactor-gnd OL'],
    [deadInside, 'took outdoor Y off the board', 'lift outdoor Y'],
    [deadInside, 'outdoor Y and C off at the board', 'lift outdoor Y; lift outdoor C'],
    [inside, 'clamped the R wire, 3.2 amps', '3.2 A on R'],
    [inside, 'max hold 9.2 on R', 'max 9.2 A on R'],
    [inside, 'blower stuck on', 'blower runs'],
    [at('heat-pump-o', 'indoor'), 'no 240 at the air handler', 'L1-unit-L2-unit 0 V'],
    [at('heat-pump-o', 'outdoor'), 'valve clicks when I call cool', 'call cool; valve in'],
    [at('heat-pump-o', 'thermostat'), 'no C at the stat', 'R-C 0 V'],
    [deadInside, 'checked continuity Y to C, none', 'ohms Y-C jumps between 40 and 40000000'],
    [outside, '118 and 121 on the legs', 'L1-unit-gnd 118 V; L2-unit-gnd 121 V'],
    [onRoof, 'no call at W1', 'W1-C 0 V'],
    [onRoof, 'ignition control dead', 'ignition dark'],
    [deadInside, 'ground fault on Y', 'ohms Y-gnd jumps between 0 and 1'],
    [
      deadOutside,
      'both pressure switches closed',
      'ohms across high-pressure jumps between 0 and 1; ohms across low-pressure jumps between 0 and 1',
    ],
    [atPanel, 'zone 2 damper shut', 'damper-2 shut'],
    [at('furnace-no-common', 'indoor'), 'float tripped, pan full of water', 'float up; note pan full of water'],
    [onRoof, 'rollout tripped', 'rollout tripped'],
    [outside, 'Y touching the cabinet', 'bare outdoor Y'],
    [inside, 'shorted it with my screwdriver', 'slip'],
    [inside, 'walking out to the unit', 'walk outdoor'],
  ])('%# %p', (read, line, means) => expect(read(line)).toEqual(read(means)))

  it('asks which of several, by their names', () => {
    expect(() => outside('24 volts across the pressure switch')).toThrow('Say "high-pressure switch" or "low-pressure switch"')
  })

  it('never takes a motor for the 24 V side, nor a touch for a repair', () => {
    expect(outside('compressor 11.2 amps')).toMatchObject([{ kind: 'note' }])
    expect(at('heat-pump-o', 'indoor')('heat strips 21 amps')).toMatchObject([{ kind: 'note' }])
    expect(() => inside('it changed when I wiggled Y')).toThrow()
    // The fan of the condenser is not the blower.
    expect(onRoof('condenser fan motor not running')).toMatchObject([{ probe: { at: 'condenser-fan' }, answer: { word: 'still' } }])
    expect(inside('blue wire tucked behind, not used')).toMatchObject([{ kind: 'note' }])
  })
})
