import type { Effect } from '@/src/core/faults/fault'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Prediction, Scale } from '@/src/core/readings/prediction'
import { KeptPer } from '@/src/core/units/kept'
import { bodyLink, landingLink } from '@/src/core/wiring/assembly'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { houseCommon } from '@/src/core/wiring/supply'
import { isUnknown, partsOf, type System } from '@/src/core/wiring/system'
import { templateValues, type ValueFactors } from '@/src/core/wiring/values'

/** Part values of one kind of house, with the share of houses that are like it. All assumptions. */
interface ValueSpread {
  readonly weight: number
  readonly factors: ValueFactors
}

/** Wiring that is not as drawn and is no fault either: a bond less, a bond more. A house has it for all its readings. */
export interface WiringKind {
  readonly weight: number
  readonly wiring: readonly Effect[]
}

/**
 * Corners of coil resistance, transformer volts, cable length and electronics, the template first (engine.md section 7).
 * Each part of a house has its own values, so a reading is averaged over these on its own: taken jointly, a relay that is
 * high beside a valve that is low looked like two swapped wires (measured: 90 % right instead of 97 %).
 */
export const valueSpreads: readonly ValueSpread[] = [
  { weight: 0.36, factors: templateValues },
  { weight: 0.16, factors: { ...templateValues, anyCoilOhm: 1.3, emf: 1.04, transformerOhm: 0.85, anyLengthM: 1.8, electronicsDcOhm: 2 } },
  {
    weight: 0.16,
    factors: { ...templateValues, anyCoilOhm: 0.75, emf: 0.96, transformerOhm: 1.15, anyLengthM: 0.55, electronicsDcOhm: 0.5 },
  },
  { weight: 0.16, factors: { ...templateValues, anyCoilOhm: 1.3, emf: 0.96, transformerOhm: 1, anyLengthM: 0.55, electronicsVa: 1.3 } },
  { weight: 0.16, factors: { ...templateValues, anyCoilOhm: 0.75, emf: 1.04, transformerOhm: 1, anyLengthM: 1.8, electronicsVa: 0.75 } },
]
/** What a house has for all its readings. */
export interface HouseLevel {
  /** How high its volts stand against its template's, line and transformers together. */
  readonly times: number
  /** How much more its coils and electronics draw at the same volts. */
  readonly load: number
  readonly weight: number
  /** The first level with the same volts. */
  readonly asVolts: number
}

/** A service may be 5 % off, and a winding a few more: assumption. */
const VOLTS = [
  { times: 1, weight: 0.38 },
  { times: 0.9625, weight: 0.245 },
  { times: 1.0375, weight: 0.245 },
  { times: 0.925, weight: 0.065 },
  { times: 1.075, weight: 0.065 },
]
/** Coils of one make are all high or all low, and electronics draw what they draw at every reading: assumption. */
const LOADS = [
  { load: 0.8, weight: 0.2 },
  { load: 1.25, weight: 0.2 },
]
/** Levels of volts at which the loads are told apart: the likeliest. */
const LOADED = 3

/**
 * Reading by reading, a house on a low line looked more like a loose neutral with every reading that was as low as the one
 * before, and a sound one that draws a third more like a leak to the metal with every clamp on R.
 */
export const houseLevels: readonly HouseLevel[] = [
  ...VOLTS.map(({ times, weight }, asVolts) => ({
    times,
    load: 1,
    weight: asVolts < LOADED ? weight * (1 - LOADS.reduce((sum, one) => sum + one.weight, 0)) : weight,
    asVolts,
  })),
  ...LOADS.flatMap((one) =>
    VOLTS.slice(0, LOADED).map(({ times, weight }, asVolts) => ({ times, load: one.load, weight: weight * one.weight, asVolts })),
  ),
]

/** How many times as high a reading on this scale is at a level. */
export const timesAt = ({ times, load }: HouseLevel, scale: Scale): number => (scale === 'amps' ? times * load : times)

/** Share of a reading's volts that part values still hide where the level of the house is weighed beside: assumption. */
export const BESIDE_LEVEL = 0.01

/** A prediction where all volts of the house are so many times as high; what is read without the house's own power stays. */
export function atLevel(prediction: Prediction, scale: Scale, times: number): Prediction {
  if (times === 1 || (scale !== 'volts' && scale !== 'amps')) return prediction
  return prediction.map((component) =>
    typeof component.at === 'number' && !component.floating ? { ...component, at: component.at * times } : component,
  )
}

/**
 * How much of the damage there is, against what the story says: assumption, a factor of sixteen in all. It is the same for all
 * readings: taken reading by reading, of two stories that read alike the one whose steps lay nearer won by and by.
 */
export const degrees: readonly { readonly times: number; readonly weight: number }[] = [
  { times: 1, weight: 0.36 },
  { times: 0.25, weight: 0.12 },
  { times: 4, weight: 0.12 },
  { times: 0.5, weight: 0.2 },
  { times: 2, weight: 0.2 },
]
/** The same from the least to the most. */
const byDegree = degrees.map(({ times }, degree) => ({ times, degree })).sort((a, b) => a.times - b.times)

/** Damage of which there may be more or less: a joint or a touch of some ohm. */
export const isGraded = ({ effects }: Hypothesis): boolean =>
  effects.some((effect) => (effect.do === 'short' || effect.do === 'resist') && effect.ohm > LEAST_GRADED_OHM)
/** Below this a touch is metal on metal. */
const LEAST_GRADED_OHM = 0.1

/** The story with one degree of its damage; the same object for the same degree. */
export const inDegree = (story: Hypothesis, degree: number): Hypothesis => (isGraded(story) ? gradesOf.of(story)[degree] : story)
const gradesOf = new KeptPer((story: Hypothesis): Hypothesis[] => degrees.map(({ times }) => graded(story, times)))

/**
 * Predictions of one reading at each degree of a damage, each widened over the gaps to its neighbours: damage comes in every
 * degree, not in five of them.
 */
export function overDegrees(predictions: readonly Prediction[]): Prediction[] {
  const centre = (place: number): number | null => {
    const { degree } = byDegree[Math.max(0, Math.min(byDegree.length - 1, place))]
    const [first] = [...predictions[degree]].sort((a, b) => b.weight - a.weight)
    return typeof first?.at === 'number' && !first.floating ? first.at : null
  }
  return predictions.map((prediction, degree) => {
    const place = byDegree.findIndex((candidate) => candidate.degree === degree)
    const [below, above] = [centre(place - 1), centre(place + 1)]
    if (below === null || above === null) return prediction
    return prediction.map((component) =>
      typeof component.at === 'number' && !component.floating
        ? { ...component, sigma: Math.hypot(component.sigma, (above - below) / 4) }
        : component,
    )
  })
}

/** The story with more or less of its damage: every ohm of it times a factor. */
export const graded = (story: Hypothesis, times: number): Hypothesis => ({
  ...story,
  effects: story.effects.map((effect) =>
    effect.do === 'short' || effect.do === 'resist' ? { ...effect, ohm: effect.ohm * times } : effect,
  ),
})

const BOND_LESS = 0.04
const BOND_MORE = 0.02
/** Of boards of the same look, some pass the call on and some have a relay of their own. */
const BOARD_OTHERWISE = 0.12
/** The same where nobody has looked, and how often then no conductor is on C at the thermostat: assumptions. */
const BOARD_UNKNOWN = 0.45
const NO_COMMON = 0.35

/** The ways in which a house of this system may be wired; as drawn comes first, weights add up to one. */
export function kindsOfWiring(system: System): WiringKind[] {
  const common = houseCommon(system)
  const bonded = partsOf(system, 'bond').map(({ place }) => place)
  const less = partsOf(system, 'bond').map((bond): Effect => ({ do: 'open', link: bodyLink(bond.id) }))
  const more = system.places
    .filter((place) => place.metal && !bonded.includes(place.id) && place.terminals.includes(common))
    .map((place): Effect => ({ do: 'short', a: terminalPoint(common, place.id), b: terminalPoint(CHASSIS, place.id), ohm: 0.02 }))
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
    ...(more.length > 0 ? [{ weight: BOND_MORE, wiring: more }] : []),
    ...(otherBoard.length > 0 ? [{ weight: isUnknown(system, 'board') ? BOARD_UNKNOWN : BOARD_OTHERWISE, wiring: otherBoard }] : []),
  ]
  return [{ weight: 1 - other.reduce((sum, { weight }) => sum + weight, 0), wiring: [] }, ...other]
}
