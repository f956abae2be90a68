import { type Options, readFile, UsageError } from '@/cli/options'
import { clockStamp } from '@/cli/stamp'
import { formOpinion, proposeCheck } from '@/src/core/advice/advise'
import { createEngine } from '@/src/core/diagnosis/engine'
import { sayVerdict } from '@/src/core/diagnosis/explanation/say-verdict'
import { writeCheck, writeTraceAnswer } from '@/src/core/formats/trace-answer'
import { foldJob } from '@/src/core/job/fold'
import { readJobFile } from '@/src/core/job/job-file'
import { sayAnswer } from '@/src/core/readings/say'
import { sayMinutes, sayPercent } from '@/src/core/units/quantity'

/** Suspects or next check of a job file. */
export function jobCommand(command: 'suspects' | 'next', options: Options): void {
  const path = options.words[0]
  if (path === undefined) throw new UsageError(`Say which job file: nest-trace ${command} JOB.json`)
  const read = readJobFile(readFile(path))
  if (!read.ok) throw new UsageError(read.problem)
  const engine = createEngine(read.file.system)
  const state = foldJob(engine.system, read.file.entries)
  const proposal = proposeCheck(engine, state)
  if (options.has('json')) {
    const answer = writeTraceAnswer(engine, state, formOpinion(engine, state), proposal, [], [], clockStamp)
    console.log(
      JSON.stringify(
        command === 'suspects' ? { suspects: answer.suspects, verdict: answer.verdict } : { next: answer.next, verdict: answer.verdict },
      ),
    )
    return
  }
  if (command === 'suspects') {
    for (const { say, probability, why } of formOpinion(engine, state).suspects.slice(0, 10))
      console.log(`${sayPercent(probability).padStart(10)}  ${say}${why ? `  [${why}]` : ''}`)
    return
  }
  if (!proposal.next) {
    console.log(proposal.verdict ? `${sayVerdict(engine.system, proposal.verdict)}.` : 'No check is left that would tell more.')
    return
  }
  const next = writeCheck(proposal.next, clockStamp)
  console.log(`${next.say} (${sayMinutes(next.minutes)})`)
  for (const { answer, probability, meaning } of next.outcomes)
    console.log(`  ${sayAnswer(answer, next.probe)}: ${meaning}, ${sayPercent(probability)}`)
}
