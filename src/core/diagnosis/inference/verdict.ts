import type { Engine } from '@/src/core/diagnosis/engine'
import { type Evidence, type Posterior, posteriorsWithout } from '@/src/core/diagnosis/inference/posterior'
import { FORGIVEN, NONE_OF_THESE, NOTHING_WRONG, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import { faultFamilies } from '@/src/core/faults/families'
import { familiesOfId, type Repair, singlesOf } from '@/src/core/faults/fault'
import type { Complaint } from '@/src/core/job/complaint'
import { isPlainToSee } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'

/** One repair, or nothing, holds this much before it is called found. */
export const FOUND = modelValue({ value: 0.95, unit: 'probability', source: 'engine.md section 9' })

/** After a repair a sound house must be surer than that: a second fault behind the first is what brings a technician back. */
const SOUND_AFTER_REPAIR = modelValue({ value: 0.995, unit: 'probability', source: 'assumption' })

/** With only faults that hide beside it, a sound house must still hold this much by itself. */
const SOUND_BESIDE_HIDING = modelValue({ value: 0.88, unit: 'probability', source: 'assumption' })

interface Found {
  readonly repair: Repair
  readonly zone: string
  readonly probability: number
  readonly suspects: readonly string[]
  /** A second repair that is found as well: two faults at once. */
  readonly also: { readonly repair: Repair; readonly zone: string; readonly probability: number } | null
}

export type Verdict =
  | ({ readonly found: 'repair' } & Found)
  /** No check at hand splits these any further: look at the place with your own eyes. */
  | ({ readonly found: 'group' } & Found)
  /** It shows now and then: what to do until it shows again. */
  | ({ readonly found: 'comes-and-goes' } & Found)
  /** No known fault explains the readings: the section that it sits in, and the known ones that come nearest. */
  | { readonly found: 'none-of-these'; readonly zone: string | null; readonly probability: number; readonly suspects: readonly string[] }
  | { readonly found: 'nothing-wrong'; readonly probability: number; readonly suspects: readonly string[] }

/** A verdict that names an act of repair, sure or not. */
export type RepairVerdict = Extract<Verdict, { readonly repair: Repair }>
export const namesRepair = (verdict: Verdict | null): verdict is RepairVerdict => verdict !== null && 'repair' in verdict

/** The acts that mend a suspect's hypothesis: one, or one for each of two faults. */
export const actsOf = ({ parts, repair, zone }: Suspect): { repair: Repair; zone: string }[] =>
  parts.length > 0 ? parts.map((part) => ({ repair: part.repair, zone: part.zone })) : repair && zone !== null ? [{ repair, zone }] : []

/**
 * Found, or not yet (null). One repair must hold 95 % and its leading suspect must fit every reading but one at the most;
 * `exhausted` says that no check is left that would tell more.
 */
export function reachVerdict(suspects: readonly Suspect[], exhausted: boolean, soundAt = FOUND): Verdict | null {
  const lead = suspects[0]
  if (!lead || lead.id === NONE_OF_THESE || lead.misfits > FORGIVEN) return null
  if (lead.id === NOTHING_WRONG)
    // Faults that may hide now cannot be asked away: beside those alone a sound house is said to be sound, with its honest figure.
    return lead.probability + unsteadyMass(suspects) >= (exhausted ? FOUND : soundAt) &&
      (exhausted || lead.probability >= SOUND_BESIDE_HIDING)
      ? { found: 'nothing-wrong', probability: lead.probability, suspects: [lead.id] }
      : null
  const held = actsOf(lead)
    .map((act) => ({ ...act, probability: massOf(suspects, act.repair.id) }))
    .sort((x, y) => y.probability - x.probability)
  const [first, second] = causeFirst(lead, held)
  if (!first) return null
  const { probability } = first
  // A fuse that blew for nothing that is there now: only faults that hide are left beside it.
  const isFuseOnly = exhausted && familiesOfId(lead.id).includes('fuse-only') && lead.probability + unsteadyMass(suspects) >= FOUND
  const sharing = suspects.filter((suspect) => actsOf(suspect).some(({ repair }) => repair.id === first.repair.id))
  // Burned out by one of several things: which of them is the repair, and the other follows.
  if (exhausted && !isFuseOnly && isCausedBy(sharing, first.repair) && (second?.probability ?? 0) < FOUND)
    return groupOf(suspects, causesFirst(suspects, first))
  if (probability >= FOUND || isFuseOnly)
    return {
      found: 'repair',
      ...first,
      suspects: sharing.filter((suspect) => suspect.probability > 0.001).map((suspect) => suspect.id),
      also: second && second.probability >= ALSO_FOUND ? second : null,
    }
  return exhausted ? groupOf(suspects, [first]) : null
}

type Act = { readonly repair: Repair; readonly zone: string; readonly probability: number }

/** The likeliest suspects that hold enough together, with the act of the first of those named, and what is needed besides. */
function groupOf(suspects: readonly Suspect[], [act, also]: readonly [Act, Act?]): Verdict {
  const group: string[] = []
  let mass = 0
  for (const suspect of suspects) {
    if (suspect.id === NONE_OF_THESE || mass >= FOUND) break
    group.push(suspect.id)
    mass += suspect.probability
  }
  return { found: 'group', ...act, suspects: group, also: also ?? null }
}

/** Of a burned-out transformer's suspects, those that hold what burned it out as well: as much as this, and one of them did. */
const MOSTLY_CAUSED = modelValue({ value: 0.5, unit: 'share', source: 'assumption' })
/** One cause among them holds this much: something was read of it. Before that, every call's circuit is ohmed in turn (`planner/burn-cause.ts`). */
const CAUSE_STANDS_OUT = modelValue({ value: 0.2, unit: 'share', source: 'assumption' })

/** A repair is of a burned-out transformer, most of what speaks for it holds what burned it out beside it, and one such cause stands out. */
function isCausedBy(sharing: readonly Suspect[], repair: Repair): boolean {
  const massOfAll = (some: readonly Suspect[]) => some.reduce((sum, { probability }) => sum + probability, 0)
  const all = massOfAll(sharing)
  const caused = sharing.flatMap((suspect) => {
    const cause = causeOf(suspect, repair)
    return cause ? [{ suspect, cause: cause.repair.id }] : []
  })
  const most = Math.max(0, ...caused.map(({ cause }) => massOf(sharing, cause)))
  return massOfAll(caused.map(({ suspect }) => suspect)) > MOSTLY_CAUSED * all && most > CAUSE_STANDS_OUT * all
}

/** A burned-out transformer is found, and of what burned it out it is known that it is there, but not yet which it is: a second one would follow the first. */
export function isCauseOpen(suspects: readonly Suspect[], { found, repair, also }: RepairVerdict): boolean {
  const sharing = suspects.filter((suspect) => actsOf(suspect).some((act) => act.repair.id === repair.id))
  return found === 'repair' && (also?.probability ?? 0) < FOUND && isCausedBy(sharing, repair)
}

/** What burned out the transformer that a repair is of, in a suspect of both. */
const causeOf = (suspect: Suspect, repair: Repair) =>
  isBurnedOut(suspect, repair)
    ? (suspect.parts.find(({ id }) => familiesOfId(id).some((family) => faultFamilies[family].burnsOutTransformers)) ?? null)
    : null

/** The likeliest of what may have burned it out, and the transformer after it. */
function causesFirst(suspects: readonly Suspect[], burned: Act): readonly [Act, Act?] {
  const [cause] = suspects.flatMap((suspect) => causeOf(suspect, burned.repair) ?? [])
  return cause ? [{ repair: cause.repair, zone: cause.zone, probability: massOf(suspects, cause.repair.id) }, burned] : [burned]
}

/** Of a short and the transformer that it burned out, as sure as each other, the short comes first: it is repaired before the other goes in. */
function causeFirst<A extends { readonly repair: Repair; readonly probability: number }>(lead: Suspect, held: readonly A[]): readonly A[] {
  const [first, second] = held
  const isClose = second !== undefined && first.probability - second.probability < AS_SURE
  return isClose && isBurnedOut(lead, first.repair) ? [second, first, ...held.slice(2)] : held
}
/** Two acts of one story differ by no more than this. */
const AS_SURE = modelValue({ value: 0.05, unit: 'probability', source: 'assumption' })

const isBurnedOut = ({ parts }: Suspect, { id }: Repair): boolean =>
  parts.some((part) => part.repair.id === id && familiesOfId(part.id).some((family) => faultFamilies[family].burnedOut))

/** More suspects than this are no place to look at, but a search that goes on. */
const MOST_IN_GROUP = modelValue({ value: 3, unit: 'suspects', source: 'assumption' })
/** One that holds less than this keeps nobody from the leader: other checks make that surer. */
const LEAST_IN_GROUP = modelValue({ value: 0.05, unit: 'probability', source: 'assumption' })

/** The few suspects that hold enough together to end a search, where no check splits them; null when they do not. */
export function leadingGroup(suspects: readonly Suspect[]): Suspect[] | null {
  const group: Suspect[] = []
  let mass = 0
  for (const suspect of suspects.slice(0, MOST_IN_GROUP)) {
    if (suspect.id === NONE_OF_THESE || suspect.probability < LEAST_IN_GROUP) return null
    group.push(suspect)
    mass += suspect.probability
    if (mass >= FOUND) return group.length > 1 ? group : null
  }
  return null
}

/** What is said of suspects that no check splits: a sound house is called so beside a little that shows nowhere; else the place to look at. */
export function judgeGroup(group: readonly Suspect[]): Verdict | null {
  const [lead] = group
  const suspects = group.map(({ id }) => id)
  if (lead.id === NOTHING_WRONG && lead.probability >= SOUND_BESIDE_HIDING)
    return { found: 'nothing-wrong', probability: lead.probability, suspects: [lead.id] }
  const held = group
    .flatMap((suspect) => actsOf(suspect))
    .map((act) => ({ ...act, probability: massOf(group, act.repair.id) }))
    .sort((x, y) => y.probability - x.probability)
  const [first] = held
  if (!first) return null
  const [act, also] = isCausedBy(group, first.repair) ? causesFirst(group, first) : ([first] as const)
  return { found: 'group', ...act, suspects, also: also ?? null }
}

/** A second fault is named beside the first when its repair holds this much. */
const ALSO_FOUND = modelValue({ value: 0.8, unit: 'probability', source: 'assumption' })

/**
 * Nobody has told of any trouble, and what is blamed for it hides: that is no repair but a thing to look for, however sure it seems. Nothing
 * is condemned that was never seen to do harm.
 */
export function neverSeen(said: Verdict, lead: Suspect, { symptoms, codes }: Complaint): Verdict {
  const isTold = symptoms.length + codes.length > 0
  return said.found === 'repair' && !isTold && lead.unsteady > lead.probability / 2 ? { ...said, found: 'comes-and-goes' } : said
}

/** Suspects that are told where to look for what comes and goes. */
const MOST_TO_LOOK_FOR = modelValue({ value: 6, unit: 'suspects', source: 'assumption' })

/**
 * Whoever has a fuse blow now and then is not told that nothing is wrong because it held while somebody watched, nor sent to what no fuse
 * minds; nor is whoever told of anything else, where what hides holds more than a sound house. Where nothing steady stands out, what hides
 * is named, the likeliest of it first.
 */
export function stillTold(said: Verdict, suspects: readonly Suspect[], { symptoms }: Complaint): Verdict {
  const isSound = said.found === 'nothing-wrong'
  const isOutweighed = isSound && symptoms.length > 0 && unsteadyMass(suspects) > said.probability
  const comesAndGoes = symptoms.includes('fuse-now-and-then') && (isSound || said.probability < STANDS_OUT)
  if (!isOutweighed && !comesAndGoes) return said
  const everyOne = suspects.filter((suspect) => actsOf(suspect).length > 0)
  const opening = comesAndGoes ? everyOne.filter(opensFuses) : []
  const mendable = opening.length > 0 ? opening : everyOne
  const hiding = mendable.filter(({ unsteady }) => unsteady > 0).sort((a, b) => b.unsteady - a.unsteady)
  const named = (hiding.length > 0 ? hiding : mendable).slice(0, MOST_TO_LOOK_FOR)
  const [lead] = named
  return lead
    ? { found: 'comes-and-goes', ...actsOf(lead)[0], probability: lead.probability, suspects: named.map(({ id }) => id), also: null }
    : said
}

/** It draws more than a fuse lets through. */
const opensFuses = ({ id }: Suspect): boolean =>
  familiesOfId(id).some((family) => faultFamilies[family].burnsOutTransformers || faultFamilies[family].setsCode === 'over-current')

/** What is steady and holds this much is told, whatever the customer said of now and then. */
const STANDS_OUT = modelValue({ value: 0.5, unit: 'probability', source: 'assumption' })

/** What a repair holds among some suspects. */
export const massOf = (suspects: readonly Suspect[], repair: string): number =>
  suspects.reduce((sum, suspect) => sum + (actsOf(suspect).some((act) => act.repair.id === repair) ? suspect.probability : 0), 0)

const unsteadyMass = (suspects: readonly Suspect[]): number => suspects.reduce((sum, suspect) => sum + suspect.unsteady, 0)

/**
 * Without any single reading the repair must still hold this much, or one more check is asked that confirms it: one reading in fifty is
 * plain wrong, and a verdict that hangs on one has no separating check behind it. Assumption.
 */
const STANDS_WITHOUT = modelValue({ value: 0.6, unit: 'probability', source: 'assumption' })

export interface Judgement {
  readonly verdict: Verdict | null
  /** What would be thought without the one reading that the verdict hangs on: it waits for a check that would stand without that reading. */
  readonly inDoubt: Posterior | null
  /** That reading. */
  readonly hangsOn: string | null
  /** The verdict that hangs on it. */
  readonly doubted: RepairVerdict | null
}

/**
 * The verdict of a search that goes on: as `reachVerdict`, but one that hangs on a single reading waits for a confirming
 * check, since one reading in fifty is plain wrong, and so is one look.
 */
export function judge(engine: Engine, evidence: Evidence, suspects: readonly Suspect[]): Judgement {
  const verdict = reachVerdict(suspects, false, evidence.repaired.length > 0 ? SOUND_AFTER_REPAIR : FOUND)
  if (verdict?.found !== 'repair') return { verdict, inDoubt: null, hangsOn: null, doubted: null }
  const sharing = [...engine.hypotheses.keys()].filter((index) => {
    const { fault } = engine.hypotheses[index]
    return fault !== null && singlesOf(fault).some(({ repair }) => repair.id === verdict.repair.id)
  })
  const hangs = (masses: Float64Array) => sharing.reduce((sum, index) => sum + masses[index], 0) < STANDS_WITHOUT
  // Readings of what comes and goes hang together, bench by bench: what one of them adds is no estimate of what is left without it.
  const [lead] = suspects
  const isWanted = lead.unsteady > lead.probability / 2 ? () => true : hangs
  // What was read twice and read alike is not plain wrong, nor what is plain to see.
  for (const { left, posterior } of posteriorsWithout(engine, evidence, (one) => !one.repeats && !isPlainToSee(one), isWanted))
    if (hangs(posterior.hypotheses)) return { verdict: null, inDoubt: posterior, hangsOn: left.id, doubted: verdict }
  return { verdict, inDoubt: null, hangsOn: null, doubted: null }
}
