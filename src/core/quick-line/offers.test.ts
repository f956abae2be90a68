import { type Entry, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { sayOutcomes } from '@/src/core/job/offer'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `o${++count}`, now: () => '2026-11-28T09:00:00Z' }
const OFFER = 'offer splice and sleeve 0.7 h 180, or new cable 2.2 h 640'

/** The job after some lines; a line that is not understood is its sentence. */
function offerAfter(...lines: string[]) {
  const entries: Entry[] = []
  for (const line of lines) {
    const read = readQuickLine(line, { system: furnaceAc, entries, suspects: [], proposed: null })
    if (!read.ok) return read.problem
    entries.push(...read.drafts.map((draft) => stampEntry(draft, stamp)))
  }
  return foldJob(furnaceAc, entries).offer
}

describe('options for the customer', () => {
  it('are typed with their hours and prices', () => {
    expect(offerAfter(OFFER)).toMatchObject({
      options: [
        { does: 'Splice and sleeve', hours: 0.7, price: 180 },
        { does: 'New cable', hours: 2.2, price: 640 },
      ],
      answer: 'open',
    })
    expect(offerAfter('offer splice 1.5 h')).toMatchObject({ options: [{ hours: 1.5, price: null }] })
  })

  it('are taken or declined; the answer can be another one later', () => {
    const taken = offerAfter(OFFER, 'customer takes 2')
    expect(taken).toMatchObject({ answer: 1 })
    if (taken === null || typeof taken === 'string') throw new Error('There is no offer.')
    expect(sayOutcomes(taken)).toEqual(['Splice and sleeve (0.7 h, 180.00): declined.', 'New cable (2.2 h, 640.00): taken.'])
    expect(offerAfter(OFFER, 'customer takes 2', 'customer declines')).toMatchObject({ answer: 'declined' })
  })

  it('that make no sense are said so, and nothing is entered', () => {
    expect(offerAfter(OFFER, 'customer takes 3')).toContain('There is no option 3')
    expect(offerAfter('customer takes 1')).toContain('No options were given')
    expect(offerAfter('offer something nice')).toContain('the hours and the price')
  })
})
