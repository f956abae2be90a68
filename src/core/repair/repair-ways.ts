import type { DamageKind, DamagePlace } from '@/src/core/job/run-schema'
import { modelValue } from '@/src/core/units/model-value'

/** What was found hurt in a cable, and what is at hand. */
export interface Damage {
  readonly kind: DamageKind
  readonly where: DamagePlace
  readonly hasSlack: boolean
  /** Conductors of the cable that serve nowhere, and are not known to be hurt. */
  readonly spares: number
  readonly lengthM: number
  /** Places along the run where it can be reached. */
  readonly landmarks: number
}

export const repairWays = ['sleeve', 'splice', 'spare', 'spare section', 'section', 'new cable'] as const
export type RepairWay = (typeof repairWays)[number]

/** One way to repair it, with what speaks for it and against it. */
export interface WayToRepair {
  readonly way: RepairWay
  /** It lasts there; one that does not is told with why. */
  readonly fits: boolean
  readonly does: string
  readonly pro: readonly string[]
  readonly con: readonly string[]
  /** What it leaves as it was: the customer reads it before choosing. */
  readonly notCovered: string
  readonly minutes: number
  readonly material: readonly string[]
}

/** Minutes of the hands alone, without walks: what a shop may put its own in the place of. */
const MINUTES = modelValue({
  value: { sleeve: 15, splice: 25, spare: 20, 'spare section': 35, section: 50, 'new cable': 60 } as const,
  unit: 'min',
  source: 'assumption',
})
/** New cable takes so much more for each metre, in the open and behind walls. */
const MINUTES_A_METRE = modelValue({ value: { open: 1.5, hidden: 6 } as const, unit: 'min/m', source: 'assumption' })

const isInReach = ({ where }: Damage): boolean => where !== 'wall' && where !== 'buried'
const isWetPlace = ({ kind, where }: Damage): boolean => kind === 'wet' || where === 'roof' || where === 'buried'

/**
 * The ways to repair a cable, those that last there first, the lighter ones before the heavier. Insulation alone is taped or sleeved; hurt
 * copper is cut out and spliced; what is out of reach gets a spare; what is hurt in many places gets new cable (field-work.md 15).
 */
export function waysToRepair(damage: Damage): WayToRepair[] {
  const ways = [sleeve(damage), splice(damage), spare(damage), spareSection(damage), section(damage), newCable(damage)]
  return [...ways.filter(({ fits }) => fits), ...ways.filter(({ fits }) => !fits)]
}

function sleeve(damage: Damage): WayToRepair {
  const isOnly = damage.kind === 'insulation'
  return {
    way: 'sleeve',
    fits: isOnly && isInReach(damage),
    does: 'Tape or sleeve the insulation',
    pro: isOnly && isInReach(damage) ? ['The copper is whole: nothing is cut.'] : [],
    con: [
      ...(isOnly ? [] : ['The copper is damaged: under tape it goes on corroding.']),
      ...(isInReach(damage) ? [] : ['It cannot be reached.']),
      ...(damage.where === 'roof' ? ['Plain tape does not last in the sun: sleeve it.'] : []),
    ],
    notCovered: 'other places where the jacket is worn',
    minutes: MINUTES.sleeve,
    material: [damage.where === 'roof' ? 'UV-rated sleeve' : 'tape or sleeve'],
  }
}

function splice(damage: Damage): WayToRepair {
  const isHurt = damage.kind === 'nicked' || damage.kind === 'parted' || damage.kind === 'wet'
  return {
    way: 'splice',
    fits: isHurt && isInReach(damage),
    does: damage.kind === 'wet' ? 'Cut back to bright copper and splice' : 'Cut out the damaged piece and splice',
    pro: isHurt && isInReach(damage) ? ['The copper is sound again for its whole length.'] : [],
    con: [
      ...(damage.kind === 'insulation' ? ['The copper is whole: tape or a sleeve is enough.'] : []),
      ...(damage.kind === 'chewed' || damage.kind === 'melted' ? ['It is damaged in more than one place.'] : []),
      ...(isInReach(damage) ? [] : ['Never leave a splice where nobody can reach it.']),
      ...(damage.hasSlack ? [] : ['No slack: a short piece goes in, with two splices.']),
    ],
    notCovered: 'the rest of the run',
    minutes: damage.hasSlack ? MINUTES.splice : MINUTES.splice + MINUTES.splice / 2,
    material: [
      isWetPlace(damage) ? 'gel-filled connectors' : 'connectors or solder and sleeve',
      ...(damage.hasSlack ? [] : ['a piece of the same gauge']),
    ],
  }
}

function spare(damage: Damage): WayToRepair {
  const isAll = damage.kind === 'chewed' || damage.kind === 'melted'
  return {
    way: 'spare',
    fits: damage.spares > 0 && !isAll && (damage.kind !== 'insulation' || !isInReach(damage)),
    does: 'Move it to a spare of the same cable, at both ends',
    pro: [
      ...(damage.spares > 0 && !isInReach(damage) ? ['No wall or trench is opened.'] : []),
      ...(damage.spares > 1 ? [`${damage.spares - 1} ${damage.spares === 2 ? 'spare is' : 'spares are'} left after it.`] : []),
    ],
    con: [
      ...(damage.spares === 0 ? ['This cable has no free spare.'] : []),
      ...(isAll ? ['What damaged one may have damaged its neighbors: test the spare by itself first.'] : []),
      ...(damage.spares > 0 ? ['The color changes: write it down for both ends, and mark the dead wire at each.'] : []),
      ...(damage.kind === 'wet' ? ['Water in the jacket reaches the others, too.'] : []),
    ],
    notCovered: 'the dead conductor stays where it is, and one spare fewer is left',
    minutes: MINUTES.spare,
    material: ['tape and a marker'],
  }
}

/** The joints need two places that can be reached; nothing at the screws of either end is touched. */
function spareSection(damage: Damage): WayToRepair {
  const isAll = damage.kind === 'chewed' || damage.kind === 'melted'
  return {
    way: 'spare section',
    fits: damage.spares > 0 && damage.landmarks > 1 && !isAll && !(damage.kind === 'insulation' && isInReach(damage)),
    does: 'Use a spare on the bad section only, with a joint at each of its ends',
    pro: ['Nothing moves at the screws of either end.'],
    con: [
      ...(damage.spares === 0 ? ['This cable has no free spare.'] : []),
      ...(damage.landmarks < 2 ? ['It needs two places along the run that can be reached: add them as landmarks.'] : []),
      ...(isAll ? ['What damaged one may have damaged its neighbors: test the spare by itself first.'] : []),
      ...(damage.spares > 0 ? ['Two joints stay behind, and the color changes at each: label both.'] : []),
      ...(isWetPlace(damage) ? ['A joint there has to stand the wet.'] : []),
    ],
    notCovered: 'what is wrong outside of the section; the spare is cut, and serves nowhere else',
    minutes: MINUTES['spare section'],
    material: [isWetPlace(damage) ? 'two gel-filled connectors' : 'two connectors', 'tape and a marker'],
  }
}

function section(damage: Damage): WayToRepair {
  const isLong = damage.kind === 'chewed' || damage.kind === 'melted' || damage.kind === 'wet'
  return {
    way: 'section',
    fits: isLong && isInReach(damage),
    does: 'Replace the damaged section, with a joint at each of its ends',
    pro: isLong && isInReach(damage) ? ['All conductors of the section are new.'] : [],
    con: [
      ...(isLong ? [] : ['One conductor is damaged: the others need no joints.']),
      ...(isInReach(damage)
        ? ['Two joints of every conductor stay behind: keep them where they can be reached.']
        : ['It cannot be reached.']),
    ],
    notCovered: 'the rest of the run',
    minutes: MINUTES.section,
    material: ['a length of the same cable', isWetPlace(damage) ? 'gel-filled connectors' : 'connectors in a box'],
  }
}

function newCable(damage: Damage): WayToRepair {
  const pull = (isInReach(damage) ? MINUTES_A_METRE.open : MINUTES_A_METRE.hidden) * damage.lengthM
  const isMuch = damage.kind === 'chewed' || damage.kind === 'melted'
  return {
    way: 'new cable',
    fits: isMuch || damage.kind === 'wet' || (!isInReach(damage) && damage.spares === 0),
    does: 'Run a new cable, with spares',
    pro: ['No joint stays behind, and there are spares for the next time.'],
    con: [
      ...(isInReach(damage) ? [] : ['It has to be pulled through, or around, the wall.']),
      ...(damage.where === 'buried' ? ['Buried cable needs conduit.'] : []),
      'It takes the longest.',
    ],
    notCovered: 'the other cables of the house',
    minutes: Math.round(MINUTES['new cable'] + pull),
    material: [`${Math.ceil(damage.lengthM * 1.15)} m of cable with two spares`, ...(damage.where === 'buried' ? ['conduit'] : [])],
  }
}

/** What has to be removed besides, or it happens again: half of the repair. */
export function causesToRemove({ kind, where }: Pick<Damage, 'kind' | 'where'>): string[] {
  return [
    ...(kind === 'chewed' ? ['keep rodents off: conduit, or mesh where it comes in'] : []),
    ...(kind === 'melted' ? ['move it off the hot line or the burner'] : []),
    ...(kind === 'wet' ? ['drip loop, and seal where the water came in'] : []),
    ...(where === 'unit'
      ? ['reroute it off the edge and the hot pipe; pad what is left; tie it to a loop of its own, not to the metal']
      : []),
    ...(where === 'roof' || where === 'open' ? ['sleeve it against sun and garden tools; keep it off brackets'] : []),
    ...(where === 'wall' || where === 'buried' ? ['find the nail, staple or shovel: it is still there'] : []),
    ...(kind === 'insulation' || kind === 'nicked' ? ['strip the jacket back past the nick'] : []),
  ]
}
