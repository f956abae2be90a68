import { type ChildProcess, spawn } from 'node:child_process'
import { expect } from '@playwright/test'

/** Servers of their own, on folders of their own: what is killed here is only what was started here. */
const started: ChildProcess[] = []

export function endServers(): void {
  for (const server of started) if (server.exitCode === null) server.kill('SIGKILL')
}

export function serve(folder: string, port: number): { server: ChildProcess; output: () => string; exited: Promise<number | null> } {
  const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
    env: { ...process.env, NEST_TRACE_DATA: folder, NEXT_TELEMETRY_DISABLED: '1' },
  })
  started.push(server)
  let text = ''
  server.stdout.on('data', (chunk) => (text += chunk))
  server.stderr.on('data', (chunk) => (text += chunk))
  return { server, output: () => text, exited: new Promise((resolve) => server.on('exit', resolve)) }
}

/** The server on this port is up. */
export const answers = (port: number) =>
  expect
    .poll(
      () =>
        fetch(`http://127.0.0.1:${port}/api/v1/jobs`)
          .then(({ status }) => status)
          .catch(() => 0),
      { timeout: 60_000 },
    )
    .toBe(200)
