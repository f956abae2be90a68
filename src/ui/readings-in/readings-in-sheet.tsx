'use client'
import { saveAs } from 'file-saver'
import { useMemo, useState } from 'react'
import {
  asideCsv,
  type ColumnRole,
  type CsvTable,
  columnRoles,
  problemWithColumns,
  readCsvTable,
  readRows,
  sayColumnRole,
} from '@/src/core/formats/readings-csv'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { counted } from '@/src/core/units/counted'
import { Button } from '@/src/ui/controls/button'
import { FileField } from '@/src/ui/controls/file-field'
import { Sheet } from '@/src/ui/controls/sheet'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { columnsOf, keepColumns } from '@/src/ui/readings-in/kept-columns'

/** Readings from a table that another program or another hand made. */
export function ReadingsInSheet(props: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Sheet
      {...props}
      title="Readings from a table"
      description="A file of comma-separated values with a heading. Nothing is entered before you take it."
    >
      <TakeTable onDone={() => props.onOpenChange(false)} />
    </Sheet>
  )
}

function TakeTable({ onDone }: { onDone: () => void }) {
  const [opened, setOpened] = useState<{ table: CsvTable; roles: ColumnRole[] } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const open = async (file: File) => {
    const read = readCsvTable(await file.text())
    setProblem(read.ok ? null : read.problem)
    setOpened(read.ok ? { table: read.table, roles: columnsOf(read.table.header) } : null)
  }
  return (
    <>
      <FileField label="Open a table" accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values" onFile={(file) => void open(file)} />
      {problem && (
        <p role="alert" className="mt-2 border-ember border-l-4 pl-3">
          {problem}
        </p>
      )}
      {opened && <Rows {...opened} onRoles={(roles) => setOpened({ ...opened, roles })} onDone={onDone} />}
    </>
  )
}

/** An entry as it would be, for the rows behind it. */
const entered = (draft: EntryDraft, index: number): Entry =>
  stampEntry(draft, { newId: () => `row-${index}`, now: () => new Date(0).toISOString() })

interface RowsAsked {
  readonly table: CsvTable
  readonly roles: readonly ColumnRole[]
  readonly onRoles: (roles: ColumnRole[]) => void
  readonly onDone: () => void
}

function Rows({ table, roles, onRoles, onDone }: RowsAsked) {
  const { system } = useJob()
  const { timeline } = useMoment()
  const { record } = useHands()
  const unfit = problemWithColumns(roles)
  const { taken, aside } = useMemo(
    () => (unfit ? { taken: [], aside: [] } : readRows(table, roles, { system, entries: timeline }, entered)),
    [unfit, table, roles, system, timeline],
  )
  const take = () => {
    keepColumns(table.header, roles)
    if (record(taken.flatMap(({ drafts }) => drafts)) === null) onDone()
  }
  return (
    <>
      <fieldset className="mt-3">
        <legend className="font-bold">What its columns hold</legend>
        {table.header.map((name, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: columns stay where they are, and two may be called alike
          <label key={at} className="mt-1 flex items-center gap-2">
            <span className="min-w-0 flex-1 truncate">
              {name || `column ${at + 1}`} <span className="text-muted text-small">{table.rows[0].cells[at]}</span>
            </span>
            <select
              value={roles[at]}
              onChange={({ target }) => onRoles(roles.map((role, index) => (index === at ? (target.value as ColumnRole) : role)))}
              className="min-h-11 w-44 rounded border-2 border-line bg-panel px-2"
            >
              {columnRoles.map((role) => (
                <option key={role} value={role}>
                  {sayColumnRole[role]}
                </option>
              ))}
            </select>
          </label>
        ))}
      </fieldset>
      {unfit ? (
        <p className="mt-3 text-ember">{unfit}</p>
      ) : (
        <>
          <Button look="main" className="mt-3 w-full" disabled={taken.length === 0} onClick={take}>
            Take {counted(taken.length, 'row')}
          </Button>
          <ol className="mt-2">
            {taken.slice(0, MOST_SHOWN).map(({ line, say }) => (
              <li key={line} className="border-line border-b py-1 text-small">
                <span className="text-muted">line {line}</span> {say}
              </li>
            ))}
          </ol>
          {taken.length > MOST_SHOWN && <p className="text-muted text-small">and {taken.length - MOST_SHOWN} more</p>}
          {aside.length > 0 && (
            <section aria-label="Kept aside" className="mt-3">
              <h3 className="font-bold">Kept aside: {counted(aside.length, 'row')}</h3>
              <ol>
                {aside.slice(0, MOST_SHOWN).map(({ line, cells, problem }) => (
                  <li key={line} className="border-line border-b py-1 text-small">
                    <span className="text-muted">
                      line {line}: {cells.join(', ')}
                    </span>
                    <span className="block text-ember">{problem}</span>
                  </li>
                ))}
              </ol>
              <Button
                className="mt-2"
                onClick={() => saveAs(new File([asideCsv(table, aside)], 'kept-aside.csv', { type: 'text/csv;charset=utf-8' }))}
              >
                Save them as a table
              </Button>
            </section>
          )}
        </>
      )}
    </>
  )
}

/** Rows that are listed before they are taken. */
const MOST_SHOWN = 50
