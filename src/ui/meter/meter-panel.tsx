'use client'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { MeterReads } from '@/src/core/formats/meter-form'
import type { Answer, Probe } from '@/src/core/readings/check'
import { sayAnswer } from '@/src/core/readings/say'
import { Button } from '@/src/ui/controls/button'
import { useJob } from '@/src/ui/desk/desk-context'
import { useMeter } from '@/src/ui/meter/use-meter'

/** Drawn once a meter is there. */
const MeterChart = dynamic(() => import('@/src/ui/meter/meter-chart').then((module) => module.MeterChart), { ssr: false })

const KEPT = 'nest-trace meter'

interface Asked {
  readonly reads: MeterReads
  readonly probe: Probe
  /** What a sound house would read there; null where that is not known. */
  readonly sound: { readonly low: number; readonly high: number } | null
  readonly onTake: (answer: Answer) => void
}

/** A meter on the line: its value as it runs, taken by a tap. */
export function MeterPanel(asked: Asked) {
  const [address, setAddress] = useState<string | null>(null)
  const [typed, setTyped] = useState(() => localStorage.getItem(KEPT) ?? '')
  if (address !== null) return <Running {...asked} address={address} onEnd={() => setAddress(null)} />
  return (
    <details className="mb-2">
      <summary className="min-h-11 content-center">meter on the network</summary>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          localStorage.setItem(KEPT, typed.trim())
          setAddress(typed.trim())
        }}
      >
        <input
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          aria-label="address of the meter"
          placeholder="192.168.1.40:5025"
          autoComplete="off"
          className="min-h-11 min-w-0 flex-1 rounded border-2 border-line bg-ground px-3 font-mono"
        />
        <Button type="submit">Connect</Button>
      </form>
    </details>
  )
}

function Running({ address, reads, probe, sound, onTake, onEnd }: Asked & { address: string; onEnd: () => void }) {
  const { job } = useJob()
  const { name, isSimulated, values, problem } = useMeter(address, reads, job.id, probe)
  const last = values.at(-1)
  return (
    <section aria-label="Meter" className="mb-2 rounded border-2 border-line p-2">
      <p className="text-muted text-small">
        {name ?? `connecting to ${address} …`}
        {isSimulated && <strong className="text-ember"> simulated</strong>}
      </p>
      {last !== undefined && (
        <>
          <p className="font-mono text-large" aria-hidden>
            {sayAnswer(last, probe)}
          </p>
          <MeterChart values={values} reads={reads} sound={sound} />
          <Button look="main" className="mt-2 w-full" onClick={() => onTake(last)}>
            Take {sayAnswer(last, probe)}
          </Button>
        </>
      )}
      {problem && (
        <p role="alert" className="text-ember">
          {problem}
        </p>
      )}
      <Button look="quiet" onClick={onEnd}>
        {problem ? 'another address' : 'disconnect'}
      </Button>
    </section>
  )
}
