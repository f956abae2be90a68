import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { api, NoAnswer, Refused } from '@/src/ui/device/api-client'
import { OpenJobFile } from '@/src/ui/jobs/open-job-file'

const push = jest.fn()
jest.mock('next/navigation', () => ({ useRouter: () => ({ push }) }))

const choose = async (user: ReturnType<typeof userEvent.setup>) => {
  const file = new File(['{}'], 'job.json', { type: 'application/json' })
  file.text = async () => '{}'
  await user.upload(screen.getByLabelText('Open a job file or an archive', { selector: 'input' }), file)
}

afterEach(() => jest.restoreAllMocks())

describe('OpenJobFile', () => {
  it('goes to the job that was opened', async () => {
    jest.spyOn(api, 'openJobFile').mockResolvedValue({ id: 'a' })
    render(<OpenJobFile />)
    await choose(userEvent.setup())
    expect(push).toHaveBeenCalledWith('/jobs/a')
  })

  it('offers what is whole of a damaged file', async () => {
    const open = jest
      .spyOn(api, 'openJobFile')
      .mockRejectedValueOnce(new Refused({ code: 'damaged', say: '3 entries are whole.', whole: 3 }, 422))
    render(<OpenJobFile />)
    const user = userEvent.setup()
    await choose(user)
    expect(screen.getByRole('alert')).toHaveTextContent('3 entries are whole.')
    open.mockResolvedValueOnce({ id: 'b' })
    await user.click(screen.getByRole('button', { name: 'Open what is whole' }))
    expect(open).toHaveBeenLastCalledWith('{}', { keepWhole: true })
  })

  it('says that nothing answers, and offers nothing that would not work', async () => {
    jest.spyOn(api, 'openJobFile').mockRejectedValue(new NoAnswer('The server does not answer.'))
    render(<OpenJobFile />)
    await choose(userEvent.setup())
    expect(screen.getByRole('alert')).toHaveTextContent('The server does not answer.')
    expect(screen.queryByRole('button')).toBeNull()
  })
})
