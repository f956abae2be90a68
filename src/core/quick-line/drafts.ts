import type { BenchChange } from '@/src/core/bench/bench'
import type { EntryDraft } from '@/src/core/job/entry'

export const benchDraft = (change: BenchChange): EntryDraft => ({ kind: 'bench', change })
