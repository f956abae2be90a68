import 'server-only'
import { BlockList, connect, isIP, type Socket } from 'node:net'
import {
  LONGEST_LINE,
  type MeterEvent,
  type MeterReads,
  queries,
  readReply,
  SIMULATED_LEADS,
  WHO_ARE_YOU,
} from '@/src/core/formats/meter-form'

export interface MeterAddress {
  readonly host: string
  readonly port: number
}

/** Addresses of this house: a meter is on the bench or in the van, and nothing else is asked over this line. */
const near = new BlockList()
near.addSubnet('127.0.0.0', 8)
near.addSubnet('10.0.0.0', 8)
near.addSubnet('172.16.0.0', 12)
near.addSubnet('192.168.0.0', 16)
near.addSubnet('169.254.0.0', 16)

/** `192.168.1.40:5025`; the port may be left out. Null with a sentence for what is no meter of this house. */
export function parseMeterAddress(
  said: string,
): { readonly ok: true; readonly address: MeterAddress } | { readonly ok: false; readonly problem: string } {
  const found = /^([\w.]+)(?::(\d{1,5}))?$/.exec(said.trim())
  const host = found?.[1] === 'localhost' ? '127.0.0.1' : (found?.[1] ?? '')
  const port = Number(found?.[2] ?? SCPI_PORT)
  if (isIP(host) !== 4 || port < 1 || port > 65535)
    return { ok: false, problem: 'Say the address of the meter in numbers, as in 192.168.1.40 or 192.168.1.40:5025.' }
  if (!near.check(host)) return { ok: false, problem: 'A meter is reached in this house only: an address as in 192.168.1.40.' }
  return { ok: true, address: { host, port } }
}
/** Raw SCPI over TCP, as instruments have it (IANA: scpi-raw). */
const SCPI_PORT = 5025

/** A meter that says nothing for so long has gone. */
const PATIENCE_MS = 4000
/** Readings are asked for so often. */
const EVERY_MS = 400
/** What is no reading, so many times in a row: it is no meter, or not in this mode. */
const MOST_RUBBISH = 3

/**
 * What a meter reads, again and again, until it goes, or nobody listens. What goes wrong is the last event, in a sentence.
 *
 * @param leads where the leads are, told to a simulated meter only
 */
export async function* streamMeter(
  { host, port }: MeterAddress,
  reads: MeterReads,
  leads: string | null,
  signal: AbortSignal,
): AsyncGenerator<MeterEvent> {
  const where = `${host}:${port}`
  let line: Line | null = null
  try {
    line = await openLine(host, port, signal)
    const name = await line.ask(WHO_ARE_YOU)
    const isSimulated = /simulated meter/i.test(name)
    yield { kind: 'named', name: name.slice(0, LONGEST_LINE), isSimulated }
    if (isSimulated && leads !== null) line.send(`${SIMULATED_LEADS} ${leads}`)
    let rubbish = 0
    while (!signal.aborted) {
      const value = readReply(await line.ask(queries[reads]))
      rubbish = value === null ? rubbish + 1 : 0
      if (rubbish >= MOST_RUBBISH)
        throw new MeterTrouble(`What answers at ${where} does not send readings. Is it a meter, and set to ${reads}?`)
      if (value !== null) yield { kind: 'value', value }
      await new Promise((resolve) => setTimeout(resolve, EVERY_MS))
    }
  } catch (error) {
    if (!signal.aborted)
      yield {
        kind: 'problem',
        say: error instanceof MeterTrouble ? error.message : `The meter at ${where} does not answer. Is it on, and on this network?`,
      }
  } finally {
    line?.end()
  }
}

class MeterTrouble extends Error {}

interface Line {
  /** The next line that comes back. */
  ask(query: string): Promise<string>
  send(command: string): void
  end(): void
}

function openLine(host: string, port: number, signal: AbortSignal): Promise<Line> {
  return new Promise((resolve, reject) => {
    const socket: Socket = connect({ host, port })
    let waiting: { resolve: (line: string) => void; reject: (error: Error) => void } | null = null
    let text = ''
    const fail = (error: Error) => {
      socket.destroy()
      waiting?.reject(error)
      waiting = null
      reject(error)
    }
    socket.setEncoding('latin1')
    socket.setTimeout(PATIENCE_MS, () =>
      fail(new MeterTrouble(`The meter at ${host}:${port} went silent. Look at it, then connect again.`)),
    )
    socket.on('error', fail)
    socket.on('close', () => fail(new MeterTrouble(`The meter at ${host}:${port} has gone. Look at it, then connect again.`)))
    signal.addEventListener('abort', () => fail(new Error('nobody listens')))
    socket.on('data', (piece: string) => {
      text += piece
      const end = text.indexOf('\n')
      if (end < 0 && text.length > LONGEST_LINE)
        return fail(new MeterTrouble(`What answers at ${host}:${port} talks without end. It is no meter; nothing was taken.`))
      if (end < 0) return
      const line = text.slice(0, end)
      // What came unasked is let go of: the next answer is to the next question.
      text = ''
      waiting?.resolve(line.slice(0, LONGEST_LINE))
      waiting = null
    })
    socket.on('connect', () =>
      resolve({
        ask: (query) =>
          new Promise((answer, refuse) => {
            waiting = { resolve: answer, reject: refuse }
            socket.write(`${query}\n`)
          }),
        send: (command) => socket.write(`${command}\n`),
        end: () => socket.destroy(),
      }),
    )
  })
}
