import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { isConclusion } from '@/src/core/quick-line/concluded'
import { eitherOf } from '@/src/core/quick-line/either'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { drafts, standing } from '@/tests/setup/standing'

const inside = standing('furnace-ac', 'indoor', 'on')

describe('what is thought and not seen', () => {
  it.each([
    "so it's in the condenser or the run",
    "it's the stat",
    "so it's outdoors",
    "so thermostat isn't sending W2",
    'must be the board',
    'I think the Y wire is open between here and outside',
    'panel relay bad?',
  ])('%s is a note: nothing of it is weighed, and nobody walks', (line) => {
    expect(drafts(inside, line)).toEqual([{ kind: 'note', text: line }])
  })

  it.each([
    'so I pulled Y off outside',
    'so Y to C is 24',
    'it is on',
    "it's blank",
    'thermostat is dead',
    "it's 26 volts",
    'so breaker in, trips',
    'it should be on the 208 tap',
  ])('%s is not', (line) => {
    expect(isConclusion(line)).toBe(false)
  })
})

describe('ohms while the record has the power on', () => {
  const context = { system: systemOf('heat-pump-o'), entries: [], suspects: [], proposed: null }
  const at = standing('heat-pump-o', 'outdoor', 'on')

  it('are refused with why, and entered with the power off by one key', () => {
    const read = at('contactor coil 4 ohms')
    expect(read).toMatchObject({ ok: false, problem: expect.stringMatching(/^The power is on in the record, .*Is it off now\?/) })
    const [offered] = read.ok ? [] : eitherOf('contactor coil 4 ohms', read.problem, context)
    expect(offered.drafts.map(({ kind }) => kind)).toEqual(['bench', 'reading'])
  })

  it('a few tenths from a wire that is off to the metal are asked after: a short in ohms, nothing in volts', () => {
    const lifted = standing('rooftop-gas', 'package', 'on', { do: 'lift', end: 'stat-cable.W1@package' })
    expect(lifted('W1 wire to cabinet 0.2')).toMatchObject({ ok: false, problem: expect.stringMatching(/^Volts, or ohms/) })
    expect(drafts(lifted, 'W1 wire to cabinet 0.2 V')).toHaveLength(1)
  })
})

describe('lines that were heard as something else', () => {
  it.each<[string, ReturnType<typeof standing>, string]>([
    // Words of a trip that are none.
    ['only blows', inside, 'complaint only blows'],
    ['fuse keeps popping', inside, 'complaint fuse keeps popping'],
    ['blew them out', inside, 'repaired blew them out'],
    ['no common', inside, 'note no common'],
    ['board has no lights', standing('heat-pump-o', 'outdoor', 'on'), 'defrost-board dark'],
    ['contactor pitted', standing('package-heat-pump', 'package', 'on'), 'contacts contactor burned'],
    ['contactor 9 ohms power off', standing('furnace-ac', 'outdoor', 'on'), 'power off; contactor 9'],
    // Both zones, and each.
    ['dampers both closed', standing('zoned-furnace-ac', 'panel', 'on'), 'damper-1 shut; damper-2 shut'],
    ['zone 2 cools now', standing('zoned-furnace-ac', 'panel', 'on'), 'holds on cool zone 2'],
    ['heat on 2', standing('zoned-furnace-ac', 'panel', 'on'), 'call heat zone 2'],
    // Two transformers by what they feed.
    ['ac transformer primary 120', standing('furnace-two-transformers', 'indoor', 'on'), 'cooling transformer primary 120 V'],
    // A reading that is told behind a repair was taken after it.
    ['cleaned the flame rod, now 3.1', standing('furnace-induced-draft', 'indoor', 'on'), 'repaired cleaned flame rod; flame 3.1'],
    ['new outdoor cable', inside, 'repaired new outdoor cable'],
    ['land everything', standing('furnace-ac', 'outdoor', 'on', { do: 'lift', end: 'outdoor-cable.Y@outdoor' }), 'land outdoor Y'],
    [
      'put zone 2 cable back',
      standing('zoned-furnace-ac', 'panel', 'on', { do: 'lift', end: 'stat-cable-2.Y@panel' }),
      'land stat-cable-2 Y',
    ],
    ['rerouted and taped it', inside, 'repaired rerouted and taped it'],
    ['new contactor and transformer', inside, 'repaired new contactor and transformer'],
  ])('%s', (line, at, means) => {
    expect(drafts(at, line)).toEqual(drafts(at, means))
  })

  it('a unit of two hot sides is not fed by one of them: which is asked', () => {
    expect(standing('furnace-two-transformers', 'indoor', 'on')('furnace side 26').ok).toBe(false)
  })

  it('a sag of R is not entered at a place that has no R', () => {
    expect(standing('furnace-ac', 'outdoor', 'on')('R to C drops to 20 with cool on')).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/^There is no R at the outdoor unit/),
    })
  })

  it('what a board switches of the line is no call, and none of its 24 V', () => {
    expect(standing('heat-pump-o', 'outdoor', 'on')('board out to fan 0 volts').ok).toBe(false)
  })

  it('a bypass is taken out by that name, with another jumper in', () => {
    const at = standing(
      'furnace-ac',
      'indoor',
      'on',
      { do: 'jumper', a: 'R@indoor', b: 'W@indoor' },
      { do: 'jumper', a: 'W@indoor', b: 'limit-rollout@indoor' },
    )
    expect(drafts(at, 'take the bypass out')).toEqual(drafts(at, 'jumper out W limit-rollout'))
  })

  it('a fuse of the disconnect is none of the 24 V side', () => {
    expect(standing('rooftop-electric', 'package', 'on')('fuse blown in the disconnect').ok).toBe(false)
  })

  it('volts that the last points do not have are asked after', () => {
    const system = systemOf('furnace-ac')
    const reading: EntryDraft = { kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 24.1 }
    const entries = [stampEntry(reading, { newId: () => 'e1', now: () => '2026-05-04T09:10:00Z' })]
    const read = (line: string) => readQuickLine(line, { system, entries, suspects: [], proposed: null })
    expect(read('26 now')).toMatchObject({ ok: true, drafts: [{ ...reading, answer: 26 }] })
    expect(read('208 now').ok).toBe(false)
  })

  it('power that is cut outdoors leaves the 24 V side live: which switch is asked', () => {
    for (const line of ['cut power to the condenser', 'killed the power to the outdoor unit'])
      expect(inside(line)).toMatchObject({ ok: false, problem: expect.stringMatching(/leaves the 24 V side live/) })
    expect(drafts(inside, 'killed the furnace power')).toEqual(drafts(inside, 'power off'))
    expect(standing('zoned-furnace-ac', 'panel', 'on')('damper motor dead').ok).toBe(false)
  })

  it('the second of two is not the first', () => {
    expect(standing('rooftop-electric', 'package', 'on')('contactor for bank two buzzing').ok).toBe(false)
  })

  it('red laid on common is a dead short, whichever red it is', () => {
    const at = standing('heat-pump-o', 'indoor', 'on')
    for (const line of ['put R on C for a second', 'touch the red to the chassis'])
      expect(at(line)).toMatchObject({ ok: false, problem: expect.stringMatching(/^Never join/) })
    expect(at('put red on R and blue on C')).not.toMatchObject({ problem: expect.stringMatching(/^Never join/) })
  })
})
