import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Answer } from '@/src/core/readings/check'
import { Keypad, type Measured } from '@/src/ui/controls/keypad'

function setUp(measured: Measured) {
  const taken: Answer[] = []
  render(<Keypad measured={measured} onTake={(answer) => taken.push(answer)} />)
  return { user: userEvent.setup(), taken }
}
const key = (name: string) => screen.getByRole('button', { name })

describe('Keypad', () => {
  it('takes what is tapped with a thumb', async () => {
    const { user, taken } = setUp('volts')
    for (const name of ['2', '6', '.', '4']) await user.click(key(name))
    await user.click(key('Take it'))
    expect(taken).toEqual([26.4])
  })

  it('takes what is typed, in the unit that is chosen', async () => {
    const { user, taken } = setUp('ohms')
    await user.click(key('kohm'))
    await user.type(screen.getByRole('textbox', { name: 'reading in kohm' }), '12,5{Enter}')
    expect(taken).toEqual([12500])
  })

  it('has OL for ohms only', async () => {
    const { user, taken } = setUp('ohms')
    await user.click(key('OL'))
    expect(taken).toEqual(['OL'])
  })

  it('says what is wrong with a word, keeps it, and takes nothing', async () => {
    const { user, taken } = setUp('amps')
    await user.type(screen.getByRole('textbox'), 'twelve{Enter}')
    expect(screen.getByRole('alert')).toHaveTextContent('“twelve” is not a number')
    expect(screen.getByRole('textbox')).toHaveValue('twelve')
    expect(screen.queryByRole('button', { name: 'OL' })).toBeNull()
    expect(taken).toEqual([])
  })
})
