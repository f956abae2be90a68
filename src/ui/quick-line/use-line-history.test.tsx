import { renderHook } from '@testing-library/react'
import { useLineHistory } from '@/src/ui/quick-line/use-line-history'

beforeEach(() => localStorage.clear())
const history = () => renderHook(() => useLineHistory()).result.current

describe('earlier lines', () => {
  it('come back one by one, and what was begun comes back after the last', () => {
    const { keep, earlier, later } = history()
    for (const line of ['power off', 'walk outdoor']) keep(line)
    expect([earlier('R-'), earlier('R-'), earlier('R-')]).toEqual(['walk outdoor', 'power off', null])
    expect([later(), later(), later()]).toEqual(['walk outdoor', 'R-', null])
  })

  it('are kept over a reload, each once, the last one nearest', () => {
    const first = history()
    for (const line of ['power off', 'walk outdoor', 'power off']) first.keep(line)
    const { earlier } = history()
    expect([earlier(''), earlier(''), earlier('')]).toEqual(['power off', 'walk outdoor', null])
  })

  it('are forgotten where the device keeps nothing, or something else under their name, and cost no line', () => {
    localStorage.setItem('nest-trace lines', '{broken')
    const { keep, earlier } = history()
    expect(earlier('x')).toBeNull()
    const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full')
    })
    expect(() => keep('power off')).not.toThrow()
    full.mockRestore()
  })
})
