import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import path from 'node:path'

/**
 * The service worker, with the list of what this build is made of: everything under `_next/static` but maps. Read once; a new build
 * is a new server.
 */
let script: string | null = null

export function GET() {
  script ??= makeScript()
  return new Response(script, {
    headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache', 'service-worker-allowed': '/' },
  })
}

function makeScript(): string {
  const root = process.cwd()
  const statics = path.join(root, '.next', 'static')
  const assets = filesBelow(statics)
    .filter((file) => !file.endsWith('.map') && statSync(file).size > 0)
    .map((file) => `/_next/static/${path.relative(statics, file).split(path.sep).map(encodeURIComponent).join('/')}`)
    .sort()
  const text = readFileSync(path.join(root, 'src/workers/service-worker.js'), 'utf8')
  const build = createHash('sha256')
    .update(text)
    .update(assets.join('\n'))
    .update(readFileSync(path.join(root, '.next/BUILD_ID')))
    .digest('hex')
  return `const BUILD = ${JSON.stringify(build.slice(0, 16))}\nconst ASSETS = ${JSON.stringify([...assets, '/icon.svg'])}\n${text}`
}

const filesBelow = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesBelow(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  )
