'use client'
import { type ReactNode, useCallback, useMemo, useRef, useState } from 'react'
import { cautionsOf } from '@/src/core/job/cautions'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { readEntry } from '@/src/core/job/entry-schema'
import { foldJob, lastStanding, problemWithEntry } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { sayDraft } from '@/src/core/job/say-draft'
import type { System } from '@/src/core/wiring/system'
import {
  AdviceContext,
  type Hands,
  HandsContext,
  JobContext,
  MomentContext,
  ProposalContext,
  SendingContext,
  type Told,
  ToldContext,
} from '@/src/ui/desk/desk-context'
import { useKeepShares } from '@/src/ui/desk/use-keep-shares'
import { readSigner } from '@/src/ui/device/signer'
import { useTimeline } from '@/src/ui/device/use-timeline'
import { useAdvice } from '@/src/ui/engine/use-advice'

const browserStamp = { newId: () => crypto.randomUUID(), now: () => new Date().toISOString(), by: readSigner }

/** Keeps the timeline of one job, has it weighed, and hands both to the parts of the desk. */
export function DeskProvider({ initial, children }: { initial: JobFile; children: ReactNode }) {
  const { system, job } = initial
  const { entries: timeline, add, unsent, problem: sendProblem, refused: notTaken } = useTimeline(initial)
  const [past, lookAt] = useState<number | null>(null)
  const entries = useMemo(() => (past === null ? timeline : timeline.slice(0, past)), [timeline, past])
  const { retry, begin, advice, proposal, thinking, problem } = useAdvice(system, entries)
  const [told, tell] = useState<Told['told']>(null)
  const state = useMemo(() => foldJob(system, entries), [system, entries])
  const hands = useRecord(system, timeline, past, { add, begin, tell })

  useKeepShares(job.id, entries.length, unsent === 0 && notTaken.length === 0, past === null && thinking !== 'suspects' ? advice : null)
  return (
    <JobContext value={useMemo(() => ({ job, system }), [job, system])}>
      <HandsContext value={useMemo(() => ({ ...hands, lookAt }), [hands])}>
        <MomentContext value={useMemo(() => ({ entries, timeline, past, state }), [entries, timeline, past, state])}>
          <AdviceContext value={useMemo(() => ({ advice }), [advice])}>
            <ProposalContext
              value={useMemo(() => ({ proposal, thinking, problem, retryAdvice: retry }), [proposal, thinking, problem, retry])}
            >
              <SendingContext value={useMemo(() => ({ unsent, sendProblem, notTaken }), [unsent, sendProblem, notTaken])}>
                <ToldContext value={useMemo(() => ({ told }), [told])}>{children}</ToldContext>
              </SendingContext>
            </ProposalContext>
          </AdviceContext>
        </MomentContext>
      </HandsContext>
    </JobContext>
  )
}

interface Ways {
  readonly add: (entries: readonly Entry[]) => Promise<void>
  readonly begin: (entries: readonly Entry[]) => void
  readonly tell: (told: Told['told']) => void
}

/** What a hand can enter and undo. The same two functions for as long as the job is open: they read the newest timeline when called. */
function useRecord(system: System, timeline: readonly Entry[], past: number | null, { add, begin, tell }: Ways): Omit<Hands, 'lookAt'> {
  // Entries taken since the last render: two taps in one frame must see each other.
  const latest = useRef<readonly Entry[]>(timeline)
  latest.current = timeline.length >= latest.current.length ? timeline : latest.current
  const isPast = useRef(false)
  isPast.current = past !== null

  const record = useCallback(
    (drafts: readonly EntryDraft[]) => {
      if (isPast.current) {
        const problem = 'You are viewing an earlier point of the job. Nothing was saved: go back to now to enter something.'
        tell({ say: problem, isProblem: true })
        return problem
      }
      const before = latest.current
      const added: Entry[] = []
      let problem: string | null = null
      for (const draft of drafts) {
        const entry = stampEntry(draft, browserStamp, [...before, ...added])
        // The server judges by the same schema: what it would refuse is told now, while it can be typed again.
        const read = readEntry(entry)
        problem = read.ok ? problemWithEntry(system, [...before, ...added], entry) : read.problem
        if (problem) break
        added.push(entry)
      }
      if (added.length > 0) {
        latest.current = [...before, ...added]
        begin(latest.current)
        add(added).catch((error: Error) =>
          tell({
            say: `Not kept, neither on this device nor in the store: ${error.message} Note it, or leave this page open and enter it again.`,
            isProblem: true,
          }),
        )
      }
      if (problem) tell({ say: problem, isProblem: true })
      else if (added.length > 0) {
        const said = added.map((entry) => sayDraft(system, entry, foldJob(system, before))).join(', then ')
        const [caution] = cautionsOf(system, foldJob(system, before), added)
        tell({ say: caution ?? said, isProblem: caution !== undefined })
      }
      return problem
    },
    [system, add, begin, tell],
  )
  const undo = useCallback(() => {
    const last = lastStanding(foldJob(system, latest.current))
    if (last) record([{ kind: 'undo', target: last.id }])
    else tell({ say: 'There is nothing to undo.', isProblem: true })
  }, [record, system, tell])
  return useMemo(() => ({ record, undo }), [record, undo])
}
