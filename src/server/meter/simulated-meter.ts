import { createServer, type Server, type Socket } from 'node:net'
import { z } from 'zod'
import type { Bench } from '@/src/core/bench/bench'
import { type MeterReads, queries, SIMULATED_LEADS, WHO_ARE_YOU } from '@/src/core/formats/meter-form'
import { drawValues, measure } from '@/src/core/practice/house'
import type { Probe } from '@/src/core/readings/check'
import { probeSchema } from '@/src/core/readings/check-schema'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { createRandom } from '@/src/core/units/random'
import type { System } from '@/src/core/wiring/system'

/** Where the leads are, and how the bench stands: made by this server, of the job that is looked at. */
const leadsSchema = z.object({ probe: probeSchema, bench: z.custom<Bench>((value) => typeof value === 'object' && value !== null) })

export const NAME = 'Nest Trace,Simulated meter,0,1'
/** SCPI for more than the range holds. */
const OVERLOAD = '9.9E+37'
const LONGEST_COMMAND = 20_000

/**
 * A meter on a line that reads a simulated house with a hidden fault, noise and all. It speaks SCPI: `*IDN?`, `MEAS:...?`, `CONF:...` and
 * `READ?`; without leads it reads an open line.
 */
export function createSimulatedMeter(system: System, hypothesis: Hypothesis, seed: number): Server {
  const random = createRandom(seed)
  const laboratory = createLaboratory(system, drawValues(system, random))
  return createServer((socket) => {
    let leads: z.infer<typeof leadsSchema> | null = null
    let set: MeterReads = 'volts'
    let text = ''
    const read = (reads: MeterReads): string => {
      const probe = leads && asRead(leads.probe, reads)
      if (!leads || !probe) return reads === 'ohms' ? OVERLOAD : '0.0'
      const answer = measure(laboratory, leads.bench, { ...hypothesis, intermittent: false }, probe, random)
      return typeof answer === 'number' ? answer.toExponential(4) : answer === 'OL' ? OVERLOAD : '0.0'
    }
    const answer = (command: string): void => {
      const [asked] = command.split(' ')
      const reads = (Object.keys(queries) as MeterReads[]).find((one) => queries[one] === asked.toUpperCase())
      const configured = (Object.keys(queries) as MeterReads[]).find(
        (one) => queries[one].replace('MEAS', 'CONF').replace('?', '') === asked.toUpperCase(),
      )
      if (asked.toUpperCase() === WHO_ARE_YOU) say(socket, NAME)
      else if (reads) say(socket, read(reads))
      else if (configured) set = configured
      else if (asked.toUpperCase() === 'READ?') say(socket, read(set))
      else if (asked === SIMULATED_LEADS) leads = leadsOf(command.slice(SIMULATED_LEADS.length + 1))
    }
    socket.setEncoding('latin1')
    socket.on('error', () => socket.destroy())
    socket.on('data', (piece: string) => {
      text += piece
      if (text.length > LONGEST_COMMAND) return socket.destroy()
      const commands = text.split('\n')
      text = commands.pop() ?? ''
      for (const command of commands) answer(command.trim())
    })
  })
}

const say = (socket: Socket, line: string): void => void socket.write(`${line}\n`)

/** The same leads with the meter set to another function; a clamp is not a pair of leads. */
const asRead = (probe: Probe, reads: MeterReads): Probe | null =>
  (probe.meter === 'volts' || probe.meter === 'ohms') && reads !== 'amps'
    ? { ...probe, meter: reads }
    : probe.meter === 'amps' && reads === 'amps'
      ? probe
      : null

function leadsOf(text: string): z.infer<typeof leadsSchema> | null {
  try {
    return leadsSchema.parse(JSON.parse(Buffer.from(text, 'base64').toString('utf8')))
  } catch {
    return null
  }
}
