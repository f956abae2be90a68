import fc from 'fast-check'
import { readJobFile, writeJobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'

const job = createDemoJob('demo', new Date('2026-05-04T09:10:00Z'))
const text = writeJobFile(job)

const refusal = (broken: string) => {
  const read = readJobFile(broken)
  if (read.ok) throw new Error('it was taken')
  return read
}

describe('a job file', () => {
  it('opens again as it was', () => {
    expect(readJobFile(text)).toEqual({ ok: true, file: job })
  })

  it('torn anywhere after its head, keeps every entry whose line is whole', () => {
    const start = text.indexOf('"entries"')
    fc.assert(
      fc.property(fc.integer({ min: start + 12, max: text.length - 8 }), (cut) => {
        const { problem, whole } = refusal(text.slice(0, cut))
        expect(problem).toMatch(/incomplete/)
        const lines = text.slice(start, cut).split('\n').slice(1)
        const complete = lines.filter((line) => {
          try {
            return Boolean(JSON.parse(line.trim().replace(/,$/, '')))
          } catch {
            return false
          }
        })
        expect(whole?.entries).toEqual(job.entries.slice(0, complete.length))
        expect(problem).toContain(complete.length === 1 ? '1 entry is whole' : `${complete.length} entries are whole`)
      }),
      { seed: 8, numRuns: 60 },
    )
  })

  it('torn inside its head, says that nothing of it can be read', () => {
    expect(refusal(text.slice(0, 200))).toMatchObject({ whole: null, problem: expect.stringContaining('Ask for the file again') })
  })

  it('with two different entries of one id, says which and offers the first', () => {
    const clashing = structuredClone(job) as any
    clashing.entries[3].id = clashing.entries[2].id
    const { problem, whole } = refusal(JSON.stringify(clashing))
    expect(problem).toContain(`Two different entries have the id "${job.entries[2].id}"`)
    expect(whole?.entries).toHaveLength(job.entries.length - 1)
  })

  it('with a spoiled entry, keeps those before it and says what is wrong', () => {
    const spoiled = structuredClone(job) as any
    spoiled.entries[4].change = { do: 'lift', end: 'nowhere' }
    const { problem, whole } = refusal(JSON.stringify(spoiled))
    expect(problem).toContain('4 entries are whole')
    expect(whole?.entries).toEqual(job.entries.slice(0, 4))
  })

  it('that is something else altogether is refused', () => {
    expect(refusal('{"hello": 1}').problem).toContain('This is not a job file')
    expect(refusal('[1, 2').problem).toContain('Nothing of it can be read')
    expect(refusal('').whole).toBeNull()
  })
})
