import { createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import type { Answer, Probe } from '@/src/core/readings/check'
import { seenContacts } from '@/src/core/readings/contact-looks'
import { contactsOf } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { partsOf } from '@/src/core/wiring/system'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

describe('contacts of a contactor on a cooling call', () => {
  const system = systemOf('heat-pump-o')
  const cool = { ...createBench(system), call: 'cool' as const, place: 'outdoor' }
  const at = (probe: Probe, answer: Answer): Observation => ({ id: JSON.stringify(probe), bench: cool, probe, answer })
  const volts = (a: string, b: string, answer: number) => at({ meter: 'volts', a: `${a}@outdoor`, b: `${b}@outdoor` }, answer)
  const looked = (target: string, word: string) => at({ meter: 'look', at: target }, { word })
  const suspectsAfter = (...observations: Observation[]) => {
    const engine = engineOf('heat-pump-o')
    const evidence = { ...noEvidence, observations }
    return listSuspects(engine, evidence, computePosterior(engine, evidence))
  }
  const shareOf = (suspects: ReturnType<typeof suspectsAfter>, id: string) => suspects.find((one) => one.id === id)?.probability ?? 0

  it('the contactor is in, the line is there and nothing passes: its contacts, and not the compressor', () => {
    const suspects = suspectsAfter(
      looked('contactor', 'in'),
      looked('compressor', 'still'),
      volts('low-contactor', 'C', 25.4),
      volts('L1-unit', 'L2-unit', 241),
      volts('compressor-line', 'L2-unit', 0),
      volts('L1-unit', 'compressor-line', 240),
    )
    expect(suspects[0].id).toBe('contact-burned:contactor')
    expect(suspects[0].probability).toBeGreaterThan(0.9)
    expect(shareOf(suspects, 'load-dead:compressor')).toBeLessThan(0.01)
  })

  it('some volts across them while the compressor runs are pitted faces', () => {
    const suspects = suspectsAfter(looked('contactor', 'in'), looked('compressor', 'runs'), volts('L1-unit', 'compressor-line', 3.1))
    expect(suspects[0].id).toBe('contact-burned:contactor')
  })

  it('insects between them are why it does not close', () => {
    const seen = [looked('contactor', 'out'), volts('low-contactor', 'C', 25.4)]
    const before = suspectsAfter(...seen)
    const after = suspectsAfter(...seen, looked(contactsOf('contactor'), 'blocked'))
    expect(after[0].id).toBe('armature-jammed:contactor')
    expect(after[0].probability).toBeGreaterThan(Math.max(0.5, 4 * shareOf(before, 'armature-jammed:contactor')))
  })
})

it.each(['furnace-ac', 'rooftop-gas'])(
  'on %s burned contacts of whatever a call runs are found, and nothing dearer is blamed @long',
  (id) => {
    const system = systemOf(id)
    const engine = engineOf(id)
    for (const coil of [...seenContacts(system), ...partsOf(system, 'coil').filter(({ role }) => role === 'blower-relay')].slice(0, 2)) {
      const burned = engine.hypotheses.find((one) => one.id === `contact-burned:${coil.id}`)
      if (!burned) throw new Error(`nothing burns at ${coil.id}`)
      const { verdict } = runTrial(engine, createHouse(system, burned, templateValues, createRandom(3)), {
        complaint: { ...emptyComplaint, symptoms: ['half-works'], call: coil.role === 'contactor' ? 'cool' : 'fan' },
      })
      expect([coil.id, verdict]).toMatchObject([coil.id, { repair: { id: `replace:${coil.id}` } }])
    }
  },
)
