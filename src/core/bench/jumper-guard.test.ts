import fc from 'fast-check'
import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench } from '@/src/core/bench/bench'
import { problemWithJumpers } from '@/src/core/bench/jumper-guard'
import { leadNames } from '@/src/core/bench/points'
import { setInState } from '@/src/core/operation/in-state'
import { healthy } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { worldsOf } from '@/src/core/readings/world'
import { windingLink } from '@/src/core/wiring/links'
import { conductorEnd, type Point, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { callsOf, firstPart, partsOf, type System } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

/** Every place where a clip can go: terminals, leads, chassis, conductors' ends, parts' own leads. */
const pointsOf = (system: System): Point[] => [
  ...system.places.flatMap(({ id }) => leadNames(system, id).map((name) => terminalPoint(name, id))),
  ...system.cables.flatMap(({ id, between, conductors }) =>
    conductors.flatMap((conductor) => between.map((place) => conductorEnd(id, conductor.id, place))),
  ),
  ...[...partsOf(system, 'switch'), ...partsOf(system, 'coil')].flatMap((part) => [pinPoint(part, 0), pinPoint(part, 1)]),
]

const pairsOf = <T>(items: readonly T[]): [T, T][] => items.flatMap((a, index) => items.slice(index + 1).map((b): [T, T] => [a, b]))

/**
 * The solver's word: the highest share of its rated current that any transformer's secondary carries in a sound house on this
 * bench, over every call that may come on, with the power on and a fuse in that holds.
 */
function worstLoad(laboratory: Laboratory, bench: Bench): number {
  const { system, network, machine, kernel } = laboratory
  let worst = 0
  for (const call of ['off', ...callsOf(system)] as const) {
    const live: Bench = { ...bench, power: true, call, slot: { holds: 'fuse', ratingA: 30, open: false } }
    const { before, base, constraints } = worldsOf(laboratory, live, healthy)
    for (const member of before.settled.members) {
      setInState(kernel, machine, base, before.fixed, constraints, member)
      for (const { id, va } of partsOf(system, 'transformer'))
        worst = Math.max(worst, kernel.current(network.linkRow(windingLink(id, 'secondary'))) / (va / 24))
    }
  }
  return worst
}

const withJumper = (bench: Bench, a: Point, b: Point): Bench => ({ ...bench, jumpers: [...bench.jumpers, { a, b }] })

describe.each(catalogue.map((system) => [system.id, system] as const))('jumpers on %s, by the word of the circuit solver', (_, system) => {
  // A guard inside the thermostat is not what a clip lead may rely on.
  const parts = system.parts.map((part) => (part.kind === 'thermostat' ? { ...part, guardA: undefined } : part))
  const laboratory = createLaboratory({ ...system, parts }, templateValues)
  const points = pointsOf(system)
  const line = lineNodes(system)

  it('are taken between terminals and leads exactly where no call puts a transformer over its rated current, its common joined to the others or not', () => {
    const start = createBench(system)
    const commons = partsOf(system, 'transformer').map(({ secondary, place }) => terminalPoint(secondary[1], place))
    const bonded = commons.slice(1).reduce((bench, common) => withJumper(bench, commons[0], common), start)
    const leads = system.places.flatMap(({ id }) => leadNames(system, id).map((name) => terminalPoint(name, id)))
    const wrong: string[] = []
    for (const [a, b] of pairsOf(leads.filter((point) => !line.has(point)))) {
      const harms = [start, bonded].some((bench) => worstLoad(laboratory, withJumper(bench, a, b)) > 1)
      if (harms !== (problemWithJumpers(system, withJumper(start, a, b)) !== null))
        wrong.push(`${a} ${b}: ${harms ? 'harms, and was taken' : 'is harmless, and was refused'}`)
    }
    expect(wrong).toEqual([])
  })

  it('never harm, whatever was lifted, unplugged, swapped or joined before, whichever points they go to, and whatever is put back after', () => {
    const change = fc.oneof(
      fc
        .constantFrom(...points.filter((point) => /^[^.]*-cable/.test(point) || system.cables.some(({ id }) => point.startsWith(`${id}.`))))
        .chain((end) => fc.constantFrom<BenchChange>({ do: 'lift', end }, { do: 'land', end })),
      fc
        .constantFrom(...system.parts.map(({ id }) => id))
        .chain((part) => fc.constantFrom<BenchChange>({ do: 'unplug', part }, { do: 'plug', part })),
      fc.tuple(fc.constantFrom(...points), fc.constantFrom(...points)).map(([a, b]): BenchChange => ({ do: 'jumper', a, b })),
      fc
        .constantFrom(
          ...system.cables.flatMap(({ id, conductors }) =>
            pairsOf(conductors).map(([from, to]) => ({ cable: id, from: from.id, to: to.id })),
          ),
        )
        .chain((swap) => fc.constantFrom<BenchChange>({ do: 'swap', ...swap }, { do: 'unswap', cable: swap.cable, from: swap.from })),
    )
    let jumpers = 0
    fc.assert(
      fc.property(fc.array(change, { minLength: 4, maxLength: 24 }), (changes) => {
        let bench = createBench(system)
        for (const one of changes) {
          const applied = applyChange(system, bench, one)
          if (!applied.ok) continue
          bench = applied.bench
          if (bench.jumpers.length === 0 || one.do === 'lift' || one.do === 'unplug') continue
          jumpers++
          expect(worstLoad(laboratory, bench)).toBeLessThanOrEqual(1)
        }
      }),
      { seed: 14, numRuns: 60 },
    )
    expect(jumpers).toBeGreaterThan(40)
  })

  it('never touch the line side, the door switch apart', () => {
    const start = createBench(system)
    for (const live of line)
      for (const other of points) {
        const isDoor = partsOf(system, 'switch').some(
          ({ role, between, place }) => role === 'door' && between.every((name) => [live, other].includes(terminalPoint(name, place))),
        )
        if (live !== other && !isDoor) expect(problemWithJumpers(system, withJumper(start, live, other))).toMatch(/line voltage/)
      }
  })
})

describe('jumper guard', () => {
  const problem = (system: System, ...changes: BenchChange[]): string => {
    let bench = createBench(system)
    for (const change of changes) {
      const applied = applyChange(system, bench, change)
      if (!applied.ok) return applied.problem
      bench = applied.bench
    }
    return 'taken'
  }
  const known = (id: string): System => {
    const system = systemById(id)
    if (!system) throw new Error(id)
    return system
  }

  it('follows a float in the supply leg, straps, and the contacts of a call that has not come yet', () => {
    expect(problem(known('cool-strips'), { do: 'jumper', a: 'R@indoor', b: 'C@indoor' })).toMatch(/dead short/)
    expect(problem(known('zoned-furnace-ac'), { do: 'jumper', a: 'R@stat-2', b: 'C@stat-2' })).toMatch(/dead short/)
    expect(problem(known('furnace-ac-two-stage'), { do: 'jumper', a: 'Y1@indoor', b: 'C@indoor' })).toMatch(/dead short/)
    expect(problem(known('cool-strips'), { do: 'jumper', a: 'L1@indoor', b: 'R@indoor' })).toMatch(/line voltage/)
  })

  it('takes two supplies that are apart for two that a second bond may join', () => {
    const zoned = known('zoned-furnace-ac')
    expect(problem(zoned, { do: 'jumper', a: 'R@panel', b: 'C1@panel' })).toMatch(/dead short/)
    expect(problem(zoned, { do: 'jumper', a: 'stat-cable-1.R@panel', b: 'C@indoor' })).toMatch(/dead short/)
    expect(problem(zoned, { do: 'jumper', a: 'R1@panel', b: 'chassis@indoor' })).toMatch(/dead short/)
  })

  it('lets the far ends of two conductors be joined while they are off at the near end, and keeps them off until the jumper is out', () => {
    const system = known('furnace-ac')
    const lift = ['Y', 'C'].map((id): BenchChange => ({ do: 'lift', end: `outdoor-cable.${id}@indoor` }))
    const join: BenchChange = { do: 'jumper', a: 'Y@outdoor', b: 'C@outdoor' }
    const land = ['Y', 'C'].map((id): BenchChange => ({ do: 'land', end: `outdoor-cable.${id}@indoor` }))
    expect(problem(system, ...lift, join)).toBe('taken')
    expect(problem(system, ...lift, join, ...land)).toMatch(/Take the jumper out first: Y to C at the outdoor unit/)
    expect(problem(system, ...lift, join, { do: 'unjumper', a: join.a, b: join.b }, ...land)).toBe('taken')
  })

  it('lets a call be made by hand, and the door switch be held closed', () => {
    expect(problem(known('furnace-ac'), { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' })).toBe('taken')
    const system = known('furnace-no-common')
    const door = partsOf(system, 'switch').find(({ role }) => role === 'door')
    if (!door) throw new Error('no door switch')
    const [a, b] = door.between.map((name) => terminalPoint(name, door.place))
    expect(problem(system, { do: 'jumper', a, b })).toBe('taken')
    expect(firstPart(system, 'transformer').place).toBe(door.place)
  })
})
