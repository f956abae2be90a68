import { enumerateFaults } from '@/src/core/faults/enumerate'
import { mayBurnOutAgain } from '@/src/core/job/burned-out'
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
})
