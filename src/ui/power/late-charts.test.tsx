import { render, screen, waitFor } from '@testing-library/react'
import { LateCharts } from '@/src/ui/power/late-charts'

let mockSignal = false
jest.mock('@/src/ui/power/charts', () => {
  if (!mockSignal) throw new Error('the chunk is out of reach')
  return { Charts: () => <p>the charts</p> }
})

const winding = { va: 40, plateVolts: 24 }

describe('charts that come late', () => {
  it('are said to be missing without a signal, and come with it', async () => {
    render(<LateCharts ratingA={3} winding={winding} faultA={null} windings={null} loads={null} isLive={false} />)
    expect(screen.getByText('drawing the charts …')).toBeTruthy()
    await screen.findByText(/Charts load when there is a signal/)
    mockSignal = true
    window.dispatchEvent(new Event('online'))
    await waitFor(() => expect(screen.getByText('the charts')).toBeTruthy())
  })
})
