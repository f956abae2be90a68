import { createInterface } from 'node:readline'
import { loadMinutes, loadSystem, type Options } from '@/cli/options'
import { clockStamp } from '@/cli/stamp'
import { sayChange } from '@/src/core/bench/say'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import type { Proposal } from '@/src/core/diagnosis/propose'
import { type TraceAnswer, writeTraceAnswer } from '@/src/core/formats/trace-answer'
import { formOpinion, proposeCheck } from '@/src/core/job/advise'
import { type Entry, stampEntry } from '@/src/core/job/entry'
import { readEntry } from '@/src/core/job/entry-schema'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { readQuickLine, sayDraft } from '@/src/core/job/quick-line'
import { wholeLooks } from '@/src/core/readings/looks'
import { sayMinutes, sayPercent } from '@/src/core/units/quantity'

type Understood = TraceAnswer['understood']

/** A job on standard input: one quick line or JSON entry a line, one answer each. An empty line asks how it stands. */
export async function traceCommand(options: Options): Promise<void> {
  const engine = createEngine(loadSystem(options.get('system')), { cost: loadMinutes(options.get('minutes')) })
  const entries: Entry[] = []
  let proposal: Proposal | null = null
  for await (const line of createInterface({ input: process.stdin })) {
    // Trimming takes a mark of the byte order too.
    const understood = understand(engine, entries, line.trim(), proposal)
    if (Array.isArray(understood)) entries.push(...understood.filter(({ id }) => !entries.some((entry) => entry.id === id)))
    const folded = foldJob(engine.system, entries)
    // A program on the other end looks at one part at a time.
    const state = options.has('json') ? { ...folded, skipped: [...folded.skipped, ...wholeLooks(engine.system)] } : folded
    const opinion = formOpinion(engine, state)
    proposal = proposeCheck(engine, state)
    const answer = writeTraceAnswer(engine, state, opinion, proposal, understood, clockStamp)
    console.log(options.has('json') ? JSON.stringify(answer) : sayTraceAnswer(engine, answer))
  }
}

function understand(engine: Engine, entries: readonly Entry[], line: string, proposal: Proposal | null): Understood {
  if (line === '') return []
  if (line.startsWith('{')) return understandJson(engine, entries, line)
  const state = foldJob(engine.system, entries)
  const suspects = formOpinion(engine, state).suspects.map(({ id, zone, repair }) => ({ id, zone, repair: repair?.say ?? null }))
  const read = readQuickLine(line, { system: engine.system, entries, suspects, proposed: proposal?.next?.probe ?? null })
  if (!read.ok) return { error: read.problem, start: read.start, end: read.end }
  return read.drafts.map((draft) => stampEntry(draft, clockStamp))
}

/** An entry as JSON; its id and time may be left out. A repeat of an entry that is in already is harmless. */
function understandJson(engine: Engine, entries: readonly Entry[], line: string): Understood {
  const fail = (error: string): Understood => ({ error, start: null, end: null })
  let value: unknown
  try {
    value = JSON.parse(line)
  } catch {
    return fail('This line starts like JSON but is none. Nothing was taken; earlier entries are kept.')
  }
  const read = readEntry({ id: clockStamp.newId(), at: clockStamp.now(), ...(value as object) })
  if (!read.ok) return fail(`This is no entry: ${read.problem} Nothing was taken; earlier entries are kept.`)
  const known = entries.find(({ id }) => id === read.entry.id)
  if (known)
    return JSON.stringify(known) === JSON.stringify(read.entry)
      ? []
      : fail(`There is another entry with the id "${read.entry.id}". The first is kept; give this one an id of its own.`)
  const problem = problemWithEntry(engine.system, entries, read.entry)
  return problem ? fail(problem) : [read.entry]
}

function sayTraceAnswer(engine: Engine, answer: TraceAnswer): string {
  const { system } = engine
  const lines: string[] = []
  const { understood, next, verdict } = answer
  if (Array.isArray(understood)) lines.push(...understood.map((entry) => `= ${sayDraft(system, entry)}`))
  else lines.push(`? ${understood.error}`)
  lines.push(
    ...answer.suspects
      .slice(0, 5)
      .map(({ say, probability, why }) => `  ${sayPercent(probability).padStart(10)}  ${say}${why ? `  [${why}]` : ''}`),
  )
  for (const { say } of answer.contradictions) lines.push(`! ${say}`)
  if (verdict)
    lines.push(`> ${verdict.found === 'nothing-wrong' ? 'Nothing is wrong' : verdict.repair?.say}, ${sayPercent(verdict.probability)}`)
  if (next) {
    lines.push(`> ${next.say} (${sayMinutes(next.minutes)})`)
    for (const entry of next.setup) if (entry.kind === 'bench') lines.push(`    ${sayChange(system, entry.change)}`)
    if (next.caution) lines.push(`    ! ${next.caution}`)
    for (const { say, probability, meaning } of next.outcomes) lines.push(`    ${say}: ${meaning}, ${sayPercent(probability)}`)
  }
  if (answer.bench.say.length > 0) lines.push(`  bench: ${answer.bench.say.join('; ')}`)
  if (answer.owed.length > 0) lines.push(`  owed: ${answer.owed.map(({ say }) => say).join('; ')}`)
  return `${lines.join('\n')}\n`
}
