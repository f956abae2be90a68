import type { Effect } from '@/src/core/faults/effect'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Lean, Prediction } from '@/src/core/readings/prediction'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { bodyLink, landingLink } from '@/src/core/wiring/links'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { houseCommon } from '@/src/core/wiring/supply'
import { firstPart, isUnknown, partsOf, type System } from '@/src/core/wiring/system'

/** Wiring that is not as drawn and is no fault either: a bond less, a bond more. A house has it for all its readings. */
export interface WiringKind {
  readonly weight: number
  readonly wiring: readonly Effect[]
}

/**
 * How much of the damage there is, against what the hypothesis says: assumption, a factor of sixteen in all. It is the same for all
 * readings: taken reading by reading, of two hypotheses that read alike the one whose steps lay nearer won by and by.
 */
export const degrees: readonly { readonly times: number; readonly weight: number }[] = [
  { times: 1, weight: 0.36 },
  { times: 0.25, weight: 0.12 },
  { times: 4, weight: 0.12 },
  { times: 0.5, weight: 0.2 },
  { times: 2, weight: 0.2 },
]
/** The same from the least to the most, an octave between each and the next. */
export const degreesInOrder = degrees.map(({ times }, degree) => ({ times, degree })).sort((a, b) => a.times - b.times)

/** Damage of which there may be more or less: a joint or a touch of some ohm. */
export const isGraded = ({ effects }: Hypothesis): boolean =>
  effects.some((effect) => (effect.do === 'short' || effect.do === 'resist') && effect.ohm > LEAST_GRADED_OHM)
/** Below this a touch is metal on metal. */
const LEAST_GRADED_OHM = modelValue({ value: 0.1, unit: 'ohm', source: 'assumption' })

/** The hypothesis with one degree of its damage; the same object for the same degree. */
export const inDegree = (hypothesis: Hypothesis, degree: number): Hypothesis =>
  isGraded(hypothesis) ? gradesOf.of(hypothesis)[degree] : hypothesis
const gradesOf = new Memo((hypothesis: Hypothesis): Hypothesis[] => {
  // What comes and goes and what stands still have the same effects in each degree, which are worked out once.
  const effects = effectsByDegree.of(hypothesis.effects)
  return degrees.map(({ times }, degree) => (times === 1 ? hypothesis : { ...hypothesis, effects: effects[degree] }))
})
const effectsByDegree = new Memo((effects: readonly Effect[]) => degrees.map(({ times }) => gradedEffects(effects, times)))

/**
 * Predictions of one reading at each degree of a damage. Damage comes in every degree, not in five of them: between two of them a reading
 * leans on it, one number for all readings of the house.
 * @param leaning what a degree predicts with how it leans on the rest, where only some are asked for that: the predictions themselves
 * @param isUneven there are several joints, and each is bad in its own way
 */
export function overDegrees(
  predictions: readonly Prediction[],
  damageCause: number,
  leaning: (degree: number) => Prediction = (degree) => predictions[degree],
  isUneven = false,
): (degree: number) => Prediction {
  const last = degreesInOrder.length - 1
  const centres = predictions.map(centreOf)
  const at = (place: number) => centres[degreesInOrder[Math.max(0, Math.min(last, place))].degree]
  return (degree) => {
    const place = placeOfDegree[degree]
    const isEnd = place === 0 || place === last
    // From an octave to half of one; at either end the neighbour is the degree itself: half the way.
    const moves = movesBy([at(place - 1), centres[degree], at(place + 1)], ([down, up]) =>
      isEnd ? (down + up) / 4 : limitedMean(down, up) / 2,
    )
    const prediction = withDamage(leaning(degree), damageCause, moves)
    return isUneven ? wider(prediction, (UNEVEN_JOINTS / HALF_AN_OCTAVE) * moves) : prediction
  }
}
const HALF_AN_OCTAVE = Math.LN2 / 2

/** How much the joints of one place differ among each other. Which of them a reading crosses is not followed: each has its width of it. */
const UNEVEN_JOINTS = modelValue({ value: 0.5, unit: 'natural logarithm', source: 'assumption' })

/** More than one joint is bad. */
export const isUneven = ({ effects }: Hypothesis): boolean => effects.filter((effect) => effect.do === 'resist').length > 1

const wider = (prediction: Prediction, by: number): Prediction =>
  by === 0
    ? prediction
    : prediction.map((component) =>
        typeof component.at === 'number' && !component.floating ? { ...component, sigma: Math.hypot(component.sigma, by) } : component,
      )

const placeOfDegree = degrees.map((_, degree) => degreesInOrder.findIndex((candidate) => candidate.degree === degree))

/**
 * A prediction with how it leans on damage: from what is predicted with less of it and with more.
 * @param by how far it moves in one spread of the damage, from its steps up to it and on from it
 */
export function leaningOnDamage(
  [less, here, more]: readonly [Prediction, Prediction, Prediction],
  damageCause: number,
  by: (steps: readonly [number, number]) => number,
): Prediction {
  return withDamage(here, damageCause, movesBy([less, here, more].map(centreOf), by))
}

/** How far a centre moves in one spread of the damage; 0 where one of the three is no number. */
function movesBy([below, at, above]: readonly (number | null)[], by: (steps: readonly [number, number]) => number): number {
  return below === null || at === null || above === null ? 0 : by([at - below, above - at])
}

function withDamage(prediction: Prediction, damageCause: number, moves: number): Prediction {
  if (moves === 0) return prediction
  const lean: Lean = { cause: damageCause, by: moves, isDamage: true }
  return prediction.map((component) =>
    typeof component.at === 'number' && !component.floating ? { ...component, leans: [...(component.leans ?? []), lean] } : component,
  )
}

/** Where the heaviest part of a prediction is; null where that is no number, or hangs free. */
function centreOf(prediction: Prediction): number | null {
  let first = prediction[0]
  for (const component of prediction) if (component.weight > first.weight) first = component
  return typeof first?.at === 'number' && !first.floating ? first.at : null
}

/**
 * The mean of two steps on either side, but no more than twice either of them, and nothing where they go opposite ways. What jumps on one
 * side, since a guard opens or a relay lets go between two degrees, leans on nothing here (the monotonised central limiter, van Leer 1977).
 */
export const limitedMean = (down: number, up: number): number =>
  down * up <= 0 ? 0 : Math.sign(up) * Math.min(Math.abs(down + up) / 2, 2 * Math.abs(down), 2 * Math.abs(up))

/** The hypothesis with more or less of its damage: every ohm of it times a factor. */
export const graded = (hypothesis: Hypothesis, times: number): Hypothesis => ({
  ...hypothesis,
  effects: gradedEffects(hypothesis.effects, times),
})

const gradedEffects = (effects: readonly Effect[], times: number): readonly Effect[] =>
  effects.map((effect) => (effect.do === 'short' || effect.do === 'resist' ? { ...effect, ohm: effect.ohm * times } : effect))

/** The bond of the template is missing, which is no fault. */
const BOND_LESS = modelValue({ value: 0.1, unit: 'share of houses', source: 'assumption' })
/** A bond that the template does not have. */
const BOND_MORE = modelValue({ value: 0.02, unit: 'share of houses', source: 'assumption' })
/** Where the fuse sits in the common leg: the bond on the transformer's side of it, past which a short to metal blows nothing. */
const BOND_AHEAD = modelValue({ value: 0.06, unit: 'share of houses', source: 'assumption' })
/** Of boards of the same look, some pass the call on and some have a relay of their own. */
const BOARD_OTHERWISE = modelValue({ value: 0.12, unit: 'share of houses', source: 'assumption' })
/** The same where nobody has looked at the board. */
const BOARD_UNKNOWN = modelValue({ value: 0.45, unit: 'share of houses', source: 'assumption' })
/** No conductor is on C at the thermostat, where nobody has looked. */
const NO_COMMON = modelValue({ value: 0.35, unit: 'share of houses', source: 'assumption' })

/** The ways in which a house of this system may be wired; as drawn comes first, weights add up to one. */
export function kindsOfWiring(system: System): WiringKind[] {
  const common = houseCommon(system)
  const bonded = partsOf(system, 'bond').map(({ place }) => place)
  const less = partsOf(system, 'bond').map((bond): Effect => ({ do: 'open', link: bodyLink(bond.id) }))
  const more = system.places
    .filter((place) => place.metal && !bonded.includes(place.id) && place.terminals.includes(common))
    .map((place): Effect => ({ do: 'short', a: terminalPoint(common, place.id), b: terminalPoint(CHASSIS, place.id), ohm: 0.02 }))
  const fuse = firstPart(system, 'fuse')
  const { secondary, place: where } = firstPart(system, 'transformer')
  const ahead: Effect[] = fuse.between.includes(secondary[1])
    ? [...less, { do: 'short', a: terminalPoint(secondary[1], where), b: terminalPoint(CHASSIS, where), ohm: 0.02 }]
    : []
  const otherBoard = partsOf(system, 'board').flatMap(({ id, outputs }) =>
    outputs.flatMap(({ to, style, also, from }): Effect[] =>
      // A zone panel's dry contacts and the outputs of several inputs can only be relays.
      also || from !== undefined ? [] : [{ do: 'output', board: id, to, mode: style === 'passes' ? 'relay' : 'passes' }],
    ),
  )
  const noCommon = isUnknown(system, 'common')
    ? system.cables.flatMap((cable) =>
        cable.conductors.flatMap(({ id, lands }) =>
          lands.flatMap((terminal, side): Effect[] => {
            const stat = partsOf(system, 'thermostat').find(({ place }) => place === cable.between[side])
            return terminal !== null && stat?.common === terminal ? [{ do: 'open', link: landingLink(cable.id, id, stat.place) }] : []
          }),
        ),
      )
    : []
  const other: WiringKind[] = [
    ...(noCommon.length > 0 ? [{ weight: NO_COMMON, wiring: noCommon }] : []),
    ...(less.length > 0 ? [{ weight: BOND_LESS, wiring: less }] : []),
    ...(ahead.length > 0 ? [{ weight: BOND_AHEAD, wiring: ahead }] : []),
    ...(more.length > 0 ? [{ weight: BOND_MORE, wiring: more }] : []),
    ...(otherBoard.length > 0 ? [{ weight: isUnknown(system, 'board') ? BOARD_UNKNOWN : BOARD_OTHERWISE, wiring: otherBoard }] : []),
  ]
  return [{ weight: 1 - other.reduce((sum, { weight }) => sum + weight, 0), wiring: [] }, ...other]
}
