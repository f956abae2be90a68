'use client'
import { useState } from 'react'
import type { ContentEntry, Entry } from '@/src/core/job/entry'
import { fallsWith, refusedSince } from '@/src/core/job/fold'
import type { JobState } from '@/src/core/job/job-state'
import { sayDraft, sayFallen } from '@/src/core/job/say-draft'
import { isContent } from '@/src/core/job/standing'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { sayBenchShort } from '@/src/core/readings/say'
import { Button } from '@/src/ui/controls/button'
import { LocalTime } from '@/src/ui/controls/local-time'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { Picture } from '@/src/ui/photos/picture'
import { TakePhoto } from '@/src/ui/photos/take-photo'

/** One entry: what it says, whether it counts, and what can be done about it. */
export function TimelineRow({ entry, say, state }: { entry: Entry; say: (entry: Entry) => string; state: JobState }) {
  const { system } = useJob()
  const now = state.standing.find(({ id }) => id === entry.id) ?? null
  const isMeta = !isContent(entry)
  const stands = isMeta ? !state.undone.has(entry.id) : now !== null
  const observation = state.observations.find(({ id }) => id === entry.id)
  const refusal = state.refused.find(({ id }) => id === entry.id)
  return (
    <>
      <div className="flex items-baseline gap-3">
        <LocalTime at={entry.at} className="text-muted text-small" />
        <span className={`flex-1 ${stands && !refusal ? '' : 'text-muted line-through'}`}>
          {say(entry)}
          {!(stands && !refusal) && <span className="sr-only"> ({refusal ? 'does not count' : 'undone'})</span>}
        </span>
      </div>
      {(observation || entry.by) && (
        <p className="pl-12 text-muted text-small">
          {[observation && sayBenchShort(system, observation.bench), entry.by && `by ${entry.by}`].filter(Boolean).join(' · ')}
        </p>
      )}
      {entry.kind === 'photo' && stands && <Picture digest={entry.digest} of={entry.of} className="mt-1 ml-12 h-28 w-40" />}
      {refusal && <WhyRefused entry={entry} problem={refusal.problem} say={say} />}
      {stands && !refusal && <RowActions entry={now ?? entry} state={state} />}
    </>
  )
}

/** Why an entry does not count, and what would bring it back. */
function WhyRefused({ entry, problem, say }: { entry: Entry; problem: string; say: (entry: Entry) => string }) {
  const { system } = useJob()
  const { timeline } = useMoment()
  const since = refusedSince(system, timeline, entry.id)
  return (
    <p className="pl-12 text-ember text-small">
      Does not count: {problem}
      {since && ` It has been so since “${say(since)}”: undo that, and it counts again.`}
    </p>
  )
}

/** On a phone a question would open below the edge. */
const scrollIntoView = (element: HTMLElement | null) => element?.scrollIntoView({ block: 'nearest' })

function RowActions({ entry, state }: { entry: Entry; state: JobState }) {
  const { system } = useJob()
  const { timeline } = useMoment()
  const { record } = useHands()
  const [doing, setDoing] = useState<'correct' | 'undo' | null>(null)
  // What falls is asked when the button is pressed: not for every row.
  const [falls, setFalls] = useState('')
  const undo = () => {
    record([{ kind: 'undo', target: entry.id }])
    setDoing(null)
  }
  const askUndo = () => {
    const fallen = fallsWith(system, timeline, { id: 'undo', at: entry.at, kind: 'undo', target: entry.id })
    if (fallen.length === 0) return undo()
    setFalls(sayFallen(system, state, fallen))
    setDoing('undo')
  }
  return (
    <>
      <div className="flex flex-wrap gap-1 pl-10">
        <Button look="quiet" onClick={askUndo}>
          undo
        </Button>
        {(entry.kind === 'reading' || entry.kind === 'trip' || entry.kind === 'note') && (
          <Button look="quiet" onClick={() => setDoing('correct')}>
            correct
          </Button>
        )}
        {isContent(entry) && entry.kind !== 'photo' && (
          <TakePhoto of={sayDraft(system, entry).slice(0, 200)} about={entry.id} isQuiet>
            photo
          </TakePhoto>
        )}
      </div>
      {doing === 'undo' && (
        <div role="alert" ref={scrollIntoView} className="ml-10 border-ember border-l-4 pl-3">
          <p className="text-small">This {falls}</p>
          <Button onClick={undo}>undo anyway</Button>
          <Button look="quiet" onClick={() => setDoing(null)}>
            leave it
          </Button>
        </div>
      )}
      {doing === 'correct' && isContent(entry) && <Correction entry={entry} state={state} onDone={() => setDoing(null)} />}
    </>
  )
}

/** The corrected entry is typed as a quick line, read on the bench of that moment. */
function Correction({ entry, state, onDone }: { entry: ContentEntry; state: JobState; onDone: () => void }) {
  const { system } = useJob()
  const { timeline } = useMoment()
  const { record } = useHands()
  const [line, setLine] = useState('')
  const before = timeline.slice(
    0,
    timeline.findIndex(({ id }) => id === entry.id),
  )
  const read = line.trim() === '' ? null : readQuickLine(line, { system, entries: before, suspects: [], proposed: null })
  const draft = read?.ok && read.drafts.length === 1 ? read.drafts[0] : null
  const content =
    draft && isContent({ ...draft, id: entry.id, at: entry.at } as Entry)
      ? ({ ...draft, id: entry.id, at: entry.at } as ContentEntry)
      : null
  const falls = content
    ? fallsWith(system, timeline, { id: 'correction', at: entry.at, kind: 'correct', target: entry.id, entry: content })
    : []
  return (
    <form
      className="flex flex-wrap items-center gap-2 py-2 pl-10"
      onSubmit={(event) => {
        event.preventDefault()
        if (content && record([{ kind: 'correct', target: entry.id, entry: content }]) === null) onDone()
      }}
    >
      <input
        // biome-ignore lint/a11y/noAutofocus: the field was asked for a moment ago
        autoFocus
        value={line}
        onChange={(event) => setLine(event.target.value)}
        aria-label="corrected entry, as a quick line"
        placeholder="as it should read: R-C 26.4"
        className="min-h-11 min-w-0 flex-1 rounded border-2 border-line bg-panel px-2 font-mono"
      />
      <Button type="submit" disabled={!content}>
        correct
      </Button>
      <Button look="quiet" onClick={onDone}>
        leave it
      </Button>
      {read && !read.ok && <p className="w-full text-ember text-small">{read.problem}</p>}
      {read?.ok && <p className="w-full text-hold text-small">{read.say}</p>}
      {falls.length > 0 && <p className="w-full text-ember text-small">This {sayFallen(system, state, falls)}</p>}
    </form>
  )
}
