import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

/** What came up on days of work that were typed from end to end. */
const contactorOff = standing('air-handler-plain', 'outdoor', 'off', { do: 'unplug', part: 'contactor' })
const heating = standing('heat-pump-o', 'outdoor', 'on', { do: 'call', call: 'heat' })
const furnaceHeating = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'heat' })
const coolingOutside = standing('furnace-ac', 'outdoor', 'on', { do: 'call', call: 'cool' })
const wireOff = standing('furnace-ac', 'indoor', 'on', { do: 'lift', end: 'stat-cable.W@indoor' })
const newJob = (id: string) => (line: string) => readQuickLine(line, { system: systemOf(id), entries: [], suspects: [], proposed: null })

describe('days of work, typed', () => {
  it.each(['replaced contactor', 'new contactor in', 'put a new contactor in'])('a new part goes on its leads: %s', (line) =>
    expect(drafts(contactorOff, line)).toMatchObject([{ change: { do: 'plug', part: 'contactor' } }, { kind: 'repair' }]),
  )

  it('one that is still to come does not, nor does a wire of it', () => {
    expect(drafts(contactorOff, 'needs a new contactor')).toMatchObject([{ kind: 'note' }])
    expect(drafts(contactorOff, 'replaced the wire to the contactor')).toMatchObject([{ kind: 'repair' }])
  })

  it('loses volts across a switch, and not at a thermostat', () => {
    expect(answerTo(coolingOutside, 'lost voltage across the high pressure')).toContain(': 24 V')
    expect(answerTo(coolingOutside, 'lost power at the stat')).not.toContain('24 V')
  })

  it('holds on a zone is a trial, 27 holding a reading', () => {
    expect(answerTo(standing('zoned-furnace-ac', 'indoor', 'on'), 'zone 2 holds')).toContain('On which call of zone 2?')
    expect(answerTo(standing('furnace-ac', 'indoor', 'on'), 'R-C 27 holding')).toBe('R to C at the indoor unit: 27 V')
  })

  it('resets what shows its button, and mends what does not', () => {
    expect(answerTo(furnaceHeating, 'reset the rollout')).toBe('rollout switch: set')
    expect(drafts(heating, 'reset the high pressure')).toMatchObject([{ kind: 'repair', zone: 'outdoor' }])
  })

  it('reads R at the one place that has it', () =>
    expect(answerTo(standing('air-handler-plain', 'outdoor', 'on'), 'R-C 26')).toBe('R to C at the air handler: 26 V'))

  it('asks where it was read, of several', () =>
    expect(answerTo(standing('furnace-ac', 'outdoor', 'on'), 'R-C 26')).toContain('"R-C 26 at thermostat" or "R-C 26 at indoor"'))

  it.each([
    ['walk back in', 'walk to the indoor unit'],
    ['go back inside', 'walk to the indoor unit'],
    ['high pressure in 24, out 0', 'at the outdoor unit: 24 V, then lead from high-pressure switch to low-pressure switch to C'],
  ])('%s', (line, said) => expect(answerTo(coolingOutside, line)).toContain(said))

  it('keeps what a customer told as one complaint, whatever units it names', () => {
    expect(drafts(newJob('heat-pump-o'), 'no heat, heat pump, aux runs')).toMatchObject([
      { kind: 'complaint', complaint: { symptoms: ['mode-dead'], call: 'heat' } },
    ])
    expect(drafts(newJob('zoned-furnace-ac'), 'upstairs stat shows an error, no cooling upstairs')).toMatchObject([{ kind: 'complaint' }])
  })

  it('takes the wire in the hand for the wire, and its screw for the screw', () => {
    expect(answerTo(wireOff, 'W wire to R 0')).toBe('W (white) of the stat cable to R at the indoor unit: 0 V')
    expect(answerTo(wireOff, 'W to R 26')).toBe('W to R at the indoor unit: 26 V')
  })

  it('hears a furnace quit as a wire comes off: with nothing called it is to rest', () =>
    expect(answerTo(wireOff, 'furnace quits')).toBe('what runs at the indoor unit: as called'))

  it('takes what is off already for told again', () =>
    expect(answerTo(wireOff, 'lifted R and W')).toBe('lift R (red) of the stat cable at the indoor unit'))

  it('sees on the call of the complaint what runs, where none is on record', () => {
    const told = standingAfter('heat-pump-o', 'indoor', ['complaint heat pump wont cool'])
    expect(answerTo(told, 'outdoor unit runs')).toBe('set the thermostat to call for cool, then what runs at the heat pump: as called')
  })

  it('asks which was turned off while something is called', () =>
    expect(answerTo(coolingOutside, 'turned it off')).toBe('The call, or the power? Say "call off", or "power off".'))

  it('goes by the label that was told, and not by the one that is usual', () => {
    const powerOff = standing('furnace-ac', 'outdoor', 'off')
    expect(answerTo(powerOff, 'cap reads 3 on the fan and 41 on herm, label 40/5')).toContain('run capacitor: condenser fan side low')
    expect(answerTo(powerOff, 'herm 38 uf, rated 40')).toContain('good')
    expect(answerTo(powerOff, 'herm 38 uf, rated 45')).toContain('compressor side low')
  })

  it('puts back the wire of that color that is off, or that has its letter', () => {
    const ends = ['R', 'Y', 'O', 'W', 'C'].map((wire) => `outdoor-cable.${wire}@indoor` as const)
    const cableOff = standing('heat-pump-o', 'indoor', 'on', ...ends.map((end) => ({ do: 'lift', end }) as const))
    expect(drafts(cableOff, 'yellow on, holds')).toMatchObject([{ change: { end: ends[1] } }, { kind: 'trip', result: 'holds' }])
    expect(drafts(cableOff, 'orange on, holds')).toMatchObject([{ change: { end: ends[2] } }, { kind: 'trip', result: 'holds' }])
  })

  it('takes the thermostat off its base, and wires off both ends', () => {
    const atStat = standing('furnace-ac', 'thermostat', 'on')
    expect(answerTo(atStat, 'removed stat from base')).toBe('unplug the thermostat')
    expect(drafts(standing('furnace-ac', 'thermostat', 'off'), 'both ends off, white to red 0.2').at(-1)).toMatchObject({
      probe: { a: 'stat-cable.W@thermostat', b: 'stat-cable.R@thermostat' },
      answer: 0.2,
    })
  })

  it('reads the transformer where one stands', () =>
    expect(drafts(standing('zoned-furnace-ac', 'panel', 'on'), 'secondary 0')).toMatchObject([
      { probe: { a: 'R1@panel', b: 'C1@panel' }, answer: 0 },
    ]))

  it('a coil that is a dead short read near 0', () =>
    expect(answerTo(standing('furnace-ac', 'outdoor', 'off'), 'contactor coil dead short')).toContain('near 0'))

  it('puts nothing back before it is put back', () => {
    const cableOff = standing('furnace-ac', 'indoor', 'off', { do: 'lift', end: 'outdoor-cable.Y@indoor' })
    expect(drafts(cableOff, 'put the outdoor wires back one at a time')).toMatchObject([{ kind: 'note' }])
  })
})
