import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { hear } from '@/tests/lines/measure'

const draftsOf = (system: string, said: string, power: boolean) => {
  const found = systemById(system)
  if (!found) throw new Error(`no system ${system}`)
  const entries = power ? [] : [{ id: 'p', at: '2026-05-04T09:10:00Z', kind: 'bench', change: { do: 'power', on: false } } as const]
  const read = readQuickLine(said, { system: found, entries, suspects: [], proposed: null })
  return read.ok ? read.drafts : read.problem
}

describe('a furnace with an ignition control', () => {
  it.each([
    ['burners light then go out', 'call heat; flame lights and goes out'],
    ['fires then shuts off', 'call heat; flame lights and goes out'],
    ['flame drops out after 4 seconds', 'call heat; flame lights and goes out'],
    ['igniter glows but burners never light', 'call heat; flame glows without flame'],
    ['igniter never glows', 'call heat; flame no glow'],
    ['burners lit and stay lit', 'call heat; flame burns'],
    ['0.3 microamps at the flame sensor', 'call heat; flame 0.3'],
    ['flame sensor reads 2.1 microamps', 'call heat; flame 2.1'],
    ['120 at the igniter but no glow', 'igniter 120 V; call heat; flame no glow'],
    ['igniter glows', 'call heat; igniter runs'],
  ])('%s', (said, means) => {
    expect(draftsOf('furnace-induced-draft', said, true)).toEqual(draftsOf('furnace-induced-draft', means, true))
    expect(hear({ system: 'furnace-induced-draft', before: [], said, means }).outcome).toBe('understood')
  })

  it.each([
    ['igniter 55 ohms', 'ohms across igniter 55'],
    ['igniter open', 'ohms across igniter OL'],
  ])('%s, with the power off', (said, means) => {
    expect(draftsOf('furnace-induced-draft', said, false)).toEqual(draftsOf('furnace-induced-draft', means, false))
  })

  it('takes microamps against what a control wants, and keeps the figure', () => {
    expect(draftsOf('furnace-induced-draft', 'flame 0.4 µA', true)).toEqual([
      { kind: 'reading', probe: { meter: 'look', at: 'signal@ignition' }, answer: { word: 'low' } },
      { kind: 'note', text: 'flame signal 0.4 µA' },
    ])
    expect(draftsOf('furnace-induced-draft', 'flame 4 V', true)).toEqual([{ kind: 'note', text: 'flame 4 V' }])
  })

  it('asks what a bad igniter read, and is a remark where no such control is on record', () => {
    expect(draftsOf('furnace-induced-draft', 'igniter is cracked', false)).toContain('What did it read?')
    expect(draftsOf('furnace-ac', 'burners light and drop out', true)).toEqual([{ kind: 'note', text: 'burners light and drop out' }])
  })
})
