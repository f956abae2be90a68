import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { NONE_OF_THESE, NOTHING_WRONG, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import { judgeGroup, leadingGroup, neverSeen, stillTold, type Verdict } from '@/src/core/diagnosis/inference/verdict'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const suspect = (id: string, probability: number): Suspect => ({
  id,
  say: id,
  zone: id === NOTHING_WRONG ? null : 'indoor',
  probability,
  repair: id === NOTHING_WRONG || id === NONE_OF_THESE ? null : { id: `mend:${id}`, say: `Mend ${id}` },
  parts: [],
  evidence: [],
  misfits: 0,
  unsteady: 0,
})

describe('a group of suspects', () => {
  it('is the few that hold enough between them, and none of these is in no group', () => {
    const few = [suspect('a', 0.6), suspect('b', 0.37), suspect('c', 0.03)]
    expect(leadingGroup(few)?.map(({ id }) => id)).toEqual(['a', 'b'])
    expect(leadingGroup([suspect('a', 0.97)])).toBeNull()
    expect(leadingGroup([suspect('a', 0.94), suspect('b', 0.02), suspect('c', 0.02)])).toBeNull()
    expect(leadingGroup([suspect('a', 0.3), suspect('b', 0.3), suspect('c', 0.2), suspect('d', 0.2)])).toBeNull()
    expect(leadingGroup([suspect('a', 0.6), suspect(NONE_OF_THESE, 0.38)])).toBeNull()
  })

  it('is the place to look at, by its likeliest act', () => {
    expect(judgeGroup([suspect('a', 0.6), suspect('b', 0.37)])).toMatchObject({
      found: 'group',
      repair: { id: 'mend:a' },
      suspects: ['a', 'b'],
    })
    expect(judgeGroup([suspect(NOTHING_WRONG, 0.6), suspect('b', 0.37)])).toMatchObject({ found: 'group', repair: { id: 'mend:b' } })
  })

  it('is a sound house where that holds nearly all of it', () => {
    expect(judgeGroup([suspect(NOTHING_WRONG, 0.91), suspect('b', 0.05)])).toMatchObject({ found: 'nothing-wrong', probability: 0.91 })
  })
})

const repair: Verdict = {
  found: 'repair',
  repair: { id: 'mend:a', say: 'Mend a' },
  zone: 'indoor',
  probability: 0.96,
  suspects: ['a'],
  also: null,
}

describe('what hides', () => {
  const hiding = { ...suspect('a', 0.96), unsteady: 0.95 }

  it('is looked for where nobody told of trouble, and no repair, however sure it seems', () => {
    expect(neverSeen(repair, hiding, emptyComplaint)).toEqual({ ...repair, found: 'comes-and-goes' })
  })

  it('is a repair where trouble was told, and so is what stands', () => {
    expect(neverSeen(repair, hiding, { ...emptyComplaint, symptoms: ['fuse-now-and-then'] })).toBe(repair)
    expect(neverSeen(repair, { ...hiding, unsteady: 0.1 }, emptyComplaint)).toBe(repair)
  })
})

describe('a house that is told to blow its fuse now and then', () => {
  const sound: Verdict = { found: 'nothing-wrong', probability: 0.6, suspects: [NOTHING_WRONG] }
  const suspects = [suspect(NOTHING_WRONG, 0.6), suspect('a', 0.2), suspect('b', 0.1), suspect(NONE_OF_THESE, 0.1)]

  it('is not told that nothing is wrong because it held for a while: what to look for is named', () => {
    expect(stillTold(sound, suspects, { ...emptyComplaint, symptoms: ['fuse-now-and-then'] })).toMatchObject({
      found: 'comes-and-goes',
      repair: { id: 'mend:a' },
      suspects: ['a', 'b'],
    })
  })

  it('what hides is looked for first, whatever else is likelier: a thermostat that nobody set blows no fuse', () => {
    const told = { ...emptyComplaint, symptoms: ['fuse-now-and-then' as const] }
    const hides = [suspect(NOTHING_WRONG, 0.5), suspect('a', 0.3), { ...suspect('b', 0.1), unsteady: 0.08 }]
    expect(stillTold(sound, hides, told)).toMatchObject({ found: 'comes-and-goes', repair: { id: 'mend:b' }, suspects: ['b'] })
    // What is steady and stands out is told all the same.
    const found: Verdict = { ...repair, found: 'group', probability: 0.9 }
    expect(stillTold(found, hides, told)).toBe(found)
  })

  it('is not sent to a switch that opens while it runs, since that blows no fuse', () => {
    const told = { ...emptyComplaint, symptoms: ['fuse-now-and-then' as const] }
    const opens = { ...suspect('switch-open:limit', 0.2), unsteady: 0.2 }
    const rubs = { ...suspect('conductor-to-chassis:outdoor-cable.Y', 0.1), unsteady: 0.08 }
    const ends = (hides: readonly Suspect[]) => stillTold(sound, [suspect(NOTHING_WRONG, 0.5), ...hides], told)
    expect(ends([opens, rubs])).toMatchObject({ found: 'comes-and-goes', suspects: ['conductor-to-chassis:outdoor-cable.Y'] })
    expect(ends([opens])).toMatchObject({ found: 'comes-and-goes', suspects: ['switch-open:limit'] })
  })

  it('is another one than a house of which nothing was told', () => {
    expect(stillTold(sound, suspects, emptyComplaint)).toBe(sound)
  })
})

describe('a bond that is missing and makes no trouble', () => {
  it('is named, by itself or beside a house whose calls all run @long', () => {
    const house = createHouse(furnaceAc, hypothesisOf('bond-missing:bond'), drawValues(furnaceAc, createRandom(3)), createRandom(7))
    const trial = runTrial(furnaceEngine(), house, { complaint: noEvidence.complaint })
    expect(trial.verdict?.suspects).toContain('bond-missing:bond')
    expect(['repair', 'group', 'nothing-wrong']).toContain(trial.verdict?.found)
    expect(trial.checks).toBeLessThan(40)
  })
})

describe('a house of which a dead call was told, and that runs', () => {
  const dead: Complaint = { ...emptyComplaint, symptoms: ['mode-dead'], call: 'cool' }
  const hides = [suspect(NOTHING_WRONG, 0.3), { ...suspect('a', 0.5), unsteady: 0.5 }, suspect('b', 0.2)]
  const soundAt = (probability: number): Verdict => ({ found: 'nothing-wrong', probability, suspects: [NOTHING_WRONG] })

  it('is not called sound where what hides holds more', () => {
    expect(stillTold(soundAt(0.3), hides, dead)).toMatchObject({ found: 'comes-and-goes', repair: { id: 'mend:a' }, suspects: ['a'] })
  })

  it('is called sound where that holds less, and where nothing was told', () => {
    expect(stillTold(soundAt(0.6), hides, dead)).toEqual(soundAt(0.6))
    expect(stillTold(soundAt(0.3), hides, emptyComplaint)).toEqual(soundAt(0.3))
  })
})
