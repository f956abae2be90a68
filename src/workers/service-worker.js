/**
 * The app without a signal. Built assets are kept by the build that they belong to; a page comes from the server, and from the shell
 * when that does not answer. What is entered and which jobs were seen is no affair of this worker: that is in the device's database.
 * BUILD and ASSETS are written above this text by the server.
 */
const CACHE = `nest-trace ${BUILD}`
const SHELL = '/shell'
/** A server that takes longer than this for a page is as good as away, if the shell is here. */
const PATIENCE_MS = 4000

self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const cache = await caches.open(CACHE)
      await cache.addAll(ASSETS)
      await cache.put(SHELL, await fresh(SHELL))
      await self.skipWaiting()
    })(),
  )
})

self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (name.startsWith('nest-trace ') && name !== CACHE) await caches.delete(name)
      await self.clients.claim()
    })(),
  )
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return
  if (url.pathname.startsWith('/_next/static/') || url.pathname === '/icon.svg') event.respondWith(asset(request))
  else if (request.mode === 'navigate') event.respondWith(page(request))
})

async function asset(request) {
  const kept = await caches.match(request, { ignoreSearch: true })
  // A kept answer would bear the address that it was kept under, and a worker would lose what stands behind the # of its own.
  return kept ? new Response(kept.body, { status: kept.status, headers: kept.headers }) : fetch(request)
}

async function page(request) {
  const shell = await caches.match(SHELL)
  if (!shell) return fetch(request)
  const patience = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS, null))
  const answer = await Promise.race([fetch(request).catch(() => null), patience])
  if (answer && answer.status < 500) return answer
  return new Response(shell.body, { status: 200, headers: shell.headers })
}

async function fresh(path) {
  const answer = await fetch(path, { cache: 'no-store' })
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
  return answer
}
