/** Names of this machine for itself. A phone in the same house needs the server's own name, which NEST_TRACE_HOSTS gives it. */
const OWN = ['127.0.0.1', 'localhost', '[::1]']

/** Hosts that requests may name, any port; more of them, parted by commas, in NEST_TRACE_HOSTS. */
const allowedHosts = (): string[] => [
  ...OWN,
  ...(process.env.NEST_TRACE_HOSTS ?? '')
    .split(',')
    .map((host) => host.trim().toLowerCase())
    .filter((host) => host !== ''),
]

/** Whether a request names this server: a foreign name that was made to point here (rebinding) does not. */
function isAllowedHost(host: string | null): boolean {
  if (host === null) return false
  const name = host.toLowerCase().replace(/:\d{1,5}$/, '')
  return allowedHosts().some((allowed) => allowed === name || allowed === host.toLowerCase())
}

/** Whether a request comes from a page of this server, or from none: browsers say where, programs do not. */
function isAllowedOrigin(headers: Headers, host: string | null): boolean {
  const origin = headers.get('origin')
  if (origin !== null) {
    // A page without an origin of its own (a file, a sandboxed frame) is none of ours.
    if (!URL.canParse(origin)) return false
    return new URL(origin).host === host?.toLowerCase()
  }
  const site = headers.get('sec-fetch-site')
  if (site === null || site === 'same-origin' || site === 'none') return true
  // A link from elsewhere may open a page: that reads nothing for the one who links.
  return headers.get('sec-fetch-mode') === 'navigate' && headers.get('sec-fetch-dest') === 'document'
}

/** Why a request is not answered, in a sentence; null when it is. */
export function refusalOf(headers: Headers, host: string | null, path: string): { status: number; code: string; say: string } | null {
  if (!isAllowedHost(host))
    return { status: 421, code: 'host', say: 'This address is not one of this server. Name it in NEST_TRACE_HOSTS if it is.' }
  if (!isAllowedOrigin(headers, host))
    return { status: 403, code: 'origin', say: 'This was asked from a page of another site. Nothing was read and nothing was saved.' }
  return isReadablePath(path) ? null : { status: 400, code: 'address', say: 'There is no such address.' }
}

/** An address whose escapes spell text that can be kept. */
function isReadablePath(path: string): boolean {
  try {
    return !decodeURIComponent(path).includes('\0')
  } catch {
    return false
  }
}

/** What a browser is told with every answer. */
/** `nonce` is null for an answer that is no page: nothing in it is ever run. */
export function securityHeaders(nonce: string | null, isDevelopment = false): Headers {
  // Development reloads modules by evaluating them.
  const scripts = `'self' 'nonce-${nonce}' 'strict-dynamic'${isDevelopment ? " 'unsafe-eval'" : ''}`
  const styles = isDevelopment ? "'self' 'unsafe-inline'" : `'self' 'nonce-${nonce}'`
  return new Headers({
    'content-security-policy': (nonce === null
      ? ["default-src 'none'", "frame-ancestors 'none'"]
      : [
          "default-src 'self'",
          `script-src ${scripts}`,
          `style-src ${styles}`,
          "img-src 'self' data: blob:",
          "font-src 'self'",
          "connect-src 'self'",
          "worker-src 'self' blob:",
          "manifest-src 'self'",
          "object-src 'none'",
          "base-uri 'none'",
          "form-action 'self'",
          "frame-ancestors 'none'",
        ]
    ).join('; '),
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'no-referrer',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'permissions-policy': 'camera=(), microphone=(), geolocation=()',
  })
}
