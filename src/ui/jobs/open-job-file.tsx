'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from '@/src/ui/controls/button'
import { api, Refused } from '@/src/ui/device/api-client'

interface Trouble {
  readonly say: string
  readonly text: string
  /** Entries of a damaged file that can still be opened. */
  readonly whole: number | null
  readonly isClash: boolean
}

/** Opens a job file; a damaged one says what is whole and offers it, one that went on elsewhere opens as a job of its own. */
export function OpenJobFile() {
  const router = useRouter()
  const [trouble, setTrouble] = useState<Trouble | null>(null)
  const [busy, setBusy] = useState(false)
  const open = async (text: string, options: { keepWhole?: boolean; as?: string } = {}) => {
    setBusy(true)
    try {
      const { id } = await api.openJobFile(text, options)
      router.push(`/jobs/${encodeURIComponent(id)}`)
    } catch (error) {
      const refused = error instanceof Refused ? error.problem : null
      setTrouble({ say: (error as Error).message, text, whole: refused?.whole ?? null, isClash: refused?.code === 'clash' })
    } finally {
      setBusy(false)
    }
  }
  return (
    <section aria-label="Open a job file" className="rounded border-2 border-line p-3">
      <label className="flex min-h-11 cursor-pointer flex-col justify-center">
        <span className="font-bold">Open a job file</span>
        <input
          type="file"
          accept=".json,application/json"
          disabled={busy}
          className="mt-1 min-h-11 w-full text-muted text-small file:mr-2 file:min-h-11 file:rounded file:border-2 file:border-line file:bg-panel file:px-3 file:text-base file:text-ink"
          onChange={async (event) => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            setTrouble(null)
            if (file) await open(await file.text())
          }}
        />
      </label>
      {trouble && (
        <div role="alert" className="mt-2 border-ember border-l-4 pl-3">
          <p>{trouble.say}</p>
          {trouble.whole !== null && (
            <Button className="mt-2" onClick={() => open(trouble.text, { keepWhole: true })}>
              Open what is whole
            </Button>
          )}
          {trouble.isClash && (
            <Button className="mt-2" onClick={() => open(trouble.text, { keepWhole: true, as: crypto.randomUUID() })}>
              Open as a job of its own
            </Button>
          )}
        </div>
      )}
    </section>
  )
}
