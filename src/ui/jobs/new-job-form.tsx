'use client'
import { useQuery } from '@tanstack/react-query'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { NewJob } from '@/src/core/formats/api'
import { type CardRead, sayCard } from '@/src/core/formats/page/card-reading'
import { type ChangeLately, emptyComplaint, sayChanged } from '@/src/core/job/complaint'
import { changesLately } from '@/src/core/job/symptoms'
import type { ThisHouse } from '@/src/core/wiring/build-system'
import { nothingLookedAt, type WhatIsThere } from '@/src/core/wiring/what-is-there'
import { Button } from '@/src/ui/controls/button'
import { Sheet } from '@/src/ui/controls/sheet'
import { Tick } from '@/src/ui/controls/tick'
import { api, NoAnswer } from '@/src/ui/device/api-client'
import { beginJobOnDevice } from '@/src/ui/device/kept-jobs'
import { useKeptForm } from '@/src/ui/device/use-kept-form'
import { EarlierJobs } from '@/src/ui/jobs/earlier-jobs'
import { asEarlierJobLeft, EARLIER, shippedSystem, systemHere } from '@/src/ui/jobs/house-here'
import { LettersDiffer } from '@/src/ui/jobs/letters-differ'
import { ReadCard } from '@/src/ui/jobs/read-card'
import { WalksHere } from '@/src/ui/jobs/walks-here'

interface NewJobFields {
  readonly title: string
  readonly systemId: string
  /** An earlier job whose house this is: its wiring is taken as that job left it. */
  readonly systemOf: string
  /** The kind of the list that the earlier job began from; empty where it is none of them. */
  readonly kindOf: string
  readonly seen: WhatIsThere
  /** Letters of its strips that are not those of the kind, and its walks. */
  readonly here: ThisHouse
  /** The card inside the panel: its colors are those of this house. */
  readonly card: CardRead | null
  readonly words: string
  readonly changed: readonly ChangeLately[]
}

/** Brings every kind with it: loaded when it is asked for. */
const TickSystem = dynamic(() => import('@/src/ui/jobs/tick-system').then((module) => module.TickSystem), {
  loading: () => <p className="text-muted">loading the system types …</p>,
})

/** Only looked at by those who want to hold it against the wall. */
const LoomPicture = dynamic(() => import('@/src/ui/loom/loom-picture').then((module) => module.LoomPicture), {
  loading: () => <p className="text-muted">drawing …</p>,
})

const NOTHING_OF_HERE: ThisHouse = { letters: [], walks: [] }

/** A choice of the list that is no kind. */
const TICK = 'tick'

const field = 'min-h-11 w-full rounded border-2 border-line bg-panel px-3 py-2 placeholder:text-muted'

/** How many of the questions have an answer. */
const ticked = ({ traits, fuse, float, board, capped, colours }: WhatIsThere): number =>
  [...Object.values(traits), fuse, float, board, capped ?? 'unknown', ...Object.values(colours)].filter((said) => said !== 'unknown').length

/** How the picked kind is wired, to hold against what is on the wall. */
function SystemPicture({ id }: { id: string }) {
  const [isOpen, setOpen] = useState(false)
  const { data: system, error } = useQuery({
    queryKey: ['system', id],
    queryFn: () => api.readSystem(id),
    enabled: isOpen && id !== '',
    staleTime: 600_000,
  })
  return (
    <details onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="min-h-11 content-center">how it is wired</summary>
      {!isOpen ? null : system ? <LoomPicture system={system} /> : <p className="text-muted">{error ? error.message : 'drawing …'}</p>}
    </details>
  )
}

/** Where, which type of system, what it does in the customer's words, and what changed lately. */
export function NewJobForm({ systems }: { systems: readonly { id: string; name: string }[] }) {
  const router = useRouter()
  const [problem, setProblem] = useState<string | null>(null)
  const form = useForm<NewJobFields>({
    defaultValues: {
      title: '',
      systemId: systems[0]?.id ?? '',
      systemOf: '',
      kindOf: '',
      seen: nothingLookedAt,
      here: NOTHING_OF_HERE,
      card: null,
      words: '',
      changed: [],
    },
  })
  const forget = useKeptForm(form, 'new job')
  const changed = form.watch('changed')
  const [title, systemId, systemOf, seen, here, card] = form.watch(['title', 'systemId', 'systemOf', 'seen', 'here', 'card'])
  const [ticking, setTicking] = useState(false)
  const { errors, isSubmitting } = form.formState
  const start = form.handleSubmit(async ({ title, systemId, systemOf, kindOf, seen, here, card, words, changed: lately }) => {
    setProblem(null)
    const id = crypto.randomUUID()
    const at = new Date().toISOString()
    const complaint = { ...emptyComplaint, words, changed: [...lately] }
    try {
      // Another type than the earlier job's was picked after it: that house is not taken.
      const left = systemId === EARLIER || systemId === kindOf ? await asEarlierJobLeft(systemOf, systemId) : null
      const job = {
        id,
        title,
        createdAt: at,
        entries: [
          { id: crypto.randomUUID(), at, kind: 'complaint' as const, complaint },
          ...(card ? [{ id: crypto.randomUUID(), at, kind: 'note' as const, text: sayCard(card) }] : []),
        ],
      }
      const own =
        systemId === TICK
          ? (await import('@/src/ui/jobs/tick-system')).systemOf(seen)
          : left || card || here.letters.length + here.walks.length > 0
            ? await systemHere(left ?? systemId, here, card)
            : null
      const opening: NewJob = own ? { ...job, system: own } : { ...job, systemId }
      try {
        await api.openJob(opening)
      } catch (error) {
        if (!(error instanceof NoAnswer)) throw error
        // Without a signal it begins on this device, and is opened on the server when that answers.
        await beginJobOnDevice(opening, own ?? (await shippedSystem(systemId)))
        forget()
        window.location.assign(`/jobs/${id}?step=complaint`)
        return
      }
      forget()
      router.push(`/jobs/${id}?step=complaint`)
    } catch (error) {
      setProblem(`${(error as Error).message} What you typed is still here.`)
    }
  })
  return (
    <form aria-label="New job" onSubmit={start} className="mb-3 flex flex-col gap-2 rounded border-2 border-next bg-raised p-3">
      <h2 className="font-bold text-large">Where are you, and what does it do?</h2>
      <input
        {...form.register('title', { required: 'A job needs a street or a name to find it by.', maxLength: 200 })}
        aria-label="street, unit"
        placeholder="street, unit"
        aria-invalid={errors.title !== undefined}
        autoComplete="off"
        className={field}
      />
      {errors.title && (
        <p role="alert" className="text-ember">
          {errors.title.message}
        </p>
      )}
      <EarlierJobs
        typed={title}
        onPick={(job) => {
          form.setValue('title', job.title, { shouldDirty: true })
          const same = systems.find(({ name }) => name === job.system)
          form.setValue('systemOf', job.id, { shouldDirty: true })
          form.setValue('kindOf', same?.id ?? '', { shouldDirty: true })
          form.setValue('systemId', same ? same.id : EARLIER, { shouldDirty: true })
        }}
      />
      <ReadCard
        card={card}
        onCard={(next) => {
          form.setValue('card', next, { shouldDirty: true })
          if (!next) return
          form.setValue('title', next.title, { shouldDirty: true })
          // A house of its own bears the name of its kind.
          const kind = systems.find(({ name }) => next.system === name || next.system === `${name}, as it is here`)
          if (kind) form.setValue('systemId', kind.id, { shouldDirty: true })
          else setProblem(`The card is of “${next.system}”, which is not on the list: pick the type that it is.`)
        }}
      />
      <select
        {...form.register('systemId', { onChange: () => form.setValue('here', NOTHING_OF_HERE) })}
        aria-label="type of system"
        className={field}
      >
        {systems.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
        {systemOf !== '' && <option value={EARLIER}>as the earlier job left it</option>}
        <option value={TICK}>not listed: check what is there</option>
      </select>
      {systemId === TICK ? (
        <>
          <Button onClick={() => setTicking(true)}>
            {ticked(seen) === 0 ? 'Check what is there' : `What is there: ${ticked(seen)} looked at`}
          </Button>
          <Sheet
            open={ticking}
            onOpenChange={setTicking}
            title="What is there?"
            description="Leave blank what you have not looked at: unknowns are treated as unknown."
            wide
          >
            <TickSystem seen={seen} onChange={(next) => form.setValue('seen', next, { shouldDirty: true })} />
            <Button look="main" className="mt-3 w-full" onClick={() => setTicking(false)}>
              Done
            </Button>
          </Sheet>
        </>
      ) : systemId === EARLIER ? null : (
        <>
          <SystemPicture id={systemId} />
          <LettersDiffer
            systemId={systemId}
            letters={here.letters}
            onChange={(letters) => form.setValue('here', { ...here, letters }, { shouldDirty: true })}
          />
          <WalksHere
            systemId={systemId}
            walks={here.walks}
            onChange={(walks) => form.setValue('here', { ...here, walks }, { shouldDirty: true })}
          />
        </>
      )}
      <textarea
        {...form.register('words', { maxLength: 2000 })}
        aria-label="complaint in the customer's words"
        placeholder="in the customer's words"
        rows={2}
        className={field}
      />
      <details>
        <summary className="min-h-11 content-center">
          changed lately{changed.length > 0 && `: ${changed.map((change) => sayChanged[change]).join(', ')}`}
        </summary>
        <div className="grid grid-cols-2 gap-2">
          {changesLately.map((change) => (
            <Tick
              key={change}
              checked={changed.includes(change)}
              onChange={(isOn) => form.setValue('changed', isOn ? [...changed, change] : changed.filter((other) => other !== change))}
            >
              {sayChanged[change]}
            </Tick>
          ))}
        </div>
      </details>
      {problem && (
        <p role="alert" className="text-ember">
          {problem}
        </p>
      )}
      <Button type="submit" look="main" className="text-center" disabled={isSubmitting}>
        Start
      </Button>
    </form>
  )
}
