import { enumerateFaults } from '@/src/core/faults/enumerate'
import { isLetterOfStrip, letteredPlaces, withLetter } from '@/src/core/wiring/alter-wiring'
import { asItIsHere } from '@/src/core/wiring/build-system'
import { readSystem } from '@/src/core/wiring/read-system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'

const heatPump = systemById('heat-pump-o')

describe('a strip with other letters', () => {
  it.each(catalogue.map((system) => [system.id, system] as const))(
    '%s is the same circuit under any letter of its outdoor strip and its panel',
    (_, system) => {
      const faults = enumerateFaults(system).length
      for (const { id: place, terminals } of letteredPlaces(system))
        for (const [index, from] of terminals.entries())
          for (const to of [terminals[(index + 1) % terminals.length], 'X9']) {
            const lettered = withLetter(system, { place, from, to })
            expect(readSystem(JSON.parse(JSON.stringify(lettered)))).toMatchObject({ ok: true })
            expect(enumerateFaults(lettered)).toHaveLength(faults)
            expect(withLetter(lettered, { place, from: to, to: from })).toEqual(system)
          }
    },
  )

  it('puts common on B where B is common on that make, and the wires stay where they are', () => {
    if (!heatPump) throw new Error('no heat pump')
    const lettered = withLetter(heatPump, { place: 'outdoor', from: 'C', to: 'B' })
    const cable = lettered.cables.find(({ id }) => id === 'outdoor-cable')
    expect(cable?.conductors.find(({ id }) => id === 'C')?.lands).toEqual(['C', 'B'])
    expect(lettered.places.find(({ id }) => id === 'outdoor')?.terminals).toContain('B')
    expect(withLetter(heatPump, { place: 'outdoor', from: 'nothing', to: 'B' })).toBe(heatPump)
  })

  it('is a system of the house with its walks, and the kind stays as it is', () => {
    if (!heatPump) throw new Error('no heat pump')
    const [{ between, minutes }] = heatPump.walks
    const here = asItIsHere(heatPump, {
      letters: [{ place: 'outdoor', from: 'C', to: 'B' }],
      walks: [{ between: [between[1], between[0]], minutes: 12 }],
    })
    expect(readSystem(JSON.parse(JSON.stringify(here)))).toMatchObject({ ok: true })
    expect(here.walks[0].minutes).toBe(12)
    expect(here.walks.slice(1)).toEqual(heatPump.walks.slice(1))
    expect(heatPump.walks[0].minutes).toBe(minutes)
    expect(here.name).toBe(`${heatPump.name}, as it is here`)
  })

  it('takes what a strip can bear', () => {
    expect(['B', 'W/E', 'O/B', 'Y1', 'C24'].map(isLetterOfStrip)).toEqual([true, true, true, true, true])
    expect(['', '~', 'two words', '1', 'much-too-long'].map(isLetterOfStrip)).toEqual([false, false, false, false, false])
  })
})
