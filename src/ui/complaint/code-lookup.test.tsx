import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { CodeLookup } from '@/src/ui/complaint/code-lookup'

const keepCodes = jest.fn(async (rows: unknown) => rows)
jest.mock('@/src/ui/device/api-client', () => ({
  api: { readCodes: async () => [], keepCodes: (rows: unknown) => keepCodes(rows) },
}))

let mockSignal = false
jest.mock('@/src/core/job/code-schema', () => {
  if (!mockSignal) throw new Error('the chunk is out of reach')
  return jest.requireActual('@/src/core/job/code-schema')
})

describe('a code that is not in the table', () => {
  it('keeps what was typed while it cannot be checked, and is taken with a signal', async () => {
    const onTake = jest.fn()
    const user = userEvent.setup()
    render(
      <QueryClientProvider client={new QueryClient()}>
        <CodeLookup taken={[]} onTake={onTake} />
      </QueryClientProvider>,
    )
    await user.type(screen.getByLabelText('kind of board'), 'two-stage board')
    await user.type(screen.getByLabelText('blinks or code'), '4')
    await user.type(screen.getByLabelText('what it means'), 'limit open')
    await user.click(screen.getByRole('button', { name: 'save it and use it' }))
    expect((await screen.findByRole('alert')).textContent).toContain('What you typed stays here')
    expect((screen.getByLabelText('what it means') as HTMLInputElement).value).toBe('limit open')
    expect(onTake).not.toHaveBeenCalled()
    mockSignal = true
    await user.click(screen.getByRole('button', { name: 'save it and use it' }))
    const row = { board: 'two-stage board', code: '4', means: 'limit open', points: 'nothing' }
    expect(onTake).toHaveBeenCalledWith([row])
    expect(keepCodes).toHaveBeenCalledWith([row])
  })
})
