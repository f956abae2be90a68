'use client'
import { useState } from 'react'
import { type DamageKind, type DamagePlace, damageKinds, damagePlaces } from '@/src/core/job/run-schema'
import { sayDamage, sayDamagePlace } from '@/src/core/job/say-draft'
import { damageTold } from '@/src/core/repair/of-job'
import { causesToRemove, type WayToRepair } from '@/src/core/repair/repair-ways'
import { freeSpares, withoutSpare } from '@/src/core/repair/substitution'
import { sayMinutes } from '@/src/core/units/quantity'
import type { CableId } from '@/src/core/wiring/ids'
import { cableById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Tick } from '@/src/ui/controls/tick'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { OnASection, OnASpare } from '@/src/ui/repair/on-a-spare'

interface HowToRepairProps {
  readonly cable: CableId
  /** The conductor that is hurt, where one is. */
  readonly conductor: string | null
  /** The ways for the damage that is on record. */
  readonly ways: readonly WayToRepair[]
  /** Takes a way as what was done, with the cause that goes with it. */
  readonly onChoose: (does: string, cause: string) => void
}

const NOTHING_TOLD = { kind: null, where: null, hasSlack: false }

/** Tape, splice, spare, stretch or new cable: by what is hurt, where, and what is at hand. */
export function HowToRepair({ cable: id, conductor, ways, onChoose }: HowToRepairProps) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const told = damageTold(state, id)
  // What is not whole yet is no entry; from then on the record has it, an undo included.
  const [begun, setBegun] = useState<{ kind: DamageKind | null; where: DamagePlace | null; hasSlack: boolean }>(NOTHING_TOLD)
  const { kind, where, hasSlack } = told ?? begun
  const cable = cableById(system, id)
  if (!cable) return null
  const tell = (more: { kind?: DamageKind; where?: DamagePlace; hasSlack?: boolean }) => {
    const now = { kind, where, hasSlack, ...more }
    if (now.kind === null || now.where === null) return setBegun(now)
    setBegun(NOTHING_TOLD)
    record([{ kind: 'run', cable: id, fact: { what: 'damage', kind: now.kind, where: now.where, hasSlack: now.hasSlack } }])
  }
  const spares = freeSpares(cable, state)
  const causes = kind && where ? causesToRemove({ kind, where }) : []
  return (
    <section aria-label="How to repair it" className="mb-4 rounded border-2 border-line p-3">
      <h2 className="mb-1 font-bold">How to repair the {cable.name}</h2>
      <Choice label="What is damaged" of={damageKinds} say={sayDamage} chosen={kind} onChoose={(one) => tell({ kind: one })} />
      <Choice label="Where" of={damagePlaces} say={sayDamagePlace} chosen={where} onChoose={(one) => tell({ where: one })} />
      <Tick checked={hasSlack} onChange={(on) => tell({ hasSlack: on })}>
        there is slack to cut it out
      </Tick>
      <ul className="mt-2 flex flex-col gap-2">
        {ways
          .filter(({ fits }) => fits)
          .map((way, rank) => (
            <li key={way.way}>
              <Button onClick={() => onChoose(way.does, causes[0] ?? '')} className={`w-full ${rank === 0 ? '!border-next' : ''}`}>
                <span className="flex justify-between gap-3">
                  <b>{way.does}</b>
                  <span className="whitespace-nowrap">{sayMinutes(way.minutes)}</span>
                </span>
                <Reasons way={way} />
              </Button>
              {way.way === 'spare' && conductor !== null && <OnASpare cable={cable} conductor={conductor} />}
              {way.way === 'spare section' && conductor !== null && <OnASection cable={cable} conductor={conductor} />}
            </li>
          ))}
      </ul>
      {ways.length > 0 && (
        <details className="mt-2">
          <summary className="min-h-11 content-center">Why not the others</summary>
          {ways
            .filter(({ fits }) => !fits)
            .map((way) => (
              <p key={way.way} className="mb-1 text-small">
                <b>{way.does}</b>: {way.con.join(' ')}
              </p>
            ))}
        </details>
      )}
      {ways.length > 0 && spares.length === 0 && (
        <details className="mt-2">
          <summary className="min-h-11 content-center">No spare: what frees a conductor</summary>
          {withoutSpare(system, id).map(({ does, loses }) => (
            <p key={does} className="mb-1 text-small">
              <b>{does}</b> Lost: {loses}
            </p>
          ))}
        </details>
      )}
      {causes.length > 0 && (
        <p className="mt-2 text-small">
          <b>The cause is half of it:</b> {causes.join('; ')}.
        </p>
      )}
    </section>
  )
}

function Reasons({ way: { pro, con, material } }: { way: WayToRepair }) {
  return (
    <span className="block text-small">
      {pro.length > 0 && <span className="block">+ {pro.join(' ')}</span>}
      {con.length > 0 && <span className="block">− {con.join(' ')}</span>}
      <span className="block text-muted">Takes: {material.join(', ')}.</span>
    </span>
  )
}

interface ChoiceProps<T extends string> {
  readonly label: string
  readonly of: readonly T[]
  readonly say: Record<T, string>
  readonly chosen: T | null
  readonly onChoose: (one: T) => void
}

function Choice<T extends string>({ label, of, say, chosen, onChoose }: ChoiceProps<T>) {
  return (
    <fieldset className="my-1">
      <legend className="text-muted text-small">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {of.map((one) => (
          <Button key={one} aria-pressed={chosen === one} onClick={() => onChoose(one)} className={chosen === one ? '!border-next' : ''}>
            {chosen === one && <span aria-hidden>✓ </span>}
            {say[one]}
          </Button>
        ))}
      </div>
    </fieldset>
  )
}
