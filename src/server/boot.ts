import 'server-only'
import { DataFolderInUse } from '@/src/server/data-lock'
import { openStore } from '@/src/server/store'

/** Opens the store, or says in a sentence why not and stops this server: it must not run beside another one's data. */
export async function openStoreOrStop(): Promise<void> {
  try {
    await openStore()
  } catch (error) {
    console.error(error instanceof DataFolderInUse ? error.message : error)
    process.exit(1)
  }
}
