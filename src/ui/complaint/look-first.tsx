'use client'

import { codeSeen } from '@/src/core/job/code-seen'
import type { Probe } from '@/src/core/readings/check'
import { codeFor, isCode } from '@/src/core/readings/code-looks'
import { seenContacts } from '@/src/core/readings/contact-looks'
import { capacitorAt, contactsOf, wiringOf } from '@/src/core/readings/look-target'
import { wordsFor } from '@/src/core/readings/predict'
import { sayAnswer } from '@/src/core/readings/say'
import { seenSwitches } from '@/src/core/readings/switch-looks'
import { firstPart, furtherFuses, isUnknown, partById, partsOf, zonesOf } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

/** What is to be seen before anything is touched: each answer is a reading like any other. */
export function LookFirst() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const fuse = firstPart(system, 'fuse')
  const looks: { name: string; at: string; isBreaker?: boolean }[] = [
    ...partsOf(system, 'thermostat').map(({ id, name }) => ({ name, at: id })),
    ...(fuse.holds === 'none'
      ? []
      : [
          {
            name: `${fuse.name}, ${isUnknown(system, 'fuse') ? 'not looked at' : `${fuse.ratingA} A on the label`}`,
            at: 'fuse',
            isBreaker: fuse.holds === 'breaker',
          },
        ]),
    ...furtherFuses(system).flatMap(({ id, name, ratingA, holds }) =>
      holds === 'none' ? [] : [{ name: `${name}, ${ratingA} A`, at: id, isBreaker: holds === 'breaker' }],
    ),
    ...seenSwitches(system).map(({ id, name }) => ({ name, at: id })),
    ...partsOf(system, 'board').map(({ id, name }) => ({ name: `light on the ${name}`, at: id })),
  ]
  return (
    <fieldset>
      <legend className="mb-1 font-bold">Look first, power still on</legend>
      <div className="grid gap-2 desk:grid-cols-2">
        {looks.map(({ name, at, isBreaker }) => {
          const say = (choice: string) => (isBreaker && choice === 'blown' ? 'tripped' : choice)
          const probe: Probe = { meter: 'look', at }
          const seen = state.observations.findLast(
            (observation) => observation.probe.meter === 'look' && observation.probe.at === at,
          )?.answer
          const word = typeof seen === 'object' && 'word' in seen ? seen.word : null
          return (
            <div key={at} className="flex flex-wrap items-center gap-2 rounded border-2 border-line bg-panel px-3 py-1">
              <span className="flex-1">{name}</span>
              {wordsFor(system, probe)
                .filter((choice) => choice !== 'chatters' && !isCode(choice))
                .map((choice) => (
                  <Button
                    key={choice}
                    aria-label={`${name}: ${say(choice)}`}
                    aria-pressed={word === choice}
                    onClick={() => record([{ kind: 'reading', probe, answer: { word: choice } }])}
                    className={word === choice ? '!border-next font-bold' : ''}
                  >
                    {word === choice && <span aria-hidden>✓ </span>}
                    {say(choice)}
                  </Button>
                ))}
              <CodeSeen at={at} word={word} />
            </div>
          )
        })}
      </div>
      <details className="mt-2 rounded border-2 border-line bg-panel px-3">
        <summary className="flex min-h-11 cursor-pointer items-center">Marks along the wiring: a rub, teeth, a staple, scorching</summary>
        <div className="grid gap-2 pb-3 desk:grid-cols-2">
          {zonesOf(system).map(({ id, name }) => (
            <Seen key={id} at={wiringOf(id)} name={name} />
          ))}
        </div>
      </details>
      {seenContacts(system).length > 0 && (
        <details className="mt-2 rounded border-2 border-line bg-panel px-3">
          <summary className="flex min-h-11 cursor-pointer items-center">
            Contacts of a contactor, power off and proved dead: burned, or something between them
          </summary>
          <div className="grid gap-2 pb-3 desk:grid-cols-2">
            {seenContacts(system).map(({ id, name }) => (
              <Seen key={id} at={contactsOf(id)} name={name} />
            ))}
          </div>
        </details>
      )}
      {partsOf(system, 'capacitor').length > 0 && (
        <details className="mt-2 rounded border-2 border-line bg-panel px-3">
          <summary className="flex min-h-11 cursor-pointer items-center">
            Run capacitor, power off and discharged: bulged, or below its label
          </summary>
          <div className="grid gap-2 pb-3 desk:grid-cols-2">
            {partsOf(system, 'capacitor').map(({ id, name }) => (
              <Seen key={id} at={capacitorAt(id)} name={name} />
            ))}
          </div>
        </details>
      )}
    </fieldset>
  )
}

/** The wire that an over-current code of a thermostat names. */
function CodeSeen({ at, word }: { at: string; word: string | null }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const stat = partById(system, at)
  if (stat?.kind !== 'thermostat' || stat.power === 'mechanical') return null
  return (
    <select
      aria-label={`${stat.name}: over-current code`}
      value={word !== null && isCode(word) ? word : ''}
      onChange={({ target }) => {
        const terminal = switchedTerminals(stat).find((one) => codeFor(one) === target.value)
        if (terminal !== undefined) record(codeSeen(system, state.bench, stat, terminal))
      }}
      className="min-h-11 rounded border-2 border-line bg-ground px-2"
    >
      <option value="">no over-current code</option>
      {switchedTerminals(stat).map((terminal) => (
        <option key={terminal} value={codeFor(terminal)}>
          {codeFor(terminal)}
        </option>
      ))}
    </select>
  )
}

/** What was seen along one zone's wiring, or at one contactor's contacts: odds on the faults there, no more. */
function Seen({ at, name }: { at: string; name: string }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const probe: Probe = { meter: 'look', at }
  const seen = state.observations.findLast((observation) => observation.probe.meter === 'look' && observation.probe.at === probe.at)?.answer
  return (
    <label className="flex items-center gap-2">
      <span className="flex-1">{name}</span>
      <select
        value={typeof seen === 'object' && 'word' in seen ? seen.word : ''}
        onChange={({ target }) => target.value !== '' && record([{ kind: 'reading', probe, answer: { word: target.value } }])}
        className="min-h-11 rounded border-2 border-line bg-ground px-2"
      >
        <option value="">not looked</option>
        {wordsFor(system, probe).map((word) => (
          <option key={word} value={word}>
            {sayAnswer({ word }, probe)}
          </option>
        ))}
      </select>
    </label>
  )
}
