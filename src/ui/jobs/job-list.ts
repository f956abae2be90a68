import type { ListAsked } from '@/src/ui/device/api-client'

/** The list as it stands before anybody looks for something. */
export const firstPage: ListAsked = { words: '', show: 'all', after: null }
