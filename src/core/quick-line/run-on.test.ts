import { answerTo, drafts, standing } from '@/tests/setup/standing'

/** Two things in one breath, with no sign between them. */
const coolingOutside = standing('furnace-ac', 'outdoor', 'on', { do: 'call', call: 'cool' })
const draft = standing('furnace-induced-draft', 'indoor', 'on', { do: 'call', call: 'heat' })
const atStat = standing('furnace-ac', 'thermostat', 'on')

describe('a sentence that runs on', () => {
  it('tells what was read at a part, and what that part does', () =>
    expect(drafts(coolingOutside, '24.3 at contactor coil not pulled in')).toMatchObject([
      { probe: { meter: 'volts', a: 'low-contactor@outdoor' }, answer: 24.3 },
      { probe: { meter: 'look', at: 'contactor' }, answer: { word: 'out' } },
    ]))

  it('tells what was done to one part, and what another does', () =>
    expect(drafts(draft, 'jumped pressure switch igniter glows')).toMatchObject([
      { kind: 'bench', change: { do: 'jumper' } },
      { probe: { meter: 'look', at: 'igniter' }, answer: { word: 'runs' } },
    ]))

  it('tells of a thermostat that came off, and what was read on its base', () =>
    expect(answerTo(atStat, 'stat off the wall R to C 26.5')).toBe('unplug the thermostat, then R to C at the thermostat: 26.5 V'))
})
