import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'

describe('a part by its name', () => {
  it.each([
    ['furnace-ac', at('indoor'), '240 at the outdoor disconnect', 'L1-unit-L2-unit 240 V at outdoor'],
    ['heat-pump-o', at('indoor'), '240 at the air handler breaker', 'L1-unit-L2-unit 240 V'],
    ['air-handler-120', at('indoor'), 'no power at the air handler switch', 'L1-unit-N 0 V'],
    ['furnace-ac', at('indoor'), 'flipped the furnace switch off', 'power off'],
    ['furnace-ac', at('indoor', true), 'turned the furnace switch back on', 'power on'],
    // What leaves the 24 V side live is a remark.
    ['furnace-ac', at('outdoor'), 'pulled the outdoor disconnect', 'note pulled the outdoor disconnect'],
    ['heat-pump-o', at('indoor'), 'air handler breaker tripped', 'note air handler breaker tripped'],
    ['rooftop-electric', at('package'), '208 between all legs', 'L1-unit-L2-unit 208 V'],
    ['furnace-ac', at('indoor', true), 'board fuse reads 0.2 ohms', 'fuse good; note board fuse reads 0.2 ohms'],
    ['furnace-ac', at('indoor', true), 'no continuity through the board fuse', 'fuse blown'],
    ['furnace-ac', at('outdoor', true), 'compressor to ground OL', 'ohms compressor-line-gnd OL'],
    ['furnace-ac', at('indoor', true), 'transformer secondary to ground 0.3', 'ohms sec-gnd 0.3'],
    ['furnace-two-transformers', at('indoor'), 'nothing out of the heating transformer', 'Rh-C 0 V'],
    ['furnace-two-transformers', at('indoor'), 'cooling transformer 0 out with 121 in', 'L1-unit-N 121 V; sec-C 0 V'],
    ['furnace-ac', at('outdoor'), 'nothing across the low-pressure switch', 'across low-pressure 0 V'],
    ['furnace-ac', at('thermostat'), 'no display on the thermostat', 'thermostat blank'],
    ['heat-pump-o', at('outdoor'), 'reversing valve is hot to the touch', 'note reversing valve is hot to the touch'],
    ['furnace-ac', at('indoor'), 'no lights on the board', 'note no lights on the board'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })
})
