'use client'
import { useState } from 'react'
import { cyclesOf, cycleTimes } from '@/src/core/prove/cycles'
import { sayCountdown } from '@/src/core/units/quantity'
import { type CallName, sayCall } from '@/src/core/wiring/call'
import { callsOf } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { useSeconds } from '@/src/ui/controls/use-seconds'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

/** What comes and goes is cycled: on and off by the clock, each clean one counted, and what that says. */
export function CycleCard() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const calls = callsOf(system)
  const on = state.bench.call === 'off' ? null : state.bench.call
  const [chosen, choose] = useState<CallName>(calls.find((call) => call.startsWith('cool')) ?? calls[0])
  const call = on ?? chosen
  const { clean, wanted, say } = cyclesOf(state)
  const { onS, offS } = cycleTimes(system, call)
  const turned = state.standing.findLast((entry) => entry.kind === 'bench' && entry.change.do === 'call')
  const nowMs = useSeconds(turned !== undefined)
  const sinceS = turned === undefined ? Number.POSITIVE_INFINITY : nowMs === null ? 0 : (nowMs - Date.parse(turned.at)) / 1000
  const left = Math.ceil((on === null ? offS : onS) - sinceS)
  const off = { kind: 'bench', change: { do: 'call', call: 'off' } } as const
  return (
    <details className="my-2 rounded border-2 border-line px-3 py-1" open={clean > 0}>
      <summary className="min-h-11 content-center">It came and went: cycle it</summary>
      <p className="my-1" role="status">
        {say} {clean < wanted && `${wanted} in all are enough.`}
      </p>
      {on === null && (
        <label className="my-2 block">
          <span className="text-muted text-small">mode</span>
          <select
            value={chosen}
            onChange={({ target }) => choose(target.value as CallName)}
            className="min-h-11 w-full rounded border-2 border-line bg-panel px-2"
          >
            {calls.map((one) => (
              <option key={one} value={one}>
                {sayCall[one]}
              </option>
            ))}
          </select>
        </label>
      )}
      {left > 0 && (
        <p className="my-1">
          {on === null ? 'Off for' : `${sayCall[call]} runs for`} <b role="timer">{sayCountdown(left)}</b> more.
        </p>
      )}
      {on === null ? (
        <Button
          className="mb-2 w-full"
          disabled={!state.bench.power}
          onClick={() => record([{ kind: 'bench', change: { do: 'call', call } }])}
        >
          {left > 0 ? `call for ${sayCall[call]} early` : `call for ${sayCall[call]}`}
        </Button>
      ) : (
        <div className="mb-2 grid grid-cols-2 gap-2">
          <Button look={left > 0 ? 'plain' : 'main'} disabled={left > 0} onClick={() => record([{ kind: 'cycle', call }, off])}>
            clean: end it
          </Button>
          <Button onClick={() => record([{ kind: 'trip', result: 'trips' }])}>it tripped</Button>
        </div>
      )}
    </details>
  )
}
