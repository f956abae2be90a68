import { jobCommand } from '@/cli/job-command'
import { type Accepted, loadSystem, type Options, readOptions, sayFileTrouble, UsageError } from '@/cli/options'
import { netlistCommand, solveCommand } from '@/cli/solve-command'
import { traceCommand } from '@/cli/trace-command'
import { publishSchemas } from '@/src/core/formats/schemas'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

interface Command {
  readonly usage: string
  readonly accepts: Accepted
  readonly run: (options: Options) => void | Promise<void>
}

/** The database is loaded for its own commands only. */
const storeCommands = () => import('@/cli/store-command')

/** So is what writes a PDF. */
const pageCommands = () => import('@/cli/page-command')

const STATE = ['system', 'fault', 'bench', 'do']

const commands = new Map<string, Command>([
  [
    'systems',
    {
      usage: `systems  [ID] [--json]               the systems that ship with it, or one in the open format`,
      accepts: { words: 1, flags: ['json'] },
      run: listSystems,
    },
  ],
  [
    'faults',
    {
      usage: `faults   --system ID|FILE            every fault the wiring can have`,
      accepts: { values: ['system'] },
      run: (options) => solveCommand('faults', options),
    },
  ],
  [
    'solve',
    {
      usage: `solve    --system ID|FILE [--fault ID] [--bench FILE] [--do "quick line"]... [--read A,B]...
                                       readings for a system, a fault and a bench`,
      accepts: { values: [...STATE, 'read'] },
      run: (options) => solveCommand('solve', options),
    },
  ],
  [
    'netlist',
    {
      usage: `netlist  --system ID|FILE [--fault ID] [--bench FILE] [--do ...]... [--ohms]
                                       the same state as a SPICE deck`,
      accepts: { values: STATE, flags: ['ohms'] },
      run: netlistCommand,
    },
  ],
  [
    'suspects',
    {
      usage: `suspects JOB.json [--json]           suspects of a job file`,
      accepts: { words: 1, flags: ['json'] },
      run: (options) => jobCommand('suspects', options),
    },
  ],
  [
    'next',
    {
      usage: `next     JOB.json [--json]           the check worth most in a job file`,
      accepts: { words: 1, flags: ['json'] },
      run: (options) => jobCommand('next', options),
    },
  ],
  [
    'trace',
    {
      usage: `trace    --system ID|FILE [--minutes FILE] [--json]
                                       reads a quick line or a timeline entry (JSON) a line, answers each`,
      accepts: { values: ['system', 'minutes'], flags: ['json'] },
      run: traceCommand,
    },
  ],
  ...(['report', 'card', 'csv'] as const).map((name): [string, Command] => [
    name,
    {
      usage: {
        report: 'report   JOB.json FILE [--paper letter|a4]  the page that stays, as a PDF',
        card: 'card     JOB.json FILE              the card inside the panel, as a PDF',
        csv: 'csv      JOB.json FILE              the timeline for a spreadsheet',
      }[name],
      accepts: { words: 2, values: name === 'report' ? ['paper'] : [] },
      run: async (options) => (await pageCommands()).pageCommand(name, options),
    },
  ]),
  [
    'schema',
    {
      usage: `schema   [NAME]                      JSON schemas: system, entry, job, answer`,
      accepts: { words: 1 },
      run: printSchema,
    },
  ],
  [
    'backup',
    {
      usage: `backup   FILE [--data FOLDER]        everything in the store as one file, also while it is served`,
      accepts: { words: 1, values: ['data'] },
      run: async (options) => (await storeCommands()).backupCommand(options),
    },
  ],
  [
    'archive',
    {
      usage: `archive  FILE.zip [--job ID] [--data FOLDER]  every job, or one, with its photos as a zip; restore takes it in again`,
      accepts: { words: 1, values: ['data', 'job'] },
      run: async (options) => (await storeCommands()).archiveCommand(options),
    },
  ],
  [
    'restore',
    {
      usage: `restore  FILE [--data FOLDER]        puts a backup in the store's place, once it is found whole; the old store is set aside. An archive (zip) is taken in beside what is there`,
      accepts: { words: 1, values: ['data'] },
      run: async (options) => (await storeCommands()).restoreCommand(options),
    },
  ],
  [
    'recover',
    {
      usage: `recover  [--data FOLDER]             puts a damaged store together again from its last copy and the journal`,
      accepts: { values: ['data'] },
      run: async (options) => (await storeCommands()).recoverCommand(options),
    },
  ],
  [
    'summaries',
    {
      usage: `summaries [--data FOLDER]            makes every job's line on the list anew, its suspicion too`,
      accepts: { values: ['data'] },
      run: async (options) => (await storeCommands()).summariesCommand(options),
    },
  ],
])

const USAGE = `nest-trace: the core of Nest Trace from a terminal\n\n${[...commands.values()].map(({ usage }) => `  ${usage}`).join('\n')}\n`

function listSystems(options: Options): void {
  const [id] = options.words
  if (id !== undefined) console.log(JSON.stringify(loadSystem(id), null, 2))
  else if (options.has('json')) console.log(JSON.stringify(catalogue.map(({ id: known, name }) => ({ id: known, name }))))
  else for (const { id: known, name } of catalogue) console.log(`${known}\t${name}`)
}

function printSchema(options: Options): void {
  const schemas = publishSchemas()
  const [name] = options.words
  if (name !== undefined && !schemas.has(name)) throw new UsageError(`There is no schema "${name}": ${[...schemas.keys()].join(', ')}.`)
  console.log(JSON.stringify(name === undefined ? Object.fromEntries(schemas) : schemas.get(name), null, 2))
}

async function main(): Promise<void> {
  const [name, ...rest] = process.argv.slice(2)
  if (name === undefined || name === 'help' || name === '--help' || name === '-h') return console.log(USAGE)
  const command = commands.get(name)
  if (!command) throw new UsageError(`There is no command "${name}".\n\n${USAGE}`)
  if (rest.includes('--help')) return console.log(`  ${command.usage}`)
  await command.run(readOptions(name, rest, command.accepts))
}

/** A reader that has gone (`| head`) is the end of the work, a full disk behind `>` is told. Nobody is shown a stack. */
function endWell(error: unknown): void {
  const code = error instanceof Error && 'code' in error ? error.code : ''
  if (code === 'EPIPE') process.exit(0)
  console.error(sayFileTrouble('the output', error))
  process.exit(1)
}

process.stdout.on('error', endWell)
process.on('uncaughtException', fail)
process.on('unhandledRejection', fail)

function fail(error: unknown): void {
  if (error instanceof UsageError) {
    console.error(error.message)
    process.exitCode = 2
    return
  }
  const code = error instanceof Error && 'code' in error ? String(error.code) : ''
  if (code === 'EPIPE') process.exit(0)
  if (/^E[A-Z]+$/.test(code))
    console.error(sayFileTrouble(error instanceof Error && 'path' in error ? String(error.path) : 'a file', error))
  else {
    console.error(`Something failed that should not: ${error instanceof Error ? error.message : String(error)}`)
    if (process.env.NEST_TRACE_DEBUG && error instanceof Error) console.error(error.stack)
    else console.error('NEST_TRACE_DEBUG=1 shows where.')
  }
  process.exit(1)
}

main().catch(fail)
