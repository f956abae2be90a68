import { enumerateFaults } from '@/src/core/faults/enumerate'
import { cautionOfRepair, mayBurnOutAgain } from '@/src/core/job/burned-out'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

describe('a second transformer', () => {
  const faults = enumerateFaults(furnaceAc)
  const idOf = (family: string): string => {
    const found = faults.find((fault) => fault.family === family)
    if (!found) throw new Error(`the furnace has no ${family}`)
    return found.id
  }

  it('is warned of while nothing that cooks one was mended', () => {
    for (const family of ['transformer-dead', 'transformer-weak']) {
      expect(mayBurnOutAgain(idOf(family), [])).toBe(true)
      expect(mayBurnOutAgain(idOf(family), [{ fault: idOf('switch-open') }, { fault: null }])).toBe(true)
    }
  })

  it('goes in without a warning once the short was found, and other parts always', () => {
    for (const family of ['conductor-short', 'lead-to-chassis', 'coil-shorted'])
      expect(mayBurnOutAgain(idOf('transformer-dead'), [{ fault: idOf(family) }])).toBe(false)
    expect(mayBurnOutAgain(idOf('transformer-dead'), [{ fault: idOf('landed-wrong') }])).toBe(true)
    expect(mayBurnOutAgain(idOf('coil-open'), [])).toBe(false)
  })

  const told = (what: string, cause = '') => ({ fault: null, what, cause })

  it('is warned of when the repair is told in words, too, unless what burned it out is said', () => {
    expect(cautionOfRepair(told('Transformer'), [])).toContain('ohm the loads and conductors')
    expect(cautionOfRepair(told('New 40 VA xfmr'), [])).toContain('ohm the loads')
    expect(cautionOfRepair(told('Transformer', 'outdoor Y rubbed through'), [])).toBeNull()
    expect(cautionOfRepair(told('Transformer'), [{ fault: idOf('coil-shorted'), what: 'Contactor', cause: '' }])).toBeNull()
    expect(cautionOfRepair(told('Contactor'), [])).toBeNull()
  })

  it('of one job is counted, whatever was found in between', () => {
    const first = told('Transformer', 'age')
    expect(cautionOfRepair(told('Transformer again'), [first])).toContain('Transformer 2 of this job')
    expect(cautionOfRepair(told('Transformer', 'the short'), [first, first])).toContain('Transformer 3 of this job')
  })
})
