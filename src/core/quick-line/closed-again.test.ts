import { drafts, standingAfter } from '@/tests/setup/standing'

const cool = { do: 'call', call: 'cool' } as const
const breaker = { do: 'slot', holds: 'breaker', ratingA: 3 } as const
const reset = { kind: 'bench', change: { do: 'reset' } }

describe('live behind what opened', () => {
  const tripped = standingAfter('furnace-ac', 'indoor', [breaker, cool, 'trips', { do: 'unplug', part: 'contactor' }])

  it('volts behind a breaker that tripped tell that it was reset', () => {
    expect(drafts(tripped, 'R-C 26')[0]).toEqual(reset)
    expect(drafts(tripped, 'Y-C 25')[0]).toEqual(reset)
  })

  it('volts behind a fuse that blew tell that another went in', () => {
    const blew = standingAfter('furnace-ac', 'indoor', [cool, 'trips', { do: 'unplug', part: 'contactor' }])
    expect(drafts(blew, '26 volts R to C')[0]).toEqual({ kind: 'bench', change: { do: 'slot', holds: 'fuse', ratingA: 3 } })
  })

  it('nothing is said of it by volts ahead of it, at the line, or next to none, nor where it was told', () => {
    for (const line of ['sec 26', 'R-C 0', 'reset; R-C 26'])
      expect(drafts(tripped, line).filter((one) => one.kind === 'bench')).toHaveLength(line.startsWith('reset') ? 1 : 0)
  })

  it('a coil that hums has volts; one that is in may be welded', () => {
    expect(drafts(tripped, 'contactor hums')[0]).toEqual(reset)
    expect(drafts(tripped, 'contactor in')).toHaveLength(1)
  })

  it('where there are two transformers it may be fed by the other one', () => {
    const blew = standingAfter('furnace-two-transformers', 'indoor', [{ do: 'call', call: 'heat' }, 'trips'])
    expect(drafts(blew, 'Rh-C 26')).toHaveLength(1)
  })
})
