import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

const furnace = standing('furnace-ac', 'indoor', 'off')
const leadsOff = standingAfter('furnace-ac', 'indoor', ['power off', 'unplug transformer'])
const two = standing('furnace-two-transformers', 'indoor', 'off')
const off = [{ kind: 'bench', change: { do: 'unplug', part: 'transformer' } }]
const on = [{ kind: 'bench', change: { do: 'plug', part: 'transformer' } }]

describe('the 24 V leads of a transformer', () => {
  it.each([
    'transformer leads off',
    'pulled the secondary leads off the transformer',
    'took the transformer secondary off',
    'disconnect transformer secondary',
    '24v leads off the transformer',
    'took the 24 volt leads off the xfmr',
    'isolate the transformer',
    'lift R at the transformer',
    'disconnected both 24v wires from the transformer',
    'transformer is disconnected',
  ])('come off: %s', (line) => expect(drafts(furnace, line)).toEqual(off))

  it.each([
    'put the transformer leads back on',
    'transformer back on',
    'secondary wires back on',
    'hooked the transformer back up',
    'put the 24 V leads of the transformer back on',
  ])('go back on: %s', (line) => expect(drafts(leadsOff, line)).toEqual(on))

  it('off in one line with what is read then', () => {
    expect(drafts(furnace, 'transformer leads off, sec to C OL')).toMatchObject([...off, { kind: 'reading', answer: 'OL' }])
  })

  it('are asked after where there are two', () => {
    expect(answerTo(two, 'took the leads off the transformer')).toContain('Which transformer?')
    expect(drafts(two, 'took the leads off the cooling transformer')).toEqual(off)
  })

  it('once off, a reading of the winding is none of what the leads hang on', () => {
    expect(answerTo(leadsOff, 'transformer secondary reads 0.4')).toContain('nothing of "transformer secondary reads 0.4"')
    expect(drafts(leadsOff, 'sec-C 0.4')).toMatchObject([{ probe: { a: 'sec@indoor', b: 'C@indoor' }, answer: 0.4 }])
  })
})
