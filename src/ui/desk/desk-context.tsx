'use client'
import { type Context, createContext, useContext } from 'react'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import type { JobState } from '@/src/core/job/job-state'
import type { System } from '@/src/core/wiring/system'
import type { TimelineState } from '@/src/ui/device/use-timeline'
import type { AdviceState } from '@/src/ui/engine/use-advice'

/*
 * What the parts of the desk work with, parted by how often it changes: whoever draws the loom is not drawn again because an entry was
 * sent or a sentence was told. The state is folded from the entries; nothing here is a second truth.
 */

/** What stays the same as long as the job is open. */
export interface JobOfDesk {
  readonly job: JobFile['job']
  readonly system: System
}

/** The point of the job that is looked at: now, or an earlier one. */
export interface Moment {
  /** The entries up to there. */
  readonly entries: readonly Entry[]
  /** All entries. */
  readonly timeline: readonly Entry[]
  /** Number of entries up to the earlier point that is looked at; null for now. */
  readonly past: number | null
  readonly state: JobState
}

/** What a hand can do. These functions stay the same as long as the job is open. */
export interface Hands {
  /** Enters one thing after the other; the first that makes no sense stops it, and its sentence is told and returned. */
  readonly record: (drafts: readonly EntryDraft[]) => string | null
  readonly undo: () => void
  readonly lookAt: (count: number | null) => void
}

/** The suspects, of now or, while they are weighed, of the moment before. */
export type AdviceOfDesk = Pick<AdviceState, 'advice'>

/** The next check, and what is being worked out. */
export interface ProposalOfDesk extends Omit<AdviceState, 'advice'> {
  readonly retryAdvice: () => void
}

export interface Sending {
  readonly unsent: number
  readonly sendProblem: string | null
  /** Entries that the server will not have: they are on this device and in the job file. */
  readonly notTaken: TimelineState['refused']
}

/** The last thing worth telling. */
export interface Told {
  readonly told: { readonly say: string; readonly isProblem: boolean } | null
}

export const JobContext = createContext<JobOfDesk | null>(null)
export const MomentContext = createContext<Moment | null>(null)
export const HandsContext = createContext<Hands | null>(null)
export const AdviceContext = createContext<AdviceOfDesk | null>(null)
export const ProposalContext = createContext<ProposalOfDesk | null>(null)
export const SendingContext = createContext<Sending | null>(null)
export const ToldContext = createContext<Told | null>(null)

export const useJob = (): JobOfDesk => useOnDesk(JobContext)
export const useMoment = (): Moment => useOnDesk(MomentContext)
export const useHands = (): Hands => useOnDesk(HandsContext)
export const useSuspects = (): AdviceOfDesk => useOnDesk(AdviceContext)
export const useProposal = (): ProposalOfDesk => useOnDesk(ProposalContext)
export const useSending = (): Sending => useOnDesk(SendingContext)
export const useTold = (): Told => useOnDesk(ToldContext)

function useOnDesk<T>(context: Context<T | null>): T {
  const value = useContext(context)
  if (!value) throw new Error('This part is drawn outside a desk.')
  return value
}
