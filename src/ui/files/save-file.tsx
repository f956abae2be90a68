'use client'
import { saveAs } from 'file-saver'
import { type ReactNode, useEffect, useState } from 'react'
import { type DocumentName, fileOfJob, isTextName, type TextName } from '@/src/core/formats/files-of-job'
import { jobFileOf } from '@/src/core/job/job-file'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { makeFile, warmPrinter } from '@/src/ui/files/make-file'

/** Saves a file of the job as it stands on this device: a signal is not needed, and what is not sent yet is in it. */
export function SaveFile({ of, children }: { of: TextName | DocumentName; children: ReactNode }) {
  const { system, job } = useJob()
  const { entries } = useMoment()
  const [problem, setProblem] = useState<string | null>(null)
  const [isMaking, setIsMaking] = useState(false)
  useEffect(() => {
    if (!isTextName(of)) warmPrinter()
  }, [of])
  const save = async () => {
    setProblem(null)
    setIsMaking(true)
    try {
      const file = await makeFile(of, jobFileOf({ job, system, entries }))
      if (!file) return setProblem(fileOfJob(of).none ?? 'There is nothing of this job to save.')
      saveAs(file)
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error))
    } finally {
      setIsMaking(false)
    }
  }
  return (
    <span>
      <button
        type="button"
        onClick={save}
        disabled={isMaking}
        aria-busy={isMaking}
        className="grid min-h-11 place-items-center rounded border-2 border-line px-3"
      >
        {isMaking ? 'making …' : children}
      </button>
      {problem && (
        <span role="alert" className="block max-w-80 text-ember text-small">
          {problem}
        </span>
      )}
    </span>
  )
}
