import { tripOf } from '@/src/core/advice/answer-entries'
import type { BenchChange } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { type JobFile, jobFileOf } from '@/src/core/job/job-file'
import { createHouse } from '@/src/core/practice/house'
import type { Probe } from '@/src/core/readings/check'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

/** The demo's house: fence posts were set along a garden wall, and one of them caught the outdoor cable. */
export const DEMO_FAULT = 'conductor-to-chassis:outdoor-cable.Y'

type Step = { readonly change: BenchChange } | { readonly ask: Probe }

/** What was done before the demo opens: far enough for suspects, not far enough for a verdict. */
const STEPS: readonly Step[] = [
  { ask: { meter: 'look', at: 'fuse' } },
  { ask: { meter: 'volts', a: 'L1-unit@indoor', b: 'N@indoor' } },
  { ask: { meter: 'volts', a: 'sec@indoor', b: 'C@indoor' } },
  { change: { do: 'slot', holds: 'breaker' } },
  { ask: { meter: 'trip' } },
  { ask: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' } },
  { change: { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' } },
  { ask: { meter: 'trip' } },
  { change: { do: 'lift', end: 'outdoor-cable.Y@indoor' } },
  { change: { do: 'reset' } },
  { ask: { meter: 'trip' } },
]

/**
 * The demo job as it stands half way through the trace. Every reading in it is taken from a simulated house by the same
 * solver; nothing is typed in.
 */
export function createDemoJob(id: string, start: Date): JobFile {
  const fault = enumerateFaults(furnaceAc).find((candidate) => candidate.id === DEMO_FAULT)
  if (!fault) throw new Error(`the demo's fault is gone: ${DEMO_FAULT}`)
  const house = createHouse(
    furnaceAc,
    hypothesisOfFault(fault, 'blown'),
    { ...templateValues, coilOhm: { contactor: 0.9 }, lengthM: { 'outdoor-cable': 1.1 } },
    createRandom(20),
  )
  const entries: Entry[] = []
  const enter = (draft: EntryDraft) => {
    const minute = entries.length * 2 + 2
    entries.push({
      id: `${id}-${String(entries.length + 1).padStart(2, '0')}`,
      at: new Date(start.getTime() + minute * 60_000).toISOString(),
      ...draft,
    } as Entry)
  }
  enter({
    kind: 'complaint',
    complaint: {
      words: 'The fuse goes when it cools. Since the fence was done. Heating was fine all spring.',
      symptoms: ['fuse-on-call'],
      call: 'cool',
      changed: ['garden-work'],
      changedBy: 'the fence builder, last week',
      rightUnit: true,
      codes: [],
      hearsay: 'bad contactor',
    },
  })
  for (const step of STEPS) {
    if ('change' in step) {
      house.change(step.change)
      enter({ kind: 'bench', change: step.change })
      continue
    }
    const { answer } = house.ask(step.ask)
    if (step.ask.meter === 'trip') enter(tripOf(answer))
    else enter({ kind: 'reading', probe: step.ask, answer })
  }
  return jobFileOf({ job: { id, title: '14 Alder Court', createdAt: start.toISOString() }, system: furnaceAc, entries })
}
