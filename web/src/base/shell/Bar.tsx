import {
  BookOpen,
  ClipboardList,
  DatabaseBackup,
  FlaskConical,
  HardDrive,
  Layers,
  Moon,
  Sun,
} from 'lucide-react'
import { memo, type ReactNode } from 'react'
import { Link, NavLink } from 'react-router'
import { SaveState } from './SaveState'
import { Technician } from './Technician'
import { useTheme } from './theme'

const PLACES = [
  { to: '/', name: 'Counter', icon: ClipboardList },
  { to: '/what-if', name: 'What if', icon: FlaskConical },
  { to: '/shelf', name: 'Shelf', icon: Layers },
  { to: '/machines', name: 'Machines', icon: HardDrive },
  { to: '/reference', name: 'Reference', icon: BookOpen },
  { to: '/backups', name: 'Backups', icon: DatabaseBackup },
]

/** The strip on top of every screen: home, what this is about, and whether all of it is saved. */
export function Bar({ children }: { children?: ReactNode }) {
  const [theme, toggle] = useTheme()
  return (
    <header className="screen-only flex min-h-12 items-center gap-4 border-b-2 border-ink bg-sheet pr-2 pl-3">
      <Places />
      <div className="flex min-w-0 flex-1 items-center gap-3">{children}</div>
      <SaveState />
      <Technician />
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

/** Does not change while a screen is worked at. */
const Places = memo(function Places() {
  return (
    <>
      <Link
        to="/"
        className="flex min-h-11 items-center gap-2 text-lg font-bold tracking-tight"
        aria-label="Tembrix, to the counter"
      >
        <Mark />
        Tembrix
      </Link>
      <nav aria-label="Main" className="flex">
        {PLACES.map(({ to, name, icon: Icon }) => (
          <NavLink
            key={to}
            to={to}
            end
            title={name}
            className={({ isActive }) =>
              `flex min-h-11 items-center gap-1.5 border-b-3 px-2 text-sm ${isActive ? 'border-act font-semibold' : 'border-transparent text-ink-2 hover:bg-sheet-2'}`
            }
          >
            <Icon size={17} aria-hidden />
            <span className="max-lg:sr-only">{name}</span>
          </NavLink>
        ))}
      </nav>
    </>
  )
})

function Mark() {
  return (
    <svg viewBox="4 8 24 17" className="h-5" aria-hidden="true">
      <path d="M5 9h22v12h-9v3h-3v-3H5z" className="fill-act" />
      <path d="M8 21v3M11 21v3M21 21v3M24 21v3" strokeWidth="2" className="stroke-gold-line" />
    </svg>
  )
}
