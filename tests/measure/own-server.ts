import { type ChildProcess, spawn } from 'node:child_process'

/** The built app on a port of its own and a folder of its own, for what is measured in the browser. */
export function serveBuilt(
  port: number,
  folder: string,
): { readonly server: ChildProcess; readonly origin: string; readonly isUp: () => Promise<void> } {
  const origin = `http://127.0.0.1:${port}`
  const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
    env: { ...process.env, NEST_TRACE_DATA: folder, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: 'ignore',
  })
  const isUp = async (): Promise<void> => {
    for (let tries = 0; tries < 60; tries++) {
      const isThere = await fetch(`${origin}/api/v1/jobs`).then(
        ({ ok }) => ok,
        () => false,
      )
      if (isThere) return
      await new Promise((resolve) => setTimeout(resolve, 1000))
    }
    throw new Error('the server did not come up; is there a build?')
  }
  return { server, origin, isUp }
}
