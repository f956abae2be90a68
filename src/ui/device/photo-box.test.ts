import 'fake-indexeddb/auto'
import { keepPhoto, notePhotoSent, photoOnDevice, setPhotoAside, waitingPhotos } from '@/src/ui/device/photo-box'

const bytes = (text: string): ArrayBuffer => new Uint8Array([...text].map((letter) => letter.charCodeAt(0))).buffer
const waiting = async () => (await waitingPhotos()).map(({ digest }) => digest)

describe('photos on this device', () => {
  it('wait until the store has them, and are here after that', async () => {
    await keepPhoto('a', bytes('one'), false)
    await keepPhoto('b', bytes('two'), true)
    await keepPhoto('a', bytes('other'), true)
    expect(await waiting()).toEqual(['a'])
    await notePhotoSent('a')
    expect(await waiting()).toEqual([])
    expect(new Uint8Array((await photoOnDevice('a')) ?? new ArrayBuffer(0))).toEqual(new Uint8Array(bytes('one')))
    expect(await photoOnDevice('nowhere')).toBeNull()
  })

  it('that the store refuses stay here and hold nothing up', async () => {
    await keepPhoto('c', bytes('three'), false)
    await setPhotoAside('c', 'too large')
    expect(await waiting()).toEqual([])
    expect(await photoOnDevice('c')).not.toBeNull()
  })

  it('of the store make room for newer ones; one that waits is never let go of', async () => {
    await keepPhoto('waits', bytes('mine'), false)
    for (let count = 0; count < 205; count++) await keepPhoto(`seen-${count}`, bytes('s'), true)
    expect(await photoOnDevice('seen-0')).toBeNull()
    expect(await photoOnDevice('seen-204')).not.toBeNull()
    expect(await waiting()).toEqual(['waits'])
  })
})
