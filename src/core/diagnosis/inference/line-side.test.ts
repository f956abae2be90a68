import { createBench } from '@/src/core/bench/bench'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import { assess } from '@/src/core/diagnosis/inference/assessment'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import type { Observation } from '@/src/core/readings/observations'
import { type Point, terminalPoint } from '@/src/core/wiring/point'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

const volts = (engine: Engine, a: Point, b: Point, answer: number, id = `${a} ${b} ${answer}`): Observation => ({
  id,
  bench: createBench(engine.system),
  probe: { meter: 'volts', a, b },
  answer,
})
const suspectsOf = (engine: Engine, ...observations: Observation[]) => assess(weigh(engine, { ...noEvidence, observations })).suspects
const shareOf = (suspects: ReturnType<typeof suspectsOf>, id: string) => suspects.find((one) => one.id === id)?.probability ?? 0

describe('a part of the volts across a branch, and all of them to ground', () => {
  const engine = furnaceEngine()

  it.each([20, 45, 62, 80, 95])('%p V of 120 is the path of the neutral, whatever the figure', (part) => {
    const suspects = suspectsOf(
      engine,
      volts(engine, 'L1-unit@indoor', 'N@indoor', part),
      volts(engine, 'L1-unit@indoor', 'chassis@indoor', 121),
      volts(engine, 'L1-unit@indoor', 'N@indoor', part + 1, 'again'),
    )
    expect(suspects[0].id).toBe('neutral-open:furnace-supply')
    expect(suspects[0].probability).toBeGreaterThan(0.6)
  })

  it('all of the volts into a transformer that gives half, with nothing alive on it, is the transformer', () => {
    const blank: Observation = {
      id: 'blank',
      bench: { ...createBench(engine.system), call: 'fan' },
      probe: { meter: 'look', at: 'stat' },
      answer: { word: 'blank' },
    }
    const half = [
      volts(engine, 'R@indoor', 'C@indoor', 14),
      volts(engine, 'sec@indoor', 'R@indoor', 0.05),
      volts(engine, 'sec@indoor', 'C@indoor', 14),
      blank,
    ]
    const [lead] = suspectsOf(engine, ...half, volts(engine, 'L1-unit@indoor', 'N@indoor', 115))
    expect(lead.id).toContain('transformer-weak')
  })

  it('is nothing that no list has: the line has few parts, and all of them are known', () => {
    const suspects = suspectsOf(engine, volts(engine, 'L1-unit@indoor', 'N@indoor', 62))
    expect(shareOf(suspects, 'none-of-these')).toBeLessThan(shareOf(suspects, 'neutral-open:furnace-supply'))
  })
})

describe('a line of another nominal', () => {
  it.each(['furnace-ac', 'heat-pump-o', 'rooftop-gas'])('of 208 V on %s moves nobody to what no list has', (id) => {
    const system = systemById(id)
    const disconnect = system?.parts.find((part) => part.kind === 'disconnect' && part.poles.length > 1)
    if (!system || disconnect?.kind !== 'disconnect') throw new Error(`${id} has no disconnect of two poles`)
    const engine = createEngine(system)
    const [a, b] = disconnect.poles.map(([, after]) => terminalPoint(after, disconnect.place))
    const before = shareOf(suspectsOf(engine), 'none-of-these')
    for (const read of [205, 211])
      expect(shareOf(suspectsOf(engine, volts(engine, a, b, read)), 'none-of-these')).toBeLessThan(before + 0.02)
    // Two thirds of it is no nominal.
    expect(shareOf(suspectsOf(engine, volts(engine, a, b, 160)), 'nothing-wrong')).toBeLessThan(
      shareOf(suspectsOf(engine, volts(engine, a, b, 240)), 'nothing-wrong'),
    )
  })
})
