'use client'
import { benchDifference } from '@/src/core/bench/difference'
import { sayAnswer, sayProbe } from '@/src/core/readings/say'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

/** Two devices at work side by side: which came first, the reading of the one or what the other did? Only a person knows. */
export function ClashCard() {
  const { system } = useJob()
  const { state, past } = useMoment()
  const { record } = useHands()
  const clash = state.clashes.at(0)
  const observation = clash && state.observations.find(({ id }) => id === clash.id)
  if (!clash || !observation || past !== null) return null
  const by = state.entries.find(({ id }) => id === clash.id)?.by
  const difference = benchDifference(system, clash.made, clash.merged).join('; ')
  return (
    <section aria-label="Two devices contradict each other" className="mb-3 rounded border-2 border-ember bg-raised p-3">
      <h2 className="font-bold text-muted text-small">Two devices worked at once</h2>
      <p className="my-1 font-bold">
        {by ? `${by} read` : 'One read'} {sayProbe(system, observation.probe)}: {sayAnswer(observation.answer, observation.probe)}
      </p>
      <p className="mb-2">The other changed the bench at the same time: {difference}. When was it read?</p>
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => record([{ kind: 'vouch', target: clash.id, bench: 'made' }])}>before that</Button>
        <Button onClick={() => record([{ kind: 'vouch', target: clash.id, bench: 'merged' }])}>after that</Button>
      </div>
      {state.clashes.length > 1 && <p className="mt-2 text-muted text-small">{state.clashes.length - 1} more like it.</p>}
    </section>
  )
}
