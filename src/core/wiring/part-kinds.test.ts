import { pluggableParts } from '@/src/core/bench/apply'
import { wordsOfLook } from '@/src/core/readings/looks'
import { plugsOf } from '@/src/core/wiring/assembly'
import { partKinds, unplugs } from '@/src/core/wiring/part-kinds'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

describe('what holds of every part of a kind', () => {
  const parts = catalogue.flatMap((system) => system.parts.map((part) => ({ system, part })))

  it('only what comes off its leads has leads that come off, and leads of its own to read', () => {
    for (const { system, part } of parts) {
      const { hasOwnLeads } = partKinds[part.kind]
      const isOff = unplugs(system, part)
      expect([part.id, pluggableParts(system).includes(part.id)]).toEqual([part.id, isOff])
      // A board comes off all its leads at once, a transformer off those of its winding.
      expect([part.id, plugsOf(part) > 0]).toEqual([part.id, isOff && part.kind !== 'board' && part.kind !== 'transformer'])
      if (hasOwnLeads) expect(isOff).toBe(true)
    }
  })

  it('what is seen at work has words for what is seen of it', () => {
    for (const { system, part } of parts)
      if (partKinds[part.kind].isSeenAtWork) expect([part.id, wordsOfLook(system, part.id).length > 1]).toEqual([part.id, true])
  })
})
