'use client'
import { type ReactNode, useState } from 'react'
import type { BenchChange } from '@/src/core/bench/bench'
import { sayChange } from '@/src/core/bench/say'
import { runsOf } from '@/src/core/cable/of-job'
import { endsToMove, freeSpares, jointsOfSection, sectionAround } from '@/src/core/repair/substitution'
import type { Cable } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

interface OnASpareProps {
  readonly cable: Cable
  /** The conductor that is hurt. */
  readonly conductor: string
}

/** A spare in the conductor's place at both ends: what moves, and the entry that says it was moved. */
export function OnASpare({ cable, conductor }: OnASpareProps) {
  const { system } = useJob()
  const [spare, choice] = useSpare(cable, conductor)
  if (spare === null) return null
  return (
    <Moved
      steps={endsToMove(system, cable.id, conductor, spare)}
      swap={{ do: 'swap', cable: cable.id, from: conductor, to: spare }}
      choice={choice}
    />
  )
}

/** A spare between two places along the run: where it is cut and joined, and the entry. */
export function OnASection({ cable, conductor }: OnASpareProps) {
  const { system } = useJob()
  const { state } = useMoment()
  const [spare, choice] = useSpare(cable, conductor)
  const report = runsOf(system, state).find((run) => run.cable.id === cable.id)
  const names = report?.landmarks.map(({ name }) => name) ?? []
  const around = report ? sectionAround(report, conductor) : null
  const [chosen, setChosen] = useState<{ readonly near?: string; readonly far?: string }>({})
  if (spare === null || names.length < 2) return null
  const [near, far] = [chosen.near ?? around?.[0] ?? names[0], chosen.far ?? around?.[1] ?? names[names.length - 1]]
  const section: [string, string] = [near, far]
  const swap = { do: 'swap' as const, cable: cable.id, from: conductor, to: spare, section }
  return (
    <Moved
      steps={jointsOfSection(system, swap)}
      swap={swap}
      choice={
        <>
          {choice}
          <Chosen label="from" of={names} value={near} onChoose={(name) => setChosen({ ...chosen, near: name })} />
          <Chosen label="to" of={names} value={far} onChoose={(name) => setChosen({ ...chosen, far: name })} />
          {around === null && (
            <p className="w-full text-ember text-small">By the readings the damage is not between two landmarks. Add one past it first.</p>
          )}
        </>
      }
    />
  )
}

/** The spare that is to serve; which one is asked where there are several. */
function useSpare(cable: Cable, conductor: string) {
  const { state } = useMoment()
  const [chosen, setChosen] = useState<string | null>(null)
  const isOnOne = state.bench.swaps.some((swap) => swap.cable === cable.id && swap.from === conductor)
  const spares = isOnOne ? [] : freeSpares(cable, state)
  const spare = spares.find((one) => one === chosen) ?? spares[0] ?? null
  const choice = spare !== null && spares.length > 1 && <Chosen label="spare" of={spares} value={spare} onChoose={setChosen} />
  return [spare, choice] as const
}

interface MovedProps {
  readonly steps: readonly string[]
  readonly swap: BenchChange
  readonly choice: ReactNode
}

function Moved({ steps, swap, choice }: MovedProps) {
  const { system } = useJob()
  const { record } = useHands()
  return (
    <div className="my-1 pl-3">
      <div className="flex flex-wrap gap-2">{choice}</div>
      <ol className="my-1 list-decimal pl-5 text-small">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <Button onClick={() => record([{ kind: 'bench', change: swap }])} className="w-full">
        It is done: {sayChange(system, swap)}
      </Button>
    </div>
  )
}

interface ChosenProps {
  readonly label: string
  readonly of: readonly string[]
  readonly value: string
  readonly onChoose: (one: string) => void
}

function Chosen({ label, of, value, onChoose }: ChosenProps) {
  return (
    <label className="flex flex-col gap-1 text-small">
      {label}
      <select
        value={value}
        onChange={({ target }) => onChoose(target.value)}
        className="min-h-11 rounded border-2 border-line bg-panel px-2"
      >
        {of.map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
    </label>
  )
}
