import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { zoneProbabilities } from '@/src/core/diagnosis/inference/posterior'
import { NONE_OF_THESE, NOTHING_WRONG, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import { actsOf, FOUND, massOf, reachVerdict, type Verdict } from '@/src/core/diagnosis/inference/verdict'
import { faultFamilies } from '@/src/core/faults/families'
import { familiesOfId } from '@/src/core/faults/fault'
import { WRONG_READING } from '@/src/core/readings/likelihood'
import { modelValue } from '@/src/core/units/model-value'

/** A search ends by so many checks since the last repair, whatever it has found by then. */
export const MOST_CHECKS = modelValue({ value: 36, unit: 'checks', source: 'assumption' })
/** The same once nearly all speaks for what comes and goes: a reading that may miss it tells little, and the look for it begins. */
const MOST_UNSTEADY_CHECKS = modelValue({ value: 20, unit: 'checks', source: 'assumption' })
/** Nearly all speaks for what comes and goes above this. */
const ALL_UNSTEADY = modelValue({ value: 0.8, unit: 'probability', source: 'assumption' })

/** The same where the customer says that it comes and goes: the plan for that is worth more than the next reading. */
const MOST_CHECKS_NOW_AND_THEN = modelValue({ value: 11, unit: 'checks', source: 'assumption' })

/** Enough has been asked: the search ends with what it has. While what comes and goes shows, it is followed. */
export function hasAskedEnough({ complaint, observations }: Evidence, suspects: readonly Suspect[], showsNow = false): boolean {
  if (observations.length >= MOST_CHECKS) return true
  if (showsNow) return false
  const unsteady = suspects.reduce((sum, suspect) => sum + suspect.unsteady, 0)
  if (!complaint.symptoms.includes('fuse-now-and-then')) return observations.length >= MOST_UNSTEADY_CHECKS && unsteady > ALL_UNSTEADY
  // What was told is not there now: a house that looks sound, and what hides, are one then.
  const sound = suspects.find(({ id }) => id === NOTHING_WRONG)?.probability ?? 0
  const steady = Math.max(0, ...suspects.map((suspect) => (suspect.id === NOTHING_WRONG ? 0 : suspect.probability - suspect.unsteady)))
  return observations.length >= MOST_CHECKS_NOW_AND_THEN && sound + unsteady > steady
}

/**
 * Once every call was seen to run, a house is called sound when nothing else comes near it and it holds this much.
 * What is left then is many small doubts that show on no call: each is still looked into as far as a call-back would cost more than the
 * look (`propose`), and the figure said is what they leave. Assumptions.
 */
export const SOUND_ONCE_ALL_RAN = modelValue({ value: 0.25, unit: 'probability', source: 'assumption' })
/** Then it also holds so many times what the next suspect holds. */
const SOUND_LEADS_BY = modelValue({ value: 3, unit: 'times', source: 'assumption' })

/** Suspects that a group names at the most. */
const MOST_NAMED = modelValue({ value: 6, unit: 'suspects', source: 'assumption' })
/** Readings that the best hypothesis may leave unexplained before it is none of these: one may be plain wrong. */
const MOST_UNEXPLAINED = modelValue({ value: 1, unit: 'readings', source: 'assumption' })
/** What hides holds this much of the best suspect before it is said to come and go. */
const MOSTLY_UNSTEADY = modelValue({ value: 0.5, unit: 'share', source: 'assumption' })

/** What shows nowhere is named beside a sound house when it holds this much. */
const WORTH_NAMING = modelValue({ value: 0.02, unit: 'probability', source: 'assumption' })

/** What shows on no call. A house with all calls seen running is sound beside it. */
function showsNowhere({ id }: Suspect): boolean {
  const families = familiesOfId(id)
  return families.length > 0 && families.every((family) => faultFamilies[family].showsOnNoCall)
}

/** The same posterior with what shows nowhere counted as a sound house: nobody calls for it, and no call tells the two apart. */
export function countingAsSound(engine: Engine, posterior: Posterior): Posterior {
  const hypotheses = posterior.hypotheses.slice()
  for (const [index, { fault }] of engine.hypotheses.entries()) {
    if (!fault || !faultFamilies[fault.family].showsOnNoCall) continue
    hypotheses[0] += hypotheses[index]
    hypotheses[index] = 0
  }
  return { ...posterior, hypotheses }
}

/** How much of what is thought shows on no call: a sound house, and what nobody would miss. */
export const soundShare = (suspects: readonly Suspect[]): number =>
  suspects.reduce((sum, suspect) => sum + (suspect.id === NOTHING_WRONG || showsNowhere(suspect) ? suspect.probability : 0), 0)

/** What a sound house holds once all its calls were seen to run, with what could not show then; null below the bar. */
export function soundOnceAllRan(suspects: readonly Suspect[]): Verdict | null {
  const sound = suspects.find(({ id }) => id === NOTHING_WRONG)?.probability ?? 0
  const beside = suspects.reduce((sum, suspect) => sum + (showsNowhere(suspect) ? suspect.probability : 0), 0)
  const hidden = suspects.reduce((sum, { unsteady }) => sum + unsteady, 0)
  const nearest = suspects.find((suspect) => suspect.id !== NOTHING_WRONG && !showsNowhere(suspect))?.probability ?? 0
  if (sound + beside < SOUND_LEADS_BY * nearest || sound + beside + hidden < SOUND_ONCE_ALL_RAN) return null
  const named = suspects.filter((suspect) => showsNowhere(suspect) && suspect.probability > WORTH_NAMING).map(({ id }) => id)
  return { found: 'nothing-wrong', probability: sound + beside, suspects: [NOTHING_WRONG, ...named] }
}

/**
 * How a search ends that no check carries further, or that has asked enough: a repair, a group at one place, comes and goes, or none of
 * these with the section. Never nothing at all.
 */
export function endSearch(engine: Engine, posterior: Posterior, suspects: readonly Suspect[]): Verdict {
  const reached = reachVerdict(suspects, true)
  if (reached?.found === 'repair' || reached?.found === 'nothing-wrong') return reached
  const [lead] = suspects
  const known = suspects.filter(({ id }) => id !== NONE_OF_THESE)
  if (lead.id === NONE_OF_THESE || lead.misfits > MOST_UNEXPLAINED)
    return {
      found: 'none-of-these',
      zone: likeliestZone(engine, posterior),
      probability: Math.max(
        posterior.noneOfThese,
        lead.misfits > MOST_UNEXPLAINED ? 1 - chanceOfSoMany(lead.misfits, lead.evidence.length) : 0,
      ),
      suspects: known.slice(0, MOST_NAMED).map(({ id }) => id),
    }
  if (lead.id === NOTHING_WRONG) return { found: 'nothing-wrong', probability: lead.probability, suspects: [lead.id] }
  const named: Suspect[] = []
  let mass = 0
  for (const suspect of known.slice(0, MOST_NAMED)) {
    if (mass >= FOUND) break
    named.push(suspect)
    mass += suspect.probability
  }
  const [act] = actsOf(lead)
  const probability = massOf(suspects, act.repair.id)
  const found = { ...act, probability, suspects: named.map(({ id }) => id), also: null }
  return lead.unsteady > MOSTLY_UNSTEADY * lead.probability ? { found: 'comes-and-goes', ...found } : { found: 'group', ...found }
}

/** Nobody is surer than this that the world holds something of no list. */
const SUREST = modelValue({ value: 0.9, unit: 'probability', source: 'assumption' })

/** How often a true hypothesis would leave so many of its readings unexplained, each plain wrong by chance (binomial). */
function chanceOfSoMany(misfits: number, readings: number): number {
  let fewer = 0
  let term = (1 - WRONG_READING) ** readings
  for (let wrong = 0; wrong < misfits; wrong++) {
    fewer += term
    term *= ((readings - wrong) / (wrong + 1)) * (WRONG_READING / (1 - WRONG_READING))
  }
  return Math.max(1 - SUREST, 1 - fewer)
}

function likeliestZone(engine: Engine, { hypotheses }: Posterior): string | null {
  let zone: string | null = null
  let most = 0
  for (const [id, share] of zoneProbabilities(engine, hypotheses))
    if (share > most) {
      most = share
      zone = id
    }
  return zone
}
