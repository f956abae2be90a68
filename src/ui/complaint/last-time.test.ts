import type { JobSummary } from '@/src/core/job/job-summary'
import { visitsAt } from '@/src/ui/complaint/last-time'

const job = (id: string, title: string, createdAt: string) => ({ id, title, createdAt }) as JobSummary

describe('visits at an address', () => {
  it('are those of this address alone, however it was typed, the oldest first', () => {
    const jobs = [
      job('c', 'Mill Row 2', '2026-05-09T08:00:00Z'),
      job('a', 'mill row 2 ', '2025-01-09T08:00:00Z'),
      job('x', 'Mill Row 22', '2026-01-01T08:00:00Z'),
      job('b', 'Mill Row 2', '2025-08-09T08:00:00Z'),
    ]
    expect(visitsAt('Mill Row 2', jobs).map(({ id }) => id)).toEqual(['a', 'b', 'c'])
  })
})
