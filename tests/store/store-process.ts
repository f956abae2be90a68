import { type ChildProcessWithoutNullStreams, spawn, spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { createInterface } from 'node:readline'
import type { Entry } from '@/src/core/job/entry'
import type { StoreRequest } from '@/tests/store/requests'

type Bare<T> = T extends unknown ? Omit<T, 'id'> : never

/** The store in a process of its own, which can be killed and frozen at any moment. */
export class StoreProcess {
  private readonly child: ChildProcessWithoutNullStreams
  private readonly waiting = new Map<number, { resolve: (value: unknown) => void; reject: (error: Error) => void }>()
  private next = 1
  private said = ''
  /** Done when the store is open; fails with what the process said when it ends instead. */
  readonly ready: Promise<void>
  readonly ended: Promise<number | null>

  constructor(folder: string) {
    this.child = spawn(process.execPath, ['--conditions=react-server', built(), folder])
    this.child.stderr.on('data', (chunk) => (this.said += chunk))
    this.ended = new Promise((resolve) => this.child.on('exit', (code) => resolve(code)))
    this.ready = new Promise((resolve, reject) => {
      createInterface({ input: this.child.stdout }).on('line', (line) => {
        const answer = JSON.parse(line) as { ready?: true; id: number; value: unknown; error?: string }
        if (answer.ready) return resolve()
        const asked = this.waiting.get(answer.id)
        this.waiting.delete(answer.id)
        if (answer.error !== undefined) asked?.reject(new Error(answer.error))
        else asked?.resolve(answer.value)
      })
      void this.ended.then(() => {
        reject(new Error(this.said))
        for (const { reject: lost } of this.waiting.values()) lost(new Error('the process ended'))
      })
    })
    this.ready.catch(() => {})
    this.child.stdin.on('error', () => {})
  }

  private ask(request: Bare<StoreRequest>): Promise<unknown> {
    const id = this.next++
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject })
      this.child.stdin.write(`${JSON.stringify({ id, ...request })}\n`)
    })
  }

  open = (job: string) => this.ask({ do: 'open', job })
  append = (job: string, ...entries: Entry[]) => this.ask({ do: 'append', job, entries })
  ids = async (job: string) => ((await this.ask({ do: 'ids', job })) as string[] | null) ?? []
  /** Ends it as a stopped server ends. */
  close = async () => {
    this.ask({ do: 'close' }).catch(() => {})
    return this.ended
  }
  signal = (signal: NodeJS.Signals) => this.child.kill(signal)
}

let bundle: string | null = null

/** Built once: a process from sources starts three times as slowly. */
function built(): string {
  if (bundle) return bundle
  const folder = path.resolve('.built/store')
  const { status, stderr } = spawnSync(
    'npx',
    [
      'esbuild',
      'tests/store/serve.ts',
      '--bundle',
      '--platform=node',
      '--format=cjs',
      '--conditions=react-server',
      '--external:@electric-sql/pglite',
      `--outdir=${folder}`,
      '--log-level=warning',
    ],
    { encoding: 'utf8' },
  )
  if (status !== 0) throw new Error(stderr)
  bundle = path.join(folder, 'serve.js')
  return bundle
}

export const newDataFolder = (): string => mkdtempSync(path.join(tmpdir(), 'nest-trace-store-'))

export const note = (id: string): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: `what was entered as ${id}` })
