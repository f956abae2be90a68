import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'
import { drafts, standing } from '@/tests/setup/standing'

const read = (system: string, before: ReturnType<typeof at>, line: string) => {
  const found = systemById(system)
  if (!found) throw new Error(`no system ${system}`)
  const entries: Entry[] = before.map((change, index) =>
    stampEntry({ kind: 'bench', change }, { newId: () => `b${index}`, now: () => '2026-05-04T09:10:00Z' }),
  )
  return readQuickLine(line, { system: found, entries, suspects: [], proposed: null })
}

describe('what a line names', () => {
  // A rule that takes the start of it for all of it must not win over the two halves.
  it.each([
    ['furnace-ac', at('indoor'), "won't trip now with outdoor Y off", 'lift outdoor Y; holds'],
    ['furnace-ac', at('indoor'), "doesn't trip until I call for cooling", 'trips on cool'],
    ['package-heat-pump', at('package'), 'blower relay in, blower dead', 'blower-relay in; blower still'],
    ['rooftop-electric', at('package'), 'electric heat stays on when the stat is satisfied', 'call off; strips runs'],
    ['furnace-induced-draft', at('indoor'), 'inducer dead with 120 on it', 'inducer-line-N 120 V; inducer still'],
    ['furnace-ac', at('outdoor'), "coil has 26 but it's not pulling", 'low-contactor-C 26 V; contactor out'],
    ['heat-pump-o', at('outdoor'), 'unplugged the RV coil, contactor came right in', 'unplug valve; contactor in'],
    ['heat-pump-o', at('outdoor'), 'reversing valve clicks when I energize O', 'jumper R O; valve in'],
    ['furnace-ac', at('indoor'), 'installed new 3 amp fuse, 20 minutes no problems', 'fuse 3 in; holds'],
    ['furnace-ac', at('indoor'), 'holds on everything but cool', 'holds on fan; holds on heat; trips on cool'],
    ['furnace-ac', at('indoor', true), 'outdoor Y lifted, to ground 0.3', 'lift outdoor Y; ohms lifted outdoor Y-gnd 0.3'],
    ['zoned-furnace-ac', at('panel', true), 'zone 2 R to C 0.5', 'ohms R2-C2 0.5'],
    ['package-heat-pump', at('package'), 'O 26 in cooling, 0 in heating', 'call cool; O-C 26 V; call heat; O-C 0 V'],
    ['furnace-ac', at('indoor'), 'breaker keeps popping whenever AC calls', 'trips on cool'],
    ['furnace-ac', at('indoor', true), 'outdoor red and white beep together', 'ohms outdoor Y-outdoor C jumps between 0 and 40'],
  ])('is all heard: %s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it('a motor on its overload is kept in words, and nothing tripped', () => {
    const answer = read('rooftop-electric', at('package'), "blower's tripping on overload")
    expect(answer).toMatchObject({ ok: true, drafts: [{ kind: 'note' }] })
  })

  it('what is read past a part is no bypass of it', () => {
    const answer = read('cool-strips', at('indoor'), 'float unplugged, still no 24 past it')
    expect(answer.ok && answer.drafts.some(({ kind }) => kind === 'bench')).toBe(false)
  })

  it('a breaker that is not in is not reset', () => {
    expect(read('furnace-ac', at('indoor'), 'reset the breaker')).toMatchObject({
      ok: false,
      problem: expect.stringContaining('no breaker in the fuse slot'),
    })
  })

  it('a wire of a color that several cables have is asked after by its cable', () => {
    expect(read('furnace-ac', at('indoor', true), 'red to white beeps')).toMatchObject({
      ok: false,
      problem: 'Which red? Say "stat red" or "outdoor red".',
    })
  })
})

describe('what contradicts itself, or belongs elsewhere, is asked after', () => {
  it('one part is not seen to do two things at once', () => {
    const read = standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'cool' })
    expect(drafts(read, "fan comes on, outdoor doesn't")).toMatchObject([
      { probe: { meter: 'look', at: 'blower' }, answer: { word: 'runs' } },
      { probe: { meter: 'look', at: 'runs@outdoor' }, answer: { word: 'not as called' } },
    ])
    expect(drafts(standing('rooftop-gas', 'package', 'on'), 'rollout tripped, reset it')).toHaveLength(2)
  })

  it('what was read at a place is not read at another one with a walk behind it', () => {
    expect(standing('zoned-furnace-ac', 'panel', 'on')('stat 2 Y to C 25 at the panel').ok).toBe(false)
  })

  it('when it goes is told, and was not seen', () => {
    const told = (line: string) => drafts(standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'cool' }), line)
    for (const line of ['only trips when it rains', 'trips about every 45 minutes'])
      expect(told(line)).toMatchObject([{ kind: 'complaint', complaint: { symptoms: ['fuse-now-and-then'] } }])
    expect(told('blows fuse in defrost')).toMatchObject([{ kind: 'complaint' }])
  })
})
