'use client'
import { useState } from 'react'
import type { Answer } from '@/src/core/readings/check'
import { Button } from '@/src/ui/controls/button'

export type Measured = 'volts' | 'ohms' | 'amps'

const units: Record<Measured, readonly { readonly name: string; readonly factor: number }[]> = {
  volts: [
    { name: 'V', factor: 1 },
    { name: 'mV', factor: 1e-3 },
  ],
  ohms: [
    { name: 'ohm', factor: 1 },
    { name: 'kohm', factor: 1e3 },
  ],
  amps: [
    { name: 'A', factor: 1 },
    { name: 'mA', factor: 1e-3 },
  ],
}

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.'] as const

/** Types what the meter shows: big keys for a glove, or a keyboard. */
export function Keypad({
  measured,
  onTake,
  autoFocus = false,
}: {
  measured: Measured
  onTake: (answer: Answer) => void
  autoFocus?: boolean
}) {
  const [text, setText] = useState('')
  const [unit, setUnit] = useState(0)
  const number = text === '' ? Number.NaN : Number(text.replace(',', '.'))
  const isWrong = text !== '' && (!Number.isFinite(number) || number < 0)
  const take = () => {
    if (Number.isFinite(number) && number >= 0) onTake(Number((number * units[measured][unit].factor).toPrecision(9)))
  }
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        take()
      }}
    >
      <div className="flex gap-2">
        <input
          // biome-ignore lint/a11y/noAutofocus: the pad was opened to type
          autoFocus={autoFocus}
          value={text}
          onChange={(event) => setText(event.target.value)}
          inputMode="decimal"
          autoComplete="off"
          aria-label={`reading in ${units[measured][unit].name}`}
          aria-invalid={isWrong}
          placeholder="what the meter shows"
          className="min-h-11 min-w-0 flex-1 rounded border-2 border-line bg-ground px-3 font-mono text-large placeholder:text-small"
        />
        {units[measured].map(({ name }, index) => (
          <Button
            key={name}
            aria-pressed={index === unit}
            onClick={() => setUnit(index)}
            className={index === unit ? '!border-next font-bold' : ''}
          >
            {name}
          </Button>
        ))}
      </div>
      {isWrong && (
        <p role="alert" className="text-ember">
          “{text}” is not a number. Type digits as the meter shows them, as in 26.4; it is kept here until you do.
        </p>
      )}
      <div className="grid grid-cols-3 gap-2">
        {KEYS.map((key) => (
          <Button key={key} className="!text-center text-large" onClick={() => setText(text + key)}>
            {key}
          </Button>
        ))}
        <Button className="!text-center text-large" aria-label="delete the last digit" onClick={() => setText(text.slice(0, -1))}>
          ←
        </Button>
        {measured === 'ohms' ? (
          <Button className="!text-center font-bold text-large" onClick={() => onTake('OL')}>
            OL
          </Button>
        ) : (
          <span />
        )}
        <Button type="submit" look="main" className="col-span-2 text-center" disabled={!Number.isFinite(number) || number < 0}>
          Take it
        </Button>
      </div>
    </form>
  )
}
