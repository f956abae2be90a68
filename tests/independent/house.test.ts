import { createEngine } from '@/src/core/diagnosis/engine'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { createRandom } from '@/src/core/units/random'
import type { System } from '@/src/core/wiring/system'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { drawParts } from '@/tests/independent/draw'
import { IndependentHouse } from '@/tests/independent/house'
import { summarise } from '@/tests/independent/page'
import { Senses } from '@/tests/independent/senses'
import { sitIndependently } from '@/tests/independent/sitting'
import { type SpiceSession, startSpice } from '@/tests/independent/spice-session'
import type { Trouble } from '@/tests/independent/trouble'

let spice: SpiceSession
beforeAll(() => {
  spice = startSpice()
})
afterAll(() => spice.end())

const troubleOf = (system: System, id: string): Trouble => {
  const fault = enumerateFaults(system).find((one) => one.id === id)
  if (!fault) throw new Error(`no fault ${id}`)
  return {
    name: id,
    from: 'catalogue',
    effects: fault.effects,
    jammed: [],
    afterS: 0,
    shows: 1,
    mendedBy: [fault.repair.id],
    brokenToo: [],
    zone: fault.zone,
    fault,
  }
}

async function workingOn(template: System, trouble: Trouble | null, call: 'cool' | 'fan' | 'heat', seconds: number) {
  const house = new IndependentHouse(drawParts(template, createRandom(5)), template, trouble, spice, createRandom(6), 1, 3)
  await house.run(600)
  house.change({ do: 'call', call })
  await house.run(seconds)
  const senses = new Senses(house, async () => new Map(), template, createRandom(7), 1)
  return { house, works: await senses.working(), senses }
}

describe('the eye of the independent exam', () => {
  const furnace = systemById('furnace-induced-draft')
  if (!furnace) throw new Error('no induced-draft furnace')
  const rollout: Trouble = {
    ...troubleOf(furnace, 'switch-open:rollout'),
    name: 'rollout opens when warm',
    afterS: 75,
  }

  it('reads the current of a flame while it burns: good where a switch puts it out later, low where it is not sensed', async () => {
    // One look in fifty is wrong: most of three count.
    const mostly = async (trouble: Trouble) => {
      const { senses } = await workingOn(furnace, trouble, 'heat', 120)
      const words: unknown[] = []
      for (let look = 0; look < 3; look++) words.push(await senses.take({ meter: 'look', at: 'signal@ignition' }))
      return words.filter((answer) => JSON.stringify(answer) === '{"word":"good"}').length >= 2 ? 'good' : 'low'
    }
    expect(await mostly(rollout)).toBe('good')
    expect(await mostly(troubleOf(furnace, 'flame-not-sensed:ignition'))).toBe('low')
  })
})

describe('a house of the independent exam', () => {
  it('does what it is called for, on parts that are not the template', async () => {
    const { works, senses } = await workingOn(furnaceAc, null, 'cool', 60)
    expect([works.get('compressor'), works.get('blower')]).toEqual([true, true])
    expect(await senses.take({ meter: 'volts', a: 'R@indoor', b: 'C@indoor' })).toBeGreaterThan(22)
    const contactor = drawParts(furnaceAc, createRandom(5)).parts.find(({ id }) => id === 'contactor')
    expect(contactor).not.toEqual(furnaceAc.parts.find(({ id }) => id === 'contactor'))
  })

  it('goes on with what chatters for as long as it is let, and its transformer stays as warm as that makes it @long', async () => {
    const board = systemById('heat-pump-o')
    if (!board) throw new Error('no heat pump')
    const { house } = await workingOn(board, troubleOf(board, 'output-chatters:defrost-board.Y-out'), 'cool', 3000)
    const [warm] = house.windings.values()
    await house.run(60)
    const [later] = house.windings.values()
    expect(warm).toBeGreaterThan(45)
    expect(warm).toBeLessThan(110)
    expect(Math.abs(later - warm)).toBeLessThan(10)
  })

  it('stops where a conductor is open, and melts its fuse on a short', async () => {
    const open = await workingOn(furnaceAc, troubleOf(furnaceAc, 'conductor-open:outdoor-cable.Y'), 'cool', 60)
    expect([open.works.get('compressor'), open.works.get('blower')]).toEqual([false, true])
    const short = await workingOn(furnaceAc, troubleOf(furnaceAc, 'conductor-to-chassis:outdoor-cable.Y'), 'cool', 60)
    expect(short.house.isFuseOpen).toBe(true)
  })

  it('keeps its delays in real time: a heat pump whose power was off waits for its compressor', async () => {
    const heatPump = systemById('heat-pump-o') ?? furnaceAc
    const { house, senses } = await workingOn(heatPump, null, 'cool', 400)
    expect((await senses.working()).get('contactor')).toBe(true)
    house.change({ do: 'power', on: false })
    await house.run(60)
    house.change({ do: 'power', on: true })
    await house.run(20)
    const soon = (await senses.working()).get('contactor')
    await house.run(420)
    expect((await senses.working()).get('contactor')).toBe(true)
    const waits = heatPump.parts.some(
      (part) => part.kind === 'board' && part.outputs.some(({ style, minimumOffS }) => style === 'relay' && minimumOffS),
    )
    if (waits) expect(soon).toBe(false)
  })
})

describe('an ignition in one', () => {
  const furnace = systemById('furnace-induced-draft') ?? furnaceAc
  const flame = { meter: 'look', at: 'flame@ignition' } as const
  const igniter = { meter: 'volts', a: 'igniter-line@indoor', b: 'N@indoor' } as const

  it('proves its draft, lights, burns, and lets its igniter go', async () => {
    const { works, senses } = await workingOn(furnace, null, 'heat', 120)
    expect([works.get('inducer'), works.get('gas-valve'), works.get('igniter')]).toEqual([true, true, false])
    expect(await senses.take(igniter)).toBeGreaterThan(100)
    expect(await senses.take(flame)).toEqual({ word: 'burns' })
  })

  it('gives up after its tries, and tries again when it is called anew', async () => {
    const { works, senses } = await workingOn(furnace, troubleOf(furnace, 'load-dead:igniter'), 'heat', 400)
    expect(works.get('gas-valve')).toBe(false)
    expect(await senses.take(igniter)).toBeGreaterThan(100)
    expect(await senses.take(flame)).toEqual({ word: 'no glow' })
    const blind = await workingOn(furnace, troubleOf(furnace, 'flame-not-sensed:ignition'), 'heat', 400)
    expect(await blind.senses.take(igniter)).toBeGreaterThan(100)
    expect(await blind.senses.take(flame)).toEqual({ word: 'lights and goes out' })
  })
})

describe('a search in one', () => {
  it('ends, with what was asked written down @long', async () => {
    const sitting = await sitIndependently(createEngine(furnaceAc), spice, 300_003)
    expect(sitting.outcome).not.toBe('no ending')
    expect(sitting.steps.length).toBe(sitting.checks + 1)
    expect(summarise([sitting])).toMatchObject({ houses: 1, withoutEnding: 0 })
  }, 60_000)
})
