import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { partMatches } from '@/src/core/repair/part-match'
import { terminalPoint } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'
import { catalogue, furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stateOf = (system: System, ...drafts: EntryDraft[]) =>
  foldJob(
    system,
    drafts.map((draft) => stampEntry(draft, { newId: () => `m${++count}`, now: () => '2026-05-04T09:10:00Z' })),
  )
const valueAsked = (system: System, fault: string, what: string, va = 12, ...drafts: EntryDraft[]) =>
  partMatches(system, stateOf(system, ...drafts), fault, [{ call: 'cool', voltAmperes: va }])
    .flatMap(({ matches }) => matches)
    .find((one) => one.what === what)?.value

describe('what a new part has to match', () => {
  it('is a transformer as large as its plate, and larger where its loads fill it', () => {
    expect(valueAsked(furnaceAc, 'transformer-dead:transformer.secondary', 'size', 20)).toBe('40 VA')
    // 38 VA of 40 run it hot for good: four fifths of 50 carry them.
    expect(valueAsked(furnaceAc, 'transformer-dead:transformer.secondary', 'size', 38)).toBe('50 VA')
    expect(valueAsked(furnaceAc, 'transformer-dead:transformer.secondary', 'protection')).toBe('3 A fuse')
  })

  it('is the lead for the volts that were read', () => {
    const system = catalogue.find((one) =>
      one.parts.some((part) => part.kind === 'transformer' && (part.taps ?? []).some(({ volts }) => volts === 208)),
    ) as System
    const transformer = system.parts.find((part) => part.kind === 'transformer')
    if (transformer?.kind !== 'transformer') throw new Error('no transformer')
    const [a, b] = transformer.primary.map((node) => terminalPoint(node, transformer.place))
    const read: EntryDraft = { kind: 'reading', probe: { meter: 'volts', a, b }, answer: 209 }
    expect(valueAsked(system, `transformer-dead:${transformer.id}.secondary`, 'primary', 12, read)).toBe('208 V lead')
  })

  it('is a contactor whose contacts carry the compressor, and a thermostat that lives without a common where there is none', () => {
    expect(valueAsked(furnaceAc, 'coil-shorted:contactor', 'coil')).toBe('24 V AC')
    expect(valueAsked(furnaceAc, 'coil-shorted:contactor', 'contacts')).toMatch(/^15.4 A at 240 V/)
    const noCommon = systemById('furnace-no-common') as System
    expect(valueAsked(noCommon, 'thermostat-dead:stat', 'power')).toMatch(/battery/)
  })

  it('is said for every part that a catalogue repair replaces, on every system', () => {
    for (const system of catalogue) {
      const state = stateOf(system)
      const seen = new Set<string>()
      for (const { id, part, family } of enumerateFaults(system)) {
        if (part === null || seen.has(part)) continue
        seen.add(part)
        const found = partMatches(system, state, id, [])
        for (const { matches } of found)
          expect(matches.every(({ what, value }) => what !== '' && value !== '' && !value.includes('undefined'))).toBe(true)
        if (family === 'coil-shorted' || family === 'transformer-dead') expect(found).toHaveLength(1)
      }
    }
  })
})
