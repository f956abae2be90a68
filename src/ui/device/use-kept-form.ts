import { useEffect } from 'react'
import type { DefaultValues, FieldValues, UseFormReturn } from 'react-hook-form'

/** Keeps what is typed into a form across reloads, until the form is done. Returns the function that lets it go. */
export function useKeptForm<T extends FieldValues>(form: UseFormReturn<T>, key: string): () => void {
  const name = `nest-trace form ${key}`
  const { reset, watch, getValues } = form
  useEffect(() => {
    const kept = readKept(localStorage.getItem(name))
    if (kept) reset({ ...getValues(), ...kept } as DefaultValues<T>)
    const { unsubscribe } = watch((values) => localStorage.setItem(name, JSON.stringify(values)))
    return unsubscribe
  }, [name, reset, watch, getValues])
  return () => localStorage.removeItem(name)
}

/** A shelf that somebody else wrote to is as good as an empty one. */
function readKept(text: string | null): object | null {
  try {
    const value: unknown = JSON.parse(text ?? 'null')
    return typeof value === 'object' ? value : null
  } catch {
    return null
  }
}
