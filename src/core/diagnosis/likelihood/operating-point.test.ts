import { createBench } from '@/src/core/bench/bench'
import type { Chains } from '@/src/core/diagnosis/likelihood/by-house'
import { knownOf, UNREAD, weighNext } from '@/src/core/diagnosis/likelihood/chain'
import { countCauses } from '@/src/core/diagnosis/likelihood/one-reading'
import { nearest, pointsAhead, pointsOf } from '@/src/core/diagnosis/likelihood/operating-point'
import { readingOf } from '@/src/core/diagnosis/likelihood/reading'
import { causeIndex } from '@/src/core/readings/causes'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Observation } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import type { Point } from '@/src/core/wiring/point'
import { furnaceEngine } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const off = { ...createBench(engine.system), power: false }
const ohms = (a: Point, b: Point, answer: number): Observation => ({
  id: `${a} ${b}`,
  bench: off,
  probe: { meter: 'ohms', a, b },
  answer,
})

// A blower relay of 11.4 ohm where the template says 28, and a contactor of 27 where it says 14: both are sold.
const apart = [ohms('G@indoor', 'C@indoor', 11.6), ohms('Y@outdoor', 'C@outdoor', 27.2)]
const inARow = ohms('G@indoor', 'Y@indoor', 39.6)

const linkOfSound = ({ links, of }: Chains) => links[of[0]]

describe('a house whose coils are far from the template', () => {
  it('two coils in a row read as their sum, though no straight line of their logarithms says so', () => {
    const causes = countCauses(engine.laboratory)
    const atTemplate = [...apart, inARow].reduce(
      (link, observation) =>
        weighNext(link, predict(engine.laboratory, off, healthy, observation.probe, true), readingOf(engine.system, observation), causes),
      UNREAD,
    )
    const laid = linkOfSound(engine.store.chains([...apart, inARow]))
    expect(atTemplate.away).toBeGreaterThan(2)
    expect(laid.away).toBeLessThan(1.6)
    expect(laid.log).toBeGreaterThan(atTemplate.log + 1)
  })

  it('is known by its coils, which a line through the template put elsewhere', () => {
    const link = linkOfSound(engine.store.chains([...apart, inARow]))
    const known = (part: string) => knownOf(link, causeIndex.of(engine.system).get(`ohms:${part}`) ?? -1).mean
    expect(28 * Math.exp(0.42 * known('blower-relay'))).toBeCloseTo(11.4, -0.5)
    expect(14 * Math.exp(0.42 * known('contactor'))).toBeCloseTo(27, -0.6)
  })

  it('calls for a point, an ordinary one for none', () => {
    expect(pointsOf(engine.system, engine.store.chains(apart)).length).toBeGreaterThan(0)
    expect(pointsOf(engine.system, engine.store.chains([ohms('G@indoor', 'C@indoor', 28), ohms('Y@outdoor', 'C@outdoor', 15)]))).toEqual([])
  })

  it('may be called for by a coil that is about to be read, once, and by no other reading', () => {
    const { system, laboratory } = engine
    const sound = (a: Point, b: Point) => predict(laboratory, off, healthy, { meter: 'ohms', a, b }, true)
    const place = causeIndex.of(system).get('ohms:contactor') ?? -1
    const ahead = pointsAhead(system, [], sound('Y@outdoor', 'C@outdoor'))
    expect(ahead.map(({ centres }) => centres[place])).toEqual([-1, 1, -1.5, 1.5, -2, 2])
    const known = pointsOf(system, engine.store.chains(apart))
    expect(known.some(({ centres }) => centres[place] !== 0)).toBe(true)
    expect(pointsAhead(system, known, sound('Y@outdoor', 'C@outdoor'))).toEqual([])
    expect(pointsAhead(system, [], sound('R@indoor', 'chassis@indoor'))).toEqual([])
  })

  it('lies no further out than coils are sold, and so was prepared for', () => {
    const { system, laboratory } = engine
    const place = causeIndex.of(system).get('ohms:contactor') ?? -1
    const ahead = pointsAhead(system, [], predict(laboratory, off, healthy, { meter: 'ohms', a: 'Y@outdoor', b: 'C@outdoor' }, true))
    for (const ohm of [4, 6, 9, 25, 34, 60]) {
      const points = pointsOf(system, engine.store.chains([ohms('Y@outdoor', 'C@outdoor', ohm)]))
      for (const { key, centres } of points) {
        expect(Math.abs(centres[place])).toBeLessThanOrEqual(2)
        expect(ahead.map((point) => point.key)).toContain(key)
      }
    }
    expect(pointsOf(system, engine.store.chains([ohms('Y@outdoor', 'C@outdoor', 4)]))).not.toEqual([])
  })

  it('of two chains each house keeps the one that was laid nearer to what it found', () => {
    const chains = engine.store.chains(apart)
    const [point] = pointsOf(engine.system, chains)
    const both = nearest(
      engine.system,
      [
        { chains, point: null },
        { chains, point },
      ],
      engine.houses,
    )
    expect(both.of[0]).toBe(chains.links.length + chains.of[0])
  })
})
