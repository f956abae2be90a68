import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

/** What was put in, what fell off, what changed places, what gets through. */
const furnace = standing('furnace-ac', 'indoor', 'on')
const furnaceOff = standing('furnace-ac', 'indoor', 'off')
const heatingFurnace = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'heat' })
const cooling = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' })
const coolingOutside = standing('furnace-ac', 'outdoor', 'on', { do: 'call', call: 'cool' })
const outsideOff = standing('furnace-ac', 'outdoor', 'off')
const heatPump = standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'heat' })
const heatPumpOutside = standing('heat-pump-o', 'outdoor', 'on', { do: 'call', call: 'heat' })
const draft = standing('furnace-induced-draft', 'indoor', 'on', { do: 'call', call: 'heat' })
const zoned = standing('zoned-furnace-ac', 'panel', 'on')
const dualFuel = standing('dual-fuel', 'indoor', 'on', { do: 'call', call: 'heat' })

describe('what happened', () => {
  it.each([
    ['white and yellow are swapped at the stat', furnace, 'landings at the thermostat: Y and W of the stat cable are swapped'],
    ['red and white reversed at the condenser', furnace, 'landings at the outdoor unit: Y and C of the outdoor cable are swapped'],
    ['stat W and stat Y are swapped at the board', furnace, 'landings at the indoor unit: Y and W of the stat cable are swapped'],
    ['121 into the primary 26.8 out', furnace, '121 V, then transformer secondary, hot side to C at the indoor unit: 26.8 V'],
    ['primary has power, secondary dead', furnace, 'transformer secondary, hot side to C at the indoor unit: 0 V'],
    ['hi psi switch reads 0.1', outsideOff, 'high-pressure switch to low-pressure switch at the outdoor unit: 0.1 ohm'],
    ['coil is shorted, .8 ohms', outsideOff, '0.8 ohm'],
    ['Y to ground is shorted, 0.4', furnaceOff, 'Y to chassis at the indoor unit: 0.4 ohm'],
    ['24 through the limit', draft, 'lead from limit switch to rollout switch to C at the indoor unit: 24 V'],
    ['24 going out to the condenser', cooling, 'Y to C at the indoor unit: 24 V'],
    ['have 24 leaving the board on Y', cooling, 'Y to C at the indoor unit: 24 V'],
    ["I've got 26.2 between red and blue at the board", furnace, 'R to C at the indoor unit: 26.2 V'],
    ['26 through the high pressure switch', coolingOutside, 'to C at the outdoor unit: 26 V'],
    ['R wire fell off the stat', furnace, 'landings at the thermostat: R of the stat cable is off'],
    ["inducer has 120 doesn't spin", draft, 'inducer: still'],
    ['inducer 120 V, inducer still', draft, 'inducer: still'],
    ['aux strips on', heatPump, 'heat strips: runs'],
    ['strips come on with W jumped', heatPump, 'jumper R to W at the air handler, then'],
    ['heat pump runs, furnace off', dualFuel, 'not as called'],
    ['heat pump off, furnace running', dualFuel, 'what runs at the furnace: as called'],
    ['24 to the board, none out to contactor', heatPumpOutside, 'to C at the heat pump: 0 V'],
    ['took Y off zone 1 at panel', zoned, 'lift Y (yellow) of the cable 1 at the zone panel'],
    ['board fuse blown, 3 amp', furnace, 'fuse: blown, then note: 3 A fuse'],
    ['heat: no trip', furnace, 'set the thermostat to call for heat, then it holds'],
    ['took Y off the contactor', outsideOff, 'unplug the contactor'],
    ['pull both pressure switches off', outsideOff, 'unplug the high-pressure switch, then unplug the low-pressure switch'],
    ['stat code: short on Y', heatPump, 'over-current code on Y'],
    ['panel has 26, no zone calls', zoned, 'R1 to C1 at the zone panel: 26 V'],
    ['furnace on outdoor off', dualFuel, 'what runs at the heat pump: not as called'],
    ['sparks but no flame', draft, 'glows without flame'],
    ['igniter glows then shuts down', draft, 'glows without flame'],
    ['lost voltage across the limit', heatingFurnace, 'W to lead from limit switch to rollout switch at the indoor unit: 24 V'],
    ['Y1 at panel input 26, output 0', zoned, 'Y to C1 at the zone panel: 0 V'],
    ['L1 to L2 at contactor 243', coolingOutside, '243 V'],
    ['popped when the contactor should pull in', furnace, 'set the thermostat to call for cool, then it trips'],
    ['zone 2 light on, damper closed', zoned, 'damper 2: shut'],
  ] as const)('%s', (line, read, said) => expect(answerTo(read, line)).toContain(said))

  it.each([
    ['replaced fuse, 5A', { do: 'slot', holds: 'fuse', ratingA: 5 }],
    ['3 amp back in', { do: 'slot', holds: 'fuse', ratingA: 3 }],
    ['fuse on the board is 5 amp', { do: 'slot', holds: 'fuse', ratingA: 5 }],
    ['put in the pop up breaker', { do: 'slot', holds: 'breaker' }],
    ['breaker installed in place of fuse', { do: 'slot', holds: 'breaker' }],
    ['stuck a 3 amp popper in the fuse slot', { do: 'slot', holds: 'breaker', ratingA: 3 }],
    ['put a 5 amp auto reset in', { do: 'slot', holds: 'breaker', ratingA: 5 }],
    ['replaced the fuse with a breaker, 3 amps', { do: 'slot', holds: 'breaker', ratingA: 3 }],
  ])('a size, or a breaker, is what went into the slot: %s', (line, change) =>
    expect(drafts(furnace, line)).toEqual([{ kind: 'bench', change }]),
  )

  it('took the fuse out is a hand, takes the fuse out is a trip', () => {
    expect(drafts(furnace, 'took the fuse out')).toEqual([{ kind: 'bench', change: { do: 'slot', holds: 'nothing' } }])
    expect(drafts(furnace, 'heat is ok fan is ok, ac takes the fuse out').filter(({ kind }) => kind === 'trip')).toMatchObject([
      { result: 'holds' },
      { result: 'holds' },
      { result: 'trips' },
    ])
  })

  it('a jumper at the base of a thermostat that is off is on the wires there', () => {
    expect(drafts(furnace, 'stat is off, jumped R to Y at the base')).toMatchObject([
      { change: { do: 'unplug', part: 'stat' } },
      { change: { do: 'jumper', a: 'R@thermostat', b: 'Y@thermostat' } },
    ])
  })

  it('wires of a zone that are off the panel are not its thermostat', () => {
    const off = drafts(zoned, 'zone 2 wires off the panel, holds')
    expect(off.filter(({ kind }) => kind === 'bench')).toHaveLength(5)
    expect(off.at(-1)).toMatchObject({ kind: 'trip', result: 'holds' })
    expect(answerTo(standing('zoned-furnace-ac', 'indoor', 'on'), 'zone 1 Y to C 25')).toMatch(/^At the panel, or at its thermostat\?/)
  })

  it('what gets through is read behind a switch alone; a gas valve that does not click is no reversing valve', () => {
    expect(answerTo(heatingFurnace, '25 at the gas valve no click')).not.toContain('reversing')
    expect(answerTo(cooling, 'nothing comes on with W jumped')).toContain('jumper R to W')
  })

  it('a jumper that is missing is not put in', () => {
    expect(drafts(standing('furnace-two-transformers', 'indoor', 'on'), 'jumper between Rc and Rh missing')).toMatchObject([
      { kind: 'note' },
    ])
  })

  it('is a note where nobody saw which way it stands', () => {
    expect(drafts(zoned, 'zone 2 damper motor dead')).toMatchObject([{ kind: 'note' }])
    expect(drafts(heatPump, 'outdoor unit in defrost')).toMatchObject([{ kind: 'note' }])
  })

  it('a spare in the place of a wire, by the colors of its cable', () => {
    expect(drafts(furnace, 'swapped the yellow for the brown in the stat wire')).toMatchObject([
      { change: { do: 'swap', cable: 'stat-cable', from: 'Y' } },
    ])
  })
})

it('a call that kills the fuse is the complaint of it', () => {
  expect(drafts(standingAfter('furnace-ac', 'indoor', []), 'the ac kills the fuse')).toMatchObject([
    { complaint: { symptoms: ['fuse-on-call'], call: 'cool' } },
  ])
})

describe('several wires at once', () => {
  const cableOff = standing(
    'heat-pump-o',
    'indoor',
    'off',
    ...['R', 'Y', 'O', 'W', 'C'].map((wire) => ({ do: 'lift', end: `outdoor-cable.${wire}@indoor` }) as const),
  )

  it('reads each wire of a cable to the metal, and each pair of those in the hand', () => {
    expect(drafts(cableOff, 'every outdoor wire to ground OL')).toHaveLength(5)
    expect(drafts(cableOff, 'all wires going outside to ground OL')).toHaveLength(5)
    expect(drafts(cableOff, 'every wire to every other wire open')).toHaveLength(10)
  })

  it('joins nothing that was not named', () => expect(answerTo(furnaceOff, 'tied all the wires together')).toContain('Which of them?'))

  it('takes yellow for the wire in the hand that is Y, whatever its color', () =>
    expect(drafts(standing('furnace-ac', 'indoor', 'off', { do: 'lift', end: 'outdoor-cable.Y@indoor' }), 'put yellow back')).toMatchObject(
      [{ change: { do: 'land', end: 'outdoor-cable.Y@indoor' } }],
    ))
})
