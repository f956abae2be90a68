'use client'
import type { ReactNode } from 'react'
import type { BenchChange } from '@/src/core/bench/bench'
import { sayPoint } from '@/src/core/bench/points'
import { pluggedOf, sayConductor } from '@/src/core/bench/say'
import { sayCall } from '@/src/core/wiring/call'
import { unplugs } from '@/src/core/wiring/part-kinds'
import { conductorEnd } from '@/src/core/wiring/point'
import { callsOf, firstPart, partsOf, placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { Sheet } from '@/src/ui/controls/sheet'
import { useHands, useJob, useMoment, useTold } from '@/src/ui/desk/desk-context'
import { PutBackList } from '@/src/ui/desk/put-back-list'

/** Everything that can be changed from normal, by tapping: power, call, slot, wires, plugs, panels, and where one stands. */
export function BenchSheet(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Sheet {...props} title="Bench" description="What is changed from normal right now. Everything here goes on the timeline.">
      <Changes />
    </Sheet>
  )
}

/** What is in the sheet, drawn while it is open. */
function Changes() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const { told } = useTold()
  const { bench } = state
  const change = (made: BenchChange) => record([{ kind: 'bench', change: made }])
  const fuse = firstPart(system, 'fuse')
  const plugged = [
    ...partsOf(system, 'thermostat'),
    ...partsOf(system, 'switch'),
    ...partsOf(system, 'coil'),
    ...partsOf(system, 'board'),
    ...partsOf(system, 'transformer'),
  ].filter((part) => unplugs(system, part))
  return (
    <>
      {told?.isProblem && (
        <p role="alert" className="mb-3 border-ember border-l-4 pl-3">
          {told.say}
        </p>
      )}
      <PutBackList />
      <Group name="Power">
        <Choice on={bench.power} onPick={() => change({ do: 'power', on: true })}>
          on
        </Choice>
        <Choice on={!bench.power} onPick={() => change({ do: 'power', on: false })}>
          off
        </Choice>
      </Group>
      <Group name="Thermostat calls for">
        {(['off', ...callsOf(system)] as const).map((call) => (
          <Choice key={call} on={bench.call === call} onPick={() => change({ do: 'call', call })}>
            {call === 'off' ? 'nothing' : sayCall[call]}
          </Choice>
        ))}
      </Group>
      <Group name="Fuse slot">
        <Choice on={bench.slot.holds === 'breaker'} onPick={() => change({ do: 'slot', holds: 'breaker' })}>
          breaker
        </Choice>
        {[...new Set([fuse.ratingA, 5])].map((ratingA) => (
          <Choice
            key={ratingA}
            on={bench.slot.holds === 'fuse' && bench.slot.ratingA === ratingA}
            onPick={() => change({ do: 'slot', holds: 'fuse', ratingA })}
          >
            {ratingA} A fuse
          </Choice>
        ))}
        <Choice on={bench.slot.holds === 'nothing'} onPick={() => change({ do: 'slot', holds: 'nothing' })}>
          empty
        </Choice>
        {bench.power && !bench.slot.open && (
          <Button onClick={() => record([{ kind: 'trip', result: 'trips', slip: true }])}>my slip tripped it</Button>
        )}
        {bench.slot.holds === 'breaker' && bench.slot.open && <Button onClick={() => change({ do: 'reset' })}>reset the breaker</Button>}
      </Group>
      <Caution>Lock out and prove dead before a hand goes near line voltage. Local codes and licensed practice come first.</Caution>
      <Group name="You stand at">
        {system.places.map((place) => (
          <Choice key={place.id} on={bench.place === place.id} onPick={() => change({ do: 'walk', place: place.id })}>
            {place.name}
          </Choice>
        ))}
      </Group>
      <Group name="Panels">
        {system.places
          .filter(({ metal }) => metal)
          .map((place) => {
            const isOff = bench.panelsOff.includes(place.id)
            return (
              <Choice key={place.id} on={isOff} onPick={() => change({ do: 'panel', place: place.id, on: isOff })}>
                {place.name}: {isOff ? 'off' : 'on'}
              </Choice>
            )
          })}
      </Group>
      <Group name="Unplugged">
        {plugged.map((part) => {
          const isOff = bench.unplugged.includes(part.id)
          const { name, leads } = pluggedOf(system, part.id)
          return (
            <Choice key={part.id} on={isOff} onPick={() => change(isOff ? { do: 'plug', part: part.id } : { do: 'unplug', part: part.id })}>
              {leads ? `${name}: ${leads}` : name}
            </Choice>
          )
        })}
      </Group>
      {system.cables.map((cable) =>
        cable.between.map((place) => (
          <Group key={`${cable.id} ${place}`} name={`Lifted: ${cable.name}, ${placeById(system, place)?.name} end`}>
            {cable.conductors
              .filter(({ lands }) => lands[cable.between.indexOf(place)] !== null)
              .map((conductor) => {
                const end = conductorEnd(cable.id, conductor.id, place)
                const isLifted = bench.lifted.includes(end)
                return (
                  <Choice
                    key={conductor.id}
                    on={isLifted}
                    label={sayPoint(system, end)}
                    onPick={() => change(isLifted ? { do: 'land', end } : { do: 'lift', end })}
                  >
                    {sayConductor(cable, conductor.id)}
                  </Choice>
                )
              })}
          </Group>
        )),
      )}
    </>
  )
}

function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <fieldset className="my-3">
      <legend className="mb-1 font-bold">{name}</legend>
      <div className="flex flex-wrap gap-2">{children}</div>
    </fieldset>
  )
}

function Choice({ on, onPick, children, label }: { on: boolean; onPick: () => void; children: ReactNode; label?: string }) {
  return (
    <Button onClick={onPick} aria-pressed={on} aria-label={label} className={on ? '!border-next font-bold' : ''}>
      {on && <span aria-hidden>✓ </span>}
      {children}
    </Button>
  )
}
