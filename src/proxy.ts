import { type NextRequest, NextResponse } from 'next/server'
import { refusalOf, securityHeaders } from '@/src/app/security'

/**
 * Every page: who asks, and from where. A page of another site gets nothing here, and a page of ours runs its own scripts only.
 * Handlers under /api/v1 do the same for themselves (src/app/api/v1/handle.ts).
 */
export function proxy(request: NextRequest): NextResponse {
  const refusal = refusalOf(request.headers, request.headers.get('host'), request.nextUrl.pathname)
  if (refusal)
    return NextResponse.json({ code: refusal.code, say: refusal.say }, { status: refusal.status, headers: securityHeaders(null) })
  const nonce = btoa(crypto.randomUUID())
  const headers = securityHeaders(nonce, process.env.NODE_ENV === 'development')
  const onward = new Headers(request.headers)
  onward.set('x-nonce', nonce)
  onward.set('content-security-policy', headers.get('content-security-policy') ?? '')
  const response = NextResponse.next({ request: { headers: onward } })
  headers.forEach((value, name) => {
    response.headers.set(name, value)
  })
  return response
}

// An address under /api/v1 whose escapes spell no text is answered here: it reaches no handler.
export const config = { matcher: ['/((?!_next/static/|api/v1/).*)', '/api/v1/(.*%.*)'] }
