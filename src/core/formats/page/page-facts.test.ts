import { cardFacts, cardText } from '@/src/core/formats/page/card-facts'
import { readCard } from '@/src/core/formats/page/card-reading'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import { wiringPicture } from '@/src/core/formats/page/wiring-picture'
import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const demo = createDemoJob('demo', new Date('2026-11-27T09:10:00Z'))
let count = 0
const stamp = { newId: () => `p${++count}`, now: () => '2026-11-27T10:30:00Z' }
const withMore = (...drafts: EntryDraft[]): JobFile => ({
  ...demo,
  entries: [...demo.entries, ...drafts.map((draft) => stampEntry(draft, stamp))],
})
const repair: EntryDraft = {
  kind: 'repair',
  fault: 'conductor-to-chassis:outdoor-cable.Y',
  zone: 'outdoor-cable',
  what: 'Cut out and spliced',
  cause: 'fence bracket',
}
const held = (call: 'cool' | 'heat' | 'fan'): EntryDraft => ({ kind: 'proof', call, held: true, amps: 0.8, volts: 26.1 })

describe('the page that stays', () => {
  it('says what was wrong from the fault that was mended, and which modes held', () => {
    expect(pageFacts(withMore(repair, held('cool'))).summary).toBe(
      'Y (red) is shorted to ground in the outdoor cable. Repaired. Run and held: cool.',
    )
    expect(pageFacts(withMore(repair, held('cool'), held('heat'), held('fan'))).summary).toContain('Every mode was run and held.')
    expect(pageFacts(demo).summary).toBe('No repair is on record yet.')
  })

  it('has what was seen first as found, and nothing that was seen after the repair', () => {
    const after: EntryDraft = { kind: 'reading', probe: { meter: 'look', at: 'landings@indoor' }, answer: { word: 'all landed' } }
    const { asFound } = pageFacts(withMore(repair, after))
    expect(asFound).toEqual(['Board fuse: blown'])
  })

  it('holds each reading against what a sound house reads, and keeps those that differ where there are too many', () => {
    const { measured, further } = pageFacts(demo)
    expect(measured.find(({ read }) => read === 'trips')).toMatchObject({ sound: 'holds', isOff: true })
    expect(measured.find(({ check }) => check.startsWith('R to C'))).toMatchObject({ sound: '25–28 V', isOff: false })
    expect(further).toBe(0)
    const same: EntryDraft = { kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 26.4 }
    const many = pageFacts(withMore(...Array.from({ length: 30 }, () => same)))
    expect(many.measured).toHaveLength(14)
    expect(many.measured.filter(({ isOff }) => isOff)).toHaveLength(measured.filter(({ isOff }) => isOff).length)
    expect(many.further).toBe(measured.length + 30 - 14)
  })

  it('tells which conductor serves which now, at both ends', () => {
    const swap: EntryDraft = { kind: 'bench', change: { do: 'swap', cable: 'stat-cable', from: 'W', to: 'brown' } }
    const { moved, wired } = pageFacts(withMore(swap))
    expect(moved).toEqual(['Brown serves in place of W in the stat cable: at the thermostat and at the indoor unit.'])
    expect(wiringPicture(wired)).toContain('>brown<')
    expect(wiringPicture(wired)).not.toContain('>white</text><text')
  })

  it('tells of a color that changes on the way, on the page and on the card', () => {
    const swap: EntryDraft = {
      kind: 'bench',
      change: { do: 'swap', cable: 'stat-cable', from: 'W', to: 'brown', section: ['attic hatch', 'wall plate'] },
    }
    const said = 'W (white) of the stat cable runs on brown between attic hatch and wall plate'
    expect(pageFacts(withMore(swap)).moved).toEqual([`${said}: the color changes at both joints.`])
    const card = cardFacts(withMore(swap))
    expect(card.spares).toEqual(['orange, black in the stat cable'])
    expect(card.rows.find(({ letter }) => letter === 'W')?.colours[0]).toBe('white')
    const read = readCard(cardText(card))
    expect(read.ok && read.card.known).toContain(said)
  })

  it('draws a name with signs in it as words, not as marks of the drawing', () => {
    const [first, ...others] = furnaceAc.places
    const picture = wiringPicture({ ...furnaceAc, places: [{ ...first, name: 'A & B <hall>' }, ...others] })
    expect(picture).toContain('A &amp; B &lt;hall&gt;')
  })
})

describe('the card inside the panel', () => {
  it('has each letter with its colours at each place, the spares, and what is known to be good', () => {
    const unplugged: EntryDraft[] = [
      { kind: 'bench', change: { do: 'power', on: false } },
      { kind: 'bench', change: { do: 'unplug', part: 'contactor' } },
      { kind: 'reading', probe: { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' }, answer: 12.6 },
    ]
    const card = cardFacts(withMore(...unplugged, repair, held('cool')))
    expect(card.rows.find(({ letter }) => letter === 'Y')?.colours).toEqual(['yellow', 'yellow | red', 'red'])
    expect(card.spares).toEqual(['brown, orange, black in the stat cable'])
    expect(card.known).toEqual([
      { what: 'contactor coil', value: '12.6 ohm' },
      { what: 'cool', value: '0.8 A, 26.1 V' },
    ])
    const bad: EntryDraft[] = [...unplugged.slice(0, 2), { ...unplugged[2], answer: 0.8 } as EntryDraft]
    expect(cardFacts(withMore(...bad, repair)).known).toEqual([])
    expect(cardText(card)).toContain('Y: yellow / yellow | red / red')
  })
})
