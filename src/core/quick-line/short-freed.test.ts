import { answerTo, drafts, standing } from '@/tests/setup/standing'

/** A part that is read by itself. */
const outsideOff = standing('furnace-ac', 'outdoor', 'off')
const contactorOff = standing('furnace-ac', 'outdoor', 'off', { do: 'unplug', part: 'contactor' })
const heatPumpOff = standing('heat-pump-o', 'outdoor', 'off')
const across = { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' }

describe('a part with its leads off', () => {
  it.each([
    'coil reads 14 with wires pulled',
    'contactor coil 14 ohms unplugged',
    'contactor unplugged, reads 14',
    'contactor with both leads off reads 14 ohms',
    '14 ohms across the coil, leads off',
  ])('comes off, and is read across its own pins: %s', (line) =>
    expect(drafts(outsideOff, line)).toMatchObject([
      { kind: 'bench', change: { do: 'unplug', part: 'contactor' } },
      { kind: 'reading', probe: across, answer: 14 },
    ]),
  )

  it('does not come off twice', () =>
    expect(drafts(contactorOff, 'coil reads 14 with wires pulled')).toMatchObject([{ kind: 'reading', probe: across, answer: 14 }]))

  it('may be open', () => expect(answerTo(heatPumpOff, 'rv isolated, OL')).toMatch(/^unplug the reversing valve, then .*: OL$/))

  it('is asked after where one stands between two coils', () =>
    expect(answerTo(heatPumpOff, 'coil reads 14 with wires pulled')).not.toContain('14 ohm'))
})
