import type { EntryDraft } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { contactsOf } from '@/src/core/readings/look-target'
import { systemOf } from '@/tests/setup/engines'

const at = (place: string, power = true) => [
  { id: 'walk', at: '2026-05-04T09:10:00Z', kind: 'bench' as const, change: { do: 'walk' as const, place } },
  ...(power ? [] : [{ id: 'off', at: '2026-05-04T09:11:00Z', kind: 'bench' as const, change: { do: 'power' as const, on: false } }]),
]
const read = (line: string, id = 'heat-pump-o', place = 'outdoor', power = true) =>
  readQuickLine(line, { system: systemOf(id), entries: at(place, power), suspects: [], proposed: null })
const look = (word: string, of = 'contactor'): EntryDraft => ({
  kind: 'reading',
  probe: { meter: 'look', at: contactsOf(of) },
  answer: { word },
})
const across = (meter: 'volts' | 'ohms', answer: number | 'OL'): EntryDraft => ({
  kind: 'reading',
  probe: { meter, a: 'L1-unit@outdoor', b: 'compressor-line@outdoor' },
  answer,
})

it.each([
  ['contacts are burnt', 'burned'],
  ['contactor points pitted', 'burned'],
  ['burnt contacts on the contactor', 'burned'],
  ['contacts look good', 'clean'],
  ['ants in the contactor', 'blocked'],
  ['contactor is full of ants', 'blocked'],
  ['dead lizard between the contacts', 'blocked'],
])('%s: seen at the contacts, not along the wiring', (line, word) => {
  expect(read(line)).toMatchObject({ ok: true, drafts: [look(word)] })
})

it.each([
  ['3 volts across the contacts', true, 3],
  ['contacts 3 V', true, 3],
  ['3 volt drop across the contactor', true, 3],
  ['L1 T1 0.2', true, 0.2],
] as const)('%s: read across the contacts, not across the coil', (line, power, value) => {
  expect(read(line, 'heat-pump-o', 'outdoor', power)).toMatchObject({ ok: true, drafts: [across('volts', value)] })
})

it('with the power off they have ohms, and OL where they do not meet', () => {
  expect(read('contacts 0.4 ohms', 'heat-pump-o', 'outdoor', false)).toMatchObject({ ok: true, drafts: [across('ohms', 0.4)] })
  expect(read('contacts open', 'heat-pump-o', 'outdoor', false)).toMatchObject({ ok: true, drafts: [across('ohms', 'OL')] })
})

it('of two contactors the one that is named; else it is asked which', () => {
  expect(read('contactor 2 contacts burnt', 'rooftop-gas', 'package')).toMatchObject({
    ok: true,
    drafts: [{ kind: 'reading', answer: { word: 'burned' } }],
  })
  expect(read('contacts burnt', 'rooftop-gas', 'package')).toMatchObject({ ok: false, problem: expect.stringContaining('Which contacts?') })
})

it('a relay in a case is not looked into: what is said of its contacts stays in words', () => {
  expect(read('contacts on the fan relay pitted', 'heat-pump-o', 'indoor')).toMatchObject({ ok: true, drafts: [{ kind: 'note' }] })
})

it('a dead load side is read there, and the contactor is not out for it', () => {
  expect(read('load side of contactor dead')).toMatchObject({
    ok: true,
    drafts: [{ kind: 'reading', probe: { meter: 'volts', a: 'compressor-line@outdoor', b: 'L2-unit@outdoor' }, answer: 0 }],
  })
})
