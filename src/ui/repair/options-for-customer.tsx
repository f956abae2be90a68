'use client'
import { type FieldError, type FieldErrors, useForm } from 'react-hook-form'
import { sayOption } from '@/src/core/job/offer'
import { MOST_HOURS, MOST_OPTIONS, MOST_PRICE, type Offer } from '@/src/core/job/offer-schema'
import type { WayToRepair } from '@/src/core/repair/repair-ways'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useKeptForm } from '@/src/ui/device/use-kept-form'
import { SaveFile } from '@/src/ui/files/save-file'

interface Row {
  does: string
  hours: string
  price: string
  notCovered: string
}
interface OptionsForm {
  readonly rows: Row[]
}

const EMPTY: Row = { does: '', hours: '', price: '', notCovered: '' }

/** Two or three ways out, with the shop's own hours and prices, to be put to the customer; and what was said to them. */
export function OptionsForCustomer({ ways }: { ways: readonly WayToRepair[] }) {
  const { job } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const { offer } = state
  const form = useForm<OptionsForm>({ defaultValues: { rows: Array.from({ length: MOST_OPTIONS }, () => EMPTY) } })
  const forget = useKeptForm(form, `options ${job.id}`)
  const { errors } = form.formState
  const keep = form.handleSubmit(({ rows }) => {
    const options = rows.filter(({ does }) => does.trim() !== '').map(optionOf)
    if (options.length === 0) return form.setError('rows', { message: 'Say what at least one option does.' })
    if (record([{ kind: 'offer', options, answer: 'open' }]) === null) {
      form.reset({ rows: Array.from({ length: MOST_OPTIONS }, () => EMPTY) })
      forget()
    }
  })
  const answer = (said: Offer['answer']) => {
    if (offer) record([{ kind: 'offer', options: offer.options, answer: said }])
  }
  return (
    <details className="mb-4 rounded border-2 border-line px-3 py-1" open={offer !== null}>
      <summary className="min-h-11 content-center font-bold">Options for the customer</summary>
      {offer && (
        <section aria-label="Options given" className="mb-2">
          <ol className="list-decimal pl-5">
            {offer.options.map((option, index) => (
              <li key={sayOption(option)} className="mb-1">
                {sayOption(option)}
                {option.notCovered && <span className="block text-muted text-small">Does not cover: {option.notCovered}</span>}{' '}
                {offer.answer === 'open' ? (
                  <Button onClick={() => answer(index)}>customer takes option {index + 1}</Button>
                ) : (
                  <b>{offer.answer === index ? '✓ taken' : 'declined'}</b>
                )}
              </li>
            ))}
          </ol>
          <div className="flex flex-wrap items-center gap-3">
            {offer.answer === 'open' ? (
              <Button onClick={() => answer('declined')}>customer declines all</Button>
            ) : (
              <Button look="quiet" onClick={() => answer('open')}>
                ask again
              </Button>
            )}
            <SaveFile of="options">Options page (PDF)</SaveFile>
          </div>
        </section>
      )}
      <form onSubmit={keep} aria-label="Options to give">
        {Array.from({ length: MOST_OPTIONS }, (_, index) => index).map((index) => (
          <fieldset key={index} className="mb-2 grid grid-cols-2 gap-2 desk:grid-cols-[2fr_5rem_6rem_2fr]">
            <legend className="text-muted text-small">option {index + 1}</legend>
            {(
              [
                ['does', 'what is done'],
                ['hours', 'hours'],
                ['price', 'price'],
                ['notCovered', 'does not cover'],
              ] as const
            ).map(([name, label]) => (
              <label key={name} className="flex flex-col text-small">
                {label}
                <input
                  inputMode={name === 'hours' || name === 'price' ? 'decimal' : 'text'}
                  {...form.register(`rows.${index}.${name}`, {
                    maxLength: { value: 200, message: 'Keep it under 200 letters.' },
                    validate: (typed) => {
                      const most = name === 'hours' ? MOST_HOURS : name === 'price' ? MOST_PRICE : null
                      const value = Number(typed.replace(',', '.'))
                      return most === null || typed.trim() === '' || (value >= 0 && value <= most) || NOT_A_NUMBER
                    },
                  })}
                  aria-invalid={errors.rows?.[index]?.[name] !== undefined}
                  className="min-h-11 w-full rounded border-2 border-line bg-panel px-2"
                />
              </label>
            ))}
          </fieldset>
        ))}
        {errors.rows && (
          <p role="alert" className="mb-2 text-ember">
            {errors.rows.message ?? firstProblem(errors.rows) ?? NOT_A_NUMBER}
          </p>
        )}
        <div className="mb-2 flex flex-wrap gap-2">
          {ways.length > 0 && <Button onClick={() => form.reset({ rows: rowsOf(ways) })}>Use the repairs above</Button>}
          <Button type="submit">Save these options</Button>
        </div>
      </form>
    </details>
  )
}

const NOT_A_NUMBER = 'Type hours and price as numbers: 1.5.'

/** The sentence of the first field that cannot be taken. */
function firstProblem(rows: FieldErrors<OptionsForm>['rows']): string | undefined {
  for (const row of Array.isArray(rows) ? rows : [])
    for (const field of Object.values(row ?? {})) {
      const message = (field as FieldError | undefined)?.message
      if (message) return message
    }
}

const numberOf = (typed: string): number => Number(typed.replace(',', '.')) || 0

const optionOf = ({ does, hours, price, notCovered }: Row): Offer['options'][number] => ({
  does: does.trim(),
  hours: numberOf(hours),
  price: price.trim() === '' ? null : numberOf(price),
  notCovered: notCovered.trim(),
})

/** The ways that last there, and new cable beside them: the customer may want it done once. */
function rowsOf(ways: readonly WayToRepair[]): Row[] {
  const offered = [...ways.filter(({ fits }) => fits), ...ways.filter(({ fits, way }) => !fits && way === 'new cable')].slice(
    0,
    MOST_OPTIONS,
  )
  const rows = offered.map(({ does, minutes, notCovered }) => ({
    does,
    hours: (minutes / 60).toFixed(1),
    price: '',
    notCovered,
  }))
  return [...rows, ...Array.from({ length: MOST_OPTIONS - rows.length }, () => EMPTY)]
}
