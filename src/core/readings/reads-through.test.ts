import { readsThrough } from '@/src/core/readings/reads-through'
import type { Point } from '@/src/core/wiring/point'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

const { laboratory } = furnaceEngine()
const off = benchWith(change.off)
const seen = (a: Point, b: Point, bench = off) => readsThrough(laboratory, bench, { meter: 'ohms', a, b })

describe('what an ohmmeter reads through', () => {
  it('names the coil behind a call, and the end that keeps it out', () => {
    const [first] = seen('Y@indoor', 'C@indoor')
    expect(first).toMatchObject({ part: 'contactor', lift: 'outdoor-cable.Y@indoor' })
    expect(first.say).toBe(
      'the contactor reads through, and a beeper sings through it: lift Y (red) of the outdoor cable at the indoor unit to keep it out',
    )
  })

  it('no longer names it once that end is lifted, or the part is unplugged', () => {
    const lifted = benchWith(change.off, change.liftY)
    expect(seen('Y@indoor', 'C@indoor', lifted).map(({ part }) => part)).not.toContain('contactor')
    expect(seen('Y@indoor', 'C@indoor', benchWith(change.off, { do: 'unplug', part: 'contactor' })).map(({ part }) => part)).not.toContain(
      'contactor',
    )
  })

  it('warns of a beeper only where it would sing: not through the ohms of a gas valve', () => {
    const [valve] = seen('W@indoor', 'C@indoor')
    expect(valve.say).toMatch(/^the gas valve reads through: /)
  })

  it('says what to unplug where no end keeps it out', () => {
    const coil = readsThrough(laboratory, off, { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' })
    const said = coil.map(({ say }) => say)
    expect(said.join(' ')).toContain('unplug it to keep it out')
  })

  it('sees the transformer between hot and common before the boards beside it', () => {
    const [first] = seen('R@indoor', 'C@indoor')
    expect(first).toMatchObject({ part: 'transformer', say: expect.stringContaining('take its 24 V leads off to keep it out') })
    const off24 = benchWith(change.off, { do: 'unplug', part: 'transformer' })
    expect(seen('R@indoor', 'C@indoor', off24).map(({ part }) => part)).not.toContain('transformer')
  })

  it('sees a part alone on its own leads, with nothing to lift', () => {
    const unplugged = benchWith(change.off, { do: 'unplug', part: 'gas-valve' })
    expect(readsThrough(laboratory, unplugged, { meter: 'ohms', a: 'gas-valve.1@indoor', b: 'gas-valve.2@indoor' })).toEqual([])
  })

  it('says nothing of volts, of a live circuit, or where there is nothing to see', () => {
    expect(readsThrough(laboratory, off, { meter: 'volts', a: 'Y@indoor', b: 'C@indoor' })).toEqual([])
    expect(seen('Y@indoor', 'C@indoor', benchWith())).toEqual([])
    const free = benchWith(change.off, { do: 'lift', end: 'stat-cable.Y@thermostat' }, { do: 'lift', end: 'stat-cable.Y@indoor' })
    expect(seen('stat-cable.Y@indoor', 'C@indoor', free)).toEqual([])
  })
})
