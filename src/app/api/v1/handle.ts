import type { NextResponse } from 'next/server'
import { refuse } from '@/src/app/api/v1/respond'
import { LockLost } from '@/src/server/data-lock'
import { openStore, type Store } from '@/src/server/store'

/**
 * Runs a handler with the open store. What goes wrong in the store is said in a sentence: a full disk, a folder that is another
 * server's now. Everything else is a bug: logged by its name, without a word of what was sent.
 */
export async function withStore(work: (store: Store) => Promise<NextResponse | Response>): Promise<NextResponse | Response> {
  try {
    return await work(await openStore())
  } catch (error) {
    const cause = rootOf(error)
    if (cause instanceof LockLost) {
      console.error(cause.message)
      // The answer goes out first.
      setTimeout(() => process.exit(1), 200)
      return refuse(503, { code: 'lock-lost', say: `${cause.message} What you entered is kept on your device.` })
    }
    if (isFullDisk(cause))
      return refuse(507, {
        code: 'disk-full',
        say: 'The disk of the server is full. Nothing was saved; what you entered is kept on your device. Make room on the server.',
      })
    console.error(`A request failed: ${cause instanceof Error ? `${cause.name}${codeOf(cause)}\n${placeOf(cause)}` : 'unknown'}`)
    return refuse(500, { code: 'bug', say: 'Something failed in the server that should not. What you entered is kept on your device.' })
  }
}

/** A failed query tells what was in it: what made it fail is asked for instead. */
function rootOf(error: unknown): unknown {
  let root = error
  while (root instanceof Error && root.cause !== undefined) root = root.cause
  return root
}

const isFullDisk = (error: unknown): boolean =>
  error instanceof Error &&
  (codeOf(error) === ' ENOSPC' || codeOf(error) === ' EDQUOT' || codeOf(error) === ' 53100' || /no space left/i.test(error.message))

const codeOf = (error: Error): string => ('code' in error && typeof error.code === 'string' ? ` ${error.code}` : '')

/** Where it happened, without the message, which may hold what was sent. */
const placeOf = (error: Error): string =>
  (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 8)
    .join('\n')
