import { mkdirSync, realpathSync } from 'node:fs'
import { lock } from 'proper-lockfile'

/** Another server holds the data folder. */
export class DataFolderInUse extends Error {}

/** A lock left by a killed server is stale after this; a waiting server takes it over. */
const STALE_MS = 5000
const PATIENCE = { retries: 7, factor: 1, minTimeout: 1000, maxTimeout: 1000 }

/**
 * Takes the data folder for this process. Two processes on one folder would lose data in silence, so the second
 * waits long enough for a killed one to go stale and then refuses.
 */
export async function lockDataFolder(folder: string): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true })
  const hold = (retries: number | typeof PATIENCE) =>
    lock(realpathSync(folder), {
      stale: STALE_MS,
      update: 1000,
      retries,
      onCompromised: (error) => {
        console.error(
          `The lock on the data folder was lost (${error.message}). Nest Trace stops, so that nothing is harmed. Start it again.`,
        )
        process.exit(1)
      },
    })
  try {
    return await hold(0)
  } catch (error) {
    if (!isHeld(error)) throw error
    console.log('Another Nest Trace holds the data folder, or was stopped hard a moment ago. Waiting a few seconds ...')
  }
  try {
    return await hold(PATIENCE)
  } catch (error) {
    if (!isHeld(error)) throw error
    throw new DataFolderInUse(
      'Another Nest Trace is serving this data folder. Nothing was touched. Use that one, stop it first, or start this one on another folder: NEST_TRACE_DATA=folder ./start',
    )
  }
}

const isHeld = (error: unknown): boolean => error instanceof Error && 'code' in error && error.code === 'ELOCKED'
