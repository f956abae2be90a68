import { expectedAfter, type Lesson, learn, widthOf } from '@/src/core/diagnosis/likelihood/lesson'
import { type Race, raceAfter, racedIn } from '@/src/core/diagnosis/likelihood/race'
import type { Answer } from '@/src/core/readings/check'
import { likelihoodOfAnything, likelihoodOfComponent, misfit } from '@/src/core/readings/likelihood'
import type { Component, Prediction, Scale } from '@/src/core/readings/prediction'
import { Memo } from '@/src/core/units/cache'
import { logSum } from '@/src/core/units/log-sum'
import { modelValue } from '@/src/core/units/model-value'

/**
 * The readings of a job, weighed together: what each says of the house's unknown values moves what is expected of the next
 * (engine.md, "One likelihood for all readings"). The causes are normal with one unit before anything is read; a reading y with
 * centre f and leans J takes the house from mean m and covariance P to P - g gT and m + g r, with S = s² + J P J, g = P J / sqrt(S) and
 * r = (y - f - J m) / sqrt(S): the square-root form of the Kalman filter, so that a link of the chain keeps one vector.
 */
export interface Link {
  readonly before: Link | null
  /** log P(all readings so far | this hypothesis in this house). */
  readonly log: number
  /** The part of `log` in which every reading that this chain learnt from is right. */
  readonly own: number
  /** The likeliest alternative, which believes other readings; null when none is left. Its `own` and this one's make up `log`. */
  readonly doubt: Link | null
  /** The same for something that resembles the hypothesis and shows otherwise in part of the readings. */
  readonly resembling: number
  /** What the readings so far taught, the last one that taught anything first. */
  readonly lessons: Lesson | null
  /** How far the reading was from what was expected, in standard deviations. */
  readonly away: number
  /** What the trips so far tell of the race of protection and thermostat; null before the first. */
  readonly race: Race | null
  /** Readings on one bench that nobody moved: a fault that comes and goes was there for all of them or for none. */
  readonly run: Run | null
}

interface Run {
  readonly bench: string
  /** log of all readings before the run. */
  readonly before: number
  /** log of its readings while the fault shows, and while it hides; and how often it shows. */
  readonly shown: number
  readonly hidden: number
  readonly shows: number
}

/** What is known of a house before any reading. */
export const UNREAD: Link = {
  before: null,
  log: 0,
  own: 0,
  doubt: null,
  resembling: 0,
  lessons: null,
  away: 0,
  race: null,
  run: null,
}

/** One reading, ready to be weighed. */
export interface Reading {
  readonly answer: Answer
  readonly scale: Scale
  /** How many words could answer it; 0 for a meter's. */
  readonly words: number
  /** Chance that it is plain wrong. */
  readonly wrong: number
  /** The bench it was taken on. */
  readonly bench: string
  /** How likely something of no catalogue would be to answer so; left out, like anything at all. */
  readonly unlike?: number
}

/** Something that resembles a known hypothesis shows otherwise. */
export const UNLIKE_SHARE = modelValue({ value: 0.35, unit: 'share of readings', source: 'assumption' })

/** A prediction as it stands in a house of which the chain knows so much: centres moved, widths with what is still not known. */
export function predictionIn(link: Link, prediction: Prediction): Prediction {
  let moves = false
  for (const { race, leans } of prediction) {
    if (race) return link.race ? racedIn(link.race, prediction) : prediction
    if (leans && leans.length > 0) moves = true
  }
  return moves ? prediction.map((component) => componentIn(link, component)) : prediction
}

function componentIn(link: Link, component: Component): Component {
  if (typeof component.at !== 'number' || !component.leans) return component
  const { at, variance } = expectedAfter(link.lessons, component.at, component.leans)
  // Field by field: a spread of what may be left out costs more than all the arithmetic.
  const { weight, floating } = component
  return { weight, at, sigma: Math.sqrt(widthOf(component) + variance), floating, while: component.while }
}

/** A reading at least this likely to be plain wrong is carried both ways until later readings decide. */
const DOUBTED = modelValue({ value: 0.003, unit: 'share', source: 'assumption' })
/** The less likely chain is dropped below this share of the other. */
const LET_GO = modelValue({ value: 1e-4, unit: 'share', source: 'assumption' })
/** A reading taken for plain wrong counts as this far off, so that it is listed as not fitting. */
const WRONG_BY = modelValue({ value: 5, unit: 'standard deviations', source: 'assumption: beyond `MISFIT_LIMIT`' })

/**
 * The next link: a reading weighed in a house of which the chain so far knows so much. A wrong first
 * reading, once believed, would make every good one after it look wrong: a reading that may be wrong is carried both ways, in two chains at
 * the most.
 *
 * @param causes how many causes the system has, @param times how often the answer counts
 */
export function weighNext(link: Link, prediction: Prediction, reading: Reading, causes: number, times = 1): Link {
  const ways: Way[] = []
  addWaysOn(ways, link, prediction, reading, causes, times)
  if (link.doubt) addWaysOn(ways, link.doubt, prediction, reading, causes, times)
  if (ways.length > 1) ways.sort((a, b) => b.own - a.own)
  const [best, second] = ways
  const other = second && second.own - best.own > Math.log(LET_GO) ? second : null
  const anything = reading.unlike ?? anythingOf.of(reading)
  best.log = other ? logSum([best.own, other.own]) : best.own
  best.resembling =
    link.resembling + Math.log((1 - UNLIKE_SHARE) * Math.exp((best.log - link.log) / times) + UNLIKE_SHARE * Math.max(anything, 1e-9))
  if (other) {
    other.log = best.log
    other.resembling = best.resembling
    best.doubt = other
  }
  return best
}

/** A link before it is known which doubt it keeps. It is filled in, not copied: a reading makes thousands of them. */
type Way = Omit<Link, 'log' | 'resembling' | 'doubt'> & { log: number; resembling: number; doubt: Link | null }

const anythingOf = new Memo(({ answer, scale, words }: Reading) => likelihoodOfAnything(answer, scale, words))

/** One chain with the reading believed, and a second with it taken for plain wrong where that is likely enough. */
function addWaysOn(ways: Way[], link: Link, prediction: Prediction, reading: Reading, causes: number, times: number): void {
  const { answer, scale, wrong, bench } = reading
  const expected = predictionIn(link, prediction)
  let sound = 0
  let shown = 0
  let shows = 0
  let most = 0
  let best = -1
  for (let place = 0; place < expected.length; place++) {
    const part = expected[place].weight * likelihoodOfComponent(answer, expected[place], scale)
    sound += part
    if (expected[place].while === 'shown') {
      shown += part
      shows += expected[place].weight
    }
    if (part > most) {
      most = part
      best = place
    }
  }
  const anything = anythingOf.of(reading)
  const chance = Math.max((1 - wrong) * sound + wrong * anything, Number.MIN_VALUE)
  const isBelieved = best >= 0 && (1 - wrong) * most > chance / 2
  const race = times === 1 && prediction.some((component) => component.race) ? raceAfter(link.race, prediction, answer, wrong) : link.race
  // A reading that is the same whether it shows or hides neither begins a run nor ends one.
  const tells = shows > 0 && shows < 1
  const run =
    tells || link.run?.bench === bench
      ? runAfter(link, bench, tells ? shows : null, (share) => (1 - wrong) * share + wrong * anything, sound, shown)
      : null
  const learnt = isBelieved ? learn(link.lessons, prediction[best], expected[best], answer, scale, causes) : null
  const away = misfit(answer, expected, scale)
  const isDoubted = learnt !== null && times === 1 && wrong * anything > DOUBTED * chance
  if (run && times === 1) ways.push(wayOf(link, run.before + logOfRun(run), race, run, learnt, away))
  else if (!isDoubted) ways.push(wayOf(link, link.own + times * Math.log(chance), race, null, learnt, away))
  else
    ways.push(
      wayOf(link, link.own + Math.log((1 - wrong) * sound), race, null, learnt, away),
      wayOf(link, link.own + Math.log(wrong * anything), race, null, null, Math.max(away, WRONG_BY)),
    )
}

const wayOf = (before: Link, own: number, race: Link['race'], run: Run | null, learnt: Lesson | null, away: number): Way => ({
  before,
  log: own,
  own,
  doubt: null,
  resembling: 0,
  lessons: learnt ?? before.lessons,
  away,
  race,
  run,
})

/** The run that a reading goes on or begins. @param shows how often the fault shows; null where the reading does not tell */
function runAfter(
  { own, run }: Link,
  bench: string,
  shows: number | null,
  chanceOf: (share: number) => number,
  sound: number,
  shown: number,
): Run {
  const goesOn: Run = run?.bench === bench ? run : { bench, before: own, shown: 0, hidden: 0, shows: shows ?? 0 }
  const [whileShown, whileHidden] = shows === null ? [sound, sound] : [shown / shows, (sound - shown) / (1 - shows)]
  return {
    ...goesOn,
    shown: goesOn.shown + Math.log(chanceOf(whileShown)),
    hidden: goesOn.hidden + Math.log(chanceOf(whileHidden)),
  }
}

const logOfRun = ({ shown, hidden, shows }: Run): number => logSum([Math.log(shows) + shown, Math.log(1 - shows) + hidden])

/** What the chain knows of a cause: its mean and standard deviation, in units of its spread. */
export function knownOf(link: Link, cause: number): { mean: number; sigma: number } {
  let mean = 0
  let variance = 1
  for (let lesson = link.lessons; lesson; lesson = lesson.before) {
    const gain = lesson.gains[lesson.from + cause]
    mean += gain * lesson.off
    variance -= gain * gain
  }
  return { mean, sigma: Math.sqrt(Math.max(0, variance)) }
}

/** The links of a chain, the first reading's first. */
export function linksOf(link: Link): Link[] {
  const links: Link[] = []
  for (let one: Link | null = link; one?.before; one = one.before) links.push(one)
  return links.reverse()
}
