import type { ButtonHTMLAttributes } from 'react'

const looks = {
  plain: 'border-line bg-panel text-left text-ink disabled:text-muted',
  main: 'border-next bg-next text-center font-bold text-on-next disabled:border-line disabled:bg-panel disabled:text-muted',
  owed: 'border-ember bg-panel text-left text-ink',
  quiet: 'border-transparent px-1 text-left text-muted text-small underline underline-offset-4',
} as const

export type ButtonLook = keyof typeof looks

/** Every button: at least 44 px high, for a thumb in a glove. */
export function Button({ look = 'plain', className = '', ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & { look?: ButtonLook }) {
  return (
    <button
      type="button"
      className={`min-h-11 min-w-11 rounded border-2 py-1.5 ${look === 'quiet' ? '' : 'px-3'} ${looks[look]} ${className}`}
      {...rest}
    />
  )
}
