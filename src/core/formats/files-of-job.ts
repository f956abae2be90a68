import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { benchNetlist } from '@/src/core/formats/bench-netlist'
import { cardDocument } from '@/src/core/formats/page/card-document'
import { cardFacts } from '@/src/core/formats/page/card-facts'
import { optionsDocument } from '@/src/core/formats/page/options-document'
import { type Paper, type Pictures, pageDocument } from '@/src/core/formats/page/page-document'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import { wiringPicture } from '@/src/core/formats/page/wiring-picture'
import { returnCalendar } from '@/src/core/formats/return-calendar'
import { timelineCsv } from '@/src/core/formats/timeline-csv'
import { foldJob } from '@/src/core/job/fold'
import { type JobFile, writeJobFile } from '@/src/core/job/job-file'

/** What can be asked of a file beside which job it is of. */
export interface FileAsked {
  readonly paper?: Paper
  /** The moment of the job, as a number of entries; now where left out. */
  readonly upTo?: number
  /** Photos that may go on paper. */
  readonly pictures?: Pictures
}

/** A file that is made of one job. `write` gives null where the job has none of it; `none` says so. */
interface TextOfJob {
  readonly type: string
  readonly ending: string
  readonly write: (job: JobFile, asked: FileAsked) => string | null
  readonly none?: string
}

/** A file that is printed: the document, which the PDF library writes. */
interface DocumentOfJob {
  readonly ending: string
  readonly write: (job: JobFile, asked: FileAsked) => TDocumentDefinitions | null
  readonly none?: string
}

export type TextName = 'file' | 'timeline' | 'wiring' | 'netlist' | 'return'
export type DocumentName = 'page' | 'card' | 'options'

/** The files of a job that are text, made in a moment. */
export const textsOfJob = {
  file: { type: 'application/json', ending: 'nest-trace.json', write: writeJobFile },
  timeline: { type: 'text/csv; charset=utf-8', ending: 'timeline.csv', write: timelineCsv },
  wiring: { type: 'image/svg+xml', ending: 'wiring.svg', write: (job) => wiringPicture(pageFacts(job).wired, 'sans-serif') },
  netlist: { type: 'text/plain; charset=utf-8', ending: 'cir', write: (job, { upTo }) => benchNetlist(job, upTo) },
  return: {
    type: 'text/calendar; charset=utf-8',
    ending: 'return.ics',
    write: returnCalendar,
    none: 'No next visit is on record for this job: leave it unfinished with its date first.',
  },
} as const satisfies Record<TextName, TextOfJob>

/** The files of a job that are printed. */
export const documentsOfJob = {
  page: { ending: 'page.pdf', write: (job, { paper, pictures }) => pageDocument(pageFacts(job), paper ?? 'letter', pictures) },
  card: { ending: 'card.pdf', write: (job) => cardDocument(cardFacts(job)) },
  options: {
    ending: 'options.pdf',
    write: (job, { paper }) => {
      const { offer } = foldJob(job.system, job.entries)
      return offer && optionsDocument(pageFacts(job), offer, paper ?? 'letter')
    },
    none: 'No options were put to the customer in this job: keep them on the Repair screen first.',
  },
} as const satisfies Record<DocumentName, DocumentOfJob>

export const isTextName = (name: string): name is TextName => Object.hasOwn(textsOfJob, name)
export const isDocumentName = (name: string): name is DocumentName => Object.hasOwn(documentsOfJob, name)

/** A file of a job by name, whichever kind it is of: its ending and what is said where the job has none. */
export const fileOfJob = (name: TextName | DocumentName): { readonly ending: string; readonly none?: string } =>
  isTextName(name) ? textsOfJob[name] : documentsOfJob[name]

/** The name of a file of this job, after its title. */
export const fileName = (title: string, ending: string): string =>
  `${title.replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'job'}.${ending}`
