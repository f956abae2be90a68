'use client'
import { useMemo, useState } from 'react'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { sayDraft } from '@/src/core/job/say-draft'
import { isContent } from '@/src/core/job/standing'
import { Button } from '@/src/ui/controls/button'
import { FilterBar } from '@/src/ui/controls/filter-bar'
import { Sheet } from '@/src/ui/controls/sheet'
import { useJob, useMoment, useSending } from '@/src/ui/desk/desk-context'
import { useSigner } from '@/src/ui/device/signer'
import { ReadingsInSheet } from '@/src/ui/readings-in/readings-in-sheet'
import { ScrubBar } from '@/src/ui/timeline/scrub-bar'
import { TimelineRows } from '@/src/ui/timeline/timeline-rows'

const filters = ['all', 'readings', 'bench', 'repairs', 'notes', 'photos'] as const
type Filter = (typeof filters)[number]
const kindsOf: Record<Filter, readonly Entry['kind'][]> = {
  all: [],
  readings: ['reading', 'trip'],
  bench: ['bench'],
  repairs: ['repair', 'proof', 'close'],
  notes: ['note', 'complaint'],
  photos: ['photo'],
}

/** A correction belongs where the entry belongs that it corrects. */
const passes = (filter: Filter, entry: Entry): boolean =>
  filter === 'all' || kindsOf[filter].includes(entry.kind === 'correct' ? entry.entry.kind : entry.kind)

/** The record of the job, newest first. Nothing is erased: a line is undone or corrected by a new entry. */
export function TimelineSheet(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { timeline } = useMoment()
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
  const { system } = useJob()
  const { timeline: entries, state: shown, past } = useMoment()
  const { unsent, sendProblem, notTaken } = useSending()
  // The record is whole, whatever moment the desk looks at.
  const state = useMemo(() => (past === null ? shown : foldJob(system, entries)), [past, shown, system, entries])
  const standing = useMemo(() => new Map(state.standing.map((entry) => [entry.id, entry])), [state.standing])
  const { signer, sign } = useSigner()
  const [isTaking, setTaking] = useState(false)
  const content = useMemo(() => ({ standing: entries.filter(isContent) }), [entries])
  const say = (entry: Entry) => sayDraft(system, standing.get(entry.id) ?? entry, content)
  const wanted = words.trim().toLowerCase()
  const shownEntries = entries
    .filter((entry) => passes(filter, entry) && (wanted === '' || say(entry).toLowerCase().includes(wanted)))
    .reverse()
  return (
    <>
      {unsent === 0 && sendProblem !== null && (
        <p role="alert" className="mb-2 border-ember border-l-4 pl-3">
          {sendProblem}
        </p>
      )}
      {unsent > 0 && (
        <p role="alert" className="mb-2 border-ember border-l-4 pl-3">
          {unsent} {unsent === 1 ? 'entry is' : 'entries are'} on this device only. {sendProblem ?? 'Sending …'}
        </p>
      )}
      {notTaken.length > 0 && (
        <div role="alert" className="mb-2 border-ember border-l-4 pl-3">
          The server refused {notTaken.length === 1 ? 'one entry' : `${notTaken.length} entries`}. They are kept on this device and in the
          job file, and nothing waits behind them: {notTaken[0].why}
        </div>
      )}
      <ScrubBar />
      <label className="mb-2 flex items-center gap-2">
        <span className="whitespace-nowrap">entries are signed</span>
        <input
          value={signer}
          onChange={({ target }) => sign(target.value)}
          autoComplete="name"
          placeholder="unsigned: enter your name"
          className="min-h-11 min-w-0 flex-1 rounded border-2 border-line bg-panel px-2"
        />
      </label>
      <Button look="quiet" onClick={() => setTaking(true)}>
        readings from a table …
      </Button>
      <ReadingsInSheet open={isTaking} onOpenChange={setTaking} />
      <FilterBar filters={filters} {...looking} label="find in the timeline" placeholder="find: Y, outdoor, trips …" />
      {shownEntries.length === 0 && <p className="py-2 text-muted">No entry matches. Remove a word, or show all.</p>}
      <TimelineRows entries={shownEntries} say={say} state={state} />
    </>
  )
}
