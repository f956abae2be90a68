'use client'
import { Moon, Sun } from 'lucide-react'
import { Button } from '@/src/ui/controls/button'
import { toggleTheme } from '@/src/ui/theme/theme'

/** Attic (dark) and roof (sun). */
export function ThemeSwitch() {
  return (
    <Button onClick={toggleTheme} aria-label="switch between attic and roof colors" title="attic or roof colors (z)" className="px-2.5">
      <Moon aria-hidden className="size-5 in-data-[theme=roof]:hidden" />
      <Sun aria-hidden className="hidden size-5 in-data-[theme=roof]:block" />
    </Button>
  )
}
