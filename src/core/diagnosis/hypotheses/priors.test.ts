import { type Bench, createBench } from '@/src/core/bench/bench'
import { movesOf } from '@/src/core/diagnosis/explanation/moves'
import { computePosterior, noEvidence, zoneProbabilities } from '@/src/core/diagnosis/inference/posterior'
import { type Complaint, emptyComplaint, sayComplaint } from '@/src/core/job/complaint'
import type { Observation } from '@/src/core/readings/observations'
import { pinPoint } from '@/src/core/wiring/point'
import { engineOf } from '@/tests/setup/engines'
import { furnaceEngine } from '@/tests/setup/furnace'

const zonesAfter = (complaint: Complaint) => {
  const engine = furnaceEngine()
  return zoneProbabilities(engine, computePosterior(engine, { ...noEvidence, complaint }).hypotheses)
}
const share = (complaint: Complaint, zone: string) => zonesAfter(complaint).get(zone) ?? 0
const onCool: Complaint = { ...emptyComplaint, symptoms: ['fuse-on-call'], call: 'cool' }
const fence: Complaint = { ...emptyComplaint, changed: ['garden-work'] }

describe('priors from the complaint', () => {
  it('adds up to one with "none of these"', () => {
    const { hypotheses, noneOfThese } = computePosterior(furnaceEngine(), { ...noEvidence, complaint: onCool })
    expect(hypotheses.reduce((sum, weight) => sum + weight, 0) + noneOfThese).toBeCloseTo(1, 9)
  })

  it('a fuse that goes on cool moves suspicion outdoors, one that goes on heat indoors', () => {
    expect(share(onCool, 'outdoor-cable') + share(onCool, 'outdoor')).toBeGreaterThan(0.5)
    const onHeat: Complaint = { ...emptyComplaint, symptoms: ['fuse-on-call'], call: 'heat' }
    expect(share(onHeat, 'outdoor-cable') + share(onHeat, 'outdoor')).toBeLessThan(0.14)
  })

  it('a fence set last week points at the cable along the wall', () => {
    expect(share(fence, 'outdoor-cable')).toBeGreaterThan(2 * share(emptyComplaint, 'outdoor-cable'))
    expect(share({ ...onCool, ...{ changed: ['garden-work'] } }, 'outdoor-cable')).toBeGreaterThan(0.5)
  })

  it('a blank thermostat does not point at the contactor', () => {
    const blank: Complaint = { ...emptyComplaint, symptoms: ['blank-thermostat'] }
    expect(share(blank, 'outdoor')).toBeLessThan(share(emptyComplaint, 'outdoor'))
  })

  it('what never stops is looked for on its own call first, and on no call alone: a blower is the furnace to many', () => {
    const engine = furnaceEngine()
    const runsOn = (call: Complaint['call'], id: string) => {
      const { hypotheses } = computePosterior(engine, { ...noEvidence, complaint: { ...emptyComplaint, symptoms: ['never-stops'], call } })
      return hypotheses[engine.hypotheses.findIndex((one) => one.id === id)]
    }
    const [onW, onG] = ['conductor-short:stat-cable.R+W', 'conductor-short:stat-cable.R+G']
    expect(runsOn('heat', onW)).toBeGreaterThan(2 * runsOn('heat', onG))
    expect(runsOn('heat', onG)).toBeGreaterThan(runsOn(null, onG) / 5)
    expect(runsOn('fan', onG)).toBeGreaterThan(2 * runsOn('fan', onW))
  })

  it('what the last visitor said moves nothing', () => {
    expect([...zonesAfter({ ...onCool, hearsay: 'bad contactor' })]).toEqual([...zonesAfter(onCool)])
  })

  it('a pressure control or a limit that opens may close again once what it guards has stopped; a rollout is reset by hand', () => {
    const engine = furnaceEngine()
    const { hypotheses } = computePosterior(engine, noEvidence)
    const of = (id: string) => hypotheses[engine.hypotheses.findIndex((one) => one.id === id)]
    const closesAgain = (part: string) => of(`switch-open:${part} when warm`) / of(`switch-open:${part}`)
    for (const part of ['high-pressure', 'low-pressure', 'limit']) expect(closesAgain(part)).toBeGreaterThan(0.2)
    expect(closesAgain('rollout')).toBeLessThan(0.1)
  })

  it('a pressure control that reads closed with its leads off, the unit at rest, is as likely to open while it runs as its spade is to be off', () => {
    const engine = furnaceEngine()
    const low = { id: 'low-pressure', place: 'outdoor' }
    const bench: Bench = { ...createBench(engine.system), place: 'outdoor', power: false, unplugged: ['low-pressure'] }
    const alone: Observation = {
      id: 'alone',
      bench,
      probe: { meter: 'ohms', a: pinPoint(low, 0), b: pinPoint(low, 1) },
      answer: 0.2,
    }
    const complaint: Complaint = { ...emptyComplaint, symptoms: ['mode-dead'], call: 'cool' }
    const { hypotheses } = computePosterior(engine, { ...noEvidence, complaint, observations: [alone] })
    const share = (start: string) => hypotheses.reduce((sum, one, at) => sum + (engine.hypotheses[at].id.startsWith(start) ? one : 0), 0)
    const [opens, spade] = [share('switch-open:low-pressure'), share('lead-loose:low-pressure')]
    expect(opens / spade).toBeGreaterThan(0.5)
    expect(opens / spade).toBeLessThan(2)
  })

  it('a damper that stays open is no mode that is dead, and one that is shut while its zone calls is', () => {
    const engine = engineOf('zoned-furnace-ac')
    const dead: Complaint = { ...emptyComplaint, symptoms: ['mode-dead'], call: 'cool' }
    const before = computePosterior(engine, noEvidence).hypotheses
    const told = computePosterior(engine, { ...noEvidence, complaint: dead }).hypotheses
    const rise = (id: string) => {
      const at = engine.hypotheses.findIndex((one) => one.id === id)
      return told[at] / before[at]
    }
    expect(rise('armature-jammed:damper-2')).toBeLessThan(rise('armature-jammed:contactor') / 10)
    expect(rise('output-on:zone-board.damper-1-hot')).toBeGreaterThan(rise('armature-jammed:damper-2'))
  })
})

describe('movesOf', () => {
  it('says which part of the complaint moved a zone, and by how much', () => {
    const moves = movesOf(furnaceEngine(), { ...onCool, changed: ['garden-work'] })
    expect(moves[0]).toMatchObject({ zone: 'outdoor-cable', because: 'fence or garden work' })
    expect(moves[0].change).toBeGreaterThan(0.2)
    expect(moves.reduce((sum, { change }) => sum + change, 0)).toBeLessThan(1)
    expect(moves.find(({ zone }) => zone === 'thermostat')?.change).toBeLessThan(0)
  })

  it('has nothing to say when nothing was told', () => {
    for (const { change, because } of movesOf(furnaceEngine(), emptyComplaint))
      expect([Math.round(change * 1e6), because]).toEqual([0, null])
  })
})

describe('sayComplaint', () => {
  it("puts the customer's words first", () => {
    expect(sayComplaint({ ...onCool, words: 'It blows', changed: ['rodents'] })).toBe('“It blows” · blows on a call: cool · rodents')
    expect(sayComplaint(emptyComplaint)).toBe('no customer statement recorded')
  })
})
