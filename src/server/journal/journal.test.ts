import { appendFileSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import fc from 'fast-check'
import { beginFile, dropRecordsBelow, filesOf, Journal, JournalDamaged, readRecords } from '@/src/server/journal/journal'
import { encodeRecord, scanRecords } from '@/src/server/journal/record'

const newFolder = () => mkdtempSync(path.join(tmpdir(), 'nest-trace-journal-'))
const values = (folder: string) => [...readRecords<string>(folder)].map(({ write }) => write)

async function filled(...writes: string[]): Promise<string> {
  const folder = newFolder()
  const { journal } = await Journal.open<string>(folder)
  await Promise.all(writes.map((write) => journal.append(write).synced))
  await journal.close()
  return folder
}
const fileOf = (folder: string) => path.join(folder, filesOf(folder)[0])

describe('Journal', () => {
  it('gives back what was appended, in order, and goes on from there', async () => {
    const folder = await filled('a', 'b', 'c')
    const { journal, records } = await Journal.open<string>(folder)
    expect([...records]).toEqual(['a', 'b', 'c'].map((write, index) => ({ seq: index + 1, write })))
    expect(journal.append('d').seq).toBe(4)
    await journal.append('e').synced
    await journal.close()
    expect(values(folder)).toEqual(['a', 'b', 'c', 'd', 'e'])
  })

  it('loses no whole record to a torn end, wherever it was torn, and writes on behind it', async () => {
    const whole = readFileSync(fileOf(await filled('first', 'second')))
    const lastLength = encodeRecord({ seq: 2, write: 'second' }).length
    for (let cut = 1; cut < lastLength; cut++) {
      const folder = await filled()
      writeFileSync(fileOf(folder), whole.subarray(0, whole.length - cut))
      const { journal } = await Journal.open<string>(folder)
      await journal.append('third').synced
      await journal.close()
      expect(values(folder)).toEqual(['first', 'third'])
    }
  })

  it('tells damage in the middle from a torn end, and touches nothing then', async () => {
    const folder = await filled('first', 'second', 'third')
    const bytes = readFileSync(fileOf(folder))
    const middle = encodeRecord({ seq: 1, write: 'first' }).length + 15
    bytes[middle] ^= 0xff
    writeFileSync(fileOf(folder), bytes)
    await expect(Journal.open(folder)).rejects.toBeInstanceOf(JournalDamaged)
    expect(readFileSync(fileOf(folder)).equals(bytes)).toBe(true)
  })

  it('takes no rubbish of any kind for a record', () => {
    fc.assert(
      fc.property(fc.array(fc.string()), fc.uint8Array({ maxLength: 60 }), (writes, rubbish) => {
        const whole = Buffer.concat(writes.map((write) => encodeRecord(write)))
        const { values: read, whole: end } = scanRecords(Buffer.concat([whole, rubbish]))
        expect(read).toEqual(writes)
        expect(end).toBe(whole.length)
      }),
      { seed: 4 },
    )
  })

  it('passes over zeros that a file system left at the end', async () => {
    const folder = await filled('first')
    appendFileSync(fileOf(folder), Buffer.alloc(4096))
    const { journal } = await Journal.open<string>(folder)
    await journal.append('second').synced
    await journal.close()
    expect(values(folder)).toEqual(['first', 'second'])
  })

  it('lets go of whole files that a copy holds, and of nothing else', async () => {
    const folder = await filled('a', 'b')
    beginFile(folder, 3)
    dropRecordsBelow(folder, 2)
    expect(values(folder)).toEqual(['a', 'b'])
    dropRecordsBelow(folder, 3)
    expect(values(folder)).toEqual([])
    const { journal } = await Journal.open<string>(folder)
    expect(journal.append('c').seq).toBe(3)
    await journal.close()
  })
})
