import { formOpinion, proposeCheck, sayReading } from '@/src/core/advice/advise'
import { createEngine } from '@/src/core/diagnosis/engine'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { Point } from '@/src/core/wiring/point'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

let count = 0
const state = (...drafts: EntryDraft[]) =>
  foldJob(
    furnaceAc,
    drafts.map((draft) => ({ id: `e${++count}`, at: '2026-05-04T09:10:00Z', ...draft }) as Entry),
  )
const volts = (a: Point, b: Point, answer: number): EntryDraft => ({ kind: 'reading', probe: { meter: 'volts', a, b }, answer })
const deadTransformer = [volts('L1-unit@indoor', 'N@indoor', 120), volts('sec@indoor', 'C@indoor', 0.1)]

describe('proposeCheck', () => {
  it('asks for a confirming check before a repair that hangs on one reading is called found', () => {
    const proposal = proposeCheck(furnaceEngine(), state(...deadTransformer))
    expect(proposal).toMatchObject({ verdict: null, confirms: true })
    expect(proposal.next?.probe).not.toEqual({ meter: 'volts', a: 'sec@indoor', b: 'C@indoor' })
  })

  it('of a dead transformer asks what burned it out, circuit by circuit, with the power off, before a second one goes in', () => {
    const proposal = proposeCheck(furnaceEngine(), state(...deadTransformer, volts('sec@indoor', 'chassis@indoor', 0.1)))
    expect(proposal).toMatchObject({ verdict: null, confirms: true, next: { bench: { power: false }, probe: { meter: 'ohms' } } })
    const off: EntryDraft = { kind: 'bench', change: { do: 'power', on: false } }
    const ohms = (a: string, answer: number): EntryDraft => ({
      kind: 'reading',
      probe: { meter: 'ohms', a: `${a}@indoor`, b: 'C@indoor' },
      answer,
    })
    const asked = state(...deadTransformer, volts('sec@indoor', 'chassis@indoor', 0.1), off, ohms('Y', 15), ohms('G', 28), ohms('W', 19))
    expect(formOpinion(furnaceEngine(), asked).suspects[0].id).toContain('transformer-dead')
    expect(proposeCheck(furnaceEngine(), asked).next?.probe).not.toMatchObject({ a: 'Y@indoor', b: 'C@indoor' })
  })

  it('does not propose again what cannot be done here', () => {
    const first = proposeCheck(furnaceEngine(), state())
    if (!first.next) throw new Error('no check')
    const second = proposeCheck(furnaceEngine(), state({ kind: 'skip', probe: first.next.probe }))
    expect(second.next?.probe).not.toEqual(first.next.probe)
  })

  it('looks for what is left after a repair, and finds a sound house sound', () => {
    const repair: EntryDraft = {
      kind: 'repair',
      fault: 'transformer-dead:transformer.secondary',
      zone: 'indoor',
      what: 'new transformer',
      cause: '',
    }
    const opinion = formOpinion(furnaceEngine(), state(...deadTransformer, repair))
    expect(opinion.suspects[0].id).toBe('nothing-wrong')
    expect(opinion.readings).toBe(0)
  })

  const always = ['furnace-ac', 'heat-pump-o', 'zoned-furnace-ac', 'rooftop-gas', 'air-handler-plain']
  it.each(catalogue.map((system) => [system.id, always.includes(system.id) ? '' : ' @long', system] as const))(
    'has a first check to propose on %s, a sentence and its answers%s',
    (_id, _tag, system) => {
      const { next } = proposeCheck(createEngine(system), foldJob(system, []))
      expect(next?.say.length).toBeGreaterThan(8)
      expect(next?.outcomes.length).toBeGreaterThan(1)
      expect(next?.minutes).toBeLessThan(5)
    },
  )
})

describe('sayReading', () => {
  it('says a reading with the bench it was taken on', () => {
    expect(sayReading(furnaceEngine(), benchWith(change.cool), { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, 26.1)).toBe(
      'R to C at the indoor unit 26.1 V (on cool)',
    )
    expect(sayReading(furnaceEngine(), benchWith(change.breaker, change.jumperY), { meter: 'trip' }, { word: 'trips' })).toBe(
      'trips with no call, jumper in',
    )
    expect(sayReading(furnaceEngine(), benchWith(change.cool), { meter: 'trip' }, { word: 'trips' })).toBe('trips on cool')
  })
})
