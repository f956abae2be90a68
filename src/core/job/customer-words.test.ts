import { emptyComplaint } from '@/src/core/job/complaint'
import { tellMore, toldBy } from '@/src/core/job/customer-words'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

const heatPump = systemById('heat-pump-o')
if (!heatPump) throw new Error('no heat pump')

describe("a customer's words", () => {
  it.each([
    ['No cooling since Tuesday', ['mode-dead'], 'cool'],
    ['The A/C is not working', ['mode-dead'], 'cool'],
    ["It won't heat", ['mode-dead'], 'heat'],
    ['no heat', ['mode-dead'], 'heat'],
    ['cool dead', ['mode-dead'], 'cool'],
    ['The furnace quit last night', ['mode-dead'], 'heat'],
    ['ac wont come on', ['mode-dead'], 'cool'],
    ['Nothing works at all', ['nothing-runs'], null],
    ['The whole system is dead', ['nothing-runs'], null],
    ['Thermostat went blank after lunch', ['blank-thermostat'], null],
    ['There is nothing on the screen', ['blank-thermostat'], null],
    ['It runs all the time', ['never-stops'], null],
    ["The fan won't shut off", ['never-stops'], 'fan'],
    ['It blows the fuse when we turn on the heat', ['fuse-on-call'], 'heat'],
    ['fuse pops as soon as the ac comes on', ['fuse-on-call'], 'cool'],
    ['blows a fuse every time you power it up', ['fuse-at-power-up'], null],
    ['it blows a fuse every few weeks', ['fuse-now-and-then'], null],
    ['went through three fuses already', ['fuse-now-and-then'], null],
    ['the outside fan is not running', ['half-works'], null],
    ['The outside unit does not come on', ['half-works'], null],
    ['It is blowing warm air', ['half-works', 'mode-dead'], 'cool'],
    ['there is a buzzing in the closet', ['chatters'], null],
    ['thermostat shows code E74', ['code'], null],
    ['we smelled something burning', ['smell'], null],
    ['AC blows the 3 amp fuse as soon as it calls', ['fuse-on-call'], 'cool'],
    ['the condenser will not shut off', ['never-stops'], null],
    ['furnace wont light', ['mode-dead'], 'heat'],
    ['heat pump blows cold', ['mode-dead'], 'heat'],
    ['the furnace never shuts off', ['never-stops'], 'heat'],
    ['the heat pump runs all the time', ['never-stops'], null],
    ['electric strips not working', ['mode-dead'], 'heat'],
  ] as const)('%s', (words, symptoms, call) => {
    const told = toldBy(words, furnaceAc)
    expect([told.symptoms, told.call]).toEqual([symptoms, call])
  })

  it.each([
    ['we had the lawn mowed on Monday', 'garden-work'],
    ['my son put in a smart thermostat', 'new-thermostat'],
    ['new condenser in spring', 'new-equipment'],
    ['another company was here last week', 'earlier-repair'],
    ['we have mice in the attic', 'rodents'],
    ['after the lightning', 'storm'],
  ] as const)('%s was a change', (words, changed) => {
    expect(toldBy(words, furnaceAc).changed).toEqual([changed])
  })

  it.each(['It cools fine', 'the fuse is in the drawer', 'please call before you come', 'smell of gas', 'the heat pump is two years old'])(
    '%s: ticks nothing',
    (words) => {
      expect(toldBy(words, furnaceAc)).toEqual({ symptoms: [], call: null, changed: [] })
    },
  )

  it('speak of a call that this house has, or of none', () => {
    expect(toldBy('no emergency heat', heatPump).call).toBe('emergency')
    expect(toldBy('no emergency heat', furnaceAc).call).not.toBe('emergency')
    expect(toldBy('no heat and no cooling', furnaceAc)).toMatchObject({ symptoms: ['mode-dead'], call: null })
  })

  it('are added to what was told before', () => {
    const first = tellMore(emptyComplaint, 'no cooling', furnaceAc)
    const second = tellMore(first, 'we had the fence done', furnaceAc)
    expect(second).toMatchObject({
      words: 'no cooling; we had the fence done',
      symptoms: ['mode-dead'],
      call: 'cool',
      changed: ['garden-work'],
    })
  })
})
