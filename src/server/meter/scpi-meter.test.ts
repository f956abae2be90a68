import { type AddressInfo, createServer, type Server } from 'node:net'
import { applyChange } from '@/src/core/bench/apply'
import { createBench } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type MeterEvent, type MeterReads, readReply } from '@/src/core/formats/meter-form'
import type { Probe } from '@/src/core/readings/check'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { terminalPoint } from '@/src/core/wiring/point'
import { furnaceAc as system } from '@/src/core/wiring/systems/catalogue'
import { parseMeterAddress, streamMeter } from '@/src/server/meter/scpi-meter'
import { createSimulatedMeter } from '@/src/server/meter/simulated-meter'

const servers: Server[] = []
afterAll(() => {
  for (const server of servers) server.close()
})

const listening = (server: Server): Promise<number> => {
  servers.push(server)
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)))
}

/** The first events of a meter on this port. */
async function eventsOf(port: number, count: number, reads: MeterReads = 'volts', leads: string | null = null): Promise<MeterEvent[]> {
  const leaving = new AbortController()
  const events: MeterEvent[] = []
  for await (const event of streamMeter({ host: '127.0.0.1', port }, reads, leads, leaving.signal)) {
    events.push(event)
    if (events.length === count) break
  }
  leaving.abort()
  return events
}

/** Something on a line that answers whatever is asked. */
const answering = (reply: (query: string) => string) =>
  listening(
    createServer((socket) => socket.on('data', (data) => socket.write(reply(String(data).trim()))).on('error', () => socket.destroy())),
  )

const at = (meter: 'volts' | 'ohms', a: string, b: string): Probe => ({
  meter,
  a: terminalPoint(a, 'indoor'),
  b: terminalPoint(b, 'indoor'),
})
const leadsOf = (probe: Probe, bench = createBench(system)) => Buffer.from(JSON.stringify({ probe, bench })).toString('base64')

describe('a meter that streams', () => {
  it('is asked who it is, then what it reads, again and again', async () => {
    const port = await answering((query) =>
      query === '*IDN?' ? 'Maker,Model 5,12,1.0\n' : query === 'MEAS:VOLT:AC?' ? '+2.6412E+01\r\n' : '?\n',
    )
    expect(await eventsOf(port, 3)).toEqual([
      { kind: 'named', name: 'Maker,Model 5,12,1.0', isSimulated: false },
      { kind: 'value', value: 26.412 },
      { kind: 'value', value: 26.412 },
    ])
  })

  it('that is simulated shows the house of the job with its fault, and says that it is', async () => {
    const fault = enumerateFaults(system).find(({ id }) => id === 'conductor-to-chassis:outdoor-cable.Y')
    if (!fault) throw new Error('no such fault')
    const port = await listening(createSimulatedMeter(system, hypothesisOfFault(fault, 'intact'), 7))
    const [named, volts] = await eventsOf(port, 2, 'volts', leadsOf(at('volts', 'R', 'C')))
    expect(named).toMatchObject({ isSimulated: true })
    expect(volts).toMatchObject({ value: expect.any(Number) })
    expect((volts as { value: number }).value).toBeGreaterThan(23)
    const off = applyChange(system, createBench(system), { do: 'power', on: false })
    if (!off.ok) throw new Error(off.problem)
    const [, ohms] = await eventsOf(port, 2, 'ohms', leadsOf(at('ohms', 'Y', 'C'), off.bench))
    // Y is on the metal, and C is bonded to it.
    expect((ohms as { value: number }).value).toBeLessThan(2)
  })

  it.each([
    ['sends rubbish', () => answering((query) => (query === '*IDN?' ? 'Printer\n' : 'ready\n')), /does not send readings/],
    ['talks without end', () => answering(() => 'x'.repeat(500)), /talks without end/],
    ['hangs up', () => listening(createServer((socket) => socket.destroy())), /has gone|does not answer/],
    ['says nothing', () => listening(createServer(() => {})), /went silent/],
    ['is not there', async () => 9, /does not answer/],
  ])(
    'that %s is told of in a sentence, and that is the end',
    async (_, serve, says) => {
      const events = await eventsOf(await serve(), 99)
      expect(events.at(-1)).toMatchObject({ kind: 'problem', say: expect.stringMatching(says) })
      expect(events.filter(({ kind }) => kind === 'value')).toEqual([])
    },
    30_000,
  )
})

describe('a reply', () => {
  it.each([
    ['+1.234E+00', 1.234],
    ['24.6', 24.6],
    ['9.9E+37', 'OL'],
    ['+9.90000000E+37', 'OL'],
    ['OL', 'OL'],
    ['', null],
    ['24.6 V and more', null],
    ['NaN', null],
    ['0x10', null],
  ])('%p is %p', (line, value) => {
    expect(readReply(line)).toBe(value)
  })
})

describe('the address of a meter', () => {
  it('is one of this house', () => {
    expect(parseMeterAddress('192.168.1.40')).toEqual({ ok: true, address: { host: '192.168.1.40', port: 5025 } })
    expect(parseMeterAddress('localhost:5026')).toEqual({ ok: true, address: { host: '127.0.0.1', port: 5026 } })
    for (const said of ['8.8.8.8', 'example.org', '192.168.1.40:99999', '', '1e3:4', '[::1]:5025'])
      expect(parseMeterAddress(said)).toMatchObject({ ok: false, problem: expect.any(String) })
  })
})
