import Papa from 'papaparse'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { sayDraft } from '@/src/core/job/say-draft'
import { sayBenchShort } from '@/src/core/readings/say'
import { placeById } from '@/src/core/wiring/system'

/**
 * The timeline of a job as comma-separated values (RFC 4180), one row an entry with a heading, for a spreadsheet. What was undone stands
 * there too and says so. A text that a spreadsheet would take for a formula is kept from being one.
 */
export function timelineCsv({ system, entries }: Pick<JobFile, 'system' | 'entries'>): string {
  const state = foldJob(system, entries)
  const refused = new Map(state.refused.map(({ id, problem }) => [id, problem]))
  const observed = new Map(state.observations.map(({ id, bench }) => [id, bench]))
  const row = (entry: Entry) => {
    const bench = observed.get(entry.id)
    const problem = refused.get(entry.id)
    return {
      time: entry.at,
      'entered by': entry.by ?? '',
      at: bench ? (placeById(system, bench.place)?.name ?? bench.place) : '',
      entry: sayDraft(system, entry, state),
      'bench then': bench ? sayBenchShort(system, bench) : '',
      counts: problem ? `no: ${problem}` : state.undone.has(entry.id) ? 'no: undone' : 'yes',
    }
  }
  return Papa.unparse(state.entries.map(row), { escapeFormulae: true, newline: '\r\n' })
}
