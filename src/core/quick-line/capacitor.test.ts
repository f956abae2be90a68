import { answerTo, drafts, standing } from '@/tests/setup/standing'

const onCool = standing('furnace-ac', 'outdoor', 'on', { do: 'call', call: 'cool' })
const off = standing('furnace-ac', 'outdoor', 'off')

describe('a run capacitor, and the motors that it starts', () => {
  it.each([
    ["compressor hums, won't start", 'compressor: hums'],
    ["fan isn't spinning, just hums", 'condenser fan: hums'],
    ['fan runs but compressor just hums', 'condenser fan: runs, then compressor: hums'],
    ['compressor running, no fan', 'compressor: runs, then condenser fan: still'],
    ['compressor off, fan on', 'compressor: still, then condenser fan: runs'],
    ['comp humming and tripping on overload', 'compressor: hums, then note: goes off on overload'],
    ['cap top is swollen', 'run capacitor: bulged'],
    ['240 across the compressor', 'lead from contactor to compressor to L2 after the outdoor disconnect at the outdoor unit: 240 V'],
  ])('on a call: %s', (said, means) => {
    expect(answerTo(onCool, said)).toBe(means)
  })

  it.each([
    ['cap reads 44/4.8', 'good'],
    ['cap reads 31/4.8', 'weak: compressor'],
    ['dual cap 44.1 2.2', 'weak: condenser-fan'],
    ['herm side 12 uf', 'weak: compressor'],
    ['12 mfd on herm', 'weak: compressor'],
    ['fan side of the cap 5', 'good'],
    ['cap tests good', 'good'],
    ['cap reads 3.9 on fan and 0 on herm', 'weak: compressor'],
    ['run cap 2.1 should be 45', 'weak: compressor'],
    ['capacitor weak condenser-fan', 'weak: condenser-fan'],
  ])('with the power off: %s', (said, word) => {
    expect(drafts(off, said)[0]).toMatchObject({ kind: 'reading', probe: { at: 'capacitor@run-capacitor' }, answer: { word } })
  })

  it('a label that is read out is a remark', () => {
    expect(drafts(off, 'cap 45/5')).toEqual([{ kind: 'note', text: 'cap 45/5' }])
  })

  it('keeps what the meter read beside the label', () => {
    expect(drafts(off, 'cap reads 31/4.8')[1]).toMatchObject({ kind: 'note', text: expect.stringMatching(/31 µF .*label 45/) })
  })

  it.each([
    [onCool, 'cap reads 31/4.8', 'read with the power off and discharged'],
    [onCool, 'capacitor 31/4.8', 'read with the power off and discharged'],
    [onCool, 'capacitor good', 'read with the power off and discharged'],
    [onCool, 'capacitor weak compressor', 'read with the power off and discharged'],
    [off, 'cap is bad', 'What did it read?'],
    [off, 'cap reads 12', 'Which side?'],
    [onCool, 'contactor drops out when the fan starts', 'nothing of "when the fan starts"'],
  ])('is asked after', (read, said, asked) => {
    expect(answerTo(read, said)).toContain(asked)
    expect(read(said).ok).toBe(false)
  })
})
