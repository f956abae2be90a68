import { readSystem } from '@/src/core/wiring/read-system'
import { callsOf, firstPart, type System, zoneName, zonesOf } from '@/src/core/wiring/system'
import { catalogue, furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

/** A copy that can be spoiled. */
const spoiled = (spoil: (system: any) => void): unknown => {
  const copy = structuredClone(furnaceAc) as System
  spoil(copy)
  return copy
}

const problemsOf = (value: unknown): string => {
  const read = readSystem(value)
  if (read.ok) throw new Error('it was taken')
  return read.problems.join('\n')
}

const partOf = (system: any, id: string): any => system.parts.find((part: { id: string }) => part.id === id)

describe('readSystem', () => {
  it.each(catalogue.map((system) => [system.id, system] as const))('takes %s as it ships, through JSON and back', (id, system) => {
    expect(readSystem(JSON.parse(JSON.stringify(system)))).toEqual({ ok: true, system })
    expect(systemById(id)).toBe(system)
  })

  it('refuses a cable longer than a kilometre and says where', () => {
    const problem = problemsOf(spoiled((system) => (system.cables[1].lengthM = 1500)))
    expect(problem).toContain('cables.1.lengthM')
    expect(problem).toContain('longer than 1000 m')
  })

  it('refuses a landing on a terminal that is not there and names those that are', () => {
    expect(problemsOf(spoiled((system) => (system.cables[1].conductors[0].lands = ['Q', 'Y'])))).toContain(
      'There is no terminal "Q" at indoor; it has R, Y, G, W, C.',
    )
  })

  it('refuses a cable to nowhere, a part twice, and a system without a transformer', () => {
    expect(problemsOf(spoiled((system) => (system.cables[0].between = ['thermostat', 'cellar'])))).toContain(
      '"cellar", which is not a place',
    )
    expect(problemsOf(spoiled((system) => system.parts.push(system.parts[0])))).toContain('is listed twice')
    expect(
      problemsOf(spoiled((system) => (system.parts = system.parts.filter(({ kind }: { kind: string }) => kind !== 'transformer')))),
    ).toContain('has no transformer')
  })

  it('takes several fuses, and refuses more than are weighed', () => {
    const more = (count: number) =>
      spoiled((system) => {
        const fuse = partOf(system, 'fuse')
        system.parts = system.parts.filter(({ id }: { id: string }) => id !== 'fuse')
        for (let index = 0; index < count; index++)
          system.parts.push({
            ...fuse,
            id: `fuse-${index}`,
            name: `fuse ${index}`,
            between: [index === 0 ? fuse.between[0] : `line-${index}`, index === count - 1 ? fuse.between[1] : `line-${index + 1}`],
          })
      })
    expect(readSystem(more(3)).ok).toBe(true)
    expect(problemsOf(more(5))).toContain('5 fuses and breakers on its 24 V side')
  })

  it('refuses a length below zero and a transformer of no VA with what to do', () => {
    const length = problemsOf(spoiled((system) => (system.cables[0].lengthM = -3)))
    expect(length).toContain('cables.0.lengthM')
    expect(length).toContain('a length above zero, in meters')
    const va = problemsOf(spoiled((system) => (partOf(system, 'transformer').va = 0)))
    expect(va).toContain('.va')
    expect(va).toContain('give the VA on its nameplate')
  })

  it('refuses a capacitor for a motor that is not there', () => {
    const problem = problemsOf(spoiled((system) => (partOf(system, 'run-capacitor').starts[1].load = 'blower')))
    expect(problem).toContain('The run capacitor starts "blower", but there is no load called that at outdoor.')
  })

  it('refuses a loop of grounds and says which bond closes it', () => {
    const problem = problemsOf(
      spoiled((system) => system.parts.push({ ...partOf(system, 'bond'), id: 'second-bond', place: 'outdoor', between: ['C', 'chassis'] })),
    )
    expect(problem).toMatch(/parts\.\d+\.between: .*"second-bond" \(first by "bond"\): that is a loop of grounds/)
  })

  it('refuses two transformers in parallel, and says why; two that share the common alone are sound', () => {
    const second = (...secondary: string[]): string => {
      const read = readSystem(
        spoiled((system) =>
          system.parts.push({ ...partOf(system, 'transformer'), id: 'second-transformer', name: 'second transformer', secondary }),
        ),
      )
      return read.ok ? '' : read.problems.join('\n')
    }
    const [hot, common]: [string, string] = partOf(furnaceAc, 'transformer').secondary
    expect(second(hot, common)).toMatch(/parts\.\d+\.secondary: The second transformer feeds the same two wires as the transformer/)
    expect(second(hot, common)).toContain('the fuse sees half of a short')
    expect(second('R', common)).toContain('feeds the same two wires')
    expect(second('Y', common)).not.toContain('feeds the same two wires')
  })

  it('refuses a load without a common, and names the way back that is missing', () => {
    const problem = problemsOf(spoiled((system) => (system.cables[1].conductors[1].lands = [null, null])))
    expect(problem).toContain('The contactor has no way back')
    expect(problem).toContain('Is a common missing in a cable?')
  })

  it('refuses a lead that ends in the air, and a thermostat that calls on no terminal or lives on no common', () => {
    expect(problemsOf(spoiled((system) => (partOf(system, 'high-pressure').between = ['Y', 'hgh-low'])))).toContain(
      'The lead "hgh-low" of the high-pressure switch at outdoor ends in the air',
    )
    expect(problemsOf(spoiled((system) => (partOf(system, 'stat').calls.cool = ['Q'])))).toContain('There is no terminal "Q" at thermostat')
    expect(problemsOf(spoiled((system) => delete partOf(system, 'stat').common))).toContain('battery, mechanical or stealing')
  })

  it('refuses a field it does not know, so that a typing mistake is not silently lost', () => {
    expect(problemsOf(spoiled((system) => (system.cables[0].lenghtM = 12)))).toContain('lenghtM')
  })
})

describe('a system read back', () => {
  it('has its zones in the order of the wiring', () => {
    expect(zonesOf(furnaceAc).map(({ id }) => id)).toEqual(['thermostat', 'stat-cable', 'indoor', 'outdoor-cable', 'outdoor'])
    expect(zoneName(furnaceAc, 'outdoor-cable')).toBe('outdoor cable')
  })

  it('knows its calls and its one fuse', () => {
    expect(callsOf(furnaceAc)).toEqual(['fan', 'cool', 'heat'])
    expect(firstPart(furnaceAc, 'fuse').ratingA).toBe(3)
  })

  it('has an outdoor cable whose colours are not those of its terminals, and three spares in the other', () => {
    expect(furnaceAc.cables[1].conductors.map(({ id, colour }) => [id, colour])).toEqual([
      ['Y', 'red'],
      ['C', 'white'],
    ])
    expect(furnaceAc.cables[0].conductors.filter(({ lands }) => lands.every((end) => end === null))).toHaveLength(3)
  })
})
