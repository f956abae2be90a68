import { listenToDevice } from '@/src/ui/device/device-events'
import { lookAtRoom } from '@/src/ui/device/device-room'

// Pages of one device tell each other; here there is one.
delete (globalThis as { BroadcastChannel?: unknown }).BroadcastChannel

describe('lookAtRoom', () => {
  it.each([
    [{ usage: 95e9, quota: 100e9 }, true],
    [{ usage: 90e6, quota: 100e6 }, true],
    [{ usage: 5e6, quota: 100e9 }, false],
  ])('%j is told: %s', async (estimate, isTold) => {
    const said: (string | null)[] = []
    const unlisten = listenToDevice((event) => event.kind === 'room' && said.push(event.say))
    await lookAtRoom({ estimate: async () => estimate })
    unlisten()
    expect(said.map((say) => say !== null)).toEqual([isTold])
  })

  it('says nothing where the browser does not know', async () => {
    await expect(lookAtRoom(undefined)).resolves.toBeUndefined()
  })
})
