import { writeFileSync } from 'node:fs'
import { type Options, readFile, sayFileTrouble, UsageError } from '@/cli/options'
import { documentsOfJob, textsOfJob } from '@/src/core/formats/files-of-job'
import { papers } from '@/src/core/formats/page/page-document'
import { type JobFile, readJobFile } from '@/src/core/job/job-file'
import { writePdf } from '@/src/server/write-pdf'

/** What leaves a job file as a file of its own: the page that stays, the card inside the panel, the timeline for a spreadsheet. */
export async function pageCommand(command: 'report' | 'card' | 'csv', options: Options): Promise<void> {
  const [from, to] = options.words
  if (from === undefined || to === undefined) throw new UsageError(`Say which job file and where to: nest-trace ${command} JOB.json FILE`)
  const read = readJobFile(readFile(from))
  if (!read.ok) throw new UsageError(read.problem)
  const written = await write(command, read.file, options.get('paper') ?? 'letter')
  try {
    writeFileSync(to, written)
  } catch (error) {
    throw new UsageError(sayFileTrouble(to, error))
  }
  console.log(`Wrote ${to}.`)
}

async function write(command: 'report' | 'card' | 'csv', job: JobFile, paper: string): Promise<string | Uint8Array> {
  if (command === 'csv') return textsOfJob.timeline.write(job)
  const known = papers.find((one) => one === paper)
  if (!known) throw new UsageError(`There is no paper "${paper}" here: ${papers.join(' or ')}.`)
  return writePdf(documentsOfJob[command === 'card' ? 'card' : 'page'].write(job, { paper: known }))
}
