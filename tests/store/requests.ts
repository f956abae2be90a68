import type { Entry } from '@/src/core/job/entry'

/** What the store in a process of its own can be asked. */
export type StoreRequest = { readonly id: number } & (
  | { readonly do: 'open'; readonly job: string }
  | { readonly do: 'append'; readonly job: string; readonly entries: readonly Entry[] }
  | { readonly do: 'ids'; readonly job: string }
  | { readonly do: 'close' }
)
