import type { Probe } from '@/src/core/readings/check'
import { seenContacts } from '@/src/core/readings/contact-looks'
import { LANDED, swappedEnds } from '@/src/core/readings/landing-looks'
import { capacitorAt, contactsOf, flameOf, flameSignalOf, landingsAt, parseLook, runsAt, wiringOf } from '@/src/core/readings/look-target'
import { wordsOfLook } from '@/src/core/readings/looks'
import { sayAnswer, sayProbe } from '@/src/core/readings/say'
import { Memo } from '@/src/core/units/cache'
import { isPoint, parsePoint } from '@/src/core/wiring/point'
import { partsOf, type System, zonesOf } from '@/src/core/wiring/system'

/** Everything that is looked at, by what the product calls it. */
const targets = new Memo((system: System): ReadonlyMap<string, string> => {
  const all = [
    ...system.parts.map(({ id }) => id),
    ...system.places.flatMap(({ id }) => [landingsAt(id), runsAt(id)]),
    ...zonesOf(system).map(({ id }) => wiringOf(id)),
    ...seenContacts(system).map(({ id }) => contactsOf(id)),
    ...partsOf(system, 'capacitor').map(({ id }) => capacitorAt(id)),
    ...partsOf(system, 'board').flatMap(({ id, ignites }) => (ignites ? [flameOf(id), flameSignalOf(id)] : [])),
  ]
  return new Map(all.map((at) => [sayProbe(system, { meter: 'look', at }).toLowerCase(), at]))
})

/** `contactor: in`, `landings at the indoor unit: Y of the outdoor cable is off`: a look as the timeline says it, in the grammar's words. */
export function grammarOfLook(said: string, system: System): string | null {
  const found = /^(.+): (.+)$/.exec(said)
  const at = found && targets.of(system).get(found[1].toLowerCase())
  if (!at) return null
  const probe: Probe = { meter: 'look', at }
  const word = wordsOfLook(system, at).find((one) => sayAnswer({ word: one }, probe).toLowerCase() === found[2].toLowerCase())
  if (word === undefined) return null
  const { what, of } = parseLook(at)
  switch (what) {
    case 'landings':
      return `landings ${ofLandings(word)} at ${of}`
    case 'runs':
      return `${of} ${word}`
    case 'wiring':
      return word.startsWith('bare: ') ? `bare ${of} ${word.slice('bare: '.length)}` : `${word} ${of}`
    case 'flame':
      return `flame ${word}`
    case 'signal':
      return `flame signal ${word}`
    case 'contacts':
      return `contacts ${of} ${word}`
    case 'capacitor':
      return `capacitor ${of} ${word.replace(':', '')}`
    case 'part':
      return `${of} ${word}`
  }
}

/** `off: stat-cable.Y@indoor`, `wrong: stat-cable.Y@indoor on C`, or a word for all of them. */
function ofLandings(word: string): string {
  if (word === LANDED) return 'ok'
  const swapped = swappedEnds(word)?.map(parsePoint)
  if (swapped) return `${swapped[0].cable} ${swapped[0].name} and ${swapped[1].name} swapped`
  const [state, end, screw] = /^(off|wrong): (\S+)(?: on (\S+))?$/.exec(word)?.slice(1) ?? []
  if (end === undefined || !isPoint(end)) return word
  const { cable, name } = parsePoint(end)
  return `${cable} ${name} ${screw === undefined ? state : `on ${screw}`}`
}
