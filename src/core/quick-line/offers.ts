import type { EntryDraft } from '@/src/core/job/entry'
import { MOST_OPTIONS, type Offer } from '@/src/core/job/offer-schema'
import type { Reader } from '@/src/core/quick-line/reader'

const HOW = 'Say what is done, the hours and the price: "offer splice and sleeve 0.7 h 180, or new cable 2.2 h 640".'

/** `splice and sleeve 0.7 h 180`: what is done, its hours, and a price where it is known. */
const OPTION = /^(.+?)\s+(\d+(?:\.\d+)?)\s*(?:h|hours?|hrs?)(?:\s+(\d+(?:\.\d+)?))?$/i

/** `offer splice and sleeve 0.7 h 180, or new cable 2.2 h 640`: the options that the customer is given. */
export function readOffer(reader: Reader): EntryDraft[] {
  const said = reader.words(HOW).split(/\s*,?\s+or\s+|\s*\|\s*/)
  if (said.length > MOST_OPTIONS) reader.failAt(`At most ${MOST_OPTIONS} options stand on a page.`, reader.tokens[0])
  const options = said.map((one): Offer['options'][number] => {
    const found = OPTION.exec(one.trim())
    if (!found) return reader.failAt(HOW, reader.tokens[0])
    const [, does, hours, price] = found
    return {
      does: does.charAt(0).toUpperCase() + does.slice(1),
      hours: Number(hours),
      price: price === undefined ? null : Number(price),
      notCovered: '',
    }
  })
  return [{ kind: 'offer', options, answer: 'open' }]
}

/** `customer takes 1`, `customer declines`: what was said to the options. */
export function readCustomer(reader: Reader): EntryDraft[] {
  const { offer } = reader.context.state
  // Before any options were given, the visit ends with it.
  if (!offer && (reader.accept('declines') || reader.accept('declined')))
    return [{ kind: 'leave', reason: 'customer-declined', until: null }]
  if (!offer) return reader.failAt('No options were given to the customer yet. Say them: "offer splice 0.7 h 180".', reader.tokens[0])
  const { options } = offer
  if (reader.accept('declines') || reader.accept('declined')) return [{ kind: 'offer', options, answer: 'declined' }]
  if (reader.accept('takes') || reader.accept('took')) {
    reader.accept('option')
    return [{ kind: 'offer', options, answer: reader.number() - 1 }]
  }
  return reader.failAt('Say "customer takes 1", or "customer declines".', reader.tokens[0])
}
