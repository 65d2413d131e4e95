import { Moon, Sun } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { SaveState } from './SaveState'
import { useTheme } from './theme'

/** The strip on top of every screen: home, what this is about, and whether all of it is saved. */
export function Bar({ children }: { children?: ReactNode }) {
  const [theme, toggle] = useTheme()
  return (
    <header className="screen-only flex min-h-12 items-center gap-4 border-b-2 border-ink bg-sheet pr-2 pl-3">
      <Link
        to="/"
        className="flex min-h-11 items-center gap-2 text-lg font-bold tracking-tight"
        aria-label="Tembrix, to the counter"
      >
        <Mark />
        Tembrix
      </Link>
      <div className="flex min-w-0 flex-1 items-center gap-3">{children}</div>
      <SaveState />
      <button
        type="button"
        onClick={toggle}
        aria-label={theme === 'dark' ? 'Daylight colours' : 'Dark bench colours'}
        className="grid size-11 place-items-center rounded-sm hover:bg-sheet-2"
      >
        {theme === 'dark' ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
      </button>
    </header>
  )
}

function Mark() {
  return (
    <svg viewBox="4 8 24 17" className="h-5" aria-hidden="true">
      <path d="M5 9h22v12h-9v3h-3v-3H5z" className="fill-act" />
      <path d="M8 21v3M11 21v3M21 21v3M24 21v3" strokeWidth="2" className="stroke-gold-line" />
    </svg>
  )
}
