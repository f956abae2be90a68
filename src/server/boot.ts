import 'server-only'
import { DataFolderInUse } from '@/src/server/data-lock'
import { JournalDamaged } from '@/src/server/journal/journal'
import { openStore } from '@/src/server/store'
import { StoreDamaged } from '@/src/server/store-folder'

/** Opens the store, or says in a sentence why not and stops this server: it must not run beside another one's data. */
export async function openStoreOrStop(): Promise<void> {
  try {
    await openStore()
  } catch (error) {
    const isKnown = error instanceof DataFolderInUse || error instanceof StoreDamaged || error instanceof JournalDamaged
    console.error(isKnown ? error.message : error)
    process.exit(1)
  }
}
