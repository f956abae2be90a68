import fc from 'fast-check'
import { applyChange } from '@/src/core/bench/apply'
import { createBench } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { solveNetwork } from '@/src/core/circuit/solver'
import { createEngine } from '@/src/core/diagnosis/engine'
import { sayCheck } from '@/src/core/diagnosis/explanation/say-check'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { layoutLoom } from '@/src/core/formats/loom/layout'
import { DRAWING } from '@/src/core/formats/loom/shapes'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { worldsOf } from '@/src/core/readings/world'
import { withFloatInHot, withFloatInY, withoutFloat } from '@/src/core/wiring/alter-wiring'
import { assemble } from '@/src/core/wiring/assembly'
import { buildSystem, nearestKind } from '@/src/core/wiring/build-system'
import { bodyLink } from '@/src/core/wiring/links'
import { readSystem } from '@/src/core/wiring/read-system'
import { partsOf, type System } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { leadVolts, nothingLookedAt, type Said, traitNames, traitsOf, type WhatIsThere } from '@/src/core/wiring/what-is-there'

const seen = (over: Partial<WhatIsThere>): WhatIsThere => ({ ...nothingLookedAt, ...over })
const saidOf = (system: System): WhatIsThere['traits'] =>
  Object.fromEntries(Object.entries(traitsOf(system)).map(([name, has]) => [name, has ? 'yes' : 'no']))
const floatsOf = (system: System) => partsOf(system, 'switch').filter(({ role }) => role === 'float')

describe('the kind that comes nearest', () => {
  it.each(catalogue.map((system) => [system.name, system]))('is %s for what that has', (_, system) => {
    const nearest = nearestKind(seen({ traits: saidOf(system) }), catalogue)
    // Kinds that these questions do not tell apart are told apart by nobody at the door.
    expect(traitsOf(nearest)).toEqual(traitsOf(system))
  })

  it('is the commonest while nothing has been looked at', () => {
    expect(nearestKind(nothingLookedAt, catalogue)).toBe(catalogue[0])
  })
})

describe('a system by ticking', () => {
  const said = fc.constantFrom<Said>('yes', 'no', 'unknown')
  const ticks: fc.Arbitrary<WhatIsThere> = fc.record({
    traits: fc.record(Object.fromEntries(traitNames.map((name) => [name, said]))),
    fuse: fc.constantFrom('3', '5', 'breaker', 'none', 'unknown'),
    float: fc.constantFrom('none', 'R', 'Y', 'unknown'),
    board: fc.constantFrom('passes', 'relay', 'unknown'),
    capped: fc.option(fc.uniqueArray(fc.constantFrom(...leadVolts)), { nil: undefined }),
    colours: fc.constant({}),
  })

  it('can be wired, drawn and solved, whatever is ticked @long', () => {
    fc.assert(
      fc.property(ticks, (ticked) => {
        const { system } = buildSystem(ticked, catalogue)
        expect(readSystem(JSON.parse(JSON.stringify(system)))).toMatchObject({ ok: true })
        expect(layoutLoom(system, DRAWING).threads.length).toBeGreaterThan(0)
        expect(floatsOf(system)).toHaveLength(ticked.float === 'none' ? 0 : floatsOf(system).length > 0 ? 1 : 0)
      }),
      { numRuns: 150 },
    )
  })

  it('has its 24 V at the board and says what nobody looked at', () => {
    for (const kind of catalogue) {
      const { system, taken, kind: nearest } = buildSystem(seen({ traits: { ...saidOf(kind), commonAtThermostat: 'unknown' } }), catalogue)
      const { place, secondary } = partsOf(system, 'transformer')[0]
      const volts = solveNetwork(assemble(system, templateValues)).voltsBetween(`${secondary[0]}@${place}`, `${secondary[1]}@${place}`)
      expect([system.id, volts > 23 && volts < 30]).toEqual([system.id, true])
      expect(system.unknown).toEqual(expect.arrayContaining(['float', 'fuse']))
      expect(taken).toEqual(
        (partsOf(nearest, 'transformer')[0].taps ?? []).map(({ volts }) => `a capped ${volts} V lead on the transformer`),
      )
    }
  })

  it('says what was seen and cannot be drawn, and what is taken as usual', () => {
    const { differs, taken, kind } = buildSystem(seen({ traits: { gasValve: 'yes', oneCabinet: 'yes', zonePanel: 'yes' } }), catalogue)
    expect(differs.length).toBeGreaterThan(0)
    expect(kind.id).toBe('rooftop-gas')
    expect(differs).toEqual(['a zone panel, more than one thermostat'])
    expect(taken).toContain('a second stage of cooling')
  })

  it('has the capped leads that were seen, which the line may be on by mistake', () => {
    const tapFaults = (capped: WhatIsThere['capped']) => {
      const { system } = buildSystem(seen({ traits: saidOf(furnaceAc), capped }), catalogue)
      return enumerateFaults(system).flatMap(({ id, family }) => (family === 'wrong-tap' ? [id] : []))
    }
    expect(tapFaults([208, 240])).toHaveLength(2)
    expect(tapFaults([])).toEqual([])
    expect(tapFaults(undefined)).toHaveLength(partsOf(furnaceAc, 'transformer')[0].taps?.length ?? 0)
    // The lead that the line is on is not capped.
    expect(buildSystem(seen({ traits: saidOf(furnaceAc), capped: [120, 240] }), catalogue)).toMatchObject({
      differs: ['a transformer that is not on its 120 V lead: here it is'],
    })
  })

  it('keeps the colours that were looked at, and asks for the others', () => {
    const { system } = buildSystem(seen({ colours: { 'stat-cable.Y': 'blue' } }), catalogue)
    const colours = new Map(system.cables[0].conductors.map(({ id, colour }) => [id, colour]))
    expect(colours.get('Y')).toBe('blue')
    expect(colours.get('R')).toBe('unknown')
  })
})

describe('what stays unknown', () => {
  it('is a fuse that may be either size: a short trips it as one of the two would', () => {
    const short = enumerateFaults(furnaceAc).find(({ id }) => id === 'coil-shorted:contactor')
    if (!short) throw new Error('the furnace has no such fault')
    const trips = (fuse: WhatIsThere['fuse']) => {
      const { system } = buildSystem(seen({ traits: saidOf(furnaceAc), fuse, float: 'none', board: 'passes' }), catalogue)
      return worldsOf(
        createLaboratory(system, templateValues),
        { ...createBench(system), call: 'cool' },
        { ...hypothesisOfFault(short), effects: [{ do: 'short', a: 'Y@outdoor', b: 'C@outdoor', ohm: 2.6 }] },
      ).trips
    }
    expect(trips('3')).toBeGreaterThan(trips('5') + 0.1)
    expect(trips('unknown')).toBeCloseTo((trips('3') + trips('5')) / 2, 6)
  })

  it('is a float that may not be there: it is suspected half as much', () => {
    const rate = (float: WhatIsThere['float']) => {
      const { system } = buildSystem(seen({ traits: saidOf(furnaceAc), float }), catalogue)
      return createEngine(system).faults.find(({ id }) => id === 'switch-open:float')
    }
    expect(rate('none')).toBeUndefined()
    expect(rate('unknown')?.rate).toBeCloseTo((rate('R')?.rate ?? 0) / 2, 9)
    expect(rate('unknown')?.say).toContain('if there is a float switch')
  })

  it('is a common that may not be at the thermostat: both houses are thought of @long', () => {
    const { system } = buildSystem(seen({ traits: saidOf(furnaceAc), float: 'none' }), catalogue)
    const open = buildSystem(seen({ traits: { ...saidOf(furnaceAc), commonAtThermostat: 'unknown' } }), catalogue).system
    expect(createEngine(open).kinds.length).toBe(createEngine(system).kinds.length + 1)
  })
})

describe('a float switch', () => {
  const rc = (system: System, open: boolean) => {
    const [float] = floatsOf(system)
    const hypothesis = open && float ? { ...healthy, effects: [{ do: 'open' as const, link: bodyLink(float.id) }] } : healthy
    const hot = partsOf(system, 'thermostat')[0].hot
    return Number(
      predict(createLaboratory(system, templateValues), createBench(system), hypothesis, {
        meter: 'volts',
        a: `${hot}@indoor`,
        b: 'C@indoor',
      })[0].at,
    )
  }

  it('in R takes the 24 V away when it opens, and comes out again without a trace', () => {
    const withFloat = withFloatInHot(furnaceAc)
    expect(rc(withFloat, false)).toBeGreaterThan(24)
    expect(rc(withFloat, true)).toBeLessThan(3)
    expect(rc(withoutFloat(withFloat), false)).toBeCloseTo(rc(furnaceAc, false), 6)
  })

  it('in Y leaves the 24 V alone; a cabinet outdoors has no cable for it', () => {
    const withFloat = withFloatInY(furnaceAc)
    if (!withFloat) throw new Error('the furnace has a cable to outdoors')
    expect(rc(withFloat, true)).toBeGreaterThan(24)
    const cabinet = catalogue.find(({ id }) => id === 'rooftop-gas')
    expect(cabinet && withFloatInY(cabinet)).toBeNull()
  })
})

describe('a fuse that nobody has looked at', () => {
  it('is never given a size in words: neither where it is put back nor where it is the repair', () => {
    const { system } = buildSystem(seen({ traits: saidOf(furnaceAc), float: 'none' }), catalogue)
    const bench = { ...createBench(system), slot: { holds: 'nothing' as const, ratingA: 3, open: true } }
    const [owed] = owedBy(system, bench)
    expect(owed.say).toBe('fuse slot is empty: fuse of the size on its label goes in')
    // Either size pays: whoever puts it in has read the label.
    for (const { ratingA, putBack } of owed.sizes ?? []) {
      const applied = applyChange(system, bench, putBack)
      expect(applied).toMatchObject({ ok: true, bench: { slot: { holds: 'fuse', ratingA } } })
      if (applied.ok) expect(owedBy(system, applied.bench)).toEqual([])
    }
    expect(owed.sizes?.map(({ ratingA }) => ratingA)).toEqual([3, 5])
    expect(owedBy(furnaceAc, bench)[0].sizes).toBeUndefined()
    expect(enumerateFaults(system).find(({ family }) => family === 'fuse-only')?.repair.say).toBe(
      'Install a fuse of the size on its label, once, and watch it',
    )
    expect(sayCheck(system, { meter: 'look', at: 'fuse' }, createBench(system)).why).toContain('Its label has not been read')
  })
})
