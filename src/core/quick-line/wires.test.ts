import { drafts, standing } from '@/tests/setup/standing'

const furnace = standing('furnace-ac', 'indoor', 'on')
const furnaceDead = standing('furnace-ac', 'indoor', 'off')
const stat = standing('furnace-ac', 'thermostat', 'on')
const heatPumpStat = standing('heat-pump-o', 'thermostat', 'on')
const heatPumpDead = standing('heat-pump-o', 'outdoor', 'off')
const rooftop = standing('rooftop-gas', 'package', 'on')

describe('a wire in the hand, and what comes on with a stage', () => {
  it.each([
    ['park the outdoor y', furnaceDead, 'lift outdoor Y; note park the outdoor y'],
    ['capped off the stat yellow', furnaceDead, 'lift stat Y; note capped off the stat yellow'],
    ['took off both y wires', furnaceDead, 'lift stat Y; lift outdoor Y'],
    ["both y's off", furnaceDead, 'lift stat Y; lift outdoor Y'],
    ['take off r y g', furnaceDead, 'lift stat R; lift stat Y; lift stat G'],
    ['use the black spare for y of the stat cable', furnaceDead, 'swap stat Y to black'],
    ['stat cable y to brown spare', furnaceDead, 'swap stat Y to brown'],
    ['high-pressure switch closed 0.2', heatPumpDead, 'ohms across high-pressure 0.2'],
    ['limit open OL', furnaceDead, 'ohms across limit OL'],
    ['board buzzes', furnace, 'note board buzzes'],
    ['buzzing at the transformer', furnace, 'note buzzing at the transformer'],
    ['lights flicker when the contactor pulls in', furnace, 'note lights flicker when the contactor pulls in'],
    ['stat flickers on cool', stat, 'call cool; thermostat chatters'],
    ['turn it off', stat, 'call off'],
    ['stage 2 does not run', rooftop, 'call cool-2; second-compressor still'],
    ['only blows when the outdoor unit is called', furnace, 'trips on cool'],
    ['transformer out 27, in 122', furnace, 'primary 122; transformer secondary 27'],
    ['it says over current on G', heatPumpStat, 'call fan; thermostat over-current code on G'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })

  it('is not guessed where a color is in two cables, or a letter in both', () => {
    for (const line of ['unhook the y from the board', 'move y to g']) expect(furnaceDead(line).ok).toBe(false)
    expect(drafts(furnaceDead, 'capped the red')).toEqual(drafts(furnaceDead, 'note capped the red'))
  })
})

describe('what is told beside a call, and what came back', () => {
  it.each([
    ['W to C 26 with no call for aux', standing('heat-pump-o', 'indoor', 'on'), 'W-C 26 V'],
    ['float switch broke the R, pan is full', standing('cool-strips', 'indoor', 'on'), 'float up; note pan is full'],
    ['unit came back on', furnace, 'note unit came back on'],
    ['cleaned the flame sensor', standing('furnace-induced-draft', 'indoor', 'on'), 'repaired Cleaned the flame sensor'],
    ['B is wired instead of O', standing('heat-pump-o', 'outdoor', 'on'), 'note B is wired instead of O'],
    ['24 at the gas valve, burners lit', rooftop, 'call heat; ignition-valve-C 24 V; flame burns'],
  ])('%s', (said, where, meant) => {
    expect(drafts(where, said)).toEqual(drafts(where, meant))
  })
})
