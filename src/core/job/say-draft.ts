import { sayChange } from '@/src/core/bench/say'
import { sayComplaint } from '@/src/core/job/complaint'
import type { EntryDraft } from '@/src/core/job/entry'
import type { JobState, Refusal } from '@/src/core/job/job-state'
import { sayLeaving } from '@/src/core/job/leave'
import { sayOffer } from '@/src/core/job/offer'
import type { CableWay, DamageKind, DamagePlace, FarEndReach, RunFact } from '@/src/core/job/run-schema'
import { sayWay } from '@/src/core/job/ways'
import { sayAnswer, sayProbe } from '@/src/core/readings/say'
import { sayOhms } from '@/src/core/units/quantity'
import { sayCall } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { cableById, partById, placeById, type System } from '@/src/core/wiring/system'

/** What stops counting with an undo or a correction, said before it is done. */
export function sayFallen(system: System, { standing }: Pick<JobState, 'standing'>, falls: readonly Refusal[]): string {
  const said = falls.flatMap(({ id }) => {
    const entry = standing.find((one) => one.id === id)
    return entry ? [sayDraft(system, entry)] : []
  })
  return `also drops: ${said.join('; ')}`
}

/** The ways to tell the conductors of a cable apart. */
export const sayCableWay: Record<CableWay, string> = {
  fewest: 'fewest walks and readings',
  pairs: 'pairs joined at the far end',
  'all-to-one': 'all joined to one at the far end',
}

const sayReach: Record<FarEndReach, string> = { walk: 'on foot', helper: 'somebody stands there', none: 'out of reach' }

export const sayDamage: Record<DamageKind, string> = {
  insulation: 'insulation only',
  nicked: 'copper nicked',
  parted: 'copper parted',
  wet: 'wet or green',
  chewed: 'chewed in many places',
  melted: 'melted',
}
export const sayDamagePlace: Record<DamagePlace, string> = {
  open: 'in the open',
  unit: 'inside a unit',
  roof: 'on the roof',
  wall: 'in a wall',
  buried: 'buried',
}

/** Something of a run, in words. */
function sayRunFact(system: System, id: string, fact: RunFact): string {
  const cable = cableById(system, id)
  const name = cable?.name ?? id
  const placeName = (place: PlaceId) => placeById(system, place)?.name ?? place
  switch (fact.what) {
    case 'length':
      return `the ${name} is ${fact.metres} m long`
    case 'landmark':
      return `${fact.name}: ${fact.metres} m along the ${name} from the ${placeName(cable?.between[0] ?? '')}`
    case 'capacitance':
      return `${fact.conductor} ${fact.against === null ? 'to the rest' : `to ${fact.against}`} of the ${name} at the ${placeName(fact.place)}: ${fact.nF} nF`
    case 'meter':
      return `meter for the ${name} ${fact.isNulled ? 'nulled with its leads' : 'not nulled'}`
    case 'far-end':
      return `the other end of the ${name}: ${sayReach[fact.reach]}`
    case 'damage':
      return `damage of the ${name}: ${sayDamage[fact.kind]}, ${sayDamagePlace[fact.where]}${fact.hasSlack ? ', with slack' : ', no slack'}`
    case 'way':
      return `${name}: ${sayCableWay[fact.way]}`
    case 'resistors':
      return fact.ohms.length === 0 ? `no resistors for the ${name}` : `resistors for the ${name}: ${fact.ohms.map(sayOhms).join(', ')}`
    case 'copper':
      return `copper of the ${name} at ${fact.celsius} °C`
  }
}

/** How an entry reads on the timeline and under the quick line. */
export function sayDraft(system: System, draft: EntryDraft, state?: Pick<JobState, 'standing'>): string {
  switch (draft.kind) {
    case 'complaint':
      return sayComplaint(draft.complaint)
    case 'bench':
      return sayChange(system, draft.change)
    case 'reading':
      return `${sayProbe(system, draft.probe)}: ${sayAnswer(draft.answer, draft.probe)}`
    case 'trip':
      if (draft.result === 'holds') return 'it holds'
      return draft.slip ? 'it tripped by my own slip: no evidence' : draft.heldBefore ? 'it trips, and held before the call' : 'it trips'
    case 'skip':
      return `cannot take: ${sayProbe(system, draft.probe)}`
    case 'way':
      return `way of working: ${sayWay[draft.way].name}`
    case 'repair':
      return `repaired: ${draft.what}${draft.cause ? ` (cause: ${draft.cause})` : ''}`
    case 'proof':
      return `${sayCall[draft.call]} ${draft.held ? 'proved' : 'did not hold'}${draft.amps === null ? '' : `, ${draft.amps} A`}${draft.volts === null ? '' : `, ${draft.volts} V`}${draft.air ? `, air ${draft.air.returnF} to ${draft.air.supplyF} °F` : ''}${(draft.motors ?? []).map(({ part, amps }) => `, ${partById(system, part)?.name ?? part} ${amps} A`).join('')}`
    case 'cycle':
      return `clean cycle of ${sayCall[draft.call]}`
    case 'plate':
      return `plate of the ${partById(system, draft.part)?.name ?? draft.part}: ${draft.amps} A`
    case 'leave':
      return `left unfinished: ${sayLeaving(draft.reason, draft.until)}`
    case 'offer':
      return sayOffer(draft)
    case 'run':
      return sayRunFact(system, draft.cable, draft.fact)
    case 'photo':
      return `photo: ${draft.of}${draft.onPage ? ', on the page' : ''}`
    case 'note':
      return `note: ${draft.text}`
    case 'close':
      return 'close the job'
    case 'undo': {
      const target = state?.standing.find(({ id }) => id === draft.target)
      return target ? `undo: ${sayDraft(system, target)}` : 'undo an entry'
    }
    case 'correct':
      return `correct to: ${sayDraft(system, draft.entry)}`
    case 'vouch':
      return draft.bench === 'made'
        ? 'it was read before the other device changed the bench'
        : 'it was read after the other device changed the bench'
  }
}
