import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { SuggestedTicks } from '@/src/ui/complaint/suggested-ticks'

describe("ticks that a customer's words suggest", () => {
  const words = 'No cooling since they dug for the fence'

  it('are offered, and set by a tap alone, with the words', async () => {
    const told: Partial<Complaint>[] = []
    render(<SuggestedTicks words={words} complaint={emptyComplaint} system={furnaceAc} onTell={(part) => told.push(part)} />)
    expect(told).toEqual([])
    await userEvent.click(screen.getByRole('button', { name: 'one mode dead: cool' }))
    await userEvent.click(screen.getByRole('button', { name: 'fence or garden work' }))
    expect(told).toEqual([
      { words, symptoms: ['mode-dead'], call: 'cool' },
      { words, changed: ['garden-work'] },
    ])
  })

  it('are not offered once they are set', () => {
    const complaint: Complaint = { ...emptyComplaint, words, symptoms: ['mode-dead'], call: 'cool', changed: ['garden-work'] }
    const { container } = render(<SuggestedTicks words={words} complaint={complaint} system={furnaceAc} onTell={() => {}} />)
    expect(container).toBeEmptyDOMElement()
  })
})
