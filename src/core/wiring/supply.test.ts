import { terminalPoint } from '@/src/core/wiring/point'
import { circuitOf, commonBeside, commonNodes, houseCommon, houseHot, lineNodes } from '@/src/core/wiring/supply'
import { firstPart, type System } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { feedOf, hotTerminals } from '@/src/core/wiring/thermostat'

const known = (id: string): System => {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  return system
}
const twoTransformers = known('furnace-two-transformers')
const noCommon = known('furnace-no-common')

describe('the hot and the common side of a house', () => {
  it('are R and C where the fuse sits in the hot leg, past a float too', () => {
    expect([houseHot(known('furnace-ac')), houseCommon(known('furnace-ac'))]).toEqual(['R', 'C'])
    expect([houseHot(known('cool-strips')), houseCommon(known('cool-strips'))]).toEqual(['R', 'C'])
  })

  it('are R and C where the fuse sits in the common leg: common is behind the fuse', () => {
    expect(firstPart(noCommon, 'transformer').secondary).toEqual(['R', 'sec'])
    expect([houseHot(noCommon), houseCommon(noCommon)]).toEqual(['R', 'C'])
    expect(commonNodes(noCommon)).toContain('sec@indoor')
  })

  it('has two hot sides where heat has a transformer of its own', () => {
    const thermostat = firstPart(twoTransformers, 'thermostat')
    expect(hotTerminals(thermostat)).toEqual(['Rc', 'Rh'])
    expect([feedOf(thermostat, 'W'), feedOf(thermostat, 'Y')]).toEqual(['Rh', 'Rc'])
    expect(houseHot(twoTransformers)).toBe('Rc')
  })
})

describe.each(catalogue.map((system) => [system.id, system] as const))('the nodes of %s', (_, system) => {
  it('are at line voltage or at 24 V, never both', () => {
    const line = lineNodes(system)
    for (const common of commonNodes(system)) expect(line).not.toContain(common)
    for (const place of system.places) for (const terminal of place.terminals) expect(line).not.toContain(`${terminal}@${place.id}`)
  })

  it('hang in one circuit with the terminals that wires join them to', () => {
    for (const cable of system.cables)
      for (const { lands } of cable.conductors) {
        const [a, b] = lands
        if (a === null || b === null) continue
        const [near, far] = [terminalPoint(a, cable.between[0]), terminalPoint(b, cable.between[1])]
        expect(circuitOf(system, near)).toBe(circuitOf(system, far))
      }
  })

  it('have a common beside them wherever a common reaches their place', () => {
    const reached = new Set([...commonNodes(system)].map((node) => node.split('@')[1]))
    const { place } = firstPart(system, 'fuse')
    expect(reached).toContain(place)
    for (const terminal of system.places.find(({ id }) => id === place)?.terminals ?? [])
      expect(commonBeside(system, `${terminal}@${place}`)).toBe(`${houseCommon(system)}@${place}`)
  })
})

describe('a thermostat without a common', () => {
  it('has none to read against', () => {
    expect(commonBeside(noCommon, 'R@thermostat')).toBeNull()
    expect(commonBeside(noCommon, 'Y@outdoor')).toBe('C@outdoor')
  })
})
