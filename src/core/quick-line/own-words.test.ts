import { probePoints } from '@/src/core/diagnosis/planner/candidates'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { sayDraft } from '@/src/core/job/say-draft'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { probeKey } from '@/src/core/readings/check'
import { SHOWS_NO_CALL, wordsOfLook } from '@/src/core/readings/looks'
import { createRandom } from '@/src/core/units/random'
import type { Place, System } from '@/src/core/wiring/system'
import { callsOf, partsOf } from '@/src/core/wiring/system'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `own-${++count}`, now: () => '2026-05-04T09:10:00Z' }
const change = (draft: Extract<EntryDraft, { kind: 'bench' }>['change']): EntryDraft => ({ kind: 'bench', change: draft })

/** Everything that can be entered at a place: each look with each word, readings, what hands do. */
function draftsAt(system: System, { id: place }: Place, power: boolean): EntryDraft[] {
  const looks = [
    'fuse',
    ...system.parts.map(({ id }) => id),
    ...partsOf(system, 'board').flatMap(({ id, ignites }) => (ignites ? [`flame@${id}`, `signal@${id}`] : [])),
    ...system.places.flatMap(({ id }) => [`landings@${id}`, `wiring@${id}`]),
    ...system.cables.map(({ id }) => `wiring@${id}`),
  ].flatMap((at) =>
    wordsOfLook(system, at)
      // Set to nothing a thermostat shows no call, and that is kept as a remark.
      .filter((word) => word !== SHOWS_NO_CALL)
      .map((word): EntryDraft => ({ kind: 'reading', probe: { meter: 'look', at }, answer: { word } })),
  )
  const points = probePoints(system, place)
  const pairs = points.flatMap((a) => points.filter((b) => a < b).map((b) => ({ a, b })))
  return [
    ...looks,
    ...pairs.map(
      (pair): EntryDraft => ({ kind: 'reading', probe: { meter: power ? 'volts' : 'ohms', ...pair }, answer: power ? 24.3 : 14.2 }),
    ),
    ...pairs.map((pair) => change({ do: 'jumper', ...pair })),
    ...system.parts.map(({ id }) => change({ do: 'unplug', part: id })),
    ...system.cables.flatMap(({ id, conductors }) =>
      conductors.flatMap((one) => [
        change({ do: 'lift', end: `${id}.${one.id}@${place}` }),
        ...conductors.map((other) => change({ do: 'swap', cable: id, from: one.id, to: other.id })),
        ...conductors.map(({ id: to }) => change({ do: 'swap', cable: id, from: one.id, to, section: ['attic hatch', 'fence post'] })),
      ]),
    ),
    ...system.places.flatMap(({ id }) => [change({ do: 'walk', place: id }), change({ do: 'panel', place: id, on: false })]),
    ...callsOf(system).map((call) => change({ do: 'call', call })),
    ...(['fuse', 'breaker'] as const).flatMap((holds) => [change({ do: 'slot', holds }), change({ do: 'slot', holds, ratingA: 7 })]),
    change({ do: 'slot', holds: 'nothing' }),
    change({ do: 'call', call: 'off' }),
    change({ do: 'power', on: !power }),
  ]
}

/** The same entry, whichever lead is on which point. */
const meant = (draft: EntryDraft): string =>
  draft.kind === 'reading'
    ? `${probeKey(draft.probe)} ${JSON.stringify(draft.answer)}`
    : draft.kind === 'bench' && draft.change.do === 'jumper'
      ? `jumper ${[draft.change.a, draft.change.b].sort().join(' ')}`
      : JSON.stringify(draft, Object.keys(draft.kind === 'bench' ? { ...draft, ...draft.change } : draft).sort())

describe('what the product says of an entry, typed again', () => {
  it.each(catalogue)('is that entry: $id', (system) => {
    const random = createRandom(17)
    const heardWrong: string[] = []
    let tried = 0
    for (const place of system.places)
      for (const power of [true, false]) {
        const before: Entry[] = [change({ do: 'walk', place: place.id }), ...(power ? [] : [change({ do: 'power', on: false })])].map(
          (draft) => stampEntry(draft, stamp),
        )
        const state = foldJob(system, before)
        for (const draft of draftsAt(system, place, power)) {
          if (random.uniform() > 0.25 || problemWithEntry(system, before, stampEntry(draft, stamp)) !== null) continue
          tried++
          const said = sayDraft(system, draft, state)
          const heard = readQuickLine(said, { system, entries: before, suspects: [], proposed: null })
          const isSame = heard.ok && heard.drafts.length === 1 && meant(heard.drafts[0]) === meant(draft)
          if (!isSame) heardWrong.push(`${place.id}: ${said} => ${heard.ok ? heard.say : heard.problem}`)
        }
      }
    expect(heardWrong).toEqual([])
    expect(tried).toBeGreaterThan(100)
  })
})
