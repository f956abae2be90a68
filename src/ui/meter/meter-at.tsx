'use client'
import { type Answer, type Probe, probeKey } from '@/src/core/readings/check'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'
import { MeterPanel } from '@/src/ui/meter/meter-panel'

/** The meter on the line, beside what a sound house would read where its leads are now; nothing where no meter reads. */
export function MeterAt({ probe, onTake }: { probe: Probe; onTake: (answer: Answer) => void }) {
  const { job, system } = useJob()
  const { entries } = useMoment()
  const { answer: expected } = useWorkerAnswer({ job, entries }, `expected ${probeKey(probe)}`, (worker) =>
    worker.expect({ system, entries }, [probe]),
  )
  if (probe.meter !== 'volts' && probe.meter !== 'ohms' && probe.meter !== 'amps') return null
  const [sound] = expected ?? []
  return <MeterPanel reads={probe.meter} probe={probe} sound={sound && sound.word === null ? sound : null} onTake={onTake} />
}
