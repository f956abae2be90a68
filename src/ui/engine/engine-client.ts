import { type Remote, wrap } from 'comlink'
import type { DiagnosisApi } from '@/src/workers/diagnosis.worker'

/** A worker that does not answer within this is taken for dead: comlink alone would wait in silence. */
const BOOT_MS = 15_000

let running: Promise<Remote<DiagnosisApi>> | null = null

/** The one diagnosis worker of this page. Rejects with a sentence when it does not start; the next call tries again. */
export function diagnosisWorker(): Promise<Remote<DiagnosisApi>> {
  running ??= boot().catch((error) => {
    running = null
    throw error
  })
  return running
}

async function boot(): Promise<Remote<DiagnosisApi>> {
  const worker = new Worker(new URL('../../workers/diagnosis.worker.ts', import.meta.url), { type: 'module' })
  const api = wrap<DiagnosisApi>(worker)
  let timer: ReturnType<typeof setTimeout> | undefined
  const failed = new Promise<never>((_, reject) => {
    const fail = (why: string) =>
      reject(new Error(`Suspects cannot be computed on this device just now (${why}). Readings are still taken and kept; try again.`))
    worker.onerror = (event) => fail(event.message || 'the worker did not load')
    timer = setTimeout(() => fail('the worker did not answer'), BOOT_MS)
  })
  try {
    await Promise.race([api.ready(), failed])
    return api
  } catch (error) {
    worker.terminate()
    throw error
  } finally {
    clearTimeout(timer)
  }
}
