import type { JobSummary } from '@/src/core/job/job-summary'
import { earlierJobs } from '@/src/ui/jobs/earlier-jobs'

const job = (id: string, title: string) => ({ id, title, system: 'furnace with A/C', repairs: [] as string[] }) as unknown as JobSummary
const jobs = [job('a', '14 Alder Court'), job('b', '14 Alder Court, unit 2'), job('c', 'Mill Row 9')]

describe('earlier jobs at an address', () => {
  it('are found by how the street begins, however it is written', () => {
    expect(earlierJobs(jobs, '14 ALDER').map(({ id }) => id)).toEqual(['a', 'b'])
    expect(earlierJobs(jobs, '14  alder-court').map(({ id }) => id)).toEqual(['a', 'b'])
  })

  it('are not looked for by a number alone, nor somewhere in the middle', () => {
    expect(earlierJobs(jobs, '14')).toEqual([])
    expect(earlierJobs(jobs, 'Court')).toEqual([])
  })
})
