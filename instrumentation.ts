/** Runs once when the server starts: the store is opened before the first request. */
export async function register() {
  if (process.env.NEXT_RUNTIME === 'nodejs') await (await import('@/src/server/boot')).openStoreOrStop()
}
