'use client'
import type { ReactNode } from 'react'
import { type Complaint, ofOneCall, sayChanged, saySymptom } from '@/src/core/job/complaint'
import { changesLately, symptoms } from '@/src/core/job/symptoms'
import { sayCall } from '@/src/core/wiring/call'
import { callsOf } from '@/src/core/wiring/system'
import { CodeLookup } from '@/src/ui/complaint/code-lookup'
import { ComplaintMoves } from '@/src/ui/complaint/complaint-moves'
import { FromAfar } from '@/src/ui/complaint/from-afar'
import { LastTime } from '@/src/ui/complaint/last-time'
import { LookFirst } from '@/src/ui/complaint/look-first'
import { SuggestedTicks } from '@/src/ui/complaint/suggested-ticks'
import { Button } from '@/src/ui/controls/button'
import { Tick } from '@/src/ui/controls/tick'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { useKeptText } from '@/src/ui/device/use-kept-text'

/** What the customer says, what changed lately, what the last visitor said; and how it moves the suspicion. */
export function ComplaintStep({ onStep }: ScreenProps) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const { complaint } = state
  const tell = (part: Partial<Complaint>) => record([{ kind: 'complaint', complaint: { ...complaint, ...part } }])
  const toggle = <T,>(list: readonly T[], item: T, isOn: boolean): T[] => (isOn ? [...list, item] : list.filter((other) => other !== item))
  const needsCall = complaint.symptoms.some(ofOneCall)
  return (
    <Screen
      title="Complaint"
      main={
        <div className="flex flex-col gap-3">
          <Words name="words" label="In the customer's words" value={complaint.words} onTell={(words) => tell({ words })} large>
            {(words) => <SuggestedTicks words={words} complaint={complaint} system={system} onTell={tell} />}
          </Words>
          <LastTime />
          <fieldset>
            <legend className="mb-1 font-bold">What it does</legend>
            <div className="grid grid-cols-2 gap-2 desk:grid-cols-3">
              {symptoms.map((symptom) => (
                <Tick
                  key={symptom}
                  checked={complaint.symptoms.includes(symptom)}
                  onChange={(isOn) => tell({ symptoms: toggle(complaint.symptoms, symptom, isOn) })}
                >
                  {saySymptom[symptom]}
                </Tick>
              ))}
            </div>
          </fieldset>
          {needsCall && (
            <fieldset className="flex flex-wrap items-center gap-2">
              <legend className="float-left pr-2 text-muted leading-[2.75rem]">which call</legend>
              {callsOf(system).map((call) => (
                <Button
                  key={call}
                  aria-pressed={complaint.call === call}
                  onClick={() => tell({ call: complaint.call === call ? null : call })}
                  className={complaint.call === call ? '!border-next font-bold' : ''}
                >
                  {complaint.call === call && <span aria-hidden>✓ </span>}
                  {sayCall[call]}
                </Button>
              ))}
            </fieldset>
          )}
          <fieldset>
            <legend className="mb-1 font-bold">Changed lately</legend>
            <div className="grid grid-cols-2 gap-2 desk:grid-cols-3">
              {changesLately.map((change) => (
                <Tick
                  key={change}
                  checked={complaint.changed.includes(change)}
                  onChange={(isOn) => tell({ changed: toggle(complaint.changed, change, isOn) })}
                >
                  {sayChanged[change]}
                </Tick>
              ))}
            </div>
          </fieldset>
          {complaint.changed.length > 0 && (
            <Words
              name="changed by"
              label="Who changed it, and when"
              value={complaint.changedBy}
              onTell={(changedBy) => tell({ changedBy })}
            />
          )}
          <Tick checked={complaint.rightUnit} onChange={(rightUnit) => tell({ rightUnit })}>
            right unit: thermostat, indoor and outdoor are one system
          </Tick>
          <LookFirst />
          <FromAfar />
          <CodeLookup taken={complaint.codes} onTake={(codes) => tell({ codes })} />
          <Words name="hearsay" label="What the last visitor said" value={complaint.hearsay} onTell={(hearsay) => tell({ hearsay })} />
        </div>
      }
      side={<ComplaintMoves onStep={onStep} />}
    />
  )
}

/** Goes on the timeline when the field is left; until then it is kept as typed, over a reload too. */
function Words({ name, label, value, onTell, large = false, children }: WordsProps) {
  const { job } = useJob()
  const [typed, keep] = useKeptText(`${name} ${job.id}`)
  return (
    <div className="flex flex-col gap-2">
      <label className="flex flex-col gap-1">
        <span className="font-bold">{label}</span>
        <textarea
          value={typed ?? value}
          rows={large ? 2 : 1}
          maxLength={large ? 2000 : 500}
          onChange={(event) => keep(event.target.value)}
          onBlur={() => {
            if (typed !== null && typed !== value) onTell(typed)
            keep(null)
          }}
          className="min-h-11 rounded border-2 border-line bg-panel px-3 py-2 [field-sizing:content]"
        />
      </label>
      {children?.(typed ?? value)}
    </div>
  )
}

interface WordsProps {
  readonly name: string
  readonly label: string
  readonly value: string
  readonly onTell: (text: string) => void
  readonly large?: boolean
  /** What stands below, for the words as they are typed. */
  readonly children?: (words: string) => ReactNode
}
