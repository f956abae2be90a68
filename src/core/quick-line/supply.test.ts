import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'

describe('the supply and what goes through it', () => {
  it.each([
    ['heat-pump-o', at('indoor'), '240 at the air handler', 'L1-unit-L2-unit 240 V at indoor'],
    ['heat-pump-o', at('indoor'), 'air handler has 240', 'L1-unit-L2-unit 240 V at indoor'],
    ['rooftop-gas', at('package'), '211 line', 'L1-unit-L2-unit 211 V'],
    ['zoned-furnace-ac', at('panel'), 'panel transformer 0', 'R1-C1 0 V'],
    // The legs are those of the unit at which one stands.
    ['heat-pump-o', at('outdoor'), '240 top of contactor, 0 bottom', 'L1-unit-L2-unit 240 V at outdoor; compressor-line-L2-unit 0 V'],
    ['dual-fuel', at('outdoor'), 'high pressure switch has 24 on both sides', 'Y-out-C 24 V; high-low-C 24 V'],
    ['furnace-ac', at('outdoor'), '24 after both switches', 'low-contactor-C 24 V'],
    ['furnace-ac', at('indoor'), 'gas valve not opening with 24 on it', 'rollout-valve-C 24 V; gas-valve out'],
    ['furnace-ac', at('indoor'), 'neutral to ground 57', 'N-gnd 57 V'],
    ['heat-pump-o', at('indoor', true), 'O to common 48', 'ohms O-C 48'],
    ['furnace-ac', at('indoor'), '3 amp fuse is toast', 'fuse blown'],
    ['furnace-ac', at('indoor'), 'fuse was swapped for a 5A', 'fuse 5 in'],
    ['furnace-ac', at('indoor'), '3.1A on R right before it tripped', 'max 3.1 A on R; trips'],
    ['heat-pump-o', at('indoor', true), 'moved yellow to the spare black at both ends', 'swap outdoor Y to black'],
    [
      'furnace-ac',
      at('indoor', true),
      'lifted outdoor Y both ends, to ground 0.4',
      'lift outdoor Y at indoor; lift outdoor Y at outdoor; ohms lifted outdoor Y-gnd 0.4 at indoor',
    ],
    ['furnace-ac', at('outdoor'), 'jumped out the pressure switches', 'jumper Y high-low; jumper high-low low-contactor'],
    ['furnace-ac', at('thermostat'), 'R to Y 0.2 with a call', 'call cool; R-Y 0.2 V'],
    ['furnace-induced-draft', at('indoor'), 'inducer comes on then shuts off', 'call heat; inducer runs; inducer still'],
    ['furnace-ac', at('outdoor', true), 'coil 13 to ground OL', 'ohms across contactor 13; ohms low-contactor-gnd OL'],
    ['furnace-ac', at('indoor', true), 'took the limit off, reads open', 'unplug limit; ohms across limit OL'],
    ['furnace-ac', at('indoor', true), 'g to c 20 w to c 45', 'ohms G-C 20; ohms W-C 45'],
    ['furnace-ac', at('indoor'), 'clg call trips, htg call holds', 'trips on cool; holds on heat'],
    ['furnace-ac', at('indoor'), 'put a 10 amp fuse to see', 'fuse 10 in'],
    ['heat-pump-o', at('outdoor'), 'o to c 25 in cool 0 in heat', 'call cool; O-C 25 V; call heat; O-C 0 V'],
    [
      'heat-pump-b',
      at('indoor'),
      'with heat pump disconnected the breaker holds',
      'lift outdoor R; lift outdoor Y; lift outdoor B; lift outdoor W; lift outdoor C; holds',
    ],
    ['furnace-ac', at('indoor'), '120 across primary, nothing on secondary', 'L1-unit-N 120 V; sec-C 0 V'],
    ['zoned-furnace-ac', at('panel'), 'no power to zone panel', 'R1-C1 0 V'],
    ['furnace-ac', at('thermostat'), 'jump R to Y runs the AC', 'jumper R Y; outdoor as called'],
    ['rooftop-gas', at('package'), 'breaker on the transformer tripped, reset it, holds', 'fuse blown; reset; holds'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })
})
