import { Button } from '@/src/ui/controls/button'

/** One of a few filters, and words to look for. */
export function FilterBar<Name extends string>({
  filters,
  filter,
  onFilter,
  words,
  onWords,
  label,
  placeholder,
}: {
  filters: readonly Name[]
  filter: Name
  onFilter: (name: Name) => void
  words: string
  onWords: (words: string) => void
  label: string
  placeholder: string
}) {
  return (
    <div className="mb-2 flex flex-wrap gap-2">
      {filters.map((name) => (
        <Button
          key={name}
          aria-pressed={filter === name}
          onClick={() => onFilter(name)}
          className={filter === name ? '!border-next font-bold' : ''}
        >
          {name}
        </Button>
      ))}
      <input
        type="search"
        value={words}
        onChange={(event) => onWords(event.target.value)}
        aria-label={label}
        placeholder={placeholder}
        className="min-h-11 min-w-40 flex-1 rounded border-2 border-line bg-panel px-3 placeholder:text-muted"
      />
    </div>
  )
}
