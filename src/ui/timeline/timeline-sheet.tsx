'use client'
import { format } from 'date-fns'
import { useMemo, useState } from 'react'
import type { ContentEntry, Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { readQuickLine, sayDraft } from '@/src/core/job/quick-line'
import { sayBenchShort } from '@/src/core/readings/say'
import { Button } from '@/src/ui/controls/button'
import { FilterBar } from '@/src/ui/controls/filter-bar'
import { Sheet } from '@/src/ui/controls/sheet'
import { useDesk } from '@/src/ui/desk/desk-context'
import { useSigner } from '@/src/ui/device/signer'
import { ScrubBar } from '@/src/ui/timeline/scrub-bar'

const filters = ['all', 'readings', 'bench', 'repairs', 'notes'] as const
type Filter = (typeof filters)[number]
const kindsOf: Record<Filter, readonly Entry['kind'][]> = {
  all: [],
  readings: ['reading', 'trip'],
  bench: ['bench'],
  repairs: ['repair', 'proof', 'close'],
  notes: ['note', 'complaint'],
}

/** A correction belongs where the entry belongs that it corrects. */
const passes = (filter: Filter, entry: Entry): boolean =>
  filter === 'all' || kindsOf[filter].includes(entry.kind === 'correct' ? entry.entry.kind : entry.kind)

/** The record of the job, newest first. Nothing is erased: a line is taken back or corrected by a new entry. */
export function TimelineSheet(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { timeline } = useDesk()
  const [filter, setFilter] = useState<Filter>('all')
  const [words, setWords] = useState('')
  return (
    <Sheet {...props} title="Timeline" description={`${timeline.length} entries. Corrections are entries of their own; nothing is erased.`}>
      <Timeline filter={filter} onFilter={setFilter} words={words} onWords={setWords} />
    </Sheet>
  )
}

/** What is in the sheet, drawn while it is open. */
function Timeline(looking: { filter: Filter; onFilter: (filter: Filter) => void; words: string; onWords: (words: string) => void }) {
  const { filter, words } = looking
  const { system, timeline: entries, state: shown, past, record, unsent, sendProblem } = useDesk()
  // The record is whole, whatever moment the desk looks at.
  const state = useMemo(() => (past === null ? shown : foldJob(system, entries)), [past, shown, system, entries])
  const [correcting, setCorrecting] = useState<string | null>(null)
  const standing = useMemo(() => new Map(state.standing.map((entry) => [entry.id, entry])), [state.standing])
  const { signer, sign } = useSigner()
  const say = (entry: Entry) => sayDraft(system, standing.get(entry.id) ?? entry, { standing: entries.filter(isContent) })
  const wanted = words.trim().toLowerCase()
  const shownEntries = entries.filter((entry) => passes(filter, entry) && (wanted === '' || say(entry).toLowerCase().includes(wanted)))
  const refused = new Map(state.refused.map(({ id, problem }) => [id, problem]))
  return (
    <>
      {unsent > 0 && (
        <p role="alert" className="mb-2 border-ember border-l-4 pl-3">
          {unsent} {unsent === 1 ? 'entry is' : 'entries are'} on this device only. {sendProblem ?? 'Sending …'}
        </p>
      )}
      <ScrubBar />
      <label className="mb-2 flex items-center gap-2">
        <span className="whitespace-nowrap">entries are signed</span>
        <input
          value={signer}
          onChange={({ target }) => sign(target.value)}
          autoComplete="name"
          placeholder="by nobody: put a name here"
          className="min-h-11 min-w-0 flex-1 rounded border-2 border-line bg-panel px-2"
        />
      </label>
      <FilterBar filters={filters} {...looking} label="find in the timeline" placeholder="find: Y, outdoor, trips …" />
      {shownEntries.length === 0 && <p className="py-2 text-muted">No entry fits. Take out a word, or show all.</p>}
      <ol reversed className="flex flex-col">
        {[...shownEntries].reverse().map((entry) => {
          const now = standing.get(entry.id)
          const isMeta = entry.kind === 'undo' || entry.kind === 'correct'
          const observation = state.observations.find(({ id }) => id === entry.id)
          return (
            <li key={entry.id} className="border-line border-b-2 py-2">
              <div className="flex items-baseline gap-3">
                <time dateTime={entry.at} className="text-muted text-small">
                  {format(new Date(entry.at), 'HH:mm')}
                </time>
                <span className={`flex-1 ${now || isMeta ? '' : 'text-muted line-through'}`}>
                  {say(entry)}
                  {!now && !isMeta && <span className="sr-only"> (taken back)</span>}
                </span>
              </div>
              {(observation || entry.by) && (
                <p className="pl-12 text-muted text-small">
                  {[observation && sayBenchShort(system, observation.bench), entry.by && `by ${entry.by}`].filter(Boolean).join(' · ')}
                </p>
              )}
              {refused.has(entry.id) && <p className="pl-12 text-ember text-small">Could not be done: {refused.get(entry.id)}</p>}
              {now && (
                <div className="flex flex-wrap gap-1 pl-10">
                  <Button look="quiet" onClick={() => record([{ kind: 'undo', target: entry.id }])}>
                    take back
                  </Button>
                  {(now.kind === 'reading' || now.kind === 'trip' || now.kind === 'note') && (
                    <Button look="quiet" onClick={() => setCorrecting(entry.id)}>
                      correct
                    </Button>
                  )}
                </div>
              )}
              {correcting === entry.id && now && <Correction entry={now} onDone={() => setCorrecting(null)} />}
            </li>
          )
        })}
      </ol>
    </>
  )
}

const isContent = (entry: { kind: string }): entry is ContentEntry => entry.kind !== 'undo' && entry.kind !== 'correct'

/** The corrected entry is typed as a quick line, read on the bench of that moment. */
function Correction({ entry, onDone }: { entry: ContentEntry; onDone: () => void }) {
  const { system, timeline: entries, record } = useDesk()
  const [line, setLine] = useState('')
  const before = entries.slice(
    0,
    entries.findIndex(({ id }) => id === entry.id),
  )
  const read = line.trim() === '' ? null : readQuickLine(line, { system, entries: before, suspects: [], proposed: null })
  const draft = read?.ok && read.drafts.length === 1 ? read.drafts[0] : null
  const fits = draft && draft.kind !== 'undo' && draft.kind !== 'correct'
  return (
    <form
      className="flex flex-wrap items-center gap-2 py-2 pl-10"
      onSubmit={(event) => {
        event.preventDefault()
        if (!fits) return
        record([{ kind: 'correct', target: entry.id, entry: { ...draft, id: entry.id, at: new Date().toISOString() } as ContentEntry }])
        onDone()
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
      <Button type="submit" disabled={!fits}>
        correct
      </Button>
      <Button look="quiet" onClick={onDone}>
        leave it
      </Button>
      {read && !read.ok && <p className="w-full text-ember text-small">{read.problem}</p>}
      {read?.ok && <p className="w-full text-hold text-small">{read.say}</p>}
    </form>
  )
}
