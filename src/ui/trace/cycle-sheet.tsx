'use client'
import { useState } from 'react'
import type { EntryDraft } from '@/src/core/job/entry'
import { capital } from '@/src/core/units/capital'
import { type CallName, sayCall } from '@/src/core/wiring/call'
import { callsOf, firstPart, zonesOf } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { Sheet } from '@/src/ui/controls/sheet'
import { useSeconds } from '@/src/ui/controls/use-seconds'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

/** How long a call is on and lets go in one round, in seconds: assumptions; most trips that come and go show within a minute of the call. */
const ON_S = 60
const REST_S = 20

interface Round {
  readonly phase: 'on' | 'rest'
  readonly untilMs: number
}

/**
 * A fault that comes and goes is called up again and again: on, rest, on, each round answered with held or tripped, and with
 * what was being moved. Every round is a reading of its own.
 */
export function CycleSheet({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const calls = callsOf(system)
  const [call, setCall] = useState<CallName>(state.complaint.call ?? calls[0])
  const [moving, setMoving] = useState('')
  const [highest, setHighest] = useState('')
  const [round, setRound] = useState<Round | null>(null)
  const nowMs = useSeconds(round !== null)
  const left = round && nowMs !== null ? Math.max(0, Math.ceil((round.untilMs - nowMs) / 1000)) : 0
  const rounds = state.observations.filter(({ bench, probe }) => probe.meter === 'trip' && bench.call === call)
  const trips = rounds.filter(({ answer }) => typeof answer === 'object' && 'word' in answer && answer.word === 'trips').length

  const begin = (phase: Round['phase'], seconds: number) => setRound({ phase, untilMs: Date.now() + 1000 * seconds })
  const set = (to: CallName | 'off'): EntryDraft[] => (state.bench.call === to ? [] : [{ kind: 'bench', change: { do: 'call', call: to } }])
  const start = () => {
    if (record(set(call)) === null) begin('on', ON_S)
  }
  const answer = (result: 'trips' | 'holds') => {
    const wiggled: EntryDraft[] =
      moving === '' ? [] : [{ kind: 'note', text: `${result === 'trips' ? 'tripped' : 'held'} while moving the ${moving}` }]
    // The clamp is read before the call goes off, and speaks of the round that it was kept through.
    const amps = Number(highest.replace(',', '.'))
    const kept: EntryDraft[] =
      highest !== '' && Number.isFinite(amps) && amps >= 0
        ? [{ kind: 'reading', probe: { meter: 'amps', on: firstPart(system, 'fuse').id, hold: 'max' }, answer: amps }]
        : []
    const problem = record([...kept, { kind: 'trip', result }, ...wiggled, { kind: 'bench', change: { do: 'call', call: 'off' } }])
    if (problem !== null) return
    setHighest('')
    if (result === 'trips') setRound(null)
    else begin('rest', REST_S)
  }
  return (
    <Sheet
      open={open}
      onOpenChange={(next) => {
        if (!next) setRound(null)
        onOpenChange(next)
      }}
      title="Cycle the call"
      description={`${rounds.length} ${rounds.length === 1 ? 'round' : 'rounds'} of ${sayCall[call]} so far, ${trips} tripped`}
    >
      <div className="flex flex-col gap-3">
        <div className="flex flex-wrap gap-2">
          {calls.map((name) => (
            <Button
              key={name}
              aria-pressed={name === call}
              disabled={round !== null}
              onClick={() => setCall(name)}
              className={name === call ? '!border-next font-bold' : ''}
            >
              {sayCall[name]}
            </Button>
          ))}
        </div>
        <label className="flex items-center gap-2">
          <span>moving while it runs</span>
          <select
            value={moving}
            onChange={({ target }) => setMoving(target.value)}
            className="min-h-11 flex-1 rounded border-2 border-line bg-ground px-2"
          >
            <option value="">nothing</option>
            {zonesOf(system).map(({ id, name }) => (
              <option key={id} value={name}>
                wiring of the {name}
              </option>
            ))}
          </select>
        </label>
        <Caution>Keep clear of fans and moving parts; move wires with the handle of a tool, not with the hand.</Caution>
        {round === null ? (
          <Button look="main" className="text-center" onClick={start}>
            Set {sayCall[call]} and start
          </Button>
        ) : round.phase === 'rest' && left > 0 ? (
          <p className="font-bold text-large" aria-live="polite">
            Off time: {left} s
          </p>
        ) : round.phase === 'rest' ? (
          <Button look="main" className="text-center" onClick={start}>
            Next round
          </Button>
        ) : (
          <>
            <p className="font-bold text-large">
              {capital(sayCall[call])} is on: {left > 0 ? `${left} s` : 'did it hold?'}
            </p>
            <label className="flex items-center gap-2">
              <span>highest amps on R that the clamp held</span>
              <input
                value={highest}
                onChange={({ target }) => setHighest(target.value)}
                inputMode="decimal"
                autoComplete="off"
                placeholder="A"
                aria-invalid={highest !== '' && !(Number(highest.replace(',', '.')) >= 0)}
                className="min-h-11 w-36 rounded border-2 border-line bg-ground px-2 font-mono"
              />
            </label>
            <div className="grid grid-cols-2 gap-2">
              <Button onClick={() => answer('trips')}>it tripped</Button>
              <Button onClick={() => answer('holds')} disabled={left > 0}>
                it held this time
              </Button>
            </div>
          </>
        )}
        <p className="text-muted text-small">One hold doesn't rule it out: an intermittent fault shows in some rounds only.</p>
      </div>
    </Sheet>
  )
}
