import { movesOf } from '@/src/core/diagnosis/explanation/moves'
import { codeFactor, exampleCodes, findCode, withCode } from '@/src/core/diagnosis/hypotheses/codes'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { emptyComplaint, sayComplaint } from '@/src/core/job/complaint'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const limit = exampleCodes[0]
const massOf = (id: string, codes: typeof exampleCodes) => {
  const { hypotheses } = computePosterior(engine, { ...noEvidence, complaint: { ...emptyComplaint, codes: [...codes] } })
  return engine.hypotheses.reduce((sum, { fault }, index) => sum + (fault?.id === id ? hypotheses[index] : 0), 0)
}

describe('the table of codes', () => {
  it('is looked up by board and code, however they are written', () => {
    expect(findCode(exampleCodes, ' Furnace Board (example)', '3 ')).toBe(limit)
    expect(findCode(exampleCodes, 'furnace board (example)', '99')).toBeNull()
  })

  it('takes a line in the place of the one for the same code', () => {
    const own = { ...limit, means: 'limit or its fan' }
    const table = withCode(exampleCodes, own)
    expect(table).toHaveLength(exampleCodes.length)
    expect(findCode(table, limit.board, limit.code)).toEqual(own)
    expect(withCode(exampleCodes, { ...limit, code: '31' })).toHaveLength(exampleCodes.length + 1)
  })
})

describe('a code that was read', () => {
  it('raises the switch that it names and nothing else of its kind', () => {
    expect(massOf('switch-open:limit', [limit])).toBeGreaterThan(4 * massOf('switch-open:limit', []))
    expect(massOf('switch-open:rollout', [limit])).toBeLessThan(massOf('switch-open:rollout', []))
  })

  it('of too much current raises shorts, of a low voltage what starves the circuit, of the past nothing', () => {
    const fault = (id: string) => {
      const found = engine.faults.find((candidate) => candidate.id === id)
      if (!found) throw new Error(`no fault ${id}`)
      return found
    }
    const short = fault('conductor-to-chassis:outdoor-cable.Y')
    const open = fault('conductor-open:stat-cable.C')
    expect(codeFactor(furnaceAc, { points: 'over-current' }, short)).toBeGreaterThan(1)
    expect(codeFactor(furnaceAc, { points: 'over-current' }, open)).toBe(1)
    expect(codeFactor(furnaceAc, { points: 'low-voltage' }, open)).toBeGreaterThan(1)
    expect(codeFactor(furnaceAc, { points: 'nothing' }, short)).toBe(1)
  })

  it('is told as what moved the zones, and stands in the complaint', () => {
    const complaint = { ...emptyComplaint, codes: [limit] }
    const indoor = movesOf(engine, complaint).find(({ zone }) => zone === 'indoor')
    expect(indoor).toMatchObject({ because: 'code 3' })
    expect(indoor?.change).toBeGreaterThan(0.02)
    expect(sayComplaint(complaint)).toContain('code 3, furnace board (example): limit circuit open')
  })
})
