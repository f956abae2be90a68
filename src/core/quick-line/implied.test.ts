import { drafts, standing } from '@/tests/setup/standing'

const furnace = standing('furnace-ac', 'indoor', 'on')
const furnaceDead = standing('furnace-ac', 'indoor', 'off')
const condenser = standing('furnace-ac', 'outdoor', 'on')
const condenserDead = standing('furnace-ac', 'outdoor', 'off')
const stat = standing('furnace-ac', 'thermostat', 'on')
const heatPump = standing('heat-pump-o', 'outdoor', 'on')
const rooftop = standing('rooftop-gas', 'package', 'on')
const rooftopDead = standing('rooftop-gas', 'package', 'off')
const strips = standing('rooftop-electric', 'package', 'on')
const panel = standing('zoned-furnace-ac', 'panel', 'on')
const induced = standing('furnace-induced-draft', 'indoor', 'on')

describe('a word where one stands, and what one thing implies of another', () => {
  it.each([
    ['Y/C 25.8, W/C 0, G/C 25.8', furnace, 'Y-C 25.8 V; W-C 0 V; G-C 25.8 V'],
    ['fan', stat, 'call fan'],
    ['changed it to cool 65', stat, 'call cool'],
    ['R has 26, Y has 0, calling for cool', stat, 'call cool; R-C 26 V; Y-C 0 V'],
    ['off', stat, 'call off'],
    ['blank', stat, 'thermostat blank'],
    ['stat keeps going blank', stat, 'thermostat chatters'],
    ['set to 70 room 78 cool', stat, 'call cool'],
    ['yellow on G, green on Y', stat, 'landings Y on G'],
    ['24 at the unit, contactor not in', condenser, 'Y-C 24 V; contactor out'],
    ["contactor won't pull in with 25 volts", condenser, 'low-contactor-C 25 V; contactor out'],
    ['contactor clicking in and out', condenser, 'contactor chatters'],
    ['118 and 120 to ground', condenser, 'L1-gnd 118 V; L2-gnd 120 V'],
    ['Y to C with contactor unplugged OL', condenserDead, 'unplug contactor; Y-C OL'],
    ['with outdoor Y off Y to C is OL', furnaceDead, 'lift outdoor Y; Y-C OL'],
    ['contactor coil 0.2 shorted', condenserDead, 'low-contactor-C 0.2'],
    ['R to everything OL', furnaceDead, 'R-Y OL; R-G OL; R-W OL; R-C OL'],
    ['secondary to ground OL', furnaceDead, 'sec-gnd OL'],
    ['outdoor cable reads open', furnaceDead, 'outdoor Y to outdoor C OL'],
    ['R-C dropped to 4 volts when Y was jumped', furnace, 'jumper R Y; R-C 4 V'],
    ['wires look good at board', furnace, 'landings ok'],
    ['Y in 26 out 0 at defrost board', heatPump, 'Y-C 26 V; Y-out-C 0 V'],
    ['Y-out 26', heatPump, 'Y-out-C 26 V'],
    ['reversing valve not switching', heatPump, 'valve out'],
    ['O energized in cool', heatPump, 'call cool; O-C jumps between 20 and 28 V'],
    ['hsi 120 V', induced, 'igniter 120 V'],
    ['igniter 121 V not glowing', induced, 'igniter 121 V; call heat; flame no glow'],
    ['door open', induced, 'panel off'],
    ['trips with just R and C on', furnace, 'lift stat Y; lift stat G; lift stat W; lift outdoor Y; trips'],
    ['26 at pressure switch in, 0 out', induced, 'rollout-draft-C 26 V; draft-ignition-C 0 V'],
    ['R-C 26 at panel', panel, 'R1-C1 26 V'],
    ['Y out of panel 0', panel, 'Y-C1 0 V'],
    ['Y1 and Y2 26', standing('furnace-ac-two-stage', 'indoor', 'on'), 'Y1-C 26 V; Y2-C 26 V'],
    [
      'outdoor cable: Y to C 15, O to C 18',
      standing('heat-pump-o', 'indoor', 'off'),
      'outdoor Y to outdoor C 15; outdoor O to outdoor C 18',
    ],
    ["contactor pulled in, fan runs, compressor doesn't", heatPump, 'contactor in; condenser-fan runs; compressor still'],
    ['fuse open, 3 amp', furnace, 'fuse blown; note 3 A fuse'],
    ['proved cool 0.4 A 26 V and heat 0.5 A 26 V', furnace, 'proved cool 0.4 A 26 V; proved heat 0.5 A 26 V'],
    ['lift outdoor Y, trips; land it, lift outdoor C, holds', furnace, 'lift outdoor Y; trips; land outdoor Y; lift outdoor C; holds'],
    ['put breaker in place of fuse and called cool, tripped in 2 seconds', furnace, 'breaker in; call cool; trips after 2 s'],
    ['zone 2 cool: Y2 26, damper 2 shut, Y 0', panel, 'call cool zone 2; Y2-C2 26 V; damper-2 shut; Y-C1 0 V'],
    ['W 26, inducer on, switch 0 across, igniter 0', induced, 'call heat; W-C 26 V; inducer runs; across draft 0 V; igniter 0 V'],
    ['contactor out on cool', furnace, 'call cool; contactor out'],
    ['outdoor unit off on cool', furnace, 'call cool; outdoor not as called'],
    ['Y not hot on cool', furnace, 'call cool; Y-C 0 V'],
    ['fuse not blown', furnace, 'fuse good'],
    ['Y to C shows 26 when it should be 0', furnace, 'Y-C 26 V'],
    ["R to Y not 26, it's 0", stat, 'R-Y 0 V'],
    ['stat not blank', stat, 'thermostat alive'],
    ['contactor not chattering now', condenser, 'note contactor not chattering now'],
    ['compressor was running earlier', condenser, 'note compressor was running earlier'],
    ['Y to C 15 not shorted', furnaceDead, 'Y-C 15'],
    ['26 in 0 out of the fuse', furnace, 'sec-C 26 V; R-C 0 V'],
    ['26 on both sides of the fuse', furnace, 'sec-C 26 V; R-C 26 V'],
    ['0.38 A with Y jumped', furnace, 'jumper R Y; 0.38 A on R'],
    ['trips without the thermostat', furnace, 'unplug thermostat; trips'],
    ['contactor pulled in without call', condenser, 'call off; contactor in'],
    ['L1 120 to ground L2 118 to ground', condenser, 'L1-gnd 120 V; L2-gnd 118 V'],
    ['bundle R Y G', stat, 'jumper R Y; jumper R G'],
    ['all clear to ground', furnaceDead, 'R-gnd OL; Y-gnd OL; G-gnd OL; W-gnd OL; C-gnd OL'],
    ['used brown for Y on the stat cable', furnaceDead, 'swap stat Y to brown'],
    ['first contactor 12, second contactor 14', rooftopDead, 'contactor 12; second-contactor 14'],
    ['R C 25 Y1 C 25 Y2 C 0', rooftop, 'R-C 25 V; Y1-C 25 V; Y2-C 0 V'],
    ['heat sequencer in no heat', strips, 'sequencer in; note no heat'],
    ['valve energized, still heating', heatPump, 'valve in; note still heating'],
  ])('%s', (said, read, means) => {
    expect(drafts(read, said)).toEqual(drafts(read, means))
  })

  it('beside an inducer that runs, an open pressure switch has the volts across it', () => {
    const [call, inducer, across] = drafts(induced, 'inducer runs, pressure switch not closing')
    expect(call).toEqual({ kind: 'bench', change: { do: 'call', call: 'heat' } })
    expect(inducer).toMatchObject({ kind: 'reading', answer: { word: 'runs' } })
    expect(across).toMatchObject({ kind: 'reading', probe: { meter: 'volts' }, answer: { low: 20, high: 28 } })
    expect(drafts(induced, 'inducer running, pressure switch closed')[2]).toMatchObject({ answer: { low: 0, high: 1 } })
  })

  it('a fan beside a compressor is the outdoor fan: no call for the blower is made', () => {
    for (const said of ["fan runs, compressor doesn't", 'fan running but compressor not running', 'fan running, compressor off']) {
      const [fan, compressor] = drafts(condenser, said)
      expect(fan).toMatchObject({ kind: 'reading', probe: { at: 'condenser-fan' }, answer: { word: 'runs' } })
      expect(compressor).toMatchObject({ kind: 'reading', probe: { at: 'compressor' }, answer: { word: 'still' } })
    }
    expect(drafts(condenser, 'fan not running, compressor running')).toMatchObject([
      { probe: { at: 'condenser-fan' }, answer: { word: 'still' } },
      { probe: { at: 'compressor' }, answer: { word: 'runs' } },
    ])
  })

  it('an overload inside a motor is no trip of the breaker', () => {
    expect(drafts(condenser, 'compressor hums and trips overload').map(({ kind }) => kind)).not.toContain('trip')
  })

  it('a state said beside a reading is not dropped', () => {
    expect(drafts(condenser, '24 at coil contactor out')).toEqual(drafts(condenser, 'contactor coil 24; contactor out'))
    expect(drafts(condenser, 'low pressure bypassed, runs').at(-1)).toEqual({ kind: 'note', text: 'runs' })
    expect(drafts(induced, '27 on R, board dead').at(-1)).toMatchObject({ answer: { word: 'dark' } })
  })

  it('a unit that is off is no cable that hangs', () => {
    const understood = standing('heat-pump-o', 'indoor', 'on')('aux runs with heat pump off')
    expect(understood.ok ? JSON.stringify(understood.drafts) : '').not.toContain('lift')
  })

  it('a fan guard calls for no fan', () => {
    const understood = standing('heat-pump-o', 'outdoor', 'off')('O wire rubbed through on the fan guard')
    expect(understood.ok ? JSON.stringify(understood.drafts) : '').not.toContain('call')
  })

  it('what moves when somebody pushes it in was not called in', () => {
    expect(drafts(condenser, 'unit comes on when I push the contactor').map(({ kind }) => kind)).toEqual(['note'])
  })

  it('all but two letters come off, and what it does then', () => {
    const made = drafts(furnace, 'it holds with everything off the board but R and C')
    expect(made.filter(({ kind }) => kind === 'bench')).toHaveLength(4)
    expect(made.at(-1)).toMatchObject({ kind: 'trip' })
    expect(JSON.stringify(made)).not.toContain('stat-cable.R@')
  })

  it('everything on one letter comes off, of whatever cable', () => {
    const lifted = drafts(furnaceDead, 'pulled everything off Y')
    expect(lifted).toHaveLength(2)
    expect(JSON.stringify(lifted)).toContain('stat-cable.Y@indoor')
    expect(JSON.stringify(lifted)).toContain('outdoor-cable.Y@indoor')
  })
})
