import type { NextResponse } from 'next/server'
import { refuse } from '@/src/app/api/v1/respond'
import { refusalOf, securityHeaders } from '@/src/app/security'
import { LockLost } from '@/src/server/data-lock'
import { openStore, type Store } from '@/src/server/store'

type Answer = NextResponse | Response

/**
 * A handler behind the door: strangers are refused before anything of the request is read, and every answer bears the headers that
 * keep it from them. The pages' proxy does the same for pages; a handler does it itself, which saves every request a second run.
 */
export function guarded<Rest extends unknown[]>(
  handler: (request: Request, ...rest: Rest) => Answer | Promise<Answer>,
): (request: Request, ...rest: Rest) => Promise<Answer> {
  return async (request, ...rest) => {
    const url = new URL(request.url)
    const refusal = refusalOf(request.headers, request.headers.get('host') ?? url.host, url.pathname)
    const answer = refusal ? refuse(refusal.status, { code: refusal.code, say: refusal.say }) : await handler(request, ...rest)
    securityHeaders(null).forEach((value, name) => {
      answer.headers.set(name, value)
    })
    return answer
  }
}

/**
 * Runs a handler with the open store. What goes wrong in the store is said in a sentence: a full disk, a folder that is another
 * server's now. Everything else is a bug: logged by its name, without a word of what was sent.
 */
export async function withStore(work: (store: Store) => Promise<Answer>): Promise<Answer> {
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
    return refuse(500, { code: 'bug', say: 'The server hit an unexpected error. What you entered is kept on your device.' })
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
