'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { sayRestored } from '@/src/core/formats/say-restored'
import { Button } from '@/src/ui/controls/button'
import { FileField } from '@/src/ui/controls/file-field'
import { api, Refused } from '@/src/ui/device/api-client'
import { tellDevice } from '@/src/ui/device/device-events'

interface Trouble {
  readonly say: string
  readonly text: string
  /** Entries of a damaged file that can still be opened. */
  readonly whole: number | null
  readonly isClash: boolean
}

/** Opens a job file, or takes an archive in; a damaged file says what is whole and offers it, one that went on elsewhere opens as a job of its own. */
export function OpenJobFile() {
  const router = useRouter()
  const [trouble, setTrouble] = useState<Trouble | null>(null)
  const [busy, setBusy] = useState(false)
  const [restored, setRestored] = useState<string | null>(null)
  const restore = async (zip: File) => {
    setBusy(true)
    try {
      setRestored(sayRestored(await api.restore(zip)))
      tellDevice({ kind: 'restored' })
    } catch (error) {
      setTrouble({ say: (error as Error).message, text: '', whole: null, isClash: false })
    } finally {
      setBusy(false)
    }
  }
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
      <FileField
        label="Open a job file or an archive"
        accept=".json,application/json,.zip,application/zip"
        disabled={busy}
        onFile={async (file) => {
          setTrouble(null)
          setRestored(null)
          await (/\.zip$/i.test(file.name) ? restore(file) : open(await file.text()))
        }}
      />
      {restored && <p role="status">{restored}</p>}
      <a href="/api/v1/archive" download className="mt-1 inline-grid min-h-11 place-items-center underline underline-offset-4">
        Save an archive of every job
      </a>
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
