import type { BenchChange } from '@/src/core/bench/bench'
import { sayChanges } from '@/src/core/bench/say-changes'
import { sayJumpers } from '@/src/core/bench/say-jumpers'
import { conductorEnd, type Point } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const end = (cable: string, name: string, place = 'indoor') => conductorEnd(cable, name, place)
const lift = (...ends: Point[]): BenchChange[] => ends.map((one) => ({ do: 'lift', end: one }))
const jumper = (...letters: string[]): BenchChange[] => letters.map((letter) => ({ do: 'jumper', a: 'R@indoor', b: `${letter}@indoor` }))

describe('changes as a hand makes them', () => {
  it('a cable comes off in one act, and goes back in one', () => {
    const off = lift(end('outdoor-cable', 'Y'), end('outdoor-cable', 'C'))
    expect(sayChanges(furnaceAc, [{ do: 'power', on: false }, ...off])).toEqual([
      'power off',
      'take off the outdoor cable at the indoor unit: Y and C',
    ])
    expect(
      sayChanges(
        furnaceAc,
        off.map((change) => ({ ...change, do: 'land' }) as BenchChange),
      ),
    ).toEqual(['put back the outdoor cable at the indoor unit: Y and C'])
  })

  it('some of its wires are said by their letters, and two cables apart', () => {
    expect(sayChanges(furnaceAc, lift(end('stat-cable', 'Y'), end('stat-cable', 'G'), end('outdoor-cable', 'Y')))).toEqual([
      'lift Y and G of the stat cable at the indoor unit',
      expect.stringMatching(/^lift Y \(red\) of the outdoor cable/),
    ])
  })

  it('a bundle of jumpers from R is one bundle', () => {
    expect(sayChanges(furnaceAc, jumper('G', 'Y', 'W'))).toEqual(['jumper R to G, Y and W at the indoor unit'])
    expect(sayJumpers(furnaceAc, [{ a: 'R@indoor', b: 'Y@indoor' }])).toBe('R to Y at the indoor unit')
  })

  it('a walk is said with what is done at its end, and by itself where nothing is', () => {
    const walk = (place: string): BenchChange => ({ do: 'walk', place })
    expect(sayChanges(furnaceAc, [walk('outdoor'), ...lift(end('outdoor-cable', 'Y', 'outdoor')), walk('indoor')])).toEqual([
      expect.stringMatching(/^at the outdoor unit: lift Y \(red\) of the outdoor cable$/),
      'walk to the indoor unit',
    ])
  })
})
