import { act, renderHook } from '@testing-library/react'
import { useForm } from 'react-hook-form'
import { useKeptForm } from '@/src/ui/device/use-kept-form'
import { useKeptText } from '@/src/ui/device/use-kept-text'

beforeEach(() => localStorage.clear())

describe('useKeptText', () => {
  it('finds what was being typed when the page comes back, and nothing once it was let go', () => {
    const first = renderHook(() => useKeptText('line a'))
    act(() => first.result.current[1]('R-C 26'))
    first.unmount()
    const second = renderHook(() => useKeptText('line a'))
    expect(second.result.current[0]).toBe('R-C 26')
    act(() => second.result.current[1](null))
    expect(renderHook(() => useKeptText('line a')).result.current[0]).toBeNull()
  })

  it('keeps one text apart from another', () => {
    const { result } = renderHook(() => useKeptText('line a'))
    act(() => result.current[1]('for a'))
    expect(renderHook(() => useKeptText('line b')).result.current[0]).toBeNull()
  })
})

describe('useKeptForm', () => {
  const open = () =>
    renderHook(() => {
      const form = useForm({ defaultValues: { title: '', words: '' } })
      return { form, forget: useKeptForm(form, 'new job') }
    })

  it('fills the form again after a reload, until it is done', () => {
    const first = open()
    act(() => first.result.current.form.setValue('title', 'Mill Row 22'))
    first.unmount()
    const second = open()
    expect(second.result.current.form.getValues()).toEqual({ title: 'Mill Row 22', words: '' })
    second.result.current.forget()
    second.unmount()
    expect(open().result.current.form.getValues()).toEqual({ title: '', words: '' })
  })

  it('begins empty when what was kept is damaged', () => {
    localStorage.setItem('nest-trace form new job', '{"title":')
    expect(open().result.current.form.getValues()).toEqual({ title: '', words: '' })
  })
})
