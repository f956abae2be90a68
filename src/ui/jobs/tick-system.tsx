'use client'
import { useMemo } from 'react'
import { buildSystem } from '@/src/core/wiring/build-system'
import { conductorColours } from '@/src/core/wiring/insulation'
import { firstPart, type System } from '@/src/core/wiring/system'
import { catalogue } from '@/src/core/wiring/systems/catalogue'
import { leadVolts, type Said, traitNames, traits, type WhatIsThere } from '@/src/core/wiring/what-is-there'
import { Button } from '@/src/ui/controls/button'
import { LoomPicture } from '@/src/ui/loom/loom-picture'

type Change = (seen: WhatIsThere) => void

const fuses = { '3': '3 A', '5': '5 A', breaker: 'breaker', none: 'none', unknown: 'not looked' } as const
const floats = { none: 'none', R: 'in R', Y: 'in Y', unknown: 'not looked' } as const
const boards = { passes: 'passes it on', relay: 'own relay', unknown: 'not known' } as const
const yesNo = { yes: 'yes', no: 'no', unknown: 'not looked' } as const satisfies Record<Said, string>

/** The system that was ticked together. */
export const systemOf = (seen: WhatIsThere): System => buildSystem(seen, catalogue).system

/** A system from what can be seen at the door: tick what is there, leave what nobody has looked at. */
export function TickSystem({ seen, onChange }: { seen: WhatIsThere; onChange: Change }) {
  const built = useMemo(() => buildSystem(seen, catalogue), [seen])
  const hasBoard = built.system.parts.some(({ kind }) => kind === 'board')
  return (
    <div className="grid gap-4 desk:grid-cols-[minmax(0,1fr)_minmax(0,34rem)]">
      <div className="grid content-start gap-x-4 gap-y-2 desk:grid-cols-2">
        {traitNames.map((name) => (
          <Choice
            key={name}
            label={traits[name].say}
            options={yesNo}
            value={seen.traits[name] ?? 'unknown'}
            onPick={(said) => onChange({ ...seen, traits: { ...seen.traits, [name]: said } })}
          />
        ))}
        {hasBoard && (
          <Choice label="the board, with a call" options={boards} value={seen.board} onPick={(board) => onChange({ ...seen, board })} />
        )}
        <Choice label="float switch" options={floats} value={seen.float} onPick={(float) => onChange({ ...seen, float })} />
        <Choice label="fuse on the 24 V side" options={fuses} value={seen.fuse} onPick={(fuse) => onChange({ ...seen, fuse })} />
        <CappedLeads seen={seen} system={built.system} onChange={onChange} />
        <Colours seen={seen} system={built.system} onChange={onChange} />
      </div>
      <div>
        <p aria-live="polite" className="mb-2">
          Drawn as <b>{built.kind.name}</b>
          {built.differs.length > 0 && <span className="text-ember">, though this differs: {built.differs.join('; ')}</span>}.
          {built.taken.length > 0 && <span className="text-muted"> Assumed as usual, not looked at: {built.taken.join('; ')}.</span>}
        </p>
        <LoomPicture system={built.system} />
      </div>
    </div>
  )
}

/** One question with a few answers, all in sight. */
function Choice<T extends string>({
  label,
  options,
  value,
  onPick,
}: {
  label: string
  options: Readonly<Record<T, string>>
  value: T
  onPick: (value: T) => void
}) {
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset of its own for each line would be read out twice
    <div role="group" aria-label={label}>
      <span className="block">{label}</span>
      <span className="grid auto-cols-fr grid-flow-col gap-1">
        {(Object.keys(options) as T[]).map((option) => (
          <Button
            key={option}
            aria-pressed={option === value}
            onClick={() => onPick(option)}
            className={`!px-1 !text-center text-small ${option === value ? '!border-next bg-raised font-bold' : ''}`}
          >
            {options[option]}
          </Button>
        ))}
      </span>
    </div>
  )
}

/** The transformer's other primary leads, each by its volts: any number of them, none, or not looked. */
function CappedLeads({ seen, system, onChange }: { seen: WhatIsThere; system: System; onChange: Change }) {
  const { capped } = seen
  const others = leadVolts.filter((volts) => volts !== firstPart(system, 'transformer').primaryVolts)
  const tick = (volts: (typeof leadVolts)[number]) =>
    onChange({ ...seen, capped: capped?.includes(volts) ? capped.filter((other) => other !== volts) : [...(capped ?? []), volts] })
  const look = (isPressed: boolean) => ({
    'aria-pressed': isPressed,
    className: `!px-1 !text-center text-small ${isPressed ? '!border-next bg-raised font-bold' : ''}`,
  })
  return (
    // biome-ignore lint/a11y/useSemanticElements: as with the other lines, read out once
    <div role="group" aria-label="capped leads on the transformer's primary" className="desk:col-span-2">
      <span className="block">capped leads on the transformer's primary</span>
      <span className="grid auto-cols-fr grid-flow-col gap-1">
        <Button {...look(capped?.length === 0)} onClick={() => onChange({ ...seen, capped: [] })}>
          none
        </Button>
        {others.map((volts) => (
          <Button key={volts} {...look(capped?.includes(volts) ?? false)} onClick={() => tick(volts)}>
            {volts} V
          </Button>
        ))}
        <Button {...look(capped === undefined)} onClick={() => onChange({ ...seen, capped: undefined })}>
          not looked
        </Button>
      </span>
    </div>
  )
}

/** Colours as they are at the landings; those nobody looked at stay asked for on the loom. */
function Colours({ seen, system, onChange }: { seen: WhatIsThere; system: System; onChange: Change }) {
  const known = Object.values(seen.colours).filter((colour) => colour !== 'unknown').length
  return (
    <details className="desk:col-span-2">
      <summary className="min-h-11 content-center">
        colors of the conductors: {known === 0 ? 'not looked at' : `${known} looked at`}
      </summary>
      {system.cables.map((cable) => (
        <div key={cable.id}>
          <p className="text-muted text-small">{cable.name}</p>
          <div className="grid grid-cols-2 gap-1 desk:grid-cols-4">
            {cable.conductors.map(({ id }) => {
              const key = `${cable.id}.${id}` as const
              return (
                <label key={key} className="flex items-center gap-1">
                  <span className="w-12 shrink-0 truncate font-bold">{id}</span>
                  <select
                    aria-label={`color of ${id} in the ${cable.name}`}
                    value={seen.colours[key] ?? 'unknown'}
                    onChange={({ target }) =>
                      onChange({ ...seen, colours: { ...seen.colours, [key]: target.value as (typeof conductorColours)[number] } })
                    }
                    className="min-h-11 min-w-0 flex-1 rounded border-2 border-line bg-ground px-1"
                  >
                    {conductorColours.map((colour) => (
                      <option key={colour} value={colour}>
                        {colour === 'unknown' ? 'not looked' : colour}
                      </option>
                    ))}
                  </select>
                </label>
              )
            })}
          </div>
        </div>
      ))}
    </details>
  )
}
