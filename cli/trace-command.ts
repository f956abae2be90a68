import { createInterface } from 'node:readline'
import { loadMinutes, loadSystem, type Options } from '@/cli/options'
import { sessionStamp } from '@/cli/stamp'
import { formOpinion, proposeCheck } from '@/src/core/advice/advise'
import { sayChanges } from '@/src/core/bench/say-changes'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import type { Proposal } from '@/src/core/diagnosis/planner/propose'
import { type TraceAnswer, writeTraceAnswer } from '@/src/core/formats/trace-answer'
import { cautionsOf } from '@/src/core/job/cautions'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readEntry } from '@/src/core/job/entry-schema'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { sayDraft } from '@/src/core/job/say-draft'
import { isContent } from '@/src/core/job/standing'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { probeKey } from '@/src/core/readings/check'
import { probeSchema } from '@/src/core/readings/check-schema'
import { wholeLooks } from '@/src/core/readings/working'
import { capital } from '@/src/core/units/capital'
import { sayMinutes, sayPercent } from '@/src/core/units/quantity'

type Understood = TraceAnswer['understood']
type SessionStamp = ReturnType<typeof sessionStamp>

/** A job on standard input: one quick line or JSON entry a line, one answer each. An empty line asks how it stands. */
export async function traceCommand(options: Options): Promise<void> {
  const engine = createEngine(loadSystem(options.get('system')), { cost: loadMinutes(options.get('minutes')) })
  const entries: Entry[] = []
  const stamp = sessionStamp()
  let proposal: Proposal | null = null
  for await (const line of createInterface({ input: process.stdin })) {
    // Trimming takes a mark of the byte order too.
    const before = foldJob(engine.system, entries)
    const understood = understand(engine, entries, line.trim(), proposal, stamp)
    const cautions = cautionsOf(engine.system, before, Array.isArray(understood) ? understood : [])
    if (Array.isArray(understood)) entries.push(...understood.filter(({ id }) => !entries.some((entry) => entry.id === id)))
    const folded = foldJob(engine.system, entries)
    // A program on the other end looks at one part at a time.
    const state = options.has('json') ? { ...folded, skipped: [...folded.skipped, ...wholeLooks(engine.system)] } : folded
    const opinion = formOpinion(engine, state)
    proposal = proposeCheck(engine, state)
    const answer = writeTraceAnswer(engine, state, opinion, proposal, understood, cautions, stamp)
    console.log(options.has('json') ? JSON.stringify(answer) : sayTraceAnswer(engine, answer, entries))
  }
}

function understand(engine: Engine, entries: readonly Entry[], line: string, proposal: Proposal | null, stamp: SessionStamp): Understood {
  if (line === '') return []
  if (line.startsWith('{') || line.startsWith('[')) return understandJson(engine, entries, line, proposal, stamp)
  const state = foldJob(engine.system, entries)
  const suspects = formOpinion(engine, state).suspects.map(({ id, zone, repair, probability }) => ({
    ...{ id, zone, probability },
    repair: repair?.say ?? null,
  }))
  const read = readQuickLine(line, { system: engine.system, entries, suspects, proposed: proposal?.next?.probe ?? null })
  if (!read.ok) return { error: read.problem, start: read.start, end: read.end }
  return read.drafts.map((draft) => {
    waitFor(proposal, draft, stamp)
    return stampEntry(draft, stamp)
  })
}

/** What answers a check that begins with a wait was read after that wait. */
function waitFor(proposal: Proposal | null, answer: unknown, stamp: SessionStamp): void {
  const next = proposal?.next
  const isReading = typeof answer === 'object' && answer !== null && 'kind' in answer && answer.kind === 'reading'
  const probe = isReading && 'probe' in answer ? probeSchema.safeParse(answer.probe) : null
  if (next && probe?.success && probeKey(probe.data) === probeKey(next.probe)) stamp.later(next.waits)
}

/**
 * Entries as JSON: one, a list of them, or one after the other on the line; id and time may be left out. A repeat of an entry that is
 * in already is harmless. All are taken or none.
 */
function understandJson(
  engine: Engine,
  entries: readonly Entry[],
  line: string,
  proposal: Proposal | null,
  stamp: SessionStamp,
): Understood {
  const fail = (error: string): Understood => ({ error, start: null, end: null })
  const values = readJsonValues(line)
  if (!values) return fail('This line starts like JSON but is none. Nothing was taken; earlier entries are kept.')
  const taken: Entry[] = []
  for (const [index, value] of values.entries()) {
    waitFor(proposal, value, stamp)
    const read = readEntry({ id: stamp.newId(), at: stamp.now(), ...(value as object) })
    const which = values.length > 1 ? `entry ${index + 1}` : 'this'
    if (!read.ok) return fail(`${capital(which)} is no entry: ${read.problem} Nothing was taken; earlier entries are kept.`)
    const known = [...entries, ...taken].find(({ id }) => id === read.entry.id)
    if (known && JSON.stringify(known) !== JSON.stringify(read.entry))
      return fail(`There is another entry with the id "${read.entry.id}". The first is kept; give this one an id of its own.`)
    if (known) continue
    const problem = problemWithEntry(engine.system, [...entries, ...taken], read.entry)
    if (problem) return fail(values.length > 1 ? `${capital(which)}: ${problem} Nothing of this line was taken.` : problem)
    taken.push(read.entry)
  }
  return taken
}

/** The JSON values on a line: the items of a list, or one value after another; null when the line is not JSON. */
function readJsonValues(line: string): unknown[] | null {
  const parse = (text: string): unknown[] | null => {
    try {
      const value: unknown = JSON.parse(text)
      return Array.isArray(value) ? value : [value]
    } catch {
      return null
    }
  }
  // Between two objects that follow each other there is at most a comma or a semicolon; inside a text a quote would stand before.
  return parse(line) ?? parse(`[${line.replace(/\}\s*[,;]?\s*(?=\{")/g, '},')}]`)
}

function sayTraceAnswer(engine: Engine, answer: TraceAnswer, entries: readonly Entry[]): string {
  const { system } = engine
  const lines: string[] = []
  const { understood, next, verdict } = answer
  if (Array.isArray(understood))
    lines.push(...understood.map((entry) => `= ${sayDraft(system, entry, { standing: entries.filter(isContent) })}`))
  else lines.push(`? ${understood.error}`)
  lines.push(...answer.cautions.map((caution) => `! ${caution}`))
  lines.push(
    ...answer.suspects
      .slice(0, 5)
      .map(({ say, probability, why }) => `  ${sayPercent(probability).padStart(10)}  ${say}${why ? `  [${why}]` : ''}`),
  )
  for (const { say } of answer.contradictions) lines.push(`! ${say}`)
  if (verdict) lines.push(`> ${verdict.say}, ${sayPercent(verdict.probability)}`)
  if (next) {
    lines.push(`> ${next.say} (${sayMinutes(next.minutes)})`)
    const changes = next.setup.flatMap((entry) => (entry.kind === 'bench' ? [entry.change] : []))
    lines.push(...sayChanges(system, changes).map((said) => `    ${said}`))
    if (next.caution) lines.push(`    ! ${next.caution}`)
    for (const { say, probability, meaning } of next.outcomes) lines.push(`    ${say}: ${meaning}, ${sayPercent(probability)}`)
  }
  lines.push(...answer.cable.map(({ say, next: better }) => `~ ${say}${better ? ` (${better})` : ''}`))
  for (const { next: step, conductors } of answer.conductors) {
    lines.push(`~ ${conductors.map(({ id, state }) => `${id} ${state ?? '?'}`).join(', ')}`, `~ ${step.say}`)
    lines.push(...step.acts.map((act) => `    ${act}`))
  }
  for (const { ways } of answer.repair)
    lines.push(...ways.filter(({ fits }) => fits).map(({ say, minutes }) => `~ ${say} (${sayMinutes(minutes)})`))
  if (answer.bench.say.length > 0) lines.push(`  bench: ${answer.bench.say.join('; ')}`)
  if (answer.owed.length > 0) lines.push(`  to put back: ${answer.owed.map(({ say }) => say).join('; ')}`)
  return `${lines.join('\n')}\n`
}
