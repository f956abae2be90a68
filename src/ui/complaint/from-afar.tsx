'use client'
import { useState } from 'react'
import { answerFromAfar, type CodeWire, codeWires, fromAfar, namedWire, sayFoundFromAfar, sayFromAfar } from '@/src/core/advice/from-afar'
import { partById, placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { Sheet } from '@/src/ui/controls/sheet'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

const nameOf = ({ thermostat, terminal }: CodeWire): string => `${thermostat} ${terminal}`

/** An over-current code, followed by whoever is in the house and has no meter: step by step by phone, or all steps as a text to send. */
export function FromAfar() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const [isOpen, setOpen] = useState(false)
  const [chosen, setChosen] = useState<string | null>(null)
  const [sent, setSent] = useState<string | null>(null)
  const wires = codeWires(system)
  if (wires.length === 0) return null
  const named = namedWire(system, state)
  const wire = wires.find((one) => nameOf(one) === chosen) ?? wires.find((one) => named && nameOf(one) === nameOf(named)) ?? wires[0]
  const { steps, next, found } = fromAfar(system, state, wire)
  const send = async () => {
    const text = sayFromAfar(system, wire)
    // Not every browser that the types know of hands things over.
    const hands: { share?: Navigator['share']; clipboard: Clipboard } = navigator
    try {
      if (hands.share) await hands.share({ text })
      else await hands.clipboard.writeText(text)
      setSent(hands.share ? 'Handed over.' : 'Copied: paste it into a message.')
    } catch {
      setSent('This device does not hand it over: select the text below and copy it.')
    }
  }
  return (
    <div>
      <Button onClick={() => setOpen(true)}>Lead someone through a code by phone</Button>
      <Sheet
        open={isOpen}
        onOpenChange={setOpen}
        title="A code, from afar"
        description="For whoever is in the house and has no meter. One wire comes off at a time, the power off first, and the code tells."
      >
        <label className="mb-3 flex flex-col gap-1">
          <span className="font-bold">The code names</span>
          <select
            value={nameOf(wire)}
            onChange={({ target }) => setChosen(target.value)}
            className="min-h-11 rounded border-2 border-line bg-panel px-2"
          >
            {wires.map((one) => (
              <option key={nameOf(one)} value={nameOf(one)}>
                {one.terminal}, {partById(system, one.thermostat)?.name}
              </option>
            ))}
          </select>
        </label>
        <ol className="mb-3 flex flex-col gap-1">
          {steps.map(({ cut, shows }, index) =>
            shows === null ? null : (
              <li key={cut.end} className="border-line border-b pb-1">
                Step {index + 1}, off at the {placeById(system, cut.place)?.name}: <b>{shows === 'code' ? 'the code came' : 'no code'}</b>
              </li>
            ),
          )}
        </ol>
        {next && (
          <section aria-label={`Step ${steps.indexOf(next) + 1}`} className="mb-3">
            <h3 className="mb-1 font-bold">Read out, step {steps.indexOf(next) + 1}</h3>
            <Caution>{next.caution}</Caution>
            <ol className="my-2 list-inside list-decimal">
              {next.does.map((one) => (
                <li key={one} className="mb-1">
                  {one}
                </li>
              ))}
            </ol>
            <p className="mb-2 font-bold">{next.ask}</p>
            <div className="grid grid-cols-2 gap-2">
              <Button onClick={() => record(answerFromAfar(system, state.bench, wire, next, 'code'))}>the code came</Button>
              <Button onClick={() => record(answerFromAfar(system, state.bench, wire, next, 'no code'))}>no code</Button>
            </div>
          </section>
        )}
        {found && (
          <section aria-label="Found from afar" className="mb-3 border-hold border-l-4 pl-3">
            <p className="font-bold">{sayFoundFromAfar(system, found)}</p>
            <p>Power off, and leave the wire off as it is. The record of this job has every step; Trace goes on from here.</p>
          </section>
        )}
        <Button onClick={send}>Send all steps as a text</Button>
        {sent && (
          <p role="status" className="mt-1 text-small">
            {sent}
          </p>
        )}
        <details className="mt-3">
          <summary className="min-h-11 content-center font-bold">All steps</summary>
          <p className="select-all whitespace-pre-wrap text-small">{sayFromAfar(system, wire)}</p>
        </details>
      </Sheet>
    </div>
  )
}
