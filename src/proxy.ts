import { type NextRequest, NextResponse } from 'next/server'
import { isAllowedHost, isAllowedOrigin, securityHeaders } from '@/src/app/security'

/** Every request: who asks, and from where. A page of another site gets nothing, reads nothing and writes nothing here. */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host')
  if (!isAllowedHost(host)) return refuse(421, 'host', 'This address is not one of this server. Name it in NEST_TRACE_HOSTS if it is.')
  if (!isAllowedOrigin(request.headers, host))
    return refuse(403, 'origin', 'This was asked from a page of another site. Nothing was read and nothing was saved.')
  if (!isReadablePath(request.nextUrl.pathname)) return refuse(400, 'address', 'There is no such address.')
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

function refuse(status: number, code: string, say: string): NextResponse {
  return NextResponse.json({ code, say }, { status, headers: securityHeaders('', false) })
}

/** An address whose escapes spell text that can be kept. */
function isReadablePath(path: string): boolean {
  try {
    return !decodeURIComponent(path).includes('\0')
  } catch {
    return false
  }
}

export const config = { matcher: ['/((?!_next/static/).*)'] }
