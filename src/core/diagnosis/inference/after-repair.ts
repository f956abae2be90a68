import type { Engine } from '@/src/core/diagnosis/engine'
import { degrees, inDegree, isGraded, type WiringKind } from '@/src/core/diagnosis/hypotheses/houses'
import { houseOf } from '@/src/core/diagnosis/likelihood/by-house'
import { type Link, UNREAD, weighNext } from '@/src/core/diagnosis/likelihood/chain'
import { countCauses } from '@/src/core/diagnosis/likelihood/one-reading'
import { readingOf } from '@/src/core/diagnosis/likelihood/reading'
import { foundIn, type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { latestAnswers, type Observation, observationKey } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import { isAlike, type Prediction } from '@/src/core/readings/prediction'
import { LruCache, Memo } from '@/src/core/units/cache'
import { logSum } from '@/src/core/units/log-sum'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/**
 * What the readings from before a repair say about a second fault: for each hypothesis X and each kind of wiring the log likelihood
 * of those readings in a house of that kind that had both the mended fault and X (kind after kind, hypothesis after hypothesis). Nothing
 * that was measured is thrown away by mending the first thing found.
 */
export function saidBefore(engine: Engine, repaired: string, before: readonly Observation[]): Float64Array {
  const kinds = engine.kinds.length
  const said = new Float64Array(engine.hypotheses.length * kinds)
  const observations = latestAnswers(before)
  const key = `${repaired}: ${observations.map(observationKey).join('; ')}`
  const ofHypothesis = keptOf.of(engine.laboratory).get(key, () => besideMended(engine, repaired, observations))
  for (const [place, hypothesis] of engine.hypotheses.entries()) said.set(ofHypothesis.of(hypothesis), place * kinds)
  return said
}
const MOST_KEPT = workLimit(8)
/** By the laboratory: an engine that weighs pairs, too, has it from the engine of the singles, and what was worked out for those. */
const keptOf = new Memo((_: Laboratory) => new LruCache<string, Memo<Hypothesis, Float64Array>>(MOST_KEPT))

/** What the readings say of each hypothesis beside the mended fault, kind after kind. */
function besideMended(engine: Engine, repaired: string, observations: readonly Observation[]): Memo<Hypothesis, Float64Array> {
  const forms = formsOf(engine, repaired, observations)
  const chosen = chooseForms(forms)
  if (chosen.length === 0) return new Memo(() => new Float64Array(engine.kinds.length))
  const explained = chosen.map((form) => ({ ...form, beside: explainedBy(engine, observations, form) }))
  // A kind of which no form is weighed stands as far behind the likeliest one as it does without a second fault.
  const behind = engine.kinds.map((_, kind) => bestOf(forms, kind) - bestOf(forms, chosen[0].kind))
  return new Memo((second: Hypothesis) => {
    const ofKind = new Map<number, number[]>()
    for (const { kind, logShare, beside } of explained) ofKind.set(kind, [...(ofKind.get(kind) ?? []), logShare + beside(second)])
    const likeliest = logSum(ofKind.get(chosen[0].kind) ?? [])
    return Float64Array.from(behind, (less, kind) => {
      const logs = ofKind.get(kind)
      return logs ? logSum(logs) : likeliest + less
    })
  })
}

/** log of how well a mended fault and a second one beside it explain all readings together, over the degrees of the second. */
function explainedBy(engine: Engine, observations: readonly Observation[], form: Form): (second: Hypothesis) => number {
  const { laboratory, system, kinds } = engine
  const causes = countCauses(laboratory)
  const readings = observations.map((observation) => readingOf(system, observation))
  const beside = (second: Hypothesis) => withMended(form.mended, second, kinds[form.kind])
  const foretell = (both: Hypothesis, row: number, leaning: boolean): Prediction =>
    predict(laboratory, observations[row].bench, both, observations[row].probe, leaning)
  const mendedAlone = beside(healthy)
  const alone = observations.map((_, row) => foretell(mendedAlone, row, true))
  const chain: Link[] = []
  for (const [row, prediction] of alone.entries()) chain.push(weighNext(chain[row - 1] ?? UNREAD, prediction, readings[row], causes))
  return (second) => {
    // Most second faults change nothing in most readings, whatever their degree: up to the first that they change one chain serves all.
    const both = beside(second)
    const shows = alone.map((prediction, row) => !isAlike(foretell(both, row, false), prediction))
    const first = shows.indexOf(true)
    if (first < 0) return chain.at(-1)?.log ?? 0
    const grades = isGraded(second)
      ? degrees.map(({ weight }, degree) => ({ weight, hypothesis: beside(inDegree(second, degree)) }))
      : [{ weight: 1, hypothesis: both }]
    return logSum(
      grades.map(({ weight, hypothesis }) => {
        let link = chain[first - 1] ?? UNREAD
        for (let row = first; row < readings.length; row++)
          link = weighNext(link, shows[row] ? foretell(hypothesis, row, true) : alone[row], readings[row], causes)
        return Math.log(weight) + link.log
      }),
    )
  }
}

/** The mended fault in one of its forms and degrees, in a house of one kind of wiring. */
interface Form {
  readonly mended: Hypothesis
  readonly kind: number
  /** log of how often this form is met. */
  readonly logShare: number
  /** log of how well it explains the readings by itself in this kind of house. */
  readonly fits: number
  /** The same, and how often a house is of this kind: what they are sorted by. */
  readonly rank: number
}

/** Forms of the mended fault that are weighed: which of them it was is not known, only that it is mended. */
const MOST_FORMS = workLimit(4)
/** A form of the repaired fault this far behind the likeliest is not weighed. */
const FAR_BEHIND = modelValue({ value: 6, unit: 'natural logarithm', source: 'assumption' })

/** Every form of the mended fault in every house that it may be, the likeliest first; none when it is none of this system's. */
function formsOf(engine: Engine, repaired: string, observations: readonly Observation[]): Form[] {
  const { houses, hypotheses, kinds, rates } = engine
  const { links, of } = engine.store.chains(observations)
  const mended = [...hypotheses.keys()].filter((index) => hypotheses[index].fault?.id === repaired)
  return mended
    .flatMap((index) =>
      kinds.flatMap(({ weight }, kind) =>
        Array.from({ length: houses.degrees[index] }, (_, degree): Form => {
          const logShare = Math.log(rates[index] * (houses.degrees[index] === 1 ? 1 : degrees[degree].weight))
          const fits = logShare + links[of[houseOf(houses, index, kind, degree)]].log
          return { mended: inDegree(hypotheses[index], degree), kind, logShare, fits, rank: fits + Math.log(weight) }
        }),
      ),
    )
    .sort((a, b) => b.rank - a.rank)
}

/** The likeliest ones, and in any case one of a house that is wired as drawn: what seems to speak for another kind may be the second fault. */
function chooseForms(forms: readonly Form[]): Form[] {
  const asDrawn = forms.find(({ kind }) => kind === 0)
  if (!asDrawn) return []
  const others = forms.filter((form) => form !== asDrawn && form.rank > forms[0].rank - FAR_BEHIND).slice(0, MOST_FORMS - 1)
  return forms.filter((form) => form === asDrawn || others.includes(form))
}

const bestOf = (forms: readonly Form[], kind: number): number =>
  forms.reduce((best, form) => (form.kind === kind ? Math.max(best, form.fits) : best), Number.NEGATIVE_INFINITY)

const withMended = (mended: Hypothesis, second: Hypothesis, { wiring }: WiringKind): Hypothesis => ({
  ...second,
  id: `${mended.id} and then ${second.id}`,
  effects: [...mended.effects, ...second.effects],
  wiring,
  ...foundIn(mended, second),
})
