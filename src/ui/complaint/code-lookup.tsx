'use client'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { type CodeRow, findCode, sayPointsTo, withCode } from '@/src/core/diagnosis/hypotheses/codes'
import { type PointsTo, pointsTo } from '@/src/core/job/points-to'
import { Button } from '@/src/ui/controls/button'
import { Sheet } from '@/src/ui/controls/sheet'
import { api } from '@/src/ui/device/api-client'

const field = 'min-h-11 min-w-0 rounded border-2 border-line bg-panel px-3 py-2 placeholder:text-muted'

const NOT_HERE_YET = 'The server does not answer yet. What you typed stays here: try again when there is a signal.'

/** Blinks or a number read off a board, looked up in the shop's own table; what is not in it is written into it. */
export function CodeLookup({ taken, onTake }: { taken: readonly CodeRow[]; onTake: (codes: CodeRow[]) => void }) {
  const client = useQueryClient()
  const { data: rows = [], error } = useQuery({ queryKey: ['codes'], queryFn: api.readCodes, staleTime: 60_000 })
  const keeping = useMutation({ mutationFn: api.keepCodes, onSuccess: (kept) => client.setQueryData(['codes'], kept) })
  const [board, setBoard] = useState('')
  const [code, setCode] = useState('')
  const [means, setMeans] = useState('')
  const [points, setPoints] = useState<PointsTo>('nothing')
  const [isEditing, setEditing] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const found = findCode(rows, board, code)
  const take = (row: CodeRow) => {
    onTake([...taken.filter((other) => other.board !== row.board || other.code !== row.code), row])
    setCode('')
    setMeans('')
  }
  const write = async () => {
    const reader = await import('@/src/core/job/code-schema').catch(() => null)
    const read = reader?.readCodeRow({ board, code, means, points }) ?? { ok: false as const, problem: NOT_HERE_YET }
    setProblem(read.ok ? null : read.problem)
    if (!read.ok) return
    take(read.row)
    // It counts in this job whether the table can be reached or not.
    await keeping.mutateAsync(withCode(rows, read.row)).catch(() => undefined)
  }
  const unreached = error ?? keeping.error
  return (
    <fieldset>
      <legend className="mb-1 font-bold">Codes: board blinks or a number on a display</legend>
      <div className="flex flex-wrap gap-2">
        <input
          value={board}
          onChange={(event) => setBoard(event.target.value)}
          list="boards"
          aria-label="kind of board"
          placeholder="kind of board"
          className={`${field} flex-[2]`}
        />
        <datalist id="boards">
          {[...new Set(rows.map((row) => row.board))].map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <input
          value={code}
          onChange={(event) => setCode(event.target.value)}
          aria-label="blinks or code"
          placeholder="blinks or code"
          className={`${field} flex-1`}
        />
        <Button look="quiet" onClick={() => setEditing(true)}>
          the table
        </Button>
      </div>
      {found && (
        <p className="mt-2 flex flex-wrap items-center gap-2">
          <span className="flex-1">
            <b>{found.means}</b>: points to {sayPointsTo[found.points]}
          </span>
          <Button onClick={() => take(found)}>it shows this code</Button>
        </p>
      )}
      {!found && board.trim() !== '' && code.trim() !== '' && (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <p className="w-full text-muted">Not in the table yet. The label inside the door says what it means:</p>
          <input
            value={means}
            onChange={(event) => setMeans(event.target.value)}
            aria-label="what it means"
            placeholder="what it means"
            className={`${field} flex-[2]`}
          />
          <select value={points} onChange={(event) => setPoints(event.target.value as PointsTo)} aria-label="points to" className={field}>
            {pointsTo.map((name) => (
              <option key={name} value={name}>
                points to {sayPointsTo[name]}
              </option>
            ))}
          </select>
          <Button onClick={write}>save it and use it</Button>
        </div>
      )}
      {problem && (
        <p role="alert" className="text-ember">
          {problem}
        </p>
      )}
      {unreached && (
        <p role="alert" className="text-ember text-small">
          The code table can't be reached: {unreached.message} A code that you write down here still counts in this job.
        </p>
      )}
      <ul>
        {taken.map((row) => (
          <li key={`${row.board} ${row.code}`} className="flex flex-wrap items-center gap-2 border-line border-b py-1">
            <span className="flex-1">
              {row.board}, code <b>{row.code}</b>: {row.means}
            </span>
            <Button look="quiet" onClick={() => onTake(taken.filter((other) => other !== row))} aria-label={`undo code ${row.code}`}>
              undo
            </Button>
          </li>
        ))}
      </ul>
      <Sheet
        open={isEditing}
        onOpenChange={setEditing}
        title="The shop's code table"
        description="Every maker has its own codes: the label inside the door decides."
      >
        <ul>
          {rows.map((row) => (
            <li key={`${row.board} ${row.code}`} className="flex flex-wrap items-center gap-2 border-line border-b-2 py-1">
              <span className="flex-1">
                <b>
                  {row.board}, {row.code}
                </b>
                <span className="block text-muted">
                  {row.means}; points to {sayPointsTo[row.points]}
                </span>
              </span>
              <Button
                look="quiet"
                aria-label={`strike out ${row.board}, ${row.code}`}
                onClick={() => keeping.mutate(rows.filter((other) => other !== row))}
              >
                strike out
              </Button>
            </li>
          ))}
        </ul>
        <p className="mt-2 text-muted">Add a line, or change one, by typing its board and its code in the complaint.</p>
      </Sheet>
    </fieldset>
  )
}
