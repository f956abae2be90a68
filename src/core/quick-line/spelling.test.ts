import { corrected, wordsInFull } from '@/src/core/quick-line/spelling'
import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'
import { systemOf } from '@/tests/setup/engines'

describe('a word that is cut short or misspelt', () => {
  it.each([
    ['heat-pump-o', at('outdoor'), 'defrost brd dead', 'defrost-board dark'],
    ['heat-pump-o', at('outdoor'), 'ctctr in', 'contactor in'],
    ['dual-fuel', at('outdoor', true), 'wht to grn 0.2', 'ohms outdoor W - outdoor green 0.2'],
    ['furnace-ac', at('indoor'), 'gas vlv 24 volts', 'rollout-valve-C 24 V'],
    ['furnace-ac', at('indoor'), 'blower realy in', 'blower-relay in'],
    ['furnace-ac', at('indoor'), 'furnance switch off', 'power off'],
    ['rooftop-gas', at('package'), 'roll out tripped', 'rollout tripped'],
    ['rooftop-gas', at('package', true), 'unplug contactor 2', 'unplug second-contactor'],
    ['rooftop-electric', at('package'), '24v brkr tripped', 'fuse blown'],
    ['zoned-furnace-ac', at('panel'), 'zone 1 stat off the wall', 'unplug thermostat-1'],
  ])('on %s, %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it('stands for one word, or for none', () => {
    const house = systemOf('furnace-ac')
    expect(wordsInFull('brkr trips, blwr runs', house)).toBe('breaker trips, blower runs')
    // Two words have these letters; a terminal, a unit and a word with its vowels are left alone.
    expect(wordsInFull('mtr Rc 24 VDC hums dry', house)).toBe('mtr Rc 24 VDC hums dry')
    expect(corrected('contacter in, condensor runs', house)).toBe('contactor in, condenser runs')
    expect(corrected('holder is loose, primed and held', house)).toBe('holder is loose, primed and held')
  })

  it('is left as it was typed in a note', () => {
    expect(hear({ system: 'furnace-ac', before: at('indoor'), said: 'xfmr hot', means: 'note xfmr hot' })).toMatchObject({
      outcome: 'understood',
    })
  })
})

describe('what is said in a line is not lost in it, nor turned round', () => {
  it.each([
    ['furnace-ac', at('indoor'), 'fuse popped on cool', 'trips on cool'],
    ['furnace-ac', at('indoor'), 'popped the fuse on cool', 'trips on cool'],
    ['furnace-ac', at('indoor'), 'thermostat calls, no 24 on Y', 'stat shows a call; Y-C 0 V'],
    ['furnace-ac', at('outdoor'), 'contactor coil 26.1, contactor out', 'low-contactor-C 26.1 V; contactor out'],
    ['furnace-ac', at('outdoor'), 'contactor 26.1, out', 'low-contactor-C 26.1 V; contactor out'],
    ['furnace-ac', at('outdoor'), 'contactor in, fan and comp running', 'contactor in; condenser-fan runs; compressor runs'],
    ['furnace-induced-draft', at('indoor'), 'no 120 at the inducer', 'inducer-line-N 0 V'],
    ['furnace-ac', at('indoor'), 'no 120 at the blower', 'blower-line-N 0 V'],
    ['furnace-ac-two-stage', at('indoor', true), '2nd stage valve 38 ohms', 'ohms W2-C 38'],
    ['heat-pump-o', at('outdoor'), 'defrost board Y out 0, Y in 26', 'Y-out-C 0 V; Y-C 26 V'],
    ['cool-strips', at('indoor'), 'heat strip 19 amps', 'note heat strip 19 amps'],
    ['furnace-ac', at('outdoor', true), 'mouse chewed Y', 'chewed outdoor-cable; note mouse chewed Y'],
    ['furnace-ac', at('outdoor', true), 'coil lead rubbing on the frame', 'rubbed outdoor'],
    ['furnace-ac', at('thermostat'), 'system off', 'call off'],
    ['furnace-ac', at('thermostat'), 'hold cool 66', 'call cool'],
    ['furnace-ac', at('thermostat'), 'set 65 cool', 'call cool'],
    ['furnace-ac', at('thermostat'), 'turn off cool', 'call off'],
    ['furnace-ac', at('outdoor'), 'L1 122 L2 121 to ground', 'L1-gnd 122 V; L2-gnd 121 V'],
    ['heat-pump-o', at('outdoor'), 'defrost board 26 in, no Y out', 'R-C 26 V; Y-out-C 0 V'],
    ['furnace-ac', at('indoor'), 'fuse is blown, replaced with a 3 amp', 'fuse blown; fuse 3 in'],
    ['furnace-ac', at('indoor'), 'with the condenser wires off it holds on cool', 'lift outdoor Y; lift outdoor C; call cool; holds'],
    ['furnace-ac', at('outdoor'), '24V at Y but not at contactor', 'Y-C 24 V; low-contactor-C 0 V'],
    ['zoned-furnace-ac', at('panel'), 'removed zone 2 Y from the panel, no longer trips', 'lift stat-cable-2 Y; holds'],
    ['furnace-ac', at('outdoor'), 'contactor 26, pulled in', 'low-contactor-C 26 V; contactor in'],
    ['furnace-ac', at('thermostat'), 'no wire on G', 'landings stat G off'],
    ['furnace-two-transformers', at('indoor'), 'cooling transformer 26, heating 0', 'sec-C 26 V; Rh-C 0 V'],
    ['zoned-furnace-ac', at('panel'), 'zone 1 damper open, zone 2 shut', 'damper-1 open; damper-2 shut'],
    ['rooftop-gas', at('package'), 'comp 1 running comp 2 off', 'compressor runs; second-compressor still'],
  ])('on %s, %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })
})
