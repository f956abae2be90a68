'use client'
import { useMemo, useState } from 'react'
import { useForm } from 'react-hook-form'
import { NONE_OF_THESE, NOTHING_WRONG } from '@/src/core/diagnosis/inference/suspects'
import { cautionOfRepair } from '@/src/core/job/burned-out'
import { hurtConductor, repairAdvice } from '@/src/core/repair/of-job'
import { sayPercent } from '@/src/core/units/quantity'
import { cableById, zoneName, zonesOf } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Caution } from '@/src/ui/controls/caution'
import { useHands, useJob, useMoment, useSuspects } from '@/src/ui/desk/desk-context'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { useKeptForm } from '@/src/ui/device/use-kept-form'
import { HowToRepair } from '@/src/ui/repair/how-to-repair'
import { OptionsForCustomer } from '@/src/ui/repair/options-for-customer'
import { WhatMustMatch } from '@/src/ui/repair/what-must-match'
import { Bar } from '@/src/ui/trace/suspect-list'

interface RepairForm {
  readonly fault: string
  readonly zone: string
  readonly what: string
  readonly cause: string
}

const SHOWN = 4

/** The repairs that fit the leading suspects; the one that was done is recorded with its place and its cause. */
export function RepairStep({ onStep }: ScreenProps) {
  const { job, system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const { advice } = useSuspects()
  const repairs = repairsOf(advice?.suspects ?? [])
  const form = useForm<RepairForm>({ defaultValues: { fault: '', zone: '', what: '', cause: '' } })
  const forget = useKeptForm(form, `repair ${job.id}`)
  const { errors } = form.formState
  const chosen = form.watch('fault')
  const [done, cause] = form.watch(['what', 'cause'])
  const caution = cautionOfRepair({ fault: chosen === '' ? null : chosen, what: done, cause }, state.repairs)
  const choose = (fault: string, zone: string, what: string) => {
    form.setValue('fault', fault)
    form.setValue('zone', zone, { shouldValidate: true })
    form.setValue('what', what, { shouldValidate: true })
  }
  // The cable that is chosen, else that of the first suspect.
  const zone = form.watch('zone') || repairs[0]?.zone
  const cable = cableById(system, zone)
  const hurt = repairs.find((one) => one.zone === zone)?.fault ?? ''
  const conductor = useMemo(() => (cable ? hurtConductor(system, cable.id, hurt) : null), [system, cable, hurt])
  const ways = useMemo(() => repairAdvice(system, state).find((one) => one.cable === cable?.id)?.ways ?? [], [system, state, cable])
  // The cause is half of the repair: it is asked for once, and nobody is held up who has not found it.
  const [isAsked, setAsked] = useState(false)
  const enter = form.handleSubmit(({ fault, zone, what, cause }) => {
    if (cause.trim() === '' && !isAsked) {
      setAsked(true)
      return form.setFocus('cause')
    }
    setAsked(false)
    if (record([{ kind: 'repair', fault: fault === '' ? null : fault, zone, what, cause }]) === null) {
      form.reset()
      forget()
      onStep('prove')
    }
  })
  const field = 'min-h-11 w-full rounded border-2 border-line bg-panel px-3 py-2'
  return (
    <Screen
      title="Repair"
      main={
        <>
          <h2 className="mb-1 font-bold">Repairs for the suspected faults</h2>
          {repairs.length === 0 && <p className="text-muted">No strong suspect yet. Trace first, or record what was done.</p>}
          <ul className="mb-4 flex flex-col gap-2">
            {repairs.slice(0, SHOWN).map(({ fault, zone, say, because, probability }) => (
              <li key={say}>
                <Button
                  aria-pressed={chosen === fault}
                  onClick={() => choose(fault, zone, say)}
                  className={`w-full ${chosen === fault ? '!border-next' : ''}`}
                >
                  <span className="flex justify-between gap-3">
                    <b className="first-letter:uppercase">
                      {chosen === fault && <span aria-hidden>✓ </span>}
                      {say}
                    </b>
                    <b className="whitespace-nowrap">{sayPercent(probability)}</b>
                  </span>
                  <span className="block text-muted text-small">
                    {zoneName(system, zone)}: {because}
                  </span>
                  <Bar share={probability} />
                </Button>
              </li>
            ))}
          </ul>
          {(chosen || repairs[0]) && <WhatMustMatch fault={chosen || repairs[0].fault} />}
          {cable && (
            <HowToRepair
              key={cable.id}
              cable={cable.id}
              conductor={conductor}
              ways={ways}
              onChoose={(does, cause) => {
                form.setValue('zone', cable.id, { shouldValidate: true })
                if (chosen === '' && hurt !== '') form.setValue('fault', hurt)
                form.setValue('what', conductor === null ? does : `${does}: ${conductor}`, { shouldValidate: true })
                if (form.getValues('cause') === '') form.setValue('cause', cause)
              }}
            />
          )}
          <OptionsForCustomer ways={ways} />
          {state.repairs.length > 0 && (
            <>
              <h2 className="mb-1 font-bold">Recorded in this job</h2>
              <ul className="mb-4">
                {state.repairs.map((repair) => (
                  <li key={repair.id} className="border-line border-b py-2">
                    <span className="text-hold">✓</span> {repair.what}
                    <span className="block text-muted text-small">
                      {zoneName(system, repair.zone)}
                      {repair.cause && ` · cause: ${repair.cause}`}
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      }
      side={
        <>
          <form aria-label="What was done" onSubmit={enter} className="mb-3 flex flex-col gap-2 rounded border-2 border-next bg-raised p-3">
            <h2 className="font-bold text-large">What was done, and where</h2>
            {state.bench.power && <Caution>Power off and proved dead before wires are spliced or parts changed.</Caution>}
            {caution && <Caution>{caution}</Caution>}
            <label>
              <span className="font-bold">Where</span>
              <select
                {...form.register('zone', { required: 'Say where it was done.' })}
                aria-invalid={errors.zone !== undefined}
                className={field}
              >
                <option value="">choose …</option>
                {zonesOf(system).map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            {errors.zone && (
              <p role="alert" className="text-ember">
                {errors.zone.message}
              </p>
            )}
            <label>
              <span className="font-bold">What</span>
              <textarea
                {...form.register('what', { required: 'Say what was done; the customer reads it.', maxLength: 500 })}
                aria-invalid={errors.what !== undefined}
                rows={2}
                className={field}
              />
            </label>
            {errors.what && (
              <p role="alert" className="text-ember">
                {errors.what.message}
              </p>
            )}
            <label>
              <span className="font-bold">Cause, and how it was removed</span>
              <textarea
                {...form.register('cause', { maxLength: 500 })}
                rows={2}
                placeholder="what rubbed, chewed or loosened it"
                aria-describedby={isAsked ? 'no-cause' : undefined}
                className={`${field} placeholder:text-muted`}
              />
            </label>
            {isAsked && (
              <p id="no-cause" role="alert" className="text-ember">
                What caused it, and is that taken care of? If not, it will happen again. If you did not find it, record the repair as is:
                the page says so.
              </p>
            )}
            <Button type="submit" look="main" className="text-center">
              Record the repair
            </Button>
          </form>
          <p className="text-muted text-small">
            Test every mode again after the repair; readings start over, so a second fault would show.
          </p>
        </>
      }
    />
  )
}

interface RepairLine {
  readonly fault: string
  readonly zone: string
  readonly say: string
  readonly because: string
  readonly probability: number
}

/** Suspects that share a repair are one line. */
function repairsOf(
  suspects: readonly { id: string; say: string; zone: string | null; probability: number; repair: { id: string; say: string } | null }[],
): RepairLine[] {
  const lines = new Map<string, RepairLine>()
  for (const { id, say, zone, probability, repair } of suspects) {
    if (!repair || zone === null || id === NOTHING_WRONG || id === NONE_OF_THESE) continue
    const known = lines.get(repair.id)
    lines.set(
      repair.id,
      known ? { ...known, probability: known.probability + probability } : { fault: id, zone, say: repair.say, because: say, probability },
    )
  }
  return [...lines.values()].filter(({ probability }) => probability > 0.01).sort((a, b) => b.probability - a.probability)
}
