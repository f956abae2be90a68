import { parseArgs } from 'node:util'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { createSimulatedMeter } from '@/src/server/meter/simulated-meter'

/** `npm run meter -- --system ID --fault ID`: a simulated meter on the line, for practice and for tests. */
const { values: options } = parseArgs({
  options: {
    system: { type: 'string', default: 'furnace-ac' },
    fault: { type: 'string' },
    port: { type: 'string', default: '5025' },
    seed: { type: 'string', default: '1' },
  },
})

function main(): void {
  const system = systemById(options.system)
  if (!system) throw new Error(`There is no system "${options.system}": ${catalogue.map(({ id }) => id).join(', ')}.`)
  const fault = enumerateFaults(system).find(({ id }) => id === options.fault)
  if (options.fault !== undefined && !fault)
    throw new Error(`The ${system.name} has no fault "${options.fault}": ./nest-trace faults ${system.id} lists them.`)
  const meter = createSimulatedMeter(system, fault ? hypothesisOfFault(fault, 'intact') : healthy, Number(options.seed))
  meter.on('error', (error) => end(new Error(`Port ${options.port} cannot be served: ${error.message}.`)))
  meter.listen(Number(options.port), '127.0.0.1', () =>
    console.log(
      `A simulated meter reads a simulated ${system.name}, ${fault ? fault.say : 'nothing wrong'}, on 127.0.0.1:${options.port}. Ctrl-C ends it.`,
    ),
  )
}

function end(error: unknown): void {
  console.error(error instanceof Error ? error.message : String(error))
  process.exitCode = 2
}

try {
  main()
} catch (error) {
  end(error)
}
