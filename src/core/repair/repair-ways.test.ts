import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { hurtConductor, repairAdvice } from '@/src/core/repair/of-job'
import { causesToRemove, type Damage, waysToRepair } from '@/src/core/repair/repair-ways'
import { endsToMove, jointsOfSection, sectionAround, withoutSpare } from '@/src/core/repair/substitution'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

const damage = (more: Partial<Damage>): Damage => ({
  kind: 'nicked',
  where: 'open',
  hasSlack: true,
  spares: 3,
  lengthM: 15,
  landmarks: 0,
  ...more,
})
const first = (more: Partial<Damage>) => waysToRepair(damage(more))[0]
const way = (name: string, more: Partial<Damage>) => waysToRepair(damage(more)).find((one) => one.way === name)

describe('how a cable is repaired', () => {
  it.each([
    ['insulation', 'unit', 3, 'sleeve'],
    ['nicked', 'open', 3, 'splice'],
    ['nicked', 'unit', 0, 'splice'],
    ['parted', 'wall', 3, 'spare'],
    ['nicked', 'wall', 0, 'new cable'],
    ['insulation', 'wall', 3, 'spare'],
    ['insulation', 'wall', 0, 'new cable'],
    ['parted', 'buried', 1, 'spare'],
    ['chewed', 'open', 3, 'section'],
    ['chewed', 'wall', 3, 'new cable'],
    ['melted', 'unit', 3, 'section'],
    ['wet', 'roof', 0, 'splice'],
  ] as const)('%s, %s, %d spares: %s first', (kind, where, spares, expected) => {
    const [best] = waysToRepair(damage({ kind, where, spares }))
    expect(best.way).toBe(expected)
  })

  it('says why the others are not it', () => {
    expect(way('sleeve', { kind: 'nicked' })).toMatchObject({ fits: false, con: [expect.stringContaining('goes on corroding')] })
    expect(way('splice', { where: 'wall' })?.con.join(' ')).toContain('nobody can reach')
    expect(way('spare', { kind: 'chewed' })?.con.join(' ')).toContain('test the spare by itself first')
    expect(way('spare', { spares: 0 })?.con.join(' ')).toContain('no free spare')
  })

  it('uses connectors for wet places where it is wet, and a piece where there is no slack', () => {
    expect(first({ kind: 'wet', where: 'open' }).material).toContain('gel-filled connectors')
    expect(first({ kind: 'nicked', where: 'roof', hasSlack: false }).material).toEqual([
      'gel-filled connectors',
      'a piece of the same gauge',
    ])
    expect(first({ kind: 'nicked', hasSlack: false }).minutes).toBeGreaterThan(first({ kind: 'nicked' }).minutes)
  })

  it('prices new cable by its length and where it goes', () => {
    const minutes = (more: Partial<Damage>) => way('new cable', more)?.minutes ?? 0
    expect(minutes({ lengthM: 30 })).toBeGreaterThan(minutes({ lengthM: 10 }))
    expect(minutes({ where: 'wall' })).toBeGreaterThan(minutes({ where: 'open' }))
  })

  it('names what would do it again', () => {
    expect(causesToRemove({ kind: 'chewed', where: 'open' }).join(' ')).toContain('rodents')
    expect(causesToRemove({ kind: 'nicked', where: 'wall' }).join(' ')).toContain('it is still there')
  })
})

describe('a spare in the place of a conductor', () => {
  it('is for the one conductor that a fault is of', () => {
    expect(hurtConductor(furnaceAc, 'stat-cable', 'conductor-open:stat-cable.W')).toBe('W')
    expect(hurtConductor(furnaceAc, 'stat-cable', 'conductor-short:stat-cable.R+C')).toBeNull()
    expect(hurtConductor(furnaceAc, 'outdoor-cable', 'conductor-open:stat-cable.W')).toBeNull()
  })

  it('moves at both ends, each with its color and its screw', () => {
    expect(endsToMove(furnaceAc, 'stat-cable', 'W', 'brown')).toEqual([
      'At the thermostat: W (white) off W, tie it off and mark it dead; brown on W.',
      'At the indoor unit: W (white) off W, tie it off and mark it dead; brown on W.',
    ])
  })

  it('serves on the bad section only between two landmarks, those around the place where the readings put it', () => {
    const [hatch, plate, post] = [2, 6, 12].map((metres, index) => ({ name: ['hatch', 'plate', 'post'][index], metres }))
    const bad = (lowM: number, highM: number) => {
      const distance = { lowM, middleM: (lowM + highM) / 2, highM, isUseful: true, better: null }
      return [{ of: 'open' as const, conductors: ['Y'], readFrom: ['indoor'], distance, next: null }]
    }
    const landmarks = [hatch, plate, post]
    expect(sectionAround({ landmarks, findings: bad(3, 5) }, 'Y')).toEqual(['hatch', 'plate'])
    expect(sectionAround({ landmarks, findings: bad(5, 7) }, 'Y')).toEqual(['hatch', 'post'])
    expect(sectionAround({ landmarks, findings: bad(13, 14) }, 'Y')).toBeNull()
    expect(sectionAround({ landmarks, findings: [] }, 'Y')).toEqual(['hatch', 'post'])
    expect(sectionAround({ landmarks: [plate], findings: [] }, 'Y')).toBeNull()
  })

  it('on a section nothing moves at the screws, and the color that changes is said with where it is kept', () => {
    const joints = jointsOfSection(furnaceAc, { cable: 'stat-cable', from: 'W', to: 'brown', section: ['the hatch', 'the plate'] }).join(
      ' ',
    )
    expect(joints).toContain('At the hatch: cut W (white) and brown')
    expect(joints).toContain('At the plate: cut W (white) and brown')
    expect(joints).toContain('screws at both ends stay')
    expect(joints).toContain('the page and the card')
  })

  it('on a section is a way where two places along the run can be reached, behind the spare for the whole way', () => {
    const ways = waysToRepair(damage({ kind: 'parted', where: 'wall', landmarks: 2 }))
      .filter(({ fits }) => fits)
      .map((one) => one.way)
    expect(ways.slice(0, 2)).toEqual(['spare', 'spare section'])
    expect(way('spare section', { where: 'wall', landmarks: 1 })).toMatchObject({
      fits: false,
      con: expect.arrayContaining([expect.stringContaining('two places along the run')]),
    })
    expect(way('spare section', { where: 'wall', landmarks: 2, spares: 0 })?.fits).toBe(false)
  })

  it('without one there is what frees a conductor, with what is lost', () => {
    const heatPump = systemById('heat-pump-o')
    const freed = heatPump ? withoutSpare(heatPump, 'stat-cable').map(({ does }) => does) : []
    expect(freed.join(' ')).toContain('batteries frees C')
    expect(freed.join(' ')).toContain('frees G')
    expect(freed.join(' ')).toContain('An accessory at both ends puts two calls, Y and G, on one conductor')
    expect(withoutSpare(furnaceAc, 'outdoor-cable').map(({ does }) => does)).toEqual(['A new cable, with spares.'])
  })

  it('counts a spare that serves already as none', () => {
    let count = 0
    const stamp = { newId: () => `r${++count}`, now: () => '2026-11-28T09:00:00Z' }
    const told: EntryDraft = { kind: 'run', cable: 'stat-cable', fact: { what: 'damage', kind: 'parted', where: 'wall', hasSlack: false } }
    const swap: EntryDraft = { kind: 'bench', change: { do: 'swap', cable: 'stat-cable', from: 'W', to: 'brown' } }
    const advice = (...drafts: EntryDraft[]) =>
      repairAdvice(
        furnaceAc,
        foldJob(
          furnaceAc,
          drafts.map((draft) => stampEntry(draft, stamp)),
        ),
      )
    expect(advice(told)[0].damage.spares).toBe(3)
    expect(advice(told, swap)[0].damage.spares).toBe(2)
    expect(advice()).toEqual([])
  })
})
