import { Plus } from 'lucide-react'
import { type Complaint, ofOneCall, sayChanged, saySymptom } from '@/src/core/job/complaint'
import { toldBy } from '@/src/core/job/customer-words'
import { sayCall } from '@/src/core/wiring/call'
import type { System } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'

/** Ticks that the customer's words suggest and that are not set: one tap sets each, and none is set without it. */
export function SuggestedTicks({ words, complaint, system, onTell }: SuggestedTicksProps) {
  const told = toldBy(words, system)
  const symptoms = told.symptoms.filter((symptom) => !complaint.symptoms.includes(symptom))
  const changed = told.changed.filter((change) => !complaint.changed.includes(change))
  const { call } = told
  const needsCall = complaint.symptoms.some(ofOneCall)
  const offers = [
    ...symptoms.map((symptom) => ({
      key: symptom,
      says: call && ofOneCall(symptom) ? `${saySymptom[symptom]}: ${sayCall[call]}` : saySymptom[symptom],
      part: { symptoms: [...complaint.symptoms, symptom], ...(call && { call }) },
    })),
    ...(call && needsCall && complaint.call === null ? [{ key: call, says: `which call: ${sayCall[call]}`, part: { call } }] : []),
    ...changed.map((change) => ({ key: change, says: sayChanged[change], part: { changed: [...complaint.changed, change] } })),
  ]
  if (offers.length === 0) return null
  return (
    <fieldset className="flex flex-wrap items-center gap-2">
      <legend className="float-left pr-2 text-muted leading-[2.75rem]">These words suggest</legend>
      {offers.map(({ key, says, part }) => (
        // The words go with it: they may not be on the timeline yet.
        <Button key={key} onClick={() => onTell({ words, ...part })}>
          <Plus aria-hidden className="mr-1 inline size-4" />
          {says}
        </Button>
      ))}
    </fieldset>
  )
}

interface SuggestedTicksProps {
  readonly words: string
  readonly complaint: Complaint
  readonly system: System
  readonly onTell: (part: Partial<Complaint>) => void
}
