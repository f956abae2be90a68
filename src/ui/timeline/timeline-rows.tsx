'use client'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useRef } from 'react'
import type { Entry } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { SCROLLER } from '@/src/ui/controls/sheet'
import { TimelineRow } from '@/src/ui/timeline/timeline-row'

interface Rows {
  readonly entries: readonly Entry[]
  readonly say: (entry: Entry) => string
  readonly state: JobState
}

/** From here on only the rows in view are drawn. */
const MANY = 80
/** Height of a row before it has been measured, px. */
const ROW_PX = 96

/** The rows of the timeline as they are listed, newest first. */
export function TimelineRows(rows: Rows) {
  return rows.entries.length > MANY ? <RowsInView {...rows} /> : <AllRows {...rows} />
}

const ROW = 'border-line border-b-2 py-2'

const AllRows = ({ entries, say, state }: Rows) => (
  <ol reversed className="flex flex-col">
    {entries.map((entry) => (
      <li key={entry.id} className={ROW}>
        <TimelineRow entry={entry} say={say} state={state} />
      </li>
    ))}
  </ol>
)

function RowsInView({ entries, say, state }: Rows) {
  const list = useRef<HTMLOListElement>(null)
  const virtualizer = useVirtualizer({
    count: entries.length,
    getScrollElement: () => list.current?.closest<HTMLElement>(`[${SCROLLER}]`) ?? null,
    getItemKey: (index) => entries[index].id,
    estimateSize: () => ROW_PX,
    scrollMargin: list.current?.offsetTop ?? 0,
    overscan: 6,
  })
  return (
    <ol ref={list} className="relative" style={{ height: virtualizer.getTotalSize() }}>
      {virtualizer.getVirtualItems().map(({ key, index, start }) => (
        <li
          key={key}
          ref={virtualizer.measureElement}
          data-index={index}
          aria-setsize={entries.length}
          aria-posinset={index + 1}
          className={`absolute inset-x-0 top-0 ${ROW}`}
          style={{ transform: `translateY(${start - virtualizer.options.scrollMargin}px)` }}
        >
          <TimelineRow entry={entries[index]} say={say} state={state} />
        </li>
      ))}
    </ol>
  )
}
