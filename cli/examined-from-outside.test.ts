import { type ChildProcessWithoutNullStreams, spawn } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { createInterface } from 'node:readline'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type TraceAnswer, traceAnswerSchema } from '@/src/core/formats/trace-answer'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createRandom } from '@/src/core/units/random'
import { readSystem } from '@/src/core/wiring/read-system'
import type { System } from '@/src/core/wiring/system'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

/** A house of somebody's own: other colours, other lengths, other parts, described in a file. */
function ownHouse(): System {
  const house = structuredClone(furnaceAc) as any
  house.id = 'ferry-steps'
  house.name = 'Ferry Steps, cellar furnace'
  house.cables[0].lengthM = 24
  house.cables[1].lengthM = 9
  house.cables[1].conductors[0].colour = 'brown'
  house.cables[1].conductors[1].colour = 'blue'
  for (const part of house.parts) {
    if (part.id === 'contactor') Object.assign(part, { dcOhm: 11, sealedVa: 8 })
    if (part.id === 'gas-valve') Object.assign(part, { dcOhm: 62, sealedVa: 5 })
    if (part.id === 'fuse') part.ratingA = 5
    if (part.id === 'transformer') part.openVolts = 26.4
  }
  const read = readSystem(house)
  if (!read.ok) throw new Error(read.problems.join('\n'))
  return read.system
}

/** One line in, one answer out. */
class Examiner {
  private readonly process: ChildProcessWithoutNullStreams
  private readonly lines: AsyncIterator<string>

  constructor(systemFile: string) {
    this.process = spawn(path.resolve('nest-trace'), ['trace', '--system', systemFile, '--json'])
    this.lines = createInterface({ input: this.process.stdout })[Symbol.asyncIterator]()
  }

  async say(line: unknown): Promise<TraceAnswer> {
    this.process.stdin.write(`${typeof line === 'string' ? line : JSON.stringify(line)}\n`)
    const { value } = await this.lines.next()
    return traceAnswerSchema.parse(JSON.parse(value))
  }

  end(): void {
    this.process.stdin.end()
  }
}

const system = ownHouse()
const file = path.join(mkdtempSync(path.join(tmpdir(), 'nest-trace-own-')), 'ferry-steps.json')
writeFileSync(file, JSON.stringify(system))

describe('examined from outside, through trace --json', () => {
  it.each([
    ['conductor-open:outdoor-cable.C', 'intact'],
    ['conductor-to-chassis:outdoor-cable.Y', 'blown'],
    ['not-landed:stat-cable.W@thermostat', 'intact'],
    ['coil-shorted:blower-relay', 'blown'],
    ['switch-open:rollout', 'intact'],
  ] as const)(
    '%s is found in a house described by hand @long',
    async (id, foundFuse) => {
      const fault = enumerateFaults(system).find((candidate) => candidate.id === id)
      if (!fault) throw new Error(`no fault ${id}`)
      const random = createRandom(id.length)
      const house = createHouse(system, hypothesisOfFault(fault, foundFuse), drawValues(system, random), random)
      const examiner = new Examiner(file)
      try {
        let answer = await examiner.say('note arrived')
        let checks = 0
        while (answer.next && checks < 25) {
          checks++
          const { next } = answer
          for (const entry of next.setup) {
            if (entry.kind !== 'bench') throw new Error('a setup holds bench entries only')
            house.change(entry.change)
            answer = await examiner.say(entry)
            expect(Array.isArray(answer.understood)).toBe(true)
          }
          const reading = house.ask(next.probe)
          if (reading.tripped || next.kind === 'trip')
            answer = await examiner.say({ kind: 'trip', result: reading.tripped ? 'trips' : 'holds' })
          else answer = await examiner.say({ kind: 'reading', probe: next.probe, answer: reading.answer })
        }
        expect(answer.verdict).toMatchObject({ found: 'repair', repair: { id: fault.repair.id }, zone: fault.zone })
        expect(answer.verdict?.probability).toBeGreaterThan(0.95)
      } finally {
        examiner.end()
      }
    },
    90_000,
  )
})
