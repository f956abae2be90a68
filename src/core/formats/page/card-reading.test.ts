import { wiredNow } from '@/src/core/bench/swaps'
import { cardFacts, cardText } from '@/src/core/formats/page/card-facts'
import { readCard, wiredAsOnCard } from '@/src/core/formats/page/card-reading'
import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { problemsOfSystem } from '@/src/core/wiring/read-system'
import type { System } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `k${++count}`, now: () => '2026-05-04T09:10:00Z' }

function textOf(system: System, drafts: readonly EntryDraft[]): string {
  const entries = drafts.map((draft) => stampEntry(draft, stamp))
  return cardText(cardFacts({ job: { id: 'j', title: 'Mill Row 22', createdAt: '2026-05-04T09:00:00Z' }, system, entries }))
}
const cardOf = (text: string) => {
  const read = readCard(text)
  if (!read.ok) throw new Error(read.problem)
  return read.card
}
/** Every wire that lands somewhere, with its color. */
const wiresOf = (system: System) =>
  system.cables.flatMap(({ id, conductors }) =>
    conductors.flatMap(({ colour, lands }) => (lands.some(Boolean) ? [`${id} ${lands.join(' ')} ${colour}`] : [])),
  )

describe('a card that is read', () => {
  it('gives back the colors of every system, whatever they were', () => {
    for (const system of catalogue) {
      // Another house of the kind: each wire of a cable has the color of the next one.
      const other: System = {
        ...system,
        cables: system.cables.map((cable) => ({
          ...cable,
          conductors: cable.conductors.map((conductor, at) => ({
            ...conductor,
            colour: cable.conductors[(at + 1) % cable.conductors.length].colour,
          })),
        })),
      }
      const again = wiredAsOnCard(system, cardOf(textOf(other, [])))
      expect(wiresOf(again)).toEqual(wiresOf(other))
      expect(problemsOfSystem(again)).toEqual([])
    }
  })

  it('knows a spare that serves, and leaves the color that it took over from to the spare', () => {
    const system = systemById('heat-pump-o') as System
    const swap: EntryDraft[] = [
      { kind: 'bench', change: { do: 'power', on: false } },
      { kind: 'bench', change: { do: 'swap', cable: 'outdoor-cable', from: 'Y', to: 'black' } },
    ]
    const { bench } = foldJob(
      system,
      swap.map((draft) => stampEntry(draft, stamp)),
    )
    const again = wiredAsOnCard(system, cardOf(textOf(system, swap)))
    expect(wiresOf(again)).toEqual(expect.arrayContaining(['outdoor-cable Y Y black']))
    expect(wiresOf(wiredNow(system, bench.swaps)).toSorted()).toEqual(wiresOf(again).toSorted())
    const colours = again.cables.find(({ id }) => id === 'outdoor-cable')?.conductors.map(({ colour }) => colour) ?? []
    expect(new Set(colours).size).toBe(colours.length)
  })

  it.each(['', 'hello', 'https://example.org/?a=1', 'a\nb\nc; d\ne / f\nR: red\nno spare', 'x'.repeat(5000)])(
    'is none, said in a sentence, where the code says something else: %p',
    (text) => {
      expect(readCard(text)).toMatchObject({ ok: false, problem: expect.stringMatching(/Nothing was taken/) })
    },
  )
})
