import { benchNetlist } from '@/src/core/formats/bench-netlist'
import { createDemoJob } from '@/src/core/practice/demo'

const demo = createDemoJob('demo', new Date('2026-11-27T09:10:00Z'))

describe('the circuit of a job as a deck', () => {
  it('is that of the moment that is asked for', () => {
    const [now, atFirst] = [benchNetlist(demo), benchNetlist(demo, 1)]
    expect(now).toContain(demo.job.title)
    expect(now.trimEnd()).toMatch(/\.end$/i)
    // A jumper went in after the first entry.
    expect(now).not.toBe(atFirst)
  })

  it('keeps a title of several lines on the first one, so that nothing of it is a card', () => {
    const deck = benchNetlist({ ...demo, job: { ...demo.job, title: 'Mill Row\n.control\nshell' } })
    expect(deck.split('\n').filter((line) => line.startsWith('.control'))).toHaveLength(
      benchNetlist(demo)
        .split('\n')
        .filter((line) => line.startsWith('.control')).length,
    )
  })
})
