'use client'
import { createContext, type ReactNode, useCallback, useContext, useMemo, useRef, useState } from 'react'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { readEntry } from '@/src/core/job/entry-schema'
import { foldJob, lastStanding, problemWithEntry } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import type { JobState } from '@/src/core/job/job-state'
import { sayDraft } from '@/src/core/job/say-draft'
import type { System } from '@/src/core/wiring/system'
import { useKeepShares } from '@/src/ui/desk/use-keep-shares'
import { readSigner } from '@/src/ui/device/signer'
import { type TimelineState, useTimeline } from '@/src/ui/device/use-timeline'
import { type AdviceState, useAdvice } from '@/src/ui/engine/use-advice'

/** What every part of the desk works with. The state is folded from the entries; nothing here is a second truth. */
export interface Desk extends AdviceState {
  readonly job: JobFile['job']
  readonly system: System
  /** The entries of the moment that is looked at: all of them, or those up to a past one. */
  readonly entries: readonly Entry[]
  readonly timeline: readonly Entry[]
  /** Number of entries of the past moment that is looked at; null for now. */
  readonly past: number | null
  readonly lookAt: (count: number | null) => void
  readonly state: JobState
  readonly unsent: number
  readonly sendProblem: string | null
  /** Entries that the server will not have: they are on this device and in the job file. */
  readonly notTaken: TimelineState['refused']
  /** Enters one thing after the other; the first that makes no sense stops it, and its sentence is told and returned. */
  readonly record: (drafts: readonly EntryDraft[]) => string | null
  readonly undo: () => void
  readonly retryAdvice: () => void
  /** The last thing worth telling. */
  readonly told: { readonly say: string; readonly isProblem: boolean } | null
}

const DeskContext = createContext<Desk | null>(null)

const browserStamp = { newId: () => crypto.randomUUID(), now: () => new Date().toISOString(), by: readSigner }

export function DeskProvider({ initial, children }: { initial: JobFile; children: ReactNode }) {
  const { system, job } = initial
  const timeline = useTimeline(initial)
  const { entries: all, add } = timeline
  const [past, lookAt] = useState<number | null>(null)
  const entries = useMemo(() => (past === null ? all : all.slice(0, past)), [all, past])
  const { retry, begin, advice, proposal, thinking, problem } = useAdvice(system, entries)
  const [told, setTold] = useState<Desk['told']>(null)
  const state = useMemo(() => foldJob(system, entries), [system, entries])
  // Entries taken since the last render: two taps in one frame must see each other.
  const latest = useRef<readonly Entry[]>(all)
  latest.current = all.length >= latest.current.length ? all : latest.current

  const record = useCallback(
    (drafts: readonly EntryDraft[]) => {
      if (past !== null) {
        const problem = 'You are viewing an earlier point of the job. Nothing was saved: go back to now to enter something.'
        setTold({ say: problem, isProblem: true })
        return problem
      }
      const added: Entry[] = []
      let problem: string | null = null
      for (const draft of drafts) {
        const entry = stampEntry(draft, browserStamp, [...latest.current, ...added])
        // The server judges by the same schema: what it would refuse is told now, while it can be typed again.
        const read = readEntry(entry)
        problem = read.ok ? problemWithEntry(system, [...latest.current, ...added], entry) : read.problem
        if (problem) break
        added.push(entry)
      }
      if (added.length > 0) {
        latest.current = [...latest.current, ...added]
        begin(latest.current)
        add(added).catch((error: Error) =>
          setTold({
            say: `Not kept, neither on this device nor in the store: ${error.message} Note it, or leave this page open and enter it again.`,
            isProblem: true,
          }),
        )
      }
      if (problem) setTold({ say: problem, isProblem: true })
      else if (added.length > 0)
        setTold({ say: added.map((entry) => sayDraft(system, entry, foldJob(system, all))).join(', then '), isProblem: false })
      return problem
    },
    [system, all, add, begin, past],
  )

  const undo = useCallback(() => {
    const last = lastStanding(foldJob(system, latest.current))
    if (last) record([{ kind: 'undo', target: last.id }])
    else setTold({ say: 'There is nothing to undo.', isProblem: true })
  }, [record, system])

  const { unsent, problem: sendProblem, refused: notTaken } = timeline
  const isSettled = past === null && thinking !== 'suspects'
  useKeepShares(job.id, entries.length, unsent === 0 && notTaken.length === 0, isSettled ? advice : null)
  const desk = useMemo(
    (): Desk => ({
      job,
      system,
      entries,
      timeline: all,
      past,
      lookAt,
      state,
      advice,
      proposal,
      thinking,
      problem,
      unsent,
      sendProblem,
      notTaken,
      record,
      undo,
      retryAdvice: retry,
      told,
    }),
    [job, system, entries, all, past, state, advice, proposal, thinking, problem, unsent, sendProblem, notTaken, record, undo, retry, told],
  )
  return <DeskContext value={desk}>{children}</DeskContext>
}

export function useDesk(): Desk {
  const desk = useContext(DeskContext)
  if (!desk) throw new Error('useDesk outside a desk')
  return desk
}
