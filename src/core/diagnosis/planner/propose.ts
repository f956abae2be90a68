import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { assess } from '@/src/core/diagnosis/inference/assessment'
import { standsAgainst } from '@/src/core/diagnosis/inference/contradiction'
import { countingAsSound, endSearch, hasAskedEnough, soundOnceAllRan, soundShare } from '@/src/core/diagnosis/inference/ending'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { type Evidence, entropyOfRepair, evenly, type Posterior } from '@/src/core/diagnosis/inference/posterior'
import { wasSeen } from '@/src/core/diagnosis/inference/seen'
import { listSuspects, NOTHING_WRONG, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import {
  isCauseOpen,
  judgeGroup,
  leadingGroup,
  namesRepair,
  neverSeen,
  stillTold,
  type Verdict,
} from '@/src/core/diagnosis/inference/verdict'
import { askAgain, lookAgain, seenAmiss, speaksOfTrouble, takeAgain, whileItShows } from '@/src/core/diagnosis/planner/again'
import { apartFirst } from '@/src/core/diagnosis/planner/apart-first'
import { causeOfBurn } from '@/src/core/diagnosis/planner/burn-cause'
import { firstMove } from '@/src/core/diagnosis/planner/first-moves'
import { heatPrice } from '@/src/core/diagnosis/planner/heat'
import { holdTheCall } from '@/src/core/diagnosis/planner/held-call'
import { CLAMPED_FIRST, loadOnCall } from '@/src/core/diagnosis/planner/load-on-call'
import { lookAtEnds } from '@/src/core/diagnosis/planner/look-at-ends'
import { type Check, type Choice, findNextCheck, rankChecks, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { hasUnmadeCall, isLookAtWork, nextProof, nextReproduction } from '@/src/core/diagnosis/planner/proof'
import { separatingCheck, widened } from '@/src/core/diagnosis/planner/separate'
import { supplyUnderCall } from '@/src/core/diagnosis/planner/supply-under-call'
import { hotToMetal } from '@/src/core/diagnosis/planner/to-metal'
import { nextOfWay } from '@/src/core/diagnosis/planner/way-steps'
import { type WayOfWorking, waysOfWorking } from '@/src/core/job/ways'
import { openedBy, type Probe, probeKey } from '@/src/core/readings/check'
import { wiringOf } from '@/src/core/readings/look-target'
import { latestAnswers } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import { firstPart } from '@/src/core/wiring/system'

/** The check worth most, and the verdict once nothing is left to ask. */
export interface Proposal {
  readonly next: Check | null
  readonly verdict: Verdict | null
  /** A repair stands out already, but hangs on one reading: the next check is there to confirm it. */
  readonly confirms: boolean
}

/** A sound house is likelier than not. */
const LOOKS_SOUND = modelValue({ value: 0.5, unit: 'probability', source: 'assumption' })

/** One step of the search: a verdict that stands, or the check to take next from a bench. */
export function propose(base: Engine, evidence: Evidence, bench: Bench, choice: Choice = {}): Proposal {
  const weighed = weigh(base, evidence)
  const { engine, posterior } = weighed
  const { suspects, verdict: found, inDoubt, hangsOn, doubted, planned } = assess(weighed)
  const ask = (next: Check, confirms: boolean): Proposal => ({ next, verdict: null, confirms })
  const end = (said: Verdict): Proposal => ({
    next: null,
    verdict: stillTold(neverSeen(said, suspects[0], evidence.complaint), suspects, evidence.complaint),
    confirms: false,
  })
  const smelt = powerOffFirst(engine, posterior, evidence, bench, choice)
  if (smelt) return ask(smelt, false)
  const supply = supplyUnderCall(engine, posterior, evidence, bench, choice)
  if (supply) return ask(supply, false)
  const nextCall = () => nextProof(engine, posterior, evidence, bench, choice)
  if (hasAskedEnough(evidence, suspects, showsNow(engine, evidence, bench))) return end(found ?? endSearch(engine, posterior, suspects))
  // Of a transformer that one of several things burned out, that thing is searched for: without it the next one follows.
  const seeksCause = namesRepair(found) && isCauseOpen(suspects, found)
  if (found && found.found !== 'nothing-wrong') {
    const again = askAgain(engine, evidence, posterior, bench, suspects[0], choice)
    if (again) return ask(again, true)
    const wide = widened(engine, evidence, posterior)
    const cause = namesRepair(found) ? causeOfBurn(engine, evidence, wide, bench, found, choice) : null
    if (cause) return ask(cause, true)
    const confirming = confirm(engine, evidence, posterior, bench, found, choice)
    if (confirming) return ask(apartFirst(engine, evidence, wide, suspects, bench, confirming, choice), true)
    if (!seeksCause) return end(found)
  }
  const verdict = found?.found === 'nothing-wrong' ? found : null
  // With nothing told and nothing seen, or where all looks sound, the house is run through its calls: that has to be seen in any case.
  const looksSound = soundShare(suspects) > LOOKS_SOUND || (suspects[0].id === NOTHING_WRONG && soundOnceAllRan(suspects) !== null)
  const isOwnWay = choice.way !== undefined && choice.way !== 'free'
  const second =
    lookAgain(engine, evidence, posterior, bench, choice) ??
    (isOwnWay ? null : takeAgain(engine, evidence, posterior, bench, standsAgainst(engine, evidence), choice))
  if (second) return ask(second, false)
  const mayCall = !isOwnWay && showsNothing(engine, evidence)
  if (verdict || looksSound || mayCall) {
    const metal = hotToMetal(engine, posterior, evidence, bench, choice)
    if (metal) return ask(metal, looksSound)
    const load = loadOnCall(engine, posterior, evidence, bench, choice)
    if (load) return ask(load, looksSound)
    const call = nextCall()
    // Where nothing would open on a short, no call is made before its ohms are known.
    if (call && (verdict || looksSound || heatPrice(engine, posterior, evidence.observations)(call.bench) <= CALL_MAY_COST))
      return ask(call, looksSound)
    const sound = call || hasTripped(evidence) || hasUnmadeCall(engine, evidence) ? null : (verdict ?? soundOnceAllRan(suspects))
    // A house is not called sound beside something seen that a sound house does not do: that is looked at again, and else searched for.
    const seen = sound ? seenAmiss(engine, evidence.observations) : []
    const again = takeAgain(
      engine,
      evidence,
      posterior,
      bench,
      seen.map(({ id }) => id),
      choice,
    )
    if (again) return ask(again, true)
    if (sound && seen.length === 0) {
      const held = holdTheCall(engine, posterior, evidence, bench, choice)
      if (held) return ask(held, true)
      // What a call-back costs is worth a few cheap checks more, and no second search.
      if (sinceLastLook(engine, evidence) >= MOST_DOUBTS) return end(sound)
      const doubts = countingAsSound(engine, posterior)
      const pricing = { stakes: CALL_BACK_MINUTES, bother: engine.cost.attention }
      const [doubt] = rankChecks(engine, doubts, bench, evidence.observations, { ...choice, ...pricing, way: 'free' }, 1)
      return doubt ? ask(doubt, true) : end(sound)
    }
  }
  const unsplit = inDoubt ? null : nothingSplits(engine, posterior, suspects, bench, evidence, choice)
  if (unsplit) {
    // Where one of them is a sound house, its calls have to be seen first.
    const hasSound = unsplit.some(({ id }) => id === NOTHING_WRONG)
    const call = hasSound ? nextCall() : null
    if (call) return ask(call, true)
    const mayBeSound = hasSound && !hasTripped(evidence) && !hasUnmadeCall(engine, evidence)
    const said = (mayBeSound ? soundOnceAllRan(suspects) : null) ?? judgeGroup(unsplit)
    if (said) {
      // What burned out a transformer is read by itself before it is named as that.
      const apart = namesRepair(said) && said.also ? separatingCheck(engine, evidence, posterior, bench, said, choice) : null
      const last = apart ?? (namesRepair(said) ? lookAtEnds(engine, evidence, posterior, bench, said, choice) : null)
      return last ? ask(last, true) : end(said)
    }
  }
  const shown = isOwnWay ? null : whileItShows(engine, evidence, posterior, bench, choice)
  if (shown) return ask(shown, inDoubt !== null)
  const load = isOwnWay ? null : loadOnCall(engine, posterior, evidence, bench, choice, CLAMPED_FIRST)
  if (load) return ask(load, false)
  // The first moves are over once a repair stands out.
  const routine = isOwnWay ? ownStep : inDoubt === null && !seeksCause ? firstMove : null
  const first = routine?.(engine, evidence, planned, bench, choice)
  if (first) return ask(first, false)
  // What is read for the cause of a burned-out transformer is read in any case, and tells whether it is burned out, too.
  const cause = doubted ? causeOfBurn(engine, evidence, widened(engine, evidence, posterior), bench, doubted, choice) : null
  if (cause) return ask(cause, true)
  const next = findNextCheck(engine, planned, bench, evidence.observations, choice)
  const apart = next && !isOwnWay ? apartFirst(engine, evidence, planned, suspects, bench, next, choice) : next
  // The one reading that a repair hangs on is taken again where nothing else tells as much for its minutes.
  const again = hangsOn === null ? null : takeAgain(engine, evidence, planned, bench, [hangsOn], choice)
  const rate = ({ gainBits, minutes }: Check) => gainBits / (minutes + engine.cost.attention)
  if (again && (apart === null || rate(again) > rate(apart))) return ask(again, true)
  if (apart) return ask(apart, inDoubt !== null)
  // What hangs on one reading is as likely as that reading is to be believed: both ways of it are told.
  const both = inDoubt ? evenly(posterior, inDoubt) : posterior
  const last = endSearch(engine, both, inDoubt ? listSuspects(engine, evidence, both, 1) : suspects)
  const closing = last.found === 'nothing-wrong' ? nextCall() : confirm(engine, evidence, both, bench, last, choice)
  return closing ? ask(closing, true) : end(last)
}

/** What the chosen way of working asks by the book, whatever else would tell more: it is left by a tap. */
function ownStep(
  engine: Engine,
  { observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  { way = 'free', skipped = [] }: Choice,
): Check | null {
  const step = nextOfWay(engine.system, bench, way, observations)
  if (!step || skipped.some((known) => probeKey(known) === probeKey(step.probe))) return null
  return weighQuestion(engine, posterior, observations, bench, step.bench, step.probe, step.place)
}

/** The call on which it was last seen that something does not do what was called is still on. */
function showsNow(engine: Engine, { observations }: Evidence, { power, call }: Bench): boolean {
  const last = observations.findLast((one) => isLookAtWork(engine, one))
  return last !== undefined && power && last.bench.power && last.bench.call === call && speaksOfTrouble(engine, last)
}

/** Something opened the protection since the last repair: no house is sound beside that. */
const hasTripped = ({ observations }: Evidence): boolean =>
  observations.some(({ probe, answer }) => probe.meter === 'trip' && openedBy(answer) !== null)

/** Smell, heat, smoke: the power goes off before anything else, and what is scorched is looked for. */
function powerOffFirst(
  engine: Engine,
  posterior: Posterior,
  { complaint, observations }: Evidence,
  bench: Bench,
  { skipped = [] }: Choice,
): Check | null {
  if (!complaint.symptoms.includes('smell') || observations.length > 0) return null
  const { place } = firstPart(engine.system, 'transformer')
  const probe: Probe = { meter: 'look', at: wiringOf(place) }
  if (skipped.some((known) => probeKey(known) === probeKey(probe))) return null
  return weighQuestion(engine, posterior, observations, bench, { ...bench, power: false, call: 'off' }, probe, place)
}

/** Nothing that was told or read speaks of trouble: a sound house explains each reading better than chance. */
const showsNothing = (engine: Engine, { complaint, observations }: Evidence): boolean =>
  complaint.symptoms.length + complaint.codes.length === 0 &&
  latestAnswers(observations).every((observation) => !speaksOfTrouble(engine, observation))

/** The suspects that hold 95 % between them, when no check worth its minutes tells one of them from another. */
function nothingSplits(
  engine: Engine,
  posterior: Posterior,
  suspects: readonly Suspect[],
  bench: Bench,
  { observations }: Evidence,
  choice: Choice,
): Suspect[] | null {
  const group = leadingGroup(suspects)
  if (!group) return null
  const ids = new Set(group.map(({ id }) => id))
  const total = group.reduce((sum, { probability }) => sum + probability, 0)
  const among = posterior.hypotheses.map((probability, index) =>
    ids.has(engine.hypotheses[index].fault?.id ?? NOTHING_WRONG) ? probability / total : 0,
  )
  const only = { ...posterior, hypotheses: among, noneOfThese: 0 }
  return findNextCheck(engine, only, bench, observations, { ...choice, way: 'free' }) ? null : group
}

/** Checks that are asked in doubt once every call was seen to run. */
const MOST_DOUBTS = modelValue({ value: 3, unit: 'checks', source: 'assumption' })

/** How many checks were taken since the last look at what a call does. */
const sinceLastLook = (engine: Engine, { observations }: Evidence): number =>
  observations.length - 1 - observations.findLastIndex((one) => isLookAtWork(engine, one))

/** What a house called sound costs that is not, when it showed on no call. */
const CALL_BACK_MINUTES = modelValue({ value: 30, unit: 'minutes', source: 'assumption' })

/** A call whose short would burn out a transformer that nothing protects is made for no more than this. */
const CALL_MAY_COST = modelValue({ value: 3, unit: 'minutes at its odds', source: 'assumption' })

/** A wrong part fitted, and the way back to the house. */
const WRONG_REPAIR_MINUTES = modelValue({ value: 120, unit: 'minutes', source: 'assumption' })

/** Before a part is condemned: what is still worth its minutes, the call of the complaint, the ends of its wires, the check that separates. */
function confirm(
  engine: Engine,
  evidence: Evidence,
  posterior: Posterior,
  bench: Bench,
  verdict: Exclude<Verdict, { found: 'nothing-wrong' }>,
  choice: Choice,
): Check | null {
  // A wire that hangs off its screw is put on it, and the call is run: that is the proof.
  if (namesRepair(verdict) && wasSeen(engine, evidence, verdict)) return null
  const [check] = rankChecks(engine, posterior, bench, evidence.observations, { ...choice, way: 'free', stakes: WRONG_REPAIR_MINUTES }, 1)
  return (
    check ??
    reproduce(engine, evidence, posterior, bench, choice) ??
    (namesRepair(verdict)
      ? (separatingCheck(engine, evidence, posterior, bench, verdict, choice) ??
        lookAtEnds(engine, evidence, posterior, bench, verdict, choice))
      : null)
  )
}

/** The complaint made to show, unless what is known by now would burn out the transformer on that call. */
function reproduce(engine: Engine, evidence: Evidence, posterior: Posterior, bench: Bench, choice: Choice): Check | null {
  const check = nextReproduction(engine, widened(engine, evidence, posterior), evidence, bench, choice)
  return check && heatPrice(engine, posterior, evidence.observations)(check.bench) <= CALL_MAY_COST ? check : null
}

/** The checks that come closest to the proposed one, best first: what it was weighed against. */
export function runnersUp(base: Engine, evidence: Evidence, bench: Bench, choice: Choice): Check[] {
  const { engine, posterior } = weigh(base, evidence)
  return rankChecks(engine, posterior, bench, evidence.observations, choice, RUNNERS_UP)
}
const RUNNERS_UP = workLimit(5)

/** What a way of working would ask now, and what the search would take at that pace. */
export interface WayPrice {
  readonly way: WayOfWorking
  readonly next: Check | null
  /** Minutes to the repair if every further check told as much per minute as this one; null when it has nothing to ask. */
  readonly minutesLeft: number | null
}

/** The ways of working side by side, each with its own next check on the same state. */
export function priceWays(base: Engine, evidence: Evidence, bench: Bench, skipped: readonly Probe[]): WayPrice[] {
  const { engine, posterior } = weigh(base, evidence)
  const bits = entropyOfRepair(engine, posterior)
  return waysOfWorking.map((way) => {
    const choice = { skipped, way }
    const byTheBook = ownStep(engine, evidence, posterior, bench, choice)
    const worthMost = findNextCheck(engine, posterior, bench, evidence.observations, choice)
    const next = byTheBook ?? worthMost
    // A step by the book may tell little by itself and open the way to the next: the better pace of the two is the way's own.
    const rates = [byTheBook, worthMost].map((check) => (check ? check.gainBits / (check.minutes + engine.cost.attention) : 0))
    return { way, next, minutesLeft: next ? bits / Math.max(...rates) : null }
  })
}
