import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { defineConfig } from '@playwright/test'

const port = Number(process.env.NEST_TRACE_TEST_PORT ?? 3187)
const address = `http://127.0.0.1:${port}`

/** The real interface in Debian's browser, on a store of its own. The build is made before. */
export default defineConfig({
  testDir: 'tests/e2e',
  // Every test makes jobs of its own; two browsers keep two cores busy.
  workers: 2,
  fullyParallel: true,
  timeout: 180_000,
  // A browser that hangs on a starved machine gets one fresh start; the report then says "flaky", and a second miss fails.
  retries: 1,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  use: {
    baseURL: address,
    viewport: { width: 1280, height: 800 },
    // A check of contrast in the middle of a fade would measure the fade.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `${address}/api/v1/jobs`,
    timeout: 90_000,
    env: { NEST_TRACE_DATA: mkdtempSync(path.join(tmpdir(), 'nest-trace-e2e-')), NEXT_TELEMETRY_DISABLED: '1' },
  },
})
