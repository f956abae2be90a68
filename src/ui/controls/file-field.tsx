'use client'

/** A field that opens a file from this device. */
export function FileField({ label, accept, disabled = false, onFile }: FileFieldProps) {
  return (
    <label className="flex min-h-11 cursor-pointer flex-col justify-center">
      <span className="font-bold">{label}</span>
      <input
        type="file"
        accept={accept}
        disabled={disabled}
        className="mt-1 min-h-11 w-full text-muted text-small file:mr-2 file:min-h-11 file:rounded file:border-2 file:border-line file:bg-panel file:px-3 file:text-base file:text-ink"
        onChange={({ target }) => {
          const [file] = target.files ?? []
          // The same file can be opened again.
          target.value = ''
          if (file) onFile(file)
        }}
      />
    </label>
  )
}

interface FileFieldProps {
  readonly label: string
  readonly accept: string
  readonly disabled?: boolean
  readonly onFile: (file: File) => void
}
