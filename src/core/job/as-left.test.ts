import { createBench } from '@/src/core/bench/bench'
import { saySections } from '@/src/core/bench/say'
import { systemAsLeft } from '@/src/core/job/as-left'
import { cableById, firstPart } from '@/src/core/wiring/system'
import { systemSchema } from '@/src/core/wiring/system-schema'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

const asFound = createBench(furnaceAc)
const swap = { cable: 'stat-cable', from: 'Y', to: 'brown', kept: true }
const left = (...swaps: (typeof swap & { section?: [string, string] })[]) => systemAsLeft(furnaceAc, { ...asFound, swaps })
const stat = (system: typeof furnaceAc) => cableById(system, 'stat-cable')?.conductors ?? []

describe('a house as a job leaves it', () => {
  it('is the same where no spare was used', () => {
    expect(systemAsLeft(furnaceAc, asFound)).toBe(furnaceAc)
  })

  it('has the spare’s color on the terminals that it serves; the wire that was given up is no spare', () => {
    const own = left(swap)
    expect(stat(own).find(({ id }) => id === 'Y')).toMatchObject({ colour: 'brown', lands: ['Y', 'Y'] })
    expect(stat(own).map(({ colour }) => colour)).not.toContain('yellow')
    expect(stat(own).map(({ id }) => id)).not.toContain('brown')
    expect(systemSchema.safeParse(own).success).toBe(true)
    expect(own.name).toBe('furnace with A/C, as it is here')
  })

  it('keeps the colors at both ends of a section, and has one spare fewer', () => {
    const own = left({ ...swap, section: ['attic hatch', 'wall plate'] })
    expect(stat(own).find(({ id }) => id === 'Y')).toMatchObject({ colour: 'yellow' })
    expect(stat(own)).toHaveLength(stat(furnaceAc).length - 1)
    // The next visit's page and card say it again, until that conductor is given up for the whole way.
    expect(systemSchema.safeParse(own).success).toBe(true)
    expect(saySections(own, asFound)).toEqual(['Y (yellow) of the stat cable runs on brown between attic hatch and wall plate'])
    const later = { ...swap, to: 'orange' }
    expect(saySections(own, { swaps: [later] })).toEqual([])
    expect(saySections(systemAsLeft(own, { ...asFound, swaps: [later] }), asFound)).toEqual([])
  })

  it('is of its own kind only once, however often somebody comes', () => {
    const again = systemAsLeft(left(swap), { ...asFound, swaps: [{ ...swap, from: 'G', to: 'orange' }] })
    expect(again.name).toBe('furnace with A/C, as it is here')
    expect(again.id).toBe(left(swap).id)
  })

  it('has the fuse that was fitted where there was none; a breaker on clip leads goes home again', () => {
    const bare = systemById('air-handler-plain') ?? furnaceAc
    const bench = createBench(bare)
    expect(firstPart(bare, 'fuse').holds).toBe('none')
    const fitted = systemAsLeft(bare, { ...bench, slot: { holds: 'fuse', ratingA: 3, open: false } })
    expect(firstPart(fitted, 'fuse')).toMatchObject({ ratingA: 3 })
    expect(firstPart(fitted, 'fuse').holds).toBeUndefined()
    expect(systemAsLeft(bare, { ...bench, slot: { holds: 'breaker', ratingA: 3, open: false } })).toBe(bare)
  })
})
