import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { DataFolderInUse, lockDataFolder } from '@/src/server/data-lock'

describe('lockDataFolder', () => {
  it('refuses a folder that is served, with what to do, and takes it once it is free', async () => {
    const folder = path.join(mkdtempSync(path.join(tmpdir(), 'nest-trace-lock-')), 'data')
    const unlock = await lockDataFolder(folder)
    const refusal = lockDataFolder(folder)
    await expect(refusal).rejects.toBeInstanceOf(DataFolderInUse)
    await expect(refusal).rejects.toThrow(/Nothing was touched.*NEST_TRACE_DATA/)
    await unlock()
    await (await lockDataFolder(folder))()
  }, 30_000)
})
