import { enumerateFaults } from '@/src/core/faults/enumerate'
import { readSystem } from '@/src/core/wiring/read-system'
import { commonBeside, commonNodes, hotOfCalls } from '@/src/core/wiring/supply'
import { callerOf, callsOf, zonesOf } from '@/src/core/wiring/system'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

const found = systemById('zoned-furnace-ac')
if (!found) throw new Error('no zoned system')
const zoned = found

describe('a system of two zones', () => {
  it('stands in the order of its wiring: each thermostat with its cable, then the panel, then the unit', () => {
    expect(zonesOf(zoned).map(({ id }) => id)).toEqual([
      'stat-1',
      'stat-cable-1',
      'stat-2',
      'stat-cable-2',
      'panel',
      'unit-cable',
      'indoor',
      'outdoor-cable',
      'outdoor',
    ])
  })

  it('knows at which thermostat a call is made', () => {
    expect(callsOf(zoned)).toEqual(['fan', 'cool', 'heat', 'fan-zone-2', 'cool-zone-2', 'heat-zone-2'])
    expect(callerOf(zoned, 'cool').place).toBe('stat-1')
    expect(callerOf(zoned, 'cool-zone-2').place).toBe('stat-2')
    expect(callerOf(furnaceAc, 'off').place).toBe('thermostat')
    expect([...hotOfCalls(zoned)]).toEqual([...hotOfCalls(furnaceAc)])
  })

  it('has a common of its own on each side of the panel, joined by its strap and not by its contacts', () => {
    const common = commonNodes(zoned)
    for (const point of ['C1@panel', 'C2@panel', 'C@stat-2', 'C@indoor', 'C@outdoor'] as const)
      expect([point, common.has(point)]).toEqual([point, true])
    expect(commonBeside(zoned, 'Y2@panel')).toMatch(/^C[12]@panel$/)
    // The unit's terminals at the panel have no common of their own circuit there.
    expect(commonBeside(zoned, 'Y@panel')).toBeNull()
  })

  it('has the faults of each thermostat and of each zone cable once', () => {
    const ids = enumerateFaults(zoned).map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    for (const id of [
      'thermostat-dead:thermostat-1',
      'thermostat-dead:thermostat-2',
      'conductor-open:stat-cable-1.Y',
      'conductor-open:stat-cable-2.Y',
    ])
      expect(ids).toContain(id)
  })

  it('loses its way back without the strap, and is refused with the part that hangs in the air', () => {
    const cut = structuredClone(zoned)
    cut.parts = cut.parts.filter(({ id }) => id !== 'common-strap')
    for (const cable of cut.cables) if (cable.id === 'stat-cable-1') cable.conductors = cable.conductors.filter(({ id }) => id !== 'C')
    for (const part of cut.parts) if (part.kind === 'transformer' && part.id === 'panel-transformer') part.secondary = ['R2', 'C2']
    const read = readSystem(cut)
    if (read.ok) throw new Error('it was taken')
    expect(read.problems.join('\n')).toMatch(/zone board has no way back/)
  })
})
