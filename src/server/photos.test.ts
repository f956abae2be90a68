/** @jest-environment node */
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { digestOf, PhotoStore } from '@/src/server/photos'
import { smallPhoto } from '@/tests/store/small-photo'

describe('PhotoStore', () => {
  const folder = path.join(mkdtempSync(path.join(tmpdir(), 'photos-')), 'photos')
  afterAll(() => rmSync(path.dirname(folder), { recursive: true }))

  it('keeps a photo under its digest, once, and gives it back byte for byte, also after a start', async () => {
    const bytes = smallPhoto('strip')
    const digest = digestOf(bytes)
    expect(await new PhotoStore(folder).keep(digest, bytes)).toEqual({ ok: true, isNew: true })
    const again = new PhotoStore(folder)
    expect(await again.keep(digest, bytes)).toEqual({ ok: true, isNew: false })
    expect(Buffer.from((await again.read(digest)) ?? []).equals(Buffer.from(bytes))).toBe(true)
    expect(readdirSync(folder)).toEqual([`${digest}.jpg`])
  })

  it('refuses one that changed on its way, and what is no photo, and keeps nothing of either', async () => {
    const store = new PhotoStore(null)
    const digest = digestOf(smallPhoto('one'))
    expect(await store.keep(digest, smallPhoto('another'))).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/changed on its way/),
    })
    expect(await store.keep(digest, Buffer.from('no picture'))).toMatchObject({ ok: false })
    expect(await store.read(digest)).toBeNull()
  })
})
