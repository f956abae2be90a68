import { drafts, standing } from '@/tests/setup/standing'

const furnace = standing('furnace-ac', 'indoor', 'on')
const heatPump = standing('heat-pump-o', 'indoor', 'on')

it.each([
  [furnace, 'drops to 9 volts on cool', 'call cool; R-C 9 V'],
  [heatPump, 'R C sags to 18 with Y on', 'call cool; R-C 18 V'],
  [heatPump, 'on heat it drops to 12 volts', 'call heat; R-C 12 V'],
  [heatPump, '24 volts sags from 26 to 17 when cool comes on', 'R-C 26 V; call cool; R-C 17 V'],
])('%# %s', (read, said, meant) => {
  expect(drafts(read, said)).toEqual(drafts(read, meant))
})

it('on a call that nobody names it is asked on which: at rest the same figure says something else', () => {
  expect(furnace('voltage drops to 14 when it calls')).toMatchObject({ ok: false, problem: expect.stringContaining('On which call') })
  const calling = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' })
  expect(drafts(calling, 'voltage drops to 14 when it calls')).toEqual(drafts(calling, 'R-C 14 V'))
})

it('an A behind a number is amps, whatever stands between', () => {
  expect(drafts(furnace, '0.4a on r with cool on')).toEqual(drafts(furnace, 'call cool; 0.4 A on R'))
})

it('what is said of a trial, and what is gone again, is not left out', () => {
  const rooftop = standing('package-heat-pump', 'package', 'on')
  expect(drafts(rooftop, 'pulled stat cable off the strip, fuse holds').at(-1)).toEqual({ kind: 'trip', result: 'holds' })
  const dead = standing('heat-pump-o', 'outdoor', 'off')
  expect(dead('O to C short goes away with rv unplugged').ok).toBe(false)
})

it('one of two that runs is asked after', () => {
  expect(standing('rooftop-gas', 'package', 'on')('only one compressor is running').ok).toBe(false)
})

it('what judges a reading says nothing more, and volts go in and out of a contactor', () => {
  expect(drafts(heatPump, 'voltage low, 19 r to c')).toEqual(drafts(heatPump, 'R-C 19 V'))
  expect(drafts(furnace, 'R to C is 27 and holding steady')).toEqual(drafts(furnace, 'R-C 27 V'))
  const outside = standing('furnace-ac', 'outdoor', 'on')
  expect(drafts(outside, '240 coming in, 240 leaving contactor')).toEqual(drafts(outside, 'line side 240, load side 240'))
})
