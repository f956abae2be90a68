import { type Answer, openedBy } from '@/src/core/readings/check'
import { likelihoodOfAnything, likelihoodOfComponent, misfit } from '@/src/core/readings/likelihood'
import type { Component, Lean, Prediction, Scale } from '@/src/core/readings/prediction'
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
  /** log of how well each place in the race of protection and thermostat explains the trips so far; null before the first. */
  readonly race: readonly number[] | null
  /** Readings on one bench that nobody moved: a fault that comes and goes was there for all of them or for none. */
  readonly run: Run | null
}

/** What a reading taught of the causes, and by how much it was off, in its own widths. */
interface Lesson {
  readonly gain: Float64Array
  readonly off: number
  /** What an earlier reading taught. */
  readonly before: Lesson | null
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

/**
 * Places of a house in the race: the protection opens before the thermostat lets go where an overload opens it more often than this.
 * Both are the same parts at every trial, so that a trip that came once comes again, and a hold after one change is near proof.
 */
const PLACES: readonly number[] = Array.from({ length: 20 }, (_, place) => (place + 0.5) / 20)
/** How sharply the place of a house in the race decides: a breaker that is warm from the last trial opens sooner. */
const SHARP = modelValue({ value: 80, unit: 'power of the odds', source: 'assumption' })

/** P(it opens) at each place, where over all houses it opens with this chance. */
const opensAt = (chance: number): number[] => {
  const odds = (share: number) => Math.log(Math.max(share, 1e-4) / Math.max(1 - share, 1e-4))
  return PLACES.map((place) => 1 / (1 + Math.exp(-SHARP * (odds(chance) - odds(place)))))
}

/** A trip check as it stands in a house whose earlier trials are known. */
function racedIn(link: Link, prediction: Prediction): Prediction {
  const { race } = link
  if (!race || !prediction.some((component) => component.race)) return prediction
  const chance = tripChance(prediction)
  const total = logSum(race)
  const now = opensAt(chance).reduce((sum, opens, place) => sum + opens * Math.exp(race[place] - total), 0)
  return prediction.map((component): Component => {
    const share = isTrip(component) ? now / Math.max(chance, 1e-9) : (1 - now) / Math.max(1 - chance, 1e-9)
    // What is left beside a sure trip is nothing, and never less.
    return { ...component, weight: component.weight * Math.max(0, share) }
  })
}

const isTrip = ({ at }: Component): boolean => typeof at !== 'number' && openedBy(at) !== null
const tripChance = (prediction: Prediction): number =>
  prediction.reduce((sum, component) => sum + (isTrip(component) ? component.weight : 0), 0)

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
/** A reading that leans on the house by less than this teaches nothing of it. */
const TEACHES = modelValue({ value: 0.02, unit: 'share of its variance', source: 'assumption' })

/** Where a centre stands in a house of which the chain knows so much, and how much of it is still not known. */
export function expectedIn(link: Link, at: number, leans: readonly Lean[] | undefined): { at: number; variance: number } {
  if (!leans || leans.length === 0) return { at, variance: 0 }
  let variance = 0
  for (let lean = 0; lean < leans.length; lean++) variance += leans[lean].by ** 2
  let mean = at
  for (let lesson = link.lessons; lesson; lesson = lesson.before) {
    const { gain, off } = lesson
    let along = 0
    for (let lean = 0; lean < leans.length; lean++) along += gain[leans[lean].cause] * leans[lean].by
    mean += along * off
    variance -= along * along
  }
  return { at: mean, variance: Math.max(0, variance) }
}

/** What of a lean is no straight line. */
const BENT = modelValue({ value: 0.15, unit: 'share of the lean', source: 'assumption, held against brute force (`chain.test.ts`)' })

/** Square of a reading's own width: the meter and the hand, and what a straight line leaves out. */
function widthOf({ sigma, leans = [] }: Component): number {
  let square = sigma * sigma
  for (const { by } of leans) square += (BENT * by) ** 2
  return square
}

/** A prediction as it stands in a house of which the chain knows so much: centres moved, widths with what is still not known. */
export function predictionIn(link: Link, prediction: Prediction): Prediction {
  let moves = false
  for (const { race, leans } of prediction) {
    if (race) return racedIn(link, prediction)
    if (leans && leans.length > 0) moves = true
  }
  return moves ? prediction.map((component) => componentIn(link, component)) : prediction
}

function componentIn(link: Link, component: Component): Component {
  if (typeof component.at !== 'number' || !component.leans) return component
  const { at, variance } = expectedIn(link, component.at, component.leans)
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
  const ways = wayOn(link, prediction, reading, causes, times)
  if (link.doubt) ways.push(...wayOn(link.doubt, prediction, reading, causes, times))
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
function wayOn(link: Link, prediction: Prediction, reading: Reading, causes: number, times: number): Way[] {
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
  const race = times === 1 && prediction.some((component) => component.race) ? raceAfter(link, prediction, answer, wrong) : link.race
  const run = runAfter(link, bench, shows, (share) => (1 - wrong) * share + wrong * anything, sound, shown)
  const learnt = isBelieved ? learn(link, prediction[best], expected[best], answer, scale, causes) : null
  const away = misfit(answer, expected, scale)
  if (run && times === 1) return [wayOf(link, run.before + logOfRun(run), race, run, learnt, away)]
  const isDoubted = learnt !== null && times === 1 && wrong * anything > DOUBTED * chance
  if (!isDoubted) return [wayOf(link, link.own + times * Math.log(chance), race, null, learnt, away)]
  return [
    wayOf(link, link.own + Math.log((1 - wrong) * sound), race, null, learnt, away),
    wayOf(link, link.own + Math.log(wrong * anything), race, null, null, Math.max(away, WRONG_BY)),
  ]
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

/** What a trial of the protection says of the house's place in the race. */
function raceAfter(link: Link, prediction: Prediction, answer: Answer, wrong: number): readonly number[] {
  const before = link.race ?? PLACES.map(() => 0)
  const isOpened = openedBy(answer) !== null
  return opensAt(tripChance(prediction)).map(
    (opens, place) => before[place] + Math.log((1 - wrong) * (isOpened ? opens : 1 - opens) + wrong / 2),
  )
}

/** The run that a reading goes on or begins; null for a hypothesis that never hides on this bench. */
function runAfter(
  { own, run }: Link,
  bench: string,
  shows: number,
  chanceOf: (share: number) => number,
  sound: number,
  shown: number,
): Run | null {
  const goesOn = run?.bench === bench ? run : null
  // A reading that is the same whether it shows or hides leaves both as likely as before.
  if (shows <= 0 || shows >= 1) {
    if (!goesOn) return null
    const both = Math.log(chanceOf(sound))
    return { ...goesOn, shown: goesOn.shown + both, hidden: goesOn.hidden + both }
  }
  const started = goesOn ?? { bench, before: own, shown: 0, hidden: 0, shows }
  return {
    ...started,
    shown: started.shown + Math.log(chanceOf(shown / shows)),
    hidden: started.hidden + Math.log(chanceOf((sound - shown) / (1 - shows))),
  }
}

const logOfRun = ({ shown, hidden, shows }: Run): number => logSum([Math.log(shows) + shown, Math.log(1 - shows) + hidden])

function learn(link: Link, told: Component, expected: Component, answer: Answer, scale: Scale, causes: number): Lesson | null {
  if (typeof told.at !== 'number' || typeof expected.at !== 'number' || told.floating || !told.leans || told.leans.length === 0) return null
  const read = readOn(answer, scale)
  if (read === null) return null
  const unknown = expected.sigma ** 2 - widthOf(told)
  const variance = expected.sigma ** 2 + read.variance
  if (unknown < TEACHES * variance) return null
  // P J, along the chain: what of the leans is not known yet.
  const gain = new Float64Array(causes)
  for (const { cause, by } of told.leans) gain[cause] += by
  for (let lesson = link.lessons; lesson; lesson = lesson.before) {
    const known = lesson.gain
    let along = 0
    for (const { cause, by } of told.leans) along += known[cause] * by
    if (along !== 0) for (let cause = 0; cause < causes; cause++) gain[cause] -= along * known[cause]
  }
  const width = Math.sqrt(variance)
  for (let cause = 0; cause < causes; cause++) gain[cause] /= width
  return { gain, off: (read.at - expected.at) / width, before: link.lessons }
}

/** A number, or the middle of a band, on the scale. */
function readOn(answer: Answer, scale: Scale): { at: number; variance: number } | null {
  if (answer === 'OL' || scale === 'word') return null
  const onScale = (value: number) => (scale === 'ohms' ? Math.log(Math.max(0, value) + 0.7) : value)
  if (typeof answer === 'number') return { at: onScale(answer), variance: 0 }
  if ('word' in answer) return null
  const [low, high] = [onScale(answer.low), onScale(answer.high)]
  return { at: (low + high) / 2, variance: (high - low) ** 2 / 12 }
}

/** What the chain knows of a cause: its mean and standard deviation, in units of its spread. */
export function knownOf(link: Link, cause: number): { mean: number; sigma: number } {
  const { at, variance } = expectedIn(link, 0, [{ cause, by: 1 }])
  return { mean: at, sigma: Math.sqrt(variance) }
}

/** The links of a chain, the first reading's first. */
export function linksOf(link: Link): Link[] {
  const links: Link[] = []
  for (let one: Link | null = link; one?.before; one = one.before) links.push(one)
  return links.reverse()
}
