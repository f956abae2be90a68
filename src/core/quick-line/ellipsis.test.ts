import { spelledOut } from '@/src/core/quick-line/ellipsis'
import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'

describe('what the second half of a sentence leaves out', () => {
  it.each([
    ["heat works, cool doesn't", 'heat works, cool does not work'],
    ['trips on cool but not on heat', 'it trips on cool, it holds on heat'],
    ["cool trips, heat doesn't", 'cool trips, heat holds'],
    ["cool makes it trip, heat and fan don't", 'cool trips, heat and fan holds'],
    ["blower won't run in cool but runs in heat", 'blower does not run on cool, blower runs on heat'],
    ["compressor 1 runs 2 doesn't", 'compressor 1 runs, compressor 2 does not run'],
    ['contactor pulls in but the compressor does not', 'contactor pulls in, compressor does not run'],
    ['does not run in heat, only in cool', 'it does not run on heat, it runs on cool'],
  ])('%s', (said, full) => {
    expect(spelledOut(said)).toBe(full)
  })

  it.each(["contactor pulls in but compressor doesn't run", 'breaker holds, 24 at Y', 'it trips when Y is on but G is not', 'Y-C 24'])(
    'nothing is left out of: %s',
    (said) => {
      expect(spelledOut(said)).toBe(said)
    },
  )
})

describe('what runs, on which call', () => {
  it.each([
    ['furnace-ac', at('indoor'), 'heat works', 'holds on heat'],
    ['furnace-ac', at('indoor'), 'fan works', 'call fan; blower runs'],
    ['furnace-ac', at('outdoor'), 'runs in cool', 'call cool; outdoor as called'],
    ['furnace-ac', at('outdoor'), 'not running in cool', 'call cool; outdoor not as called'],
    ['heat-pump-o', at('outdoor'), "heat pump doesn't run in heat", 'call heat; outdoor not as called'],
    ['heat-pump-o', at('indoor'), 'runs in cool but not in heat', 'holds on cool; complaint it does not run on heat'],
    ['air-handler-plain', at('indoor'), "blower don't run on G", 'call fan; blower still'],
    ['heat-pump-o', at('outdoor'), "condenser fan runs compressor doesn't", 'condenser-fan runs; compressor still'],
    ['rooftop-gas', at('package'), 'stage 1 runs stage 2 dead', 'compressor runs; second-compressor still'],
    ['dual-fuel', at('outdoor'), 'Y 24, O 0 in heat', 'call heat; Y-C 24 V; O-C 0 V'],
    ['furnace-ac', at('thermostat'), 'R to W jumper heat came on', 'jumper R W; note heat came on'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it.each([
    ['runs a minute then trips', 'trips after 1 min'],
    ['trips after half a minute', 'trips after 30 s'],
    ['lasts about 2 minutes then pops', 'trips after 2 min'],
    ['tripped a second time', 'trips'],
  ])('how long it held is one trial: %s', (said, means) => {
    expect(hear({ system: 'furnace-ac', before: at('indoor'), said, means })).toMatchObject({ outcome: 'understood' })
  })

  it('nobody is told that a compressor stands still which the house has not', () => {
    const { as } = hear({
      system: 'furnace-ac-two-stage',
      before: at('outdoor'),
      said: "compressor 1 runs, 2 doesn't",
      means: 'compressor runs',
    })
    expect(as).not.toContain('still')
  })
})

describe('what does not do what it could', () => {
  it.each([
    ['heat-pump-b', at('outdoor'), "B to C 25, valve doesn't shift", 'B-C 25 V; valve out'],
    ['cool-strips', at('indoor'), '24 on W, sequencer never closes', 'W-C 24 V; sequencer out'],
    ['furnace-induced-draft', at('indoor'), 'inducer did not start', 'inducer still'],
    ['furnace-ac', at('indoor'), 'fuse holds until cool comes on', 'trips on cool'],
    ['furnace-ac', at('indoor'), '3A fuse popped right when cool came on', 'call cool; fuse blown'],
    ['furnace-two-transformers', at('indoor'), '26 on Rc nothing on Rh', 'Rc-C 26 V; Rh-C 0 V'],
    ['furnace-ac', at('outdoor'), 'got 24 at Y but 0 at the coil', 'Y-C 24 V; low-contactor-C 0 V'],
    ['furnace-ac', at('indoor', true), 'thermostat wires disconnected', 'lift stat R; lift stat Y; lift stat G; lift stat W; lift stat C'],
    ['furnace-ac', at('indoor'), 'squirrel in the attic', 'note squirrel in the attic'],
    ['furnace-ac', at('indoor'), 'part on order till tuesday', 'leave part on order until 5 may'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })
})

describe('zones', () => {
  const panel = at('panel')
  it.each([
    ['zone 2 trips on cool', 'trips on cool zone 2'],
    ['Y zone 2 to C 0', 'Y2-C2 0 V'],
    ['Y2 to C 24', 'Y2-C2 24 V'],
    ['no 24 on zone 2 Y', 'Y2-C2 0 V'],
    ['zone 2 damper open', 'damper-2 open'],
    ['cool on zone 1 holds zone 2 trips', 'holds on cool; trips on cool zone 2'],
  ])('%s', (said, means) => {
    expect(hear({ system: 'zoned-furnace-ac', before: panel, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it.each(['zone 2 trips', 'trips on zone 2', 'zone 2 calling'])('%s asks on which call', (said) => {
    const heard = hear({ system: 'zoned-furnace-ac', before: panel, said, means: 'trips' })
    expect(heard.outcome).toBe('asked back')
    expect(heard.as).toContain('zone 2')
  })
})

describe('short, spelled and dictated', () => {
  it.each([
    ['furnace-ac', at('indoor'), 'R C twenty five point four', 'R-C 25.4'],
    ['furnace-ac', at('indoor'), 'holds w/ outdoor Y off', 'lift outdoor Y; holds'],
    ['furnace-ac', at('indoor'), 'sec 26.2', 'sec-C 26.2 V'],
    ['furnace-ac', at('indoor'), 'put a 10A so it holds', 'fuse 10 in'],
    ['furnace-ac', at('indoor'), 'fuse was missing', 'fuse out'],
    ['furnace-ac', at('outdoor'), 'Y fell out of the terminal', 'landings Y off'],
    ['furnace-ac', at('outdoor', true), 'no beep through low pressure', 'ohms across low-pressure jumps between 40 and 40000000'],
    ['furnace-ac', at('outdoor'), '24 to the low pressure, nothing after', 'high-low-C 24 V; low-contactor-C 0 V'],
    ['furnace-ac', at('indoor', true), 'Y to C in the outdoor cable 14', 'ohms outdoor Y-outdoor C 14'],
    ['furnace-ac', at('indoor', true), 'red to white beeps in the stat cable', 'ohms stat R-stat W jumps between 0 and 40'],
    ['furnace-ac', at('indoor', true), 'undo both outdoor wires', 'lift outdoor Y; lift outdoor C'],
    ['heat-pump-o', at('outdoor'), 'O in 24, nothing out of the board on O', 'O-C 24 V; O-out-C 0 V'],
    ['heat-pump-o', at('indoor'), "seq won't drop out", 'sequencer in'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it.each([
    ['furnace-ac', at('indoor'), 'replaced the fuse with a 3 amp, holding', 'fuse 3 in; holds'],
    ['furnace-ac', at('indoor'), 'swapped in a 3 amp breaker', 'breaker 3 in'],
    ['furnace-ac', at('indoor', true), 'using the brown wire in place of yellow', 'swap stat Y to brown'],
    ['furnace-ac', at('thermostat'), 'set it to cool and dropped it to 60', 'call cool'],
    ['furnace-ac', at('outdoor'), 'contactor engaged, compressor humming not starting', 'contactor in; compressor hums'],
    ['furnace-induced-draft', at('indoor'), 'flame goes out after 4 seconds', 'call heat; flame lights and goes out'],
    [
      'furnace-ac',
      at('indoor', true),
      'outdoor cable unhooked at both ends, Y to C 0.2',
      'lift outdoor Y at indoor; lift outdoor C at indoor; lift outdoor Y at outdoor; lift outdoor C at outdoor; ohms lifted outdoor-cable Y-lifted outdoor-cable C 0.2 at indoor',
    ],
    [
      'furnace-ac',
      at('indoor'),
      'with everything disconnected it holds',
      'lift stat R; lift stat Y; lift stat G; lift stat W; lift stat C; lift outdoor Y; lift outdoor C; holds',
    ],
  ])('nothing of it is lost: %s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it('a terminal that goes hot on a call is not a reading; without a call, the line is asked back', () => {
    const inHeat = hear({
      system: 'heat-pump-b',
      before: at('indoor'),
      said: 'trips in heat when B comes on',
      means: 'trips on heat; note B comes on',
    })
    expect(inHeat.outcome).toBe('understood')
    expect(hear({ system: 'heat-pump-o', before: at('indoor'), said: 'trips when O is energized', means: 'trips' }).as).toContain(
      'joined to R',
    )
  })

  it('a valve that stays in heat holds nothing', () => {
    expect(
      hear({
        system: 'heat-pump-o',
        before: at('outdoor'),
        said: 'reversing valve gets 24 but stays in heat',
        means: 'O-out-C 24 V; note stays in heat',
      }),
    ).toMatchObject({
      outcome: 'understood',
    })
  })

  it('nothing goes across a fuse', () => {
    expect(hear({ system: 'furnace-ac', before: at('indoor'), said: 'stick a screw across the fuse', means: 'trips' }).as).toContain(
      'burns the transformer',
    )
  })
})
