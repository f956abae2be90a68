import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { hostname, tmpdir } from 'node:os'
import path from 'node:path'
import { DataFolderInUse, LockLost, lockDataFolder } from '@/src/server/data-lock'

const newFolder = () => path.join(mkdtempSync(path.join(tmpdir(), 'nest-trace-lock-')), 'data')

describe('lockDataFolder', () => {
  it('refuses a folder that is served, with what to do, and takes it once it is free', async () => {
    const folder = newFolder()
    const held = await lockDataFolder(folder)
    const refusal = lockDataFolder(folder)
    await expect(refusal).rejects.toBeInstanceOf(DataFolderInUse)
    await expect(refusal).rejects.toThrow(/Nothing was touched.*NEST_TRACE_DATA/)
    held.release()
    ;(await lockDataFolder(folder)).release()
  }, 30_000)

  it('takes the place of a holder that is dead, also when its number is in use again, and never that of one that is frozen', async () => {
    const folder = newFolder()
    ;(await lockDataFolder(folder)).release()
    const holder = (pid: number, began: string) =>
      writeFileSync(path.join(folder, 'holder.json'), JSON.stringify({ token: 'other', pid, began, host: hostname() }))
    const sleeper = spawn('sleep', ['60'])
    try {
      const pid = sleeper.pid ?? 0
      sleeper.kill('SIGSTOP')
      holder(pid, 'unknown')
      await expect(lockDataFolder(folder)).rejects.toBeInstanceOf(DataFolderInUse)
      holder(pid, 'another boot 12345')
      ;(await lockDataFolder(folder)).release()
    } finally {
      sleeper.kill('SIGKILL')
    }
    await new Promise((resolve) => sleeper.on('exit', resolve))
    holder(sleeper.pid ?? 0, 'unknown')
    ;(await lockDataFolder(folder)).release()
  }, 30_000)

  it('refuses a store that a living process has opened, also when its holder was taken away by hand', async () => {
    const folder = newFolder()
    const held = await lockDataFolder(folder)
    rmSync(path.join(folder, 'holder.json'))
    await expect(lockDataFolder(folder)).rejects.toBeInstanceOf(DataFolderInUse)
    expect(() => held.assertHeld()).toThrow(LockLost)
    held.release()
    ;(await lockDataFolder(folder)).release()
  })

  it('knows when it has been taken from its holder', async () => {
    const folder = newFolder()
    const held = await lockDataFolder(folder)
    expect(() => held.assertHeld()).not.toThrow()
    writeFileSync(path.join(folder, 'holder.json'), '{"token":"somebody else"}')
    expect(() => held.assertHeld()).toThrow(LockLost)
    held.release()
  })
})
