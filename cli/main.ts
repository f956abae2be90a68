import { jobCommand } from '@/cli/job-command'
import { loadSystem, readOptions, UsageError } from '@/cli/options'
import { netlistCommand, solveCommand } from '@/cli/solve-command'
import { traceCommand } from '@/cli/trace-command'
import { publishSchemas } from '@/src/core/formats/schemas'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

const USAGE = `nest-trace: the core of Nest Trace from a terminal

  systems  [ID]                        the systems that ship with it, or one in the open format
  faults   --system ID|FILE            every fault the wiring can have
  solve    --system ID|FILE [--fault ID] [--bench FILE] [--do "quick line"]... [--read A,B]...
                                       readings for a system, a fault and a bench
  netlist  --system ID|FILE [--fault ID] [--bench FILE] [--do ...]... [--ohms]
                                       the same state as a SPICE deck
  suspects JOB.json [--json]           suspects of a job file
  next     JOB.json [--json]           the check worth most in a job file
  trace    --system ID|FILE [--json]   reads a quick line or a timeline entry (JSON) a line, answers each
  schema   [NAME]                      JSON schemas: system, entry, job, answer
`

async function main(): Promise<void> {
  const [command, ...rest] = process.argv.slice(2)
  const options = readOptions(rest)
  switch (command) {
    case 'systems':
      if (options.words[0] !== undefined) console.log(JSON.stringify(loadSystem(options.words[0]), null, 2))
      else for (const { id, name } of catalogue) console.log(`${id}\t${name}`)
      return
    case 'faults':
    case 'solve':
      return solveCommand(command, options)
    case 'netlist':
      return netlistCommand(options)
    case 'suspects':
    case 'next':
      return jobCommand(command, options)
    case 'trace':
      return traceCommand(options)
    case 'schema': {
      const schemas = publishSchemas()
      const name = options.words[0]
      if (name !== undefined && !schemas.has(name)) throw new UsageError(`There is no schema "${name}": ${[...schemas.keys()].join(', ')}.`)
      console.log(JSON.stringify(name === undefined ? Object.fromEntries(schemas) : schemas.get(name), null, 2))
      return
    }
    case undefined:
    case 'help':
    case '--help':
      console.log(USAGE)
      return
    default:
      throw new UsageError(`There is no command "${command}".\n\n${USAGE}`)
  }
}

main().catch((error: unknown) => {
  if (!(error instanceof UsageError)) throw error
  console.error(error.message)
  process.exitCode = 2
})
