'use client'
import { useEffect, useMemo, useRef } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { completeLine } from '@/src/core/quick-line/complete'
import { eitherOf, type Meant } from '@/src/core/quick-line/either'
import type { QuickLineContext } from '@/src/core/quick-line/in-grammar'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment, useProposal, useSuspects, useTold } from '@/src/ui/desk/desk-context'
import { useKeptText } from '@/src/ui/device/use-kept-text'
import { useLineHistory } from '@/src/ui/quick-line/use-line-history'

const lastWordAt = (line: string): number => line.lastIndexOf(' ') + 1

/** Shorthand, read while it is typed: what it understood stands beside it before it is taken. */
export function QuickLine({ onHelp }: { onHelp: () => void }) {
  const { job, system } = useJob()
  const { entries } = useMoment()
  const { record } = useHands()
  const { advice } = useSuspects()
  const { proposal } = useProposal()
  const { told } = useTold()
  const [kept, setLine] = useKeptText(`line ${job.id}`)
  const line = kept ?? ''
  const field = useRef<HTMLInputElement>(null)
  const context = useMemo(
    (): QuickLineContext => ({
      system,
      entries,
      suspects: (advice?.suspects ?? []).map(({ id, zone, repair, probability }) => ({
        id,
        zone,
        repair: repair?.say ?? null,
        probability,
      })),
      proposed: proposal?.next?.probe ?? null,
    }),
    [system, entries, advice, proposal],
  )
  const understood = useMemo(() => (line.trim() === '' ? null : readQuickLine(line, context)), [line, context])
  const completions = useMemo(() => completeLine(line, context), [line, context])
  const meanings = useMemo(() => (understood?.ok === false ? eitherOf(line, understood.problem, context) : []), [understood, line, context])
  const history = useLineHistory()
  useHotkeys('/', () => field.current?.focus(), { preventDefault: true, useKey: true })
  useEffect(() => {
    if (told?.isProblem) field.current?.scrollIntoView({ block: 'nearest' })
  }, [told])

  const take = () => {
    if (!understood?.ok) {
      if (understood) field.current?.setSelectionRange(understood.start, understood.end)
      return
    }
    if (record(understood.drafts) !== null) return
    setLine(null)
    history.keep(line.trim())
  }
  /** One of the things that the line may mean, by a tap or by its number. */
  const takeMeaning = ({ line: meant, drafts }: Meant) => {
    if (record(drafts) !== null) return
    setLine(null)
    history.keep(meant)
  }
  /** What is no entry is kept as it was said: nothing that was typed has to be said otherwise. */
  const keepAsNote = () => {
    const text = line.trim()
    if (text === '' || record([{ kind: 'note', text }]) !== null) return
    setLine(null)
    history.keep(text)
  }
  /** Up and down walk through earlier lines; right at the end of the line takes the first completion. */
  const onKey = (event: React.KeyboardEvent<HTMLInputElement>) => {
    const isAtEnd = event.currentTarget.selectionStart === line.length
    const next =
      event.key === 'ArrowUp'
        ? history.earlier(line)
        : event.key === 'ArrowDown'
          ? history.later()
          : event.key === 'ArrowRight' && isAtEnd
            ? (completions[0] ?? null)
            : null
    if (event.key === 'Escape') field.current?.blur()
    const meaning = event.altKey ? meanings[Number(/^Digit([1-9])$/.exec(event.code)?.[1]) - 1] : undefined
    if (meaning) {
      event.preventDefault()
      takeMeaning(meaning)
      return
    }
    if (event.key === 'Enter' && event.shiftKey) {
      event.preventDefault()
      keepAsNote()
      return
    }
    if (next === null) return
    event.preventDefault()
    setLine(next === '' ? null : next)
  }
  return (
    <form
      aria-label="quick line"
      className="relative flex items-center gap-2 border-line border-t-2 bg-panel px-3 py-1"
      onSubmit={(event) => {
        event.preventDefault()
        take()
      }}
    >
      <span aria-hidden className="font-mono text-large text-muted">
        /
      </span>
      <input
        ref={field}
        value={line}
        onChange={(event) => setLine(event.target.value)}
        onKeyDown={onKey}
        aria-label="quick line"
        aria-describedby="understood"
        aria-invalid={understood?.ok === false}
        placeholder="R-C 26.4"
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        className="min-h-11 min-w-0 flex-1 bg-transparent font-mono text-large placeholder:text-muted"
      />
      <div className="max-desk:absolute max-desk:inset-x-0 max-desk:bottom-full desk:max-w-[58%] desk:text-right">
        <output
          id="understood"
          className={`block text-small max-desk:border-line max-desk:border-t-2 max-desk:bg-panel max-desk:px-3 max-desk:py-2 max-desk:min-h-14 max-desk:empty:hidden ${
            understood?.ok === false || (!understood && told?.isProblem) ? 'text-ember' : 'text-hold'
          } ${understood || told?.isProblem ? '' : 'max-desk:hidden'}`}
        >
          {understood?.ok && (
            <>
              {understood.say} · <b>Enter</b> takes it
            </>
          )}
          {understood?.ok === false && (
            <>
              {understood.start < understood.end && line.slice(understood.start, understood.end) !== line.trim() && (
                <b>“{line.slice(understood.start, understood.end)}”: </b>
              )}
              {understood.problem}
              <span className="text-muted max-desk:hidden"> · Shift+Enter keeps it as a note</span>
            </>
          )}
          {!understood && told && (
            <span key={told.say} className={`landed line-clamp-2 ${told.isProblem ? '' : 'max-desk:hidden'}`}>
              {told.isProblem ? told.say : `✓ ${told.say}`}
            </span>
          )}
        </output>
        {meanings.length > 0 && (
          <ul
            aria-label="which of these"
            className="flex flex-wrap gap-1 bg-panel p-1 max-desk:px-3 max-desk:pb-2 desk:absolute desk:right-0 desk:bottom-full desk:border-line desk:border-2"
          >
            {meanings.map((meant, index) => (
              <li key={meant.say}>
                <Button onClick={() => takeMeaning(meant)} title={`Alt+${index + 1}`}>
                  <span className="text-muted max-desk:hidden">Alt+{index + 1} </span>
                  {meant.say}
                </Button>
              </li>
            ))}
          </ul>
        )}
      </div>
      {completions.length > 0 && meanings.length === 0 && (
        <ul aria-label="completions" className="absolute right-0 bottom-full flex flex-wrap gap-1 bg-panel p-1 max-desk:hidden">
          {completions.map((made, index) => (
            <li key={made}>
              <Button
                onClick={() => {
                  setLine(made)
                  field.current?.focus()
                }}
              >
                <span className="font-mono">{made.slice(lastWordAt(made))}</span>
                {index === 0 && <span className="text-muted text-small"> →</span>}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {understood?.ok === false && (
        <Button onClick={keepAsNote} title="Keep this as a note (Shift+Enter)">
          note
        </Button>
      )}
      <Button onClick={take} className="desk:hidden">
        take
      </Button>
      <Button onClick={onHelp} aria-label="keys and quick lines" title="keys and quick lines (?)">
        ?
      </Button>
    </form>
  )
}
